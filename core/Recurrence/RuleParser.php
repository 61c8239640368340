<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** Reads the value of an RRULE property (RFC 5545, 3.3.10). */
final class RuleParser
{
    private const LONGEST = 2000;

    /** @var array<string, array{int, int, bool}> the least, the most, and whether negative numbers count from the end */
    private const LIMITS = [
        'BYSECOND' => [0, 60, false], 'BYMINUTE' => [0, 59, false], 'BYHOUR' => [0, 23, false],
        'BYMONTHDAY' => [1, 31, true], 'BYYEARDAY' => [1, 366, true], 'BYWEEKNO' => [1, 53, true],
        'BYMONTH' => [1, 12, false], 'BYSETPOS' => [1, 366, true],
    ];

    /** @throws InvalidRule */
    public function parse(string $text): Rule
    {
        $parts = $this->split($text);
        $frequency = Frequency::tryFrom(strtoupper($parts['FREQ'] ?? ''))
            ?? throw new InvalidRule('A recurrence rule needs a FREQ from SECONDLY to YEARLY.');
        if (isset($parts['COUNT'], $parts['UNTIL'])) {
            throw new InvalidRule('COUNT and UNTIL cannot both end a recurrence rule.');
        }
        $numbers = fn (string $name): array => isset($parts[$name]) ? $this->numbers($name, $parts[$name], ...self::LIMITS[$name]) : [];
        $rule = new Rule(
            frequency: $frequency,
            interval: isset($parts['INTERVAL']) ? $this->positive('INTERVAL', $parts['INTERVAL']) : 1,
            count: isset($parts['COUNT']) ? $this->positive('COUNT', $parts['COUNT']) : null,
            until: isset($parts['UNTIL']) ? $this->until($parts['UNTIL']) : null,
            weekStart: isset($parts['WKST']) ? $this->weekday($parts['WKST']) : 0,
            bySecond: $numbers('BYSECOND'),
            byMinute: $numbers('BYMINUTE'),
            byHour: $numbers('BYHOUR'),
            byDay: isset($parts['BYDAY']) ? $this->weekdays($parts['BYDAY']) : [],
            byMonthDay: $numbers('BYMONTHDAY'),
            byYearDay: $numbers('BYYEARDAY'),
            byWeekNumber: $numbers('BYWEEKNO'),
            byMonth: $numbers('BYMONTH'),
            bySetPosition: $numbers('BYSETPOS'),
            skip: isset($parts['RSCALE']) || isset($parts['SKIP']) ? $this->skip($parts) : Skip::Omit,
        );
        $this->refuseForbidden($rule);

        return $rule;
    }

    /** Whether a number may stand in a part that lists numbers. */
    public function mayBe(string $part, int $number): bool
    {
        [$least, $most, $signed] = self::LIMITS[$part] ?? [1, 0, false];
        $size = $signed ? abs($number) : $number;

        return $size >= $least && $size <= $most;
    }

    /** @return array<string, string> */
    private function split(string $text): array
    {
        if (strlen($text) > self::LONGEST) {
            throw new InvalidRule('The recurrence rule is too long.');
        }
        $parts = [];
        foreach (explode(';', trim($text)) as $part) {
            if ($part === '') {
                continue;
            }
            [$name, $value] = explode('=', $part, 2) + [1 => ''];
            $name = strtoupper(trim($name));
            if (isset($parts[$name])) {
                throw new InvalidRule("{$name} stands twice in the recurrence rule.");
            }
            if (! isset(self::LIMITS[$name]) && ! in_array($name, ['RSCALE', 'SKIP', 'FREQ', 'INTERVAL', 'COUNT', 'UNTIL', 'WKST', 'BYDAY'], true)) {
                throw new InvalidRule("{$name} is no part of a recurrence rule.");
            }
            $parts[$name] = trim($value);
        }

        return $parts;
    }

