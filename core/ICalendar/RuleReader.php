<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Recurrence\Frequency;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** Reads an RRULE, mending the faults that programs are known to make; a rule that stays wrong is left out. */
final class RuleReader
{
    private const PARTS = ['RSCALE', 'SKIP', 'FREQ', 'INTERVAL', 'COUNT', 'UNTIL', 'WKST', 'BYSECOND', 'BYMINUTE', 'BYHOUR', 'BYDAY', 'BYMONTHDAY', 'BYYEARDAY', 'BYWEEKNO', 'BYMONTH', 'BYSETPOS'];

    /** @var array<string, Rule> sound rules by their text: most files have few */
    private array $known = [];

    public function __construct(private readonly Diagnostics $diagnostics)
    {
    }

    public function read(Property $property, EventTime $start): ?Rule
    {
        $calendar = self::calendarOf($property);
        if ($calendar !== 'GREGORIAN') {
            $this->diagnostics->add($property->line, 'RRULE', "it counts by the calendar {$calendar}, which is not known here; the event shows once, and the rule is kept", Outcome::Skipped);

            return null;
        }
        $parser = new RuleParser;
        try {
            $rule = $this->known[$property->value] ?? $parser->parse($property->value);
            if (count($this->known) < 500) {
                $this->known[$property->value] = $rule;
            }
        } catch (InvalidRule $problem) {
            try {
                $rule = $parser->parse($this->mended($property->value));
                $this->diagnostics->add($property->line, 'RRULE', "{$problem->getMessage()} It is read as {$rule}", Outcome::Mended);
            } catch (InvalidRule) {
                $this->diagnostics->add($property->line, 'RRULE', $problem->getMessage(), Outcome::Skipped);

                return null;
            }
        }
        $this->noteOddities($property, $rule, $start);

        return $this->ending($rule, $start);
    }

    /** The same rule, its UNTIL in the form that the kind of start asks for (RFC 5545, 3.3.10): others read it otherwise, or not at all. */
    private function ending(Rule $rule, EventTime $start): Rule
    {
        $until = $rule->until;

        return match (true) {
            $until === null || $until->kind === $start->kind => $rule,
            $start->kind === TimeKind::Date => $rule->endingBy(null, EventTime::date($until->local)),
            $until->kind === TimeKind::Date => $rule->endingOn($until->local, $start),
            $start->zone === null => $rule->endingBy(null, EventTime::floating($until->local)),
            default => $rule->endingBy(null, EventTime::zoned($until->local, $start->zone)->inZone(Zone::utc())),
        };
    }

    /** By which calendar a rule counts (RSCALE, RFC 7529), in upper case; by the Gregorian where it does not say. */
    public static function calendarOf(Property $property): string
    {
        return preg_match('/(?:^|;)\s*RSCALE\s*=\s*([A-Z0-9-]+)/i', $property->value, $m) === 1 ? strtoupper($m[1]) : 'GREGORIAN';
    }

    /** Leaves out what no rule has, or this one may not have, and takes UNTIL where COUNT stands beside it. */
    private function mended(string $text): string
    {
        $parts = [];
        foreach (explode(';', strtoupper($text)) as $part) {
            [$name, $value] = array_map(trim(...), explode('=', $part, 2) + [1 => '']);
            $value = $this->mendedValue($name, $value);
            if (in_array($name, self::PARTS, true) && $value !== '') {
                $parts[$name] ??= $value;
            }
        }
        if (! isset($parts['RSCALE']) || ! in_array($parts['SKIP'] ?? '', ['BACKWARD', 'FORWARD'], true)) {
            unset($parts['RSCALE'], $parts['SKIP']);
        }
        if (isset($parts['UNTIL'])) {
            unset($parts['COUNT']);
        }
        if ((int) ($parts['INTERVAL'] ?? 1) < 1) {
            unset($parts['INTERVAL']);
        }
        $frequency = $parts['FREQ'] ?? '';
        if ($frequency !== 'YEARLY') {
            unset($parts['BYWEEKNO']);
        }
        if (in_array($frequency, ['DAILY', 'WEEKLY', 'MONTHLY'], true)) {
            unset($parts['BYYEARDAY']);
        }
        if ($frequency === 'WEEKLY') {
            unset($parts['BYMONTHDAY']);
        }
        if (! in_array($frequency, ['MONTHLY', 'YEARLY'], true) || isset($parts['BYWEEKNO'])) {
            $parts = isset($parts['BYDAY']) ? ['BYDAY' => (string) preg_replace('/[+-]?\d+/', '', $parts['BYDAY'])] + $parts : $parts;
        }

        return implode(';', array_map(static fn (string $name, string $value): string => "{$name}={$value}", array_keys($parts), $parts));
    }

    /** What of a part can be taken; '' where nothing can. */
    private function mendedValue(string $name, string $value): string
    {
        if ($name === 'UNTIL') {
            // Dashes, colons, parts of seconds, an hour that is past the day: written by many, and plain enough.
            $value = (string) preg_replace(['/[-:]|\.\d+/', '/T(\d{4})(?=Z?$)/', '/T24\d{4}/'], ['', 'T${1}00', 'T235959'], $value);

            return preg_match('/^\d{8}(T\d{6}Z?)?$/D', $value) === 1 ? $value : '';
        }
        if (! str_starts_with($name, 'BY')) {
            return $value;
        }
        $pattern = $name === 'BYDAY' ? '/^(?![+-]?0+[A-Z])[+-]?\d{0,2}(MO|TU|WE|TH|FR|SA|SU)$/D' : '/^[+-]?\d{1,3}$/D';
        $parser = new RuleParser;

        return implode(',', array_filter(array_map(trim(...), explode(',', $value)), static fn (string $item): bool => preg_match($pattern, $item) === 1 && ($name === 'BYDAY' || $parser->mayBe($name, (int) $item))));
    }

    private function noteOddities(Property $property, Rule $rule, EventTime $start): void
    {
        $until = $rule->until;
        $problem = match (true) {
            $until !== null && $until->kind === TimeKind::Date && $start->kind !== TimeKind::Date => 'UNTIL is a date though the event has a time; it is read as the end of that day',
            $until !== null && $until->kind !== TimeKind::Date && $start->kind === TimeKind::Date => 'UNTIL has a time though the event has none; its day is taken',
            $until !== null && $until->kind === TimeKind::Floating && $start->kind === TimeKind::Zoned => 'UNTIL is not in UTC; it is read in the time zone of the start',
            $rule->bySetPosition !== [] && ! $this->hasSet($rule) => 'BYSETPOS stands without another BY part to choose from',
            default => null,
        };
        if ($problem !== null) {
            $this->diagnostics->add($property->line, 'RRULE', $problem, Outcome::Mended);
        }
        if ($start->kind === TimeKind::Date && $rule->frequency->isSubDaily()) {
            $this->diagnostics->add($property->line, 'RRULE', "{$rule->frequency->value} does not go with an event of whole days; each day counts once", Outcome::Mended);
        }
        if ($until === null && $rule->count === null && $rule->frequency === Frequency::Secondly && $rule->bySecond === []) {
            $this->diagnostics->add($property->line, 'RRULE', 'it repeats every second without end; a window of it is cut short', Outcome::Mended);
        }
    }

    private function hasSet(Rule $rule): bool
    {
        return [...$rule->bySecond, ...$rule->byMinute, ...$rule->byHour, ...$rule->byDay, ...$rule->byMonthDay, ...$rule->byYearDay, ...$rule->byWeekNumber, ...$rule->byMonth] !== [];
    }
}
