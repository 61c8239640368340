<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Recurrence\Frequency;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;

/** Reads an RRULE, mending the faults that programs are known to make; a rule that stays wrong is left out. */
final class RuleReader
{
    private const PARTS = ['FREQ', 'INTERVAL', 'COUNT', 'UNTIL', 'WKST', 'BYSECOND', 'BYMINUTE', 'BYHOUR', 'BYDAY', 'BYMONTHDAY', 'BYYEARDAY', 'BYWEEKNO', 'BYMONTH', 'BYSETPOS'];

    /** @var array<string, Rule> sound rules by their text: most files have few */
    private array $known = [];

    public function __construct(private readonly Diagnostics $diagnostics)
    {
    }

    public function read(Property $property, EventTime $start): ?Rule
    {
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

        return $rule;
    }

    /** Leaves out what no rule has, or this one may not have, and takes UNTIL where COUNT stands beside it. */
    private function mended(string $text): string
    {
        $parts = [];
        foreach (explode(';', strtoupper($text)) as $part) {
            [$name, $value] = array_map(trim(...), explode('=', $part, 2) + [1 => '']);
            if (in_array($name, self::PARTS, true) && $value !== '') {
                $parts[$name] ??= $value;
            }
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
