<?php

namespace App\Sources;

use App\Calendars\CalendarNameData;

/** A source that needs somebody: it fails, or what it would take away is held back. */
final readonly class SourceWaitingData
{
    /**
     * @param  ?string  $failingSince  Null where it does not fail
     * @param  ?string  $error  Why it fails, in words
     * @param  ?RefreshData  $held  What waits for one's word
     */
    public function __construct(
        public int $id,
        public CalendarNameData $calendar,
        public ?string $failingSince,
        public ?string $error,
        public ?RefreshData $held,
    ) {
    }
}
