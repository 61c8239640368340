<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Recurrence\WorkBudget;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;

/**
 * What became of the times of series between two moments: what was added, moved, changed in another way, or cancelled. It
 * compares what somebody saw with what they see: each series is given as they may see it.
 */
final class Reckoning
{
    /** So far from its place, in seconds, a time is looked for that was moved out of the window, or into it. */
    private const REACH = 62 * CivilDate::SECONDS_PER_DAY;

    /** @var list<OccurrenceChange> */
    private array $changes = [];

    /** @var list<array{int, Occurrence}> what was there and has nothing to go with yet */
    private array $gone = [];

    /** @var array<int, array{int, Occurrence}> what is there and was not, as far as is known yet */
    private array $new = [];

    private function __construct(private readonly int $from, private readonly int $to, private readonly ?WorkBudget $budget)
    {
    }

    /**
     * @param  array<int, array{?Series, ?Series}>  $series  as each was and is, by number; null where there was, or is, nothing
     * @param  int  $from  on the index's axis (see EventTime::indexSeconds)
     * @param  int  $to  exclusive
     * @return list<OccurrenceChange> of the times that were or are in the window, by when they are, or were
     */
    public static function between(array $series, int $from, int $to, ?WorkBudget $budget = null): array
    {
        $reckoning = new self($from, $to, $budget);
        foreach ($series as $number => [$before, $after]) {
            $reckoning->compare($number, $before, $after);
        }
        $reckoning->joinAcross();
        $changes = array_values(array_filter($reckoning->changes, static fn (OccurrenceChange $each): bool => $each->touches($from, $to)));
        usort($changes, static fn (OccurrenceChange $a, OccurrenceChange $b): int => ($a->after ?? $a->before)?->startSeconds <=> ($b->after ?? $b->before)?->startSeconds);

        return $changes;
    }

    private function compare(int $number, ?Series $before, ?Series $after): void
    {
        $was = $this->times($before);
        $is = $this->times($after);
        // Where all times of a series moved, their names moved along.
        $shift = self::shift($before, $after);
        foreach ([
            static fn (Occurrence $each): string => self::name($each, 0),
            static fn (Occurrence $each): string => self::name($each, $shift),
            static fn (Occurrence $each): string => self::day($each),
        ] as $nameOf) {
            $this->pair($number, $was, $is, $nameOf, $shift);
        }
        // A single event that was put elsewhere, however far.
        if (count($was) === 1 && count($is) === 1 && self::isSingle($before) && self::isSingle($after)) {
            $this->tell($number, array_pop($was), array_pop($is));
        }
        foreach ($was as $each) {
            $this->gone[] = [$number, $each];
        }
        foreach ($is as $each) {
            $this->new[] = [$number, $each];
        }
    }

    /**
     * Takes those out of both that go by one name.
     *
     * @param  array<int, Occurrence>  $was
     * @param  array<int, Occurrence>  $is
     * @param  callable(Occurrence): string  $nameOf  as it would be called now
     */
    private function pair(int $number, array &$was, array &$is, callable $nameOf, int $shift): void
    {
        $named = [];
        foreach ($is as $index => $each) {
            $named[self::name($each, 0)] ??= $index;
            $named[self::day($each)] ??= $index;
        }
        foreach ($was as $index => $each) {
            $found = $named[$nameOf($each)] ?? null;
            if ($found !== null && isset($is[$found])) {
                $this->tell($number, $each, $is[$found]);
                unset($was[$index], $is[$found]);
            }
        }
    }

    /** What left one series and came in another by the same name on the same day is the same: a series was parted there. */
    private function joinAcross(): void
    {
        $named = [];
        foreach ($this->new as $index => [, $each]) {
            $named[self::day($each)."\n{$each->event->contents->title}"][] = $index;
        }
        foreach ($this->gone as [$number, $each]) {
            $key = self::day($each)."\n{$each->event->contents->title}";
            $found = isset($named[$key]) ? array_shift($named[$key]) : null;
            if ($found === null) {
                $this->changes[] = new OccurrenceChange(ChangeKind::Cancelled, $number, $each, null);
            } else {
                $this->tell($this->new[$found][0], $each, $this->new[$found][1], $number);
                unset($this->new[$found]);
            }
        }
        foreach ($this->new as [$number, $each]) {
            $this->changes[] = new OccurrenceChange($each->event->contents->status === Status::Cancelled ? ChangeKind::Cancelled : ChangeKind::Added, $number, null, $each);
        }
    }

    private function tell(int $number, Occurrence $before, Occurrence $after, ?int $numberBefore = null): void
    {
        $parts = ChangedPart::between($before, $after);
        if ($parts === []) {
            return;
        }
        $isOff = static fn (Occurrence $each): bool => $each->event->contents->status === Status::Cancelled;
        $this->changes[] = new OccurrenceChange(match (true) {
            $isOff($after) && ! $isOff($before) => ChangeKind::Cancelled,
            in_array(ChangedPart::Time, $parts, true) => ChangeKind::Moved,
            default => ChangeKind::Changed,
        }, $number, $before, $after, $parts, $numberBefore);
    }

    /** @return array<int, Occurrence> */
    private function times(?Series $series): array
    {
        return $series?->occurrences($this->from - self::REACH, $this->to + self::REACH, $this->budget) ?? [];
    }

    private static function isSingle(?Series $series): bool
    {
        return $series?->master?->timing->repeats() === false && $series->overrides === [];
    }

    /** By how much the start of a series moved, in seconds of its wall. */
    private static function shift(?Series $before, ?Series $after): int
    {
        $start = static fn (?Series $of): ?EventTime => $of?->master?->timing->start;

        return ($start($after)?->local->seconds ?? 0) - ($start($before)?->local->seconds ?? 0);
    }

    /** The original start that an occurrence goes by; that of what does not repeat is always the same. */
    private static function name(Occurrence $occurrence, int $shift): string
    {
        $id = $occurrence->recurrenceId;

        return $id === null ? 'single' : 'at '.($id->local->seconds + $shift);
    }

    private static function day(Occurrence $occurrence): string
    {
        return 'on '.$occurrence->start->local->toDate();
    }
}
