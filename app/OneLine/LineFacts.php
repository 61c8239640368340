<?php

namespace App\OneLine;

use PinnedRota\Core\Events\Status;
use PinnedRota\Core\OneLine\Understood;
use PinnedRota\Core\Overlay\EventFacts;

/** What filters may ask of an event that is still a line. */
final class LineFacts
{
    public static function of(Understood $is, int $writerId): EventFacts
    {
        return new EventFacts(
            0, false, array_map(mb_strtolower(...), $is->categories), EventFacts::textOf($is->title, $is->place), $writerId, $is->responsible,
            array_values(array_unique([...$is->people, ...$is->responsible])), $is->provisional ? Status::Provisional : Status::Confirmed, $is->allDay, true, $is->place,
        );
    }
}
