<?php

declare(strict_types=1);

namespace PinnedRota\Core\Directory;

use PinnedRota\Core\Recurrence\WeekdayRule;

/** When somebody works in a week, on the wall clock of their own zone. */
final readonly class WorkingHours
{
    private const MOST_SPANS = 28;

    /** @param  array<int, list<array{int, int}>>  $spans  minutes from midnight, end exclusive, by weekday (0 is Monday), each day's in order */
    private function __construct(public array $spans)
    {
    }

    /**
     * From rows such as `['day' => 'MO', 'from' => '09:00', 'to' => '17:00']`; a day may have several, `24:00` ends a day.
     *
     * @param  list<array{day: string, from: string, to: string}>  $rows
     *
     * @throws InvalidWorkingHours where a row is no span of a day, or two lie over each other
     */
    public static function of(array $rows): self
    {
        if (count($rows) > self::MOST_SPANS) {
            throw new InvalidWorkingHours('That is more than '.self::MOST_SPANS.' spans in a week.');
        }
        $spans = [];
        foreach ($rows as $row) {
            $day = array_search($row['day'], WeekdayRule::NAMES, true);
            [$from, $to] = [self::minutes($row['from']), self::minutes($row['to'])];
            if ($day === false || $from >= $to) {
                throw new InvalidWorkingHours("“{$row['day']} {$row['from']} to {$row['to']}” is no part of a day.");
            }
            $spans[(int) $day][] = [$from, $to];
        }
        ksort($spans);
        foreach ($spans as $day => $ofDay) {
            sort($ofDay);
            for ($index = 1; $index < count($ofDay); $index++) {
                if ($ofDay[$index][0] < $ofDay[$index - 1][1]) {
                    throw new InvalidWorkingHours('Two spans of one day lie over each other.');
                }
            }
            $spans[$day] = $ofDay;
        }

        return new self($spans);
    }

    /** @return list<array{day: string, from: string, to: string}> as of() takes them, in order */
    public function rows(): array
    {
        $rows = [];
        foreach ($this->spans as $day => $ofDay) {
            foreach ($ofDay as [$from, $to]) {
                $rows[] = ['day' => WeekdayRule::NAMES[$day], 'from' => self::clock($from), 'to' => self::clock($to)];
            }
        }

        return $rows;
    }

    private static function minutes(string $clock): int
    {
        if (preg_match('/^([01]\d|2[0-3]):([0-5]\d)$|^24:00$/', $clock) !== 1) {
            throw new InvalidWorkingHours("“{$clock}” is no time of a day; write it as 09:30.");
        }

        return 60 * (int) substr($clock, 0, 2) + (int) substr($clock, 3);
    }

    private static function clock(int $minutes): string
    {
        return sprintf('%02d:%02d', intdiv($minutes, 60), $minutes % 60);
    }
}
