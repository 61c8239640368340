<?php

namespace App\Recurrence;

use App\Http\Rules\WallTime;
use App\Occurrences\OccurrenceHorizon;
use App\Organisation\SchoolDays;
use Illuminate\Validation\Rule as ValidationRule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\MonthBy;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RepeatPick;
use PinnedRota\Core\Recurrence\RepeatUnit;
use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Recurrence\SeriesDate;
use PinnedRota\Core\Recurrence\WeekdayRule;
use PinnedRota\Core\SchoolYear\TermWeeks;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;

/** How an input says that an event repeats: a rule, its end, the dates left out of it and added to it. */
#[OA\Schema(schema: 'RepeatInput', required: [], properties: [
    new OA\Property(property: 'pick', description: 'As it is picked in a form, as the start has it', allOf: [new OA\Schema(ref: '#/components/schemas/RepeatPick')]),
    new OA\Property(property: 'rule', type: 'string', nullable: true, description: 'RRULE (RFC 5545, 3.3.10); its end is told beside it. Without it and without a pick, only the extra dates repeat it'),
    new OA\Property(property: 'until', type: 'string', nullable: true, description: 'The last day, inclusive'),
    new OA\Property(property: 'count', type: 'integer', nullable: true),
    new OA\Property(property: 'within', description: 'The weeks of school to which it is kept; where it is not told, it stays', type: 'string', enum: TermWeeks::class, nullable: true),
    new OA\Property(property: 'skipped', description: 'Dates that are left out; where they are not told, they stay and move along with the start', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'extra', description: 'Dates that are added; likewise', type: 'array', items: new OA\Items(type: 'string')),
])]
final class RepeatInput
{
    public const UNITS = [RepeatUnit::Day->value, RepeatUnit::Week->value, RepeatUnit::Month->value, RepeatUnit::Year->value];

    public const WEEKDAYS = WeekdayRule::NAMES;

    public const MONTH_BYS = [MonthBy::Date->value, MonthBy::Weekday->value, MonthBy::LastWeekday->value, MonthBy::LastDay->value];

    /** @return array<string, mixed> */
    public static function rules(): array
    {
        return [
            'repeat' => ['sometimes', 'nullable', 'array'],
            'repeat.rule' => ['sometimes', 'nullable', 'string', 'max:500'],
        ] + self::pickRules('repeat.pick') + [
            'repeat.count' => ['sometimes', 'nullable', 'integer', 'min:1', 'max:999', 'prohibits:repeat.until'],
            'repeat.within' => ['sometimes', 'nullable', ValidationRule::enum(TermWeeks::class)],
            'repeat.skipped' => ['sometimes', 'array', 'max:1000'],
            'repeat.extra' => ['sometimes', 'array', 'max:1000'],
            'repeat.until' => ['sometimes', 'nullable', 'string', new WallTime],
            'repeat.skipped.*' => ['string', new WallTime],
            'repeat.extra.*' => ['string', new WallTime],
        ];
    }

    /** @return array<string, mixed> */
    public static function pickRules(string $at): array
    {
        return [
            $at => ['sometimes', 'array', 'prohibits:'.str_replace('pick', 'rule', $at)],
            "{$at}.unit" => ["required_with:{$at}", ValidationRule::enum(RepeatUnit::class)],
            "{$at}.interval" => ['sometimes', 'integer', 'between:1,999'],
            "{$at}.weekdays" => ["required_if:{$at}.unit,week", 'array', 'max:7'],
            "{$at}.weekdays.*" => ['required', ValidationRule::in(WeekdayRule::NAMES)],
            "{$at}.monthBy" => ['sometimes', ValidationRule::enum(MonthBy::class)],
        ];
    }

