<?php

namespace App\Recurrence;

use App\Organisation\SchoolDays;
use Illuminate\Validation\ValidationException;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RecurrenceWords;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;

/** A repeat in words, with the days that it falls on next. */
final readonly class RepeatToldData
{
    private const NEXT = 6;

    /** A rule that falls on nothing for so long is told so. */
    private const YEARS = 12;

    /**
     * @param  list<string>  $next  The next days, at most six
     */
    public function __construct(
        public string $words,
        public array $next,
        public bool $more,
    ) {
    }

    /**
     * @param  array<string, mixed>  $repeat  as RepeatInput has it
     *
     * @throws ValidationException where there is no such rule
     */
    public static function of(array $repeat, string $start, SchoolDays $school): self
    {
        $from = EventTime::date(LocalDateTime::parse(substr($start, 0, 10)));
        $toDates = static fn (array $texts): array => array_map(static fn (string $text): string => substr($text, 0, 10), array_values($texts));
        $set = RepeatInput::set(['skipped' => $toDates($repeat['skipped'] ?? []), 'extra' => $toDates($repeat['extra'] ?? [])] + $repeat, $from, new RecurrenceSet, null, $school, '');
        // There would be too many to tell.
        if (($set->rules[0] ?? null)?->frequency->isSubDaily() === true) {
            return new self(RecurrenceWords::of($set, $from), [], true);
        }
        $days = [];
        // Near first: most rules fall on their next days soon, and far is not looked for in vain.
        for ($year = 0; $year < self::YEARS && count($days) <= self::NEXT; $year++) {
            $at = $from->indexSeconds() + $year * 366 * CivilDate::SECONDS_PER_DAY;
            foreach ($set->startsBetween($from, $at, $at + 366 * CivilDate::SECONDS_PER_DAY) as $each) {
                $days[] = $each->local->toDate();
            }
        }

        return new self(RecurrenceWords::of($set, $from), array_slice($days, 0, self::NEXT), count($days) > self::NEXT);
    }
}
