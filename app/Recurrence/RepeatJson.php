<?php

namespace App\Recurrence;

use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RecurrenceWords;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;

/** A repeat in words, with the days that it falls on next. */
final class RepeatJson
{
    private const NEXT = 6;

    /** A rule that falls on nothing for so long is told so. */
    private const YEARS = 12;

    /**
     * @param  array<string, mixed>  $repeat  as RepeatInput has it
     * @return array{words: string, next: list<string>, more: bool}
     *
     * @throws ValidationException where there is no such rule
     */
    public static function tell(array $repeat, string $start): array
    {
        $from = EventTime::date(LocalDateTime::parse(substr($start, 0, 10)));
        $toDates = static fn (array $texts): array => array_map(static fn (string $text): string => substr($text, 0, 10), array_values($texts));
        $set = RepeatInput::set(['skipped' => $toDates($repeat['skipped'] ?? []), 'extra' => $toDates($repeat['extra'] ?? [])] + $repeat, $from, new RecurrenceSet, null, '');
        // There would be too many to tell.
        if (($set->rules[0] ?? null)?->frequency->isSubDaily() === true) {
            return ['words' => RecurrenceWords::of($set, $from), 'next' => [], 'more' => true];
        }
        $days = [];
        // Near first: most rules fall on their next days soon, and far is not looked for in vain.
        for ($year = 0; $year < self::YEARS && count($days) <= self::NEXT; $year++) {
            $at = $from->indexSeconds() + $year * 366 * CivilDate::SECONDS_PER_DAY;
            foreach ($set->startsBetween($from, $at, $at + 366 * CivilDate::SECONDS_PER_DAY) as $each) {
                $days[] = $each->local->toDate();
            }
        }

        return ['words' => RecurrenceWords::of($set, $from), 'next' => array_slice($days, 0, self::NEXT), 'more' => count($days) > self::NEXT];
    }
}
