<?php

namespace App\Changes;

use App\Events\Write\SeriesChanged;
use App\Events\Write\SeriesState;
use DateTimeImmutable;
use PinnedRota\Core\ICalendar\RecurrenceText;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\Rule;

/** The days that a change touches, in whatever time zone they are looked at: rather too many than too few. */
final readonly class Days
{
    /** A day in one zone is in another up to two days off: they reach from 12 hours behind UTC to 14 ahead of it. */
    private const APART = 2;

    /**
     * @param  ?string  $first  ISO, inclusive; null: any day before
     * @param  ?string  $last  ISO, inclusive; null: any day after
     */
    public function __construct(public ?string $first, public ?string $last)
    {
    }

    /** @param  non-empty-list<SeriesChanged>  $changes */
    public static function touchedBy(array $changes): self
    {
        $spans = array_merge(...array_map(self::spans(...), $changes));
        $firsts = array_column($spans, 0);
        $lasts = array_column($spans, 1);

        return $spans === [] ? new self(null, null) : new self(self::apart(min($firsts), -self::APART), in_array(null, $lasts, true) ? null : self::apart(max($lasts), self::APART));
    }

    /** @return list<array{string, ?string}> the first and the last day of each event that is another than before */
    private static function spans(SeriesChanged $change): array
    {
        [$before, $after] = [self::rows($change->before), self::rows($change->after)];
        $ids = array_filter(array_keys($before + $after), static fn (int $id): bool => ($before[$id] ?? null) !== ($after[$id] ?? null));
        if (! self::hangsTheSame($change->before, $change->after) || $ids === []) {
            // What hangs on a series shows with any of its events.
            $ids = array_keys($before + $after);
        }
        $spans = [];
        foreach ($ids as $id) {
            foreach ([$before[$id] ?? null, $after[$id] ?? null] as $row) {
                if ($row !== null) {
                    array_push($spans, ...self::spansOf($row));
                }
            }
        }

        return $spans;
    }

    /** @return array<int, array<string, mixed>> its events by id, without what says only that it was changed */
    private static function rows(?SeriesState $state): array
    {
        $rows = [];
        foreach ($state->rows ?? [] as $row) {
            $rows[$row['id']] = array_diff_key($row, array_flip(['version', 'sequence', 'created_at', 'updated_at', 'updated_by', 'fingerprint', 'live_uid']));
        }

        return $rows;
    }

    private static function hangsTheSame(?SeriesState $before, ?SeriesState $after): bool
    {
        $hanging = static fn (?SeriesState $state): array => $state === null ? [] : [$state->categories, $state->participants, $state->attachments, $state->tasks, $state->pins];

        return $hanging($before) === $hanging($after);
    }

    /**
     * @param  array<string, mixed>  $row
     * @return list<array{string, ?string}>
     */
    private static function spansOf(array $row): array
    {
        [$first, $last] = [substr((string) $row['starts_local'], 0, 10), substr((string) $row['ends_local'], 0, 10)];
        // What changes one time of a series touches that, too, which it replaces; or all from that on.
        $replaced = substr((string) $row['recurrence_id'], 0, 10);
        $spans = $replaced === '' ? [] : [[$replaced, $row['and_following'] ? null : $replaced]];
        if ($row['recurrence'] === null || $row['recurrence'] === '') {
            return [...$spans, [$first, $last]];
        }
        $set = RecurrenceText::read($row['recurrence']);
        $extra = array_map(static fn (ExtraDate $each): string => $each->start->local->toDate(), $set->extraDates);
        $untils = array_map(static fn (Rule $rule): ?string => $rule->until?->local->toDate(), $set->rules);
        $length = (int) (new DateTimeImmutable($first))->diff(new DateTimeImmutable($last))->days;

        return [...$spans, [min([$first, ...$extra]), in_array(null, $untils, true) ? null : self::apart(max([$last, ...$extra, ...$untils]), $length)]];
    }

    private static function apart(string $day, int $days): string
    {
        return (new DateTimeImmutable($day))->modify("{$days} days")->format('Y-m-d');
    }
}
