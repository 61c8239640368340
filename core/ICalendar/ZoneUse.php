<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Series;
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

    /** Over more years than this the changes of a zone are told by the rules that it goes on by. */
    private const MOST_YEARS = 30;

    /** @var array<string, array{zone: Zone, first: int, last: ?int}> by id; the last year is null where a series goes on */
    private array $zones = [];

    public function note(Series $series): void
    {
        foreach ($series->events() as $event) {
            foreach ([$event->timing->start, $event->timing->toldEnd($event->timing->end), $event->recurrenceId] as $time) {
                $this->noteTime($time);
            }
            foreach ($event->timing->recurrence->extraDates as $date) {
                $this->noteTime($date->start);
                $this->noteTime($date->end);
            }
            foreach ($event->timing->recurrence->skippedDates as $date) {
                $this->noteTime($date);
            }
        }
        foreach ($series->master?->timing->recurrence->rules ?? [] as $rule) {
            $last = $this->lastYear($series->master->timing, $rule);
            // In the zones of a change of one and all that follow, all that follow take place.
            foreach ([$series->master, ...array_filter($series->overrides, static fn (Event $each): bool => $each->andFollowing)] as $event) {
                $this->noteReach($event->timing, $last);
            }
        }
    }

    /** What is kept as it stands may name zones, too. */
    public function noteOther(OtherComponent $other): void
    {
        $years = [];
        foreach ($other->zones === [] ? [] : self::propertiesIn($other->component) as $property) {
            $zone = $property->parameters === [] ? null : $other->zones[$property->parameter('TZID') ?? ''] ?? null;
            if ($zone !== null && preg_match_all('/(\d{4})\d{4}T/', $property->value, $m) > 0) {
                $years[$zone] = [...$years[$zone] ?? [], ...array_map(intval(...), $m[1])];
            }
        }
        foreach (array_filter($years) as $id => $some) {
            $this->noteYears(Zone::of($id), min($some), $other->component->first('RRULE') === null ? max($some) : null);
        }
    }

    /** @return list<Property> */
    private static function propertiesIn(Component $component): array
    {
        return array_merge($component->properties(), ...array_map(self::propertiesIn(...), $component->components()));
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

    /** Notes the zones of an event for all the years in which it takes place; for ever, where the last is null. */
    private function noteReach(EventTiming $timing, ?int $last): void
    {
        foreach (array_filter([$timing->start->zone, $timing->endZone]) as $zone) {
            if ($zone->id !== 'UTC') {
                $first = self::year($timing->start->local->seconds);
                $this->noteYears($zone, $first, $last === null ? null : max($first, $last));
            }
        }
    }

    /** The year in which the last of a rule ends, most likely; null where it goes on, or so long that yearly rules tell it shorter. */
    private function lastYear(EventTiming $timing, Rule $rule): ?int
    {
        if ($rule->until === null && ($rule->count === null || $rule->count > self::FOLLOWED)) {
            return null;
        }
        $from = $timing->start->local->seconds;
        $last = match (true) {
            $rule->until !== null => $rule->until->local->seconds,
            default => max([$from, ...(new RuleExpander($rule, $timing->start->local, false))->between($from, PHP_INT_MAX >> 1)]),
        };
        $year = self::year($last + $timing->longestSeconds());

        return $year - self::year($from) > self::MOST_YEARS ? null : $year;
    }

    private static function year(int $seconds): int
    {
        return CivilDate::fromDays(CivilDate::floorDiv($seconds, CivilDate::SECONDS_PER_DAY))[0];
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
