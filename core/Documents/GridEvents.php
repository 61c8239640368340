<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\LocalDateTime;

/** Finds events in a table whose head says when: the weekdays of a week, days, or months. */
final class GridEvents
{
    /** @return ?list<ExtractedEvent> null where it is no such table */
    public static function read(Block $table, int $head, Reading $reading, Context $context): ?array
    {
        foreach (array_slice($table->rows, 0, max(1, $head + 1), true) as $index => $row) {
            $dayOf = self::weekdays($row) ?? self::months($row, $reading, $context) ?? self::days($row, $table->rows[$index + 1] ?? [], $reading, $context);
            if ($dayOf === null) {
                continue;
            }
            $events = [];
            foreach (array_slice($table->rows, $index + 1, null, true) as $at => $cells) {
                array_push($events, ...self::ofRow($cells, $table->line + $at, $dayOf, $reading, $context));
            }

            return $events === [] ? null : $events;
        }

        return null;
    }

    /**
     * @param  list<string>  $row
     * @param  callable(string, int, Reading, Context): ?array{int, string}  $dayOf  the day of a column in the row that begins so, and whom it is of
     * @return list<ExtractedEvent>
     */
    private static function ofRow(array $row, int $line, callable $dayOf, Reading $reading, Context $context): array
    {
        $events = [];
        foreach (array_slice($row, 1, null, true) as $column => $cell) {
            $found = trim($cell) === '' ? null : $dayOf(trim($row[0]), $column, $reading, $context);
            if ($found === null) {
                continue;
            }
            [$day, $of] = $found;
            $date = LocalDateTime::midnight($day);
            $is = $reading->hourOn($day, $cell, $context);
            $title = ($is === null ? $cell : TitleWords::of($is->title)).($of === '' ? '' : ": {$of}");
            $events[] = $is?->start !== null && $is->end !== null
                ? new ExtractedEvent($title, $is->start, $is->end, false, $is->place, $line, $cell)
                : new ExtractedEvent($title, $date, $date->plusDays(1), true, '', $line, $cell);
        }

        return $events;
    }

    /**
     * Beside each week its first day, above each column a weekday.
     *
     * @param  list<string>  $head
     */
    private static function weekdays(array $head): ?callable
    {
        $weekdays = array_filter($head, CellWhen::isWeekday(...));
        if (count($weekdays) < 3) {
            return null;
        }

        return static function (string $first, int $column, Reading $reading, Context $context) use ($weekdays): ?array {
            $day = CellWhen::of((string) preg_replace('/^(?:w\/c|week\s(?:commencing|beginning|of))\s/iu', '', $first), $reading, $context)?->day;

            return $day === null || ! isset($weekdays[$column]) ? null : [CivilDate::monday($day) + CellWhen::weekdayOf($weekdays[$column]), ''];
        };
    }

    /**
     * Above each column a month, beside each row the day of it.
     *
     * @param  list<string>  $head
     */
    private static function months(array $head, Reading $reading, Context $context): ?callable
    {
        $months = [];
        foreach ($head as $column => $cell) {
            if ($column > 0 && preg_match('/^'.DateWords::MONTH.'(?:\s\d{4})?$/iu', trim($cell)) === 1) {
                $months[$column] = DateWords::read(trim($cell), $context->from)?->day();
            }
        }
        if (count(array_filter($months)) < 2) {
            return null;
        }

        return static function (string $first, int $column) use ($months): ?array {
            if (preg_match('/^(?:\p{L}+\.?\s)?(\d{1,2})(?:st|nd|rd|th)?$/u', $first, $found) !== 1 || ! isset($months[$column])) {
                return null;
            }
            [$year, $month] = CivilDate::fromDays($months[$column]);

            return (int) $found[1] < 1 || (int) $found[1] > CivilDate::daysInMonth($year, $month) ? null : [CivilDate::toDays($year, $month, (int) $found[1]), ''];
        };
    }

    /**
     * Above each column a day, beside each row whose it is.
     *
     * @param  list<string>  $head
     * @param  list<string>  $below  the row beneath: where it says days, too, the columns are of days
     */
    private static function days(array $head, array $below, Reading $reading, Context $context): ?callable
    {
        $days = [];
        foreach ($head as $column => $cell) {
            $day = $column === 0 ? null : CellWhen::of($cell, $reading, $context)?->day;
            if ($day !== null && ! CellWhen::isWeekday($cell) && CellWhen::of($below[$column] ?? '', $reading, $context)?->day === null) {
                $days[$column] = $day;
            }
        }

        return count($days) < 2 || CellWhen::of($head[0], $reading, $context)?->day !== null ? null : static fn (string $first, int $column): ?array => isset($days[$column]) ? [$days[$column], $first] : null;
    }
}
