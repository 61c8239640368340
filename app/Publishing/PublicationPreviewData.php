<?php

namespace App\Publishing;

/** What a publication would give, before it is given. */
final readonly class PublicationPreviewData
{
    /**
     * @param  string  $from  the first day that was looked at
     * @param  string  $to  the day after the last
     * @param  int  $count  How many times of events it tells in these days
     * @param  int  $busy  Of how many of those it tells no more than that the time is taken
     * @param  list<PreviewedEventData>  $events  the next of them, as they are told
     * @param  list<LeftOutData>  $leftOut  what one sees oneself and it does not tell
     * @param  list<PublicationWarningData>  $warnings  what one may not want to go out
     */
    public function __construct(
        public string $from,
        public string $to,
        public int $count,
        public int $busy,
        public array $events,
        public array $leftOut,
        public array $warnings,
    ) {
    }
}
