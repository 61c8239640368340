<?php

namespace App\Notices;

use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** A time of an event in a layer. Times are on the wall of the sheet; all-day ones are dates; ends are exclusive. */
final readonly class TimeInLayerData
{
    public function __construct(public int $layer, public string $title, public string $place, public bool $allDay, public string $start, public string $end)
    {
    }

    public static function of(Occurrence $occurrence, int $layer, Zone $zone): self
    {
        $kind = $occurrence->start->kind;
        $tell = static function (int $seconds) use ($kind, $zone): string {
            $local = new LocalDateTime($kind === TimeKind::Zoned ? $zone->toLocal($seconds) : $seconds);

            return $kind === TimeKind::Date ? $local->toDate() : $local->toMinute();
        };

        return new self($layer, $occurrence->event->contents->title, $occurrence->event->contents->place, $kind === TimeKind::Date, $tell($occurrence->startSeconds), $tell($occurrence->endSeconds));
    }
}
