<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\TimeKind;

/** Reads when a VEVENT takes place: DTSTART, DTEND or DURATION, and how it repeats (RFC 5545, 3.6.1). */
final readonly class TimingReader
{
    private RecurrenceReader $recurrence;

    public function __construct(private Diagnostics $diagnostics, private TimeReader $times)
    {
        $this->recurrence = new RecurrenceReader($diagnostics, $times);
    }

    /**
     * @param  bool  $isChange  of one occurrence, which does not repeat itself
     *
     * @throws InvalidTime where there is no start
     */
    public function read(Component $component, bool $isChange): EventTiming
    {
        $property = $component->first('DTSTART') ?? throw new InvalidTime('The event has no DTSTART.');
        $start = $this->times->one($property);
        $wholeDays = $this->isOfWholeDays($component, $start);
        if ($wholeDays) {
            $this->diagnostics->add($property->line, 'DTSTART', 'it lasts from midnight to midnight and says that it is of whole days; it is read as such', Outcome::Mended);
            $start = EventTime::date($start->local);
        }

        return $this->timing($component, $start, $isChange ? new RecurrenceSet : $this->recurrence->read($component, $start), $wholeDays);
    }

    /** A property that says something: one without a value is as though it were not there. */
    public function filled(?Property $property): ?Property
    {
        if ($property !== null && trim($property->value) === '') {
            $this->diagnostics->add($property->line, $property->name, 'it is empty and is left out', Outcome::Mended);

            return null;
        }

        return $property;
    }

    /** Whether times stand for days: from midnight to midnight, with a mark of some program that says so. */
    private function isOfWholeDays(Component $component, EventTime $start): bool
    {
        if ($start->kind === TimeKind::Date || $start->local->secondOfDay() !== 0) {
            return false;
        }
        foreach ($component->properties() as $property) {
            if (ForeignReader::saysWholeDays($property)) {
                $end = preg_match('/T(\d{6})/', $component->first('DTEND')->value ?? '', $m) === 1 ? $m[1] : '000000';

                return $end === '000000';
            }
        }

        return false;
    }

    private function timing(Component $component, EventTime $start, RecurrenceSet $recurrence, bool $wholeDays): EventTiming
    {
        $endProperty = $this->filled($component->first('DTEND'));
        $durationProperty = $endProperty === null ? $this->filled($component->first('DURATION')) : null;
        $end = $endProperty === null ? null : $this->end($endProperty);
        $end = $wholeDays && $end !== null ? EventTime::date($end->local) : $end;
        if ($endProperty !== null && $end !== null) {
            if ($end->kind === TimeKind::Date && $start->kind !== TimeKind::Date || $end->kind !== TimeKind::Date && $start->kind === TimeKind::Date) {
                $this->diagnostics->add($endProperty->line, 'DTEND', 'start and end are not both dates or both times', Outcome::Mended);
                // Of a day that ends at some time all of it is meant.
                $end = $start->kind === TimeKind::Date ? EventTime::date($end->local->plusSeconds(CivilDate::SECONDS_PER_DAY - 1)) : $start->at($end->local);
            }
            if ($end->indexSeconds() > $start->indexSeconds()) {
                return EventTiming::between($start, $end, $recurrence);
            }
            if ($end->indexSeconds() < $start->indexSeconds()) {
                $this->diagnostics->add($endProperty->line, 'DTEND', 'the end is before the start and is left out', Outcome::Mended);
            }
        } elseif ($durationProperty !== null && ($duration = $this->duration($durationProperty)) !== null) {
            if ($start->kind === TimeKind::Date && $duration->seconds !== 0) {
                $this->diagnostics->add($durationProperty->line, 'DURATION', "an event of whole days lasts whole days; “{$durationProperty->value}” is read as {$duration->inDays()}", Outcome::Mended);
                $duration = $duration->inDays();
            }
            $end = $duration->addTo($start);
            if ($end->indexSeconds() > $start->indexSeconds()) {
                return EventTiming::lasting($start, $duration, $recurrence);
            }
            if ($end->indexSeconds() < $start->indexSeconds()) {
                $this->diagnostics->add($durationProperty->line, 'DURATION', 'it is negative and is left out', Outcome::Mended);
            }
        }

        // Without an end, a date lasts its day and a time no time at all (RFC 5545, 3.6.1).
        return EventTiming::between($start, $start->kind === TimeKind::Date ? $start->at($start->local->plusDays(1)) : $start, $recurrence);
    }

    /** Null, with a diagnostic, where it cannot be read: the event is kept without it. */
    private function end(Property $property): ?EventTime
    {
        try {
            return $this->times->one($property);
        } catch (InvalidTime $problem) {
            $this->diagnostics->add($property->line, 'DTEND', "{$problem->getMessage()} The end is left out", Outcome::Skipped);

            return null;
        }
    }

    /** @param  array<string>  $part  a broken number and its unit */
    private static function inSeconds(array $part): string
    {
        return round((float) strtr($part[1], ',', '.') * ['H' => 3600, 'M' => 60, 'S' => 1][strtoupper($part[2])]).'S';
    }

    /** Null, with a diagnostic, where it cannot be read: the event is kept without it. Parts of hours and the like are worked out. */
    private function duration(Property $property): ?Duration
    {
        try {
            return Duration::parse($property->value);
        } catch (InvalidTime $problem) {
            // At most one part of it may be broken; the one that is stands last, so that no other comes after its seconds.
            $mended = (string) preg_replace_callback('/(\d+[.,]\d+)([HMS])$/Di', self::inSeconds(...), trim($property->value));
            $mended = (string) preg_replace('/^([+-]?P)(?=[\d.]+[HS])/i', '$1T', $mended);
            try {
                $duration = Duration::parse($mended);
                $this->diagnostics->add($property->line, 'DURATION', "“{$property->value}” is read as {$duration}", Outcome::Mended);

                return $duration;
            } catch (InvalidTime) {
                $this->diagnostics->add($property->line, 'DURATION', "{$problem->getMessage()} It is left out", Outcome::Skipped);

                return null;
            }
        }
    }
}
