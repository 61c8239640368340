<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Recurrence\RuleExpander;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\Zone;

/** Which zones a calendar uses, and in which years. */
final class ZoneUse
{
    /** A COUNT up to this many is followed to its end; a longer series is taken to go on. */
    private const FOLLOWED = 2000;

    /** @var array<string, array{zone: Zone, first: int, last: ?int}> by id; the last year is null where a series goes on */
    private array $zones = [];

    public function note(Event $event): void
    {
        foreach ([$event->timing->start, $event->timing->end, $event->recurrenceId] as $time) {
            $this->noteTime($time);
        }
        foreach ($event->timing->recurrence->extraDates as $date) {
            $this->noteTime($date->start);
            $this->noteTime($date->end);
        }
        foreach ($event->timing->recurrence->skippedDates as $date) {
            $this->noteTime($date);
        }
        foreach ($event->timing->recurrence->rules as $rule) {
            $this->noteRule($event->timing->start, $rule);
        }
    }

    public function names(): ZoneNames
    {
        ksort($this->zones);

        return ZoneNames::of(array_column($this->zones, 'zone'));
    }

    public function write(TimeZoneWriter $writer, ZoneNames $names): void
    {
        ksort($this->zones);
        foreach ($this->zones as $use) {
            $writer->write($use['zone'], $use['first'], $use['last'], $names->nameOf($use['zone']));
        }
    }

    private function noteTime(?EventTime $time): void
    {
        if ($time?->zone !== null && $time->zone->id !== 'UTC') {
            $year = CivilDate::fromDays($time->local->day())[0];
            $this->noteYears($time->zone, $year, $year);
        }
    }

    private function noteRule(EventTime $start, Rule $rule): void
    {
        if ($start->zone === null || $start->zone->id === 'UTC') {
            return;
        }
        $first = CivilDate::fromDays($start->local->day())[0];
        if ($rule->until !== null) {
            $this->noteYears($start->zone, $first, max($first, CivilDate::fromDays($rule->until->local->day())[0]));

            return;
        }
        if ($rule->count === null || $rule->count > self::FOLLOWED) {
            $this->noteYears($start->zone, $first, null);

            return;
        }
        $instances = (new RuleExpander($rule, $start->local, false))->between($start->local->seconds, PHP_INT_MAX >> 1);
        $last = $instances === [] ? $start->local->seconds : max($instances);
        $this->noteYears($start->zone, $first, CivilDate::fromDays(CivilDate::floorDiv($last, CivilDate::SECONDS_PER_DAY))[0]);
    }

    private function noteYears(Zone $zone, int $first, ?int $last): void
    {
        $known = $this->zones[$zone->id] ?? ['zone' => $zone, 'first' => $first, 'last' => $last];
        $this->zones[$zone->id] = [
            'zone' => $zone,
            'first' => min($known['first'], $first),
            'last' => $known['last'] === null || $last === null ? null : max($known['last'], $last),
        ];
    }
}
