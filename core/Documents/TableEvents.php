<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\OneLine\ClockWords;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\WhenWords;

/** Finds events in a table: a row each, or where its head says weekdays, days or months, a cell each. */
final readonly class TableEvents
{
    private const TOTAL = '/^(?:sub)?(?:total|sum)s?\b/iu';

    private const PARTS = ['am' => 'morning', 'morning' => 'morning', 'pm' => 'afternoon', 'afternoon' => 'afternoon', 'eve' => 'evening', 'evening' => 'evening'];

    private const KEPT = [ColumnRole::Description, ColumnRole::Category, ColumnRole::Responsible, ColumnRole::Participants, ColumnRole::Calendar, ColumnRole::Status, ColumnRole::Link];

    private const YES = ['true', 'yes', 'y', 'x', '1', '✓'];

    /**
     * @param  list<ExtractedEvent>  $events
     * @param  list<SkippedRow>  $skipped
     * @param  ?Columns  $columns  what its columns were taken for; null where its cells are events
     */
    public function __construct(public array $events, public array $skipped, public ?Columns $columns = null)
    {
    }

    /** @param  ?callable(string): ChosenColumns  $chosen  see Columns::of() */
    public static function read(Block $table, Reading $reading, Context $context, ?callable $chosen = null): self
    {
        $isChosen = false;
        $columns = Columns::of($table->rows, $reading, $context, static function (string $shape) use ($chosen, &$isChosen): ChosenColumns {
            $said = $chosen === null ? new ChosenColumns : $chosen($shape);
            $isChosen = ! $said->isNothing();

            return $said;
        });
        $events = $isChosen ? null : GridEvents::read($table, $columns->head, $reading, $context);
        if ($events !== null) {
            return new self($events, []);
        }
        $events = $skipped = [];
        $day = null;
        foreach ($table->rows as $index => $row) {
            $line = $table->line + $index;
            $said = implode(' | ', array_filter($row, static fn (string $cell): bool => $cell !== ''));
            $reason = match (true) {
                $said === '' => SkipReason::Empty,
                $index <= $columns->head => SkipReason::Head,
                array_filter($row, static fn (string $cell): bool => preg_match(self::TOTAL, $cell) === 1) !== [] => SkipReason::Total,
                default => null,
            };
            $found = $reason === null ? self::ofRow($row, $line, $said, $columns, $reading, $context, $day) : [];
            array_push($events, ...$found);
            if ($found === []) {
                $skipped[] = new SkippedRow($line, $said, $reason ?? SkipReason::NoDate);
            }
        }

        return new self($events, $skipped, $columns);
    }

    /**
     * @param  list<string>  $row
     * @param  ?CellWhen  $carried  of the row above, where this one leaves its day out
     * @return list<ExtractedEvent>
     */
    private static function ofRow(array $row, int $line, string $said, Columns $columns, Reading $reading, Context $context, ?CellWhen &$carried): array
    {
        $cell = static fn (ColumnRole $role): string => $columns->cell($row, $role);
        $when = CellWhen::of($cell(ColumnRole::Date), $reading, $context);
        if ($when?->day === null && ($cell(ColumnRole::Date) !== '' || $carried === null)) {
            return [];
        }
        $when = $when?->day === null ? $carried : $when;
        $carried = $when;
        assert($when?->day !== null);
        $doubts = $when->doubts;
        $weekday = $cell(ColumnRole::Weekday);
        if (CellWhen::isWeekday($weekday) && ! CellWhen::agrees($when->day, $weekday)) {
            $doubts[] = WhenWords::day($when->day, true)." is no {$weekday}.";
        }
        $fields = array_filter(array_combine(array_map(static fn (ColumnRole $role): string => $role->value, self::KEPT), array_map($cell, self::KEPT)), static fn (string $value): bool => $value !== '');
        $place = $cell(ColumnRole::Place);
        $key = $columns->key($row);
        $moments = [];
        foreach ($columns->moments() as $column => $name) {
            $at = CellWhen::of($row[$column] ?? '', $reading, $context)?->from;
            if ($at !== null) {
                $start = LocalDateTime::midnight($when->day)->plusSeconds($at * 60);
                $moments[] = new ExtractedEvent($name, $start, $start, false, $place, $line, $said, $fields, $doubts, $key);
            }
        }
        $title = $cell(ColumnRole::Title);
        if ($title === '') {
            return $moments;
        }
        [$from, $to, $title] = self::hours($cell, $when, $title, $reading);
        $ends = CellWhen::of($cell(ColumnRole::EndDate), $reading, $context);
        $to ??= $ends?->from;
        $last = $ends->day ?? $when->last ?? $when->day;
        if ($from === null || in_array(mb_strtolower($cell(ColumnRole::AllDay)), self::YES, true)) {
            return [...$moments, new ExtractedEvent($title, LocalDateTime::midnight($when->day), LocalDateTime::midnight(max($last, $when->day) + 1), true, $place, $line, $said, $fields, $doubts, $key)];
        }
        $start = LocalDateTime::midnight($when->day)->plusSeconds($from * 60);
        $end = LocalDateTime::midnight(max($last, $when->day))->plusSeconds(($to ?? $from + 60) * 60);

        return [...$moments, new ExtractedEvent($title, $start, $end->seconds < $start->seconds ? $end->plusDays(1) : $end, false, $place, $line, $said, $fields, $doubts, $key)];
    }

    /**
     * From when to when, in minutes from midnight: as columns of hours say it, else the day’s column, else the title.
     *
     * @param  callable(ColumnRole): string  $cell
     * @return array{?int, ?int, string} with the title that is left
     */
    private static function hours(callable $cell, CellWhen $when, string $title, Reading $reading): array
    {
        $context = new Context($reading->today);
        $time = CellWhen::of($cell(ColumnRole::Time), $reading, $context);
        $part = self::PARTS[mb_strtolower($cell(ColumnRole::Part))] ?? '';
        $from = $time->from ?? $when->from ?? ($part === '' ? null : $reading->habits->startOf($part));
        $to = CellWhen::of($cell(ColumnRole::End), $reading, $context)->from ?? $time->to ?? $when->to;
        $length = ClockWords::length((string) preg_replace('/(\d)\s?(?:h(?:ours?)?)\s(\d+)\s?m(?:in(?:utes?)?)?$/iu', '$1h$2', $cell(ColumnRole::Length)));
        if ($from !== null) {
            return [$from, $to ?? ($length === null ? null : $from + $length), $title];
        }
        $is = $reading->hourOn((int) $when->day, $title, $context);
        if ($is?->start === null || $is->end === null) {
            return [null, null, $title];
        }
        $from = intdiv($is->start->secondOfDay(), 60);

        return [$from, $from + intdiv($is->end->seconds - $is->start->seconds, 60), TitleWords::of($is->title)];
    }
}