    /**
     * @param  array<string, mixed>  $repeat  as validated
     * @param  RecurrenceSet  $before  what it is now, of a series that starts at $was
     * @param  SchoolDays  $school  the days of school, where it is to be kept to them
     *
     * @throws ValidationException where there is no such rule, or it ends before it begins
     */
    public static function set(array $repeat, EventTime $start, RecurrenceSet $before, ?EventTime $was, SchoolDays $school, string $at = 'repeat.'): RecurrenceSet
    {
        $rules = empty($repeat['rule']) && empty($repeat['pick']) ? [] : [self::rule($repeat, $start, $at)];
        $told = static fn (EventTime $time): string => SeriesDate::tell($time, $was ?? $start);
        $skipped = $before->skippedDates;
        $extra = $before->extraDates;
        if (isset($repeat['skipped'])) {
            $known = array_combine(array_map($told, $skipped), $skipped);
            $skipped = self::sorted(array_map(static fn (string $text): EventTime => $was?->equals($start) === true && isset($known[$text]) ? $known[$text] : SeriesDate::read($text, $start), array_unique($repeat['skipped'])));
        }
        if (isset($repeat['extra'])) {
            $known = array_combine(array_map(static fn (ExtraDate $date): string => $told($date->start), $extra), $extra);
            $extra = array_values(array_map(static fn (string $text): ExtraDate => $was?->equals($start) === true && isset($known[$text]) ? $known[$text] : new ExtraDate(SeriesDate::read($text, $start)), array_unique($repeat['extra'])));
        }

        // Days that are chosen one by one leave none out.
        $weeks = array_key_exists('within', $repeat) ? TermWeeks::tryFrom((string) $repeat['within']) : $before->within?->weeks;
        $set = $rules === [] ? new RecurrenceSet([], $extra) : new RecurrenceSet($rules, $extra, $skipped, $weeks === null ? null : $school->of($weeks));
        if ($set->isDenserThan(OccurrenceHorizon::MOST_OF_ONE, $start, OccurrenceHorizon::days())) {
            throw ValidationException::withMessages(["{$at}rule" => 'This repeats more often than a calendar can show: '.number_format(OccurrenceHorizon::MOST_OF_ONE).' times in some four years at most.']);
        }

        return $set;
    }

    /**
     * @param  array<string, mixed>  $repeat
     *
     * @throws ValidationException
     */
    private static function rule(array $repeat, EventTime $start, string $at): Rule
    {
        $until = empty($repeat['until']) ? null : LocalDateTime::parse($repeat['until']);
        if ($until !== null && $until->day() < $start->local->day()) {
            throw ValidationException::withMessages(["{$at}until" => 'The repeat ends before the event starts.']);
        }
        try {
            $rule = empty($repeat['pick']) ? (new RuleParser)->parse($repeat['rule']) : self::picked($repeat['pick'])->rule($start->local);

            return $rule->ending(isset($repeat['count']) ? (int) $repeat['count'] : null, $until, $start);
        } catch (InvalidRule $problem) {
            throw ValidationException::withMessages([$at.(empty($repeat['pick']) ? 'rule' : 'pick') => $problem->getMessage()]);
        }
    }

    /**
     * @param  array{unit: string, interval?: int|string, weekdays?: array<string>, monthBy?: string}  $pick
     *
     * @throws InvalidRule
     */
    private static function picked(array $pick): RepeatPick
    {
        return new RepeatPick(
            RepeatUnit::from($pick['unit']),
            (int) ($pick['interval'] ?? 1),
            array_map(static fn (string $name): int => (int) array_search($name, WeekdayRule::NAMES, true), array_values($pick['weekdays'] ?? [])),
            MonthBy::from($pick['monthBy'] ?? MonthBy::Date->value),
        );
    }

    /**
     * @param  array<int, EventTime>  $times
     * @return list<EventTime>
     */
    private static function sorted(array $times): array
    {
        usort($times, static fn (EventTime $a, EventTime $b): int => $a->indexSeconds() <=> $b->indexSeconds());

        return $times;
    }
}
