<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** When one time of an event is, and what it is called there: what a notice tells of it. */
final readonly class NoticeTime
{
    /** @param  int  $endSeconds  on the index's axis (see EventTime::indexSeconds), exclusive; as $startSeconds */
    public function __construct(public TimeKind $kind, public int $startSeconds, public int $endSeconds, public string $title, public string $place, public ?string $name)
    {
    }

    public static function of(Occurrence $occurrence, ?string $name): self
    {
        return new self($occurrence->start->kind, $occurrence->startSeconds, $occurrence->endSeconds, $occurrence->event->contents->title, trim($occurrence->event->contents->place), $name);
    }

    public function start(Zone $zone): EventTime
    {
        return $this->on($zone, $this->startSeconds);
    }

    /** Exclusive. */
    public function end(Zone $zone): EventTime
    {
        return $this->on($zone, $this->endSeconds);
    }

    /** On somebody’s wall; what has no zone is the same on each. */
    private function on(Zone $zone, int $seconds): EventTime
    {
        return match ($this->kind) {
            TimeKind::Date => EventTime::date(new LocalDateTime($seconds)),
            TimeKind::Floating => EventTime::floating(new LocalDateTime($seconds)),
            TimeKind::Zoned => EventTime::floating(new LocalDateTime($zone->toLocal($seconds))),
        };
    }
}
