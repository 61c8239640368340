<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\OneLine\Habits;
use PinnedRota\Core\OneLine\Vocabulary;
use PinnedRota\Core\Time\LocalDateTime;

/** What a document says of events: in its tables, its lists and its sentences. */
final readonly class Extraction
{
    /**
     * @param  list<ExtractedEvent>  $events  in the order of the document
     * @param  DateOrder  $order  of the day and the month in it
     * @param  list<SkippedRow>  $skipped  rows of its tables that are none
     * @param  array<int, ReadTable>  $tables  whose rows are events, by their number in the document, from 0
     */
    private function __construct(public array $events, public DateOrder $order, public array $skipped, public array $tables)
    {
    }

    /**
     * @param  list<Block>  $blocks
     * @param  LocalDateTime  $today  the day on which it is read
     * @param  LocalDateTime  $yearFrom  the first day of the school’s year: a date without a year is the next one from there on
     * @param  ?callable(int, string): ChosenColumns  $columns  what somebody says of columns, by the number of the table and its shape
     * @param  Habits  $habits  of the organisation; what the document tells of the order of day and month holds before them
     */
    public static function of(array $blocks, Vocabulary $words, Habits $habits, LocalDateTime $today, LocalDateTime $yearFrom, ?DateOrder $chosen = null, ?callable $columns = null): self
    {
        $order = DateOrder::of(implode("\n", array_map(static fn (Block $block): string => $block->kind === BlockKind::Table ? implode("\n", array_map(static fn (array $row): string => implode(' ', $row), $block->rows)) : $block->text, $blocks)));
        $dayFirst = match ($chosen ?? $order) {
            DateOrder::DayFirst => true,
            DateOrder::MonthFirst => false,
            DateOrder::Unknown => $habits->dayFirst,
        };
        $reading = new Reading($words, new Habits($dayFirst, $habits->morning, $habits->evening, $habits->afternoon), $today);
        $lines = new TextEvents($reading, new Context($yearFrom));
        $events = $skipped = $tables = [];
        $number = -1;
        foreach ($blocks as $block) {
            if ($block->kind === BlockKind::Table) {
                $number++;
                $table = TableEvents::read($block, $reading, $lines->context(), $columns === null ? null : static fn (string $shape): ChosenColumns => $columns($number, $shape));
                if ($table->columns !== null) {
                    $tables[$number] = ReadTable::of($table->columns, $block);
                }
                array_push($events, ...$table->events);
                array_push($skipped, ...$table->skipped);
            } else {
                array_push($events, ...$lines->read($block));
            }
        }

        return new self($events, $order, $skipped, $tables);
    }
}