    /** The table of RFC 5545, 3.3.10: where a part may not stand. */
    private function refuseForbidden(Rule $rule): void
    {
        $frequency = $rule->frequency;
        $hasOrdinal = array_filter($rule->byDay, static fn (WeekdayRule $day): bool => $day->ordinal !== 0) !== [];
        $problem = match (true) {
            $rule->byWeekNumber !== [] && $frequency !== Frequency::Yearly => 'BYWEEKNO stands only in YEARLY rules.',
            $rule->byYearDay !== [] && in_array($frequency, [Frequency::Daily, Frequency::Weekly, Frequency::Monthly], true) => 'BYYEARDAY does not stand in DAILY, WEEKLY or MONTHLY rules.',
            $rule->byMonthDay !== [] && $frequency === Frequency::Weekly => 'BYMONTHDAY does not stand in WEEKLY rules.',
            $hasOrdinal && ! in_array($frequency, [Frequency::Monthly, Frequency::Yearly], true) => 'BYDAY has numbers only in MONTHLY and YEARLY rules.',
            $hasOrdinal && $rule->byWeekNumber !== [] => 'BYDAY has no numbers beside BYWEEKNO.',
            default => null,
        };
        if ($problem !== null) {
            throw new InvalidRule($problem);
        }
    }

    /**
     * Of RFC 7529: SKIP, which stands beside RSCALE alone; of calendars there is one here, by which rules without RSCALE count, too.
     *
     * @param  array<string, string>  $parts
     */
    private function skip(array $parts): Skip
    {
        $calendar = strtoupper($parts['RSCALE'] ?? 'GREGORIAN');
        if ($calendar !== 'GREGORIAN') {
            throw new InvalidRule("RSCALE cannot be “{$calendar}”.");
        }
        if (! isset($parts['SKIP'])) {
            return Skip::Omit;
        }
        if (! isset($parts['RSCALE'])) {
            throw new InvalidRule('SKIP does not stand without RSCALE.');
        }

        return Skip::tryFrom(strtoupper($parts['SKIP'])) ?? throw new InvalidRule("SKIP cannot be “{$parts['SKIP']}”.");
    }

    private function positive(string $name, string $value): int
    {
        if (preg_match('/^\d{1,9}$/D', $value) !== 1 || (int) $value < 1) {
            throw new InvalidRule("{$name} is a number from 1.");
        }

        return (int) $value;
    }

    /** @return list<int> ascending, each once */
    private function numbers(string $name, string $value, int $least, int $most, bool $signed): array
    {
        $numbers = [];
        foreach (explode(',', $value) as $item) {
            $number = (int) $item;
            $size = $signed ? abs($number) : $number;
            if (preg_match('/^[+-]?\d{1,3}$/D', trim($item)) !== 1 || $size < $least || $size > $most) {
                throw new InvalidRule("{$name} cannot be “{$item}”.");
            }
            $numbers[$number] = $number;
        }
        sort($numbers);

        return $numbers;
    }

    /** @return list<WeekdayRule> */
    private function weekdays(string $value): array
    {
        $days = [];
        foreach (explode(',', strtoupper($value)) as $item) {
            if (preg_match('/^([+-]?\d{1,2})?([A-Z]{2})$/D', trim($item), $m) !== 1 || ($m[1] !== '' && ((int) $m[1] === 0 || abs((int) $m[1]) > 53))) {
                throw new InvalidRule("BYDAY cannot be “{$item}”.");
            }
            $day = new WeekdayRule($this->weekday($m[2]), (int) $m[1]);
            $days[(string) $day] = $day;
        }

        return array_values($days);
    }

    private function weekday(string $name): int
    {
        $index = array_search(strtoupper($name), WeekdayRule::NAMES, true);
        if ($index === false) {
            throw new InvalidRule("“{$name}” is no weekday.");
        }

        return $index;
    }

    private function until(string $value): EventTime
    {
        if (preg_match('/^(\d{4})(\d\d)(\d\d)(?:T(\d\d)(\d\d)(\d\d)(Z?))?$/Di', $value, $m) !== 1) {
            throw new InvalidRule("UNTIL cannot be “{$value}”.");
        }
        try {
            $local = LocalDateTime::of((int) $m[1], (int) $m[2], (int) $m[3], (int) ($m[4] ?? 0), (int) ($m[5] ?? 0), (int) ($m[6] ?? 0));
        } catch (InvalidTime $problem) {
            throw new InvalidRule('UNTIL: '.$problem->getMessage(), previous: $problem);
        }

        return match (true) {
            ! isset($m[4]) => EventTime::date($local),
            ($m[7] ?? '') !== '' => EventTime::zoned($local, Zone::utc()),
            default => EventTime::floating($local),
        };
    }
}
