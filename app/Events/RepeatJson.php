<?php

namespace App\Events;

use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleWords;
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
     * @return array{words: string, next: list<string>, more: bool}
     *
     * @throws ValidationException where there is no such rule
     */
    public static function tell(string $text, string $start, ?string $until, ?int $count): array
    {
        $from = EventTime::date(LocalDateTime::parse($start));
        $rule = RepeatInput::rule(['rule' => $text, 'until' => null, 'count' => $count], $from, '');
        // There would be too many to tell.
        if ($rule->frequency->isSubDaily()) {
            throw ValidationException::withMessages(['rule' => 'Days are told of what repeats by days at least.']);
        }
        $rule = $rule->ending($count, $until === null ? null : LocalDateTime::parse($until), $from);
        $days = [];
        $set = new RecurrenceSet([$rule]);
        // Near first: most rules fall on their next days soon, and far is not looked for in vain.
        for ($year = 0; $year < self::YEARS && count($days) <= self::NEXT; $year++) {
            $at = $from->indexSeconds() + $year * 366 * CivilDate::SECONDS_PER_DAY;
            foreach ($set->startsBetween($from, $at, $at + 366 * CivilDate::SECONDS_PER_DAY) as $each) {
                $days[] = $each->local->toDate();
            }
        }

        return ['words' => RuleWords::of($rule, $from), 'next' => array_slice($days, 0, self::NEXT), 'more' => count($days) > self::NEXT];
    }
}
