<?php

namespace App\Sources;

use App\Calendars\CalendarNameData;

/** A calendar to which all of a source is pinned, or the source of which all is pinned to a calendar. */
final readonly class SourcePinData
{
    /**
     * @param  int  $source  Its id
     * @param  ?CalendarNameData  $calendar  That of the source, or that which it is pinned to: the other one than was asked of; null where the viewer does not see it
     * @param  ?string  $by  Who pinned it; null where they have left
     * @param  bool  $shared  Whether whoever pinned it may see it still: no more than they do is shown there
     */
    public function __construct(
        public int $id,
        public int $source,
        public ?CalendarNameData $calendar,
        public ?string $by,
        public bool $shared,
        public bool $mayUnpin,
    ) {
    }
}
