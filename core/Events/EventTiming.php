<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/**
 * When an event takes place: its start, its end or its length, and how it repeats, as one value. Where the author gave a
 * length (DURATION, RFC 5545, 3.8.2.5), the end is what the length makes of the start, so the two cannot disagree.
 */
final readonly class EventTiming
{
    private const NEW_TIMED_SECONDS = 3600;

    /** @var array<int, int> ends of extra dates with a length of their own, by start, on the index's axis */
    private array $periodEnds;

    /** 9999-12-31T00:00:00: what ends later is beyond the years that are written with four digits, in one zone or another. */
    private const LAST = 253_402_214_400;

    /**
     * @param  EventTime  $end  exclusive; of the kind of the start
     * @param  ?Duration  $duration  where the author gave a length instead of an end: nominal days then hold in each occurrence
     * @param  ?Zone  $endZone  in which the author told the end, where that is another than the start's: of a journey, most often
     *
     * @throws InvalidTime where the end is before the start, or is of another kind, or where it is after the year 9999
     */
    private function __construct(public EventTime $start, public EventTime $end, public ?Duration $duration, public RecurrenceSet $recurrence, public ?Zone $endZone = null)
    {
        if (($start->kind === TimeKind::Date) !== ($end->kind === TimeKind::Date)) {
            throw new InvalidTime('An all-day event starts and ends with dates, a timed one with times.');
        }
        if ($end->indexSeconds() < $start->indexSeconds()) {
            throw new InvalidTime('The end is before the start.');
        }
        if ($end->local->seconds > self::LAST || $end->indexSeconds() > self::LAST) {
            throw new InvalidTime('An event ends in the year 9999 at the latest.');
        }
        if ($start->kind === TimeKind::Date && $end->indexSeconds() === $start->indexSeconds()) {
            throw new InvalidTime('An all-day event lasts a day at least.');
        }
        // Worked out once: of thousands of periods each is asked for its end.
        $this->periodEnds = $recurrence->extraDates === [] ? [] : $recurrence->periodEnds($start);
    }

    /**
     * From a start to an end (DTEND), which is exclusive, and may be told in a zone of its own.
     *
     * @throws InvalidTime
     */
    public static function between(EventTime $start, EventTime $end, RecurrenceSet $recurrence = new RecurrenceSet): self
    {
        return $start->zone === null || $end->zone === null || $start->zone->id === $end->zone->id
            ? new self($start, $end, null, $recurrence)
            : new self($start, $end->inZone($start->zone), null, $recurrence, $end->zone);
    }

    /**
     * From a start on, for so long: nominal days keep the wall time over a clock change, in every occurrence. An event of whole
     * days lasts whole days (RFC 5545, 3.6.1).
     *
     * @throws InvalidTime
     */
    public static function lasting(EventTime $start, Duration $duration, RecurrenceSet $recurrence = new RecurrenceSet): self
    {
        $duration = $start->kind === TimeKind::Date ? $duration->inDays() : $duration;

        return new self($start, $duration->addTo($start), $duration, $recurrence);
    }

    /** What an event is that nobody has said an end of: its day, or an hour. */
    public static function from(EventTime $start): self
    {
        return self::between($start, $start->at($start->local->plusSeconds($start->kind === TimeKind::Date ? CivilDate::SECONDS_PER_DAY : self::NEW_TIMED_SECONDS)));
    }

    /** The same times repeating otherwise. */
    public function repeating(RecurrenceSet $recurrence): self
    {
        return new self($this->start, $this->end, $this->duration, $recurrence, $this->endZone);
    }

    /**
     * The same from another start on: it goes on as long as before, on the wall or by its length. From whole days to hours, and
     * back, it lasts what a new event does. How it repeats stays as it is (see RecurrenceShift).
     */
    public function startingAt(EventTime $start): self
    {
        return match (true) {
            ($start->kind === TimeKind::Date) !== $this->isAllDay() => self::from($start)->repeating($this->recurrence),
            $this->duration !== null => self::lasting($start, $this->duration, $this->recurrence),
            default => self::between($start, $this->toldEnd($start->at($start->local->plusSeconds($this->end->local->seconds - $this->start->local->seconds))), $this->recurrence),
        };
    }

    /**
     * The same until another end; a length that was given is none any more, unless it comes to that end.
     *
     * @throws InvalidTime
     */
    public function endingAt(EventTime $end): self
    {
        return $end->equals($this->end) ? $this : self::between($this->start, $this->toldEnd($end), $this->recurrence);
    }

    /** The end of it, or of another of its times, in the zone that the author told it in. */
    public function toldEnd(EventTime $end): EventTime
    {
        return $this->endZone === null ? $end : $end->inZone($this->endZone);
    }

    /** The same with nothing said of where it ends. */
    public function inOneZone(): self
    {
        return $this->endZone === null ? $this : new self($this->start, $this->end, $this->duration, $this->recurrence);
    }

    public function isAllDay(): bool
    {
        return $this->start->kind === TimeKind::Date;
    }

    public function repeats(): bool
    {
        return $this->recurrence->repeats();
    }

    /** The exact length of the first time in seconds; 86,400 a day for all-day events. */
    public function lengthSeconds(): int
    {
        return $this->end->indexSeconds() - $this->start->indexSeconds();
    }

    /** Whether an occurrence that starts then is an extra date with a length of its own (an RDATE that is a PERIOD). */
    public function hasOwnEnd(EventTime $start): bool
    {
        return isset($this->periodEnds[$start->indexSeconds()]);
    }

    /** Where an occurrence that starts then ends, on the index's axis; exclusive. */
    public function endOf(EventTime $start): int
    {
        $own = $this->periodEnds[$start->indexSeconds()] ?? null;
        if ($own !== null) {
            return max($own, $start->indexSeconds());
        }

        return $this->duration === null ? $start->indexSeconds() + $this->lengthSeconds() : $this->duration->addTo($start)->indexSeconds();
    }

    /** No occurrence is longer than this, in seconds: a nominal day may have 25 hours. */
    public function longestSeconds(): int
    {
        $length = $this->duration === null ? $this->lengthSeconds() : $this->lengthSeconds() + CivilDate::SECONDS_PER_DAY;

        return max($length, $this->recurrence->longestPeriodSeconds());
    }
}
