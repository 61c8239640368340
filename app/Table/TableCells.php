<?php

namespace App\Table;

use App\Access\CurrentViewer;
use PinnedRota\Core\Time\LocalDateTime;

/** Rows of the table as a spreadsheet takes them: a column for the start and one for the end, dates as figures. */
final class TableCells
{
    private const HEADS = [
        'when' => ['Start', 'End', 'Times'], 'title' => ['Title'], 'calendar' => ['Calendar'], 'place' => ['Place'], 'categories' => ['Categories'],
        'status' => ['State'], 'responsible' => ['Responsible'], 'addedBy' => ['Added by'], 'changedAt' => ['Changed'],
    ];

    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    /**
     * @param  list<TableRowData>  $rows
     * @param  list<string>  $columns  of TableRequest::COLUMNS, in order
     * @return list<list<string>> the first with the names of the columns
     */
    public function of(array $rows, array $columns): array
    {
        $names = $this->viewer->calendars()->mapWithKeys(static fn ($each): array => [$each->calendar->slug => $each->calendar->name])->all();
        $heads = array_merge(...array_map(static fn (string $column): array => self::HEADS[$column], $columns));

        return [$heads, ...array_map(static fn (TableRowData $row): array => array_merge(...array_map(static fn (string $column): array => self::cells($row, $column, $names), $columns)), $rows)];
    }

    /**
     * @param  array<string, string>  $names  of calendars, by slug
     * @return list<string>
     */
    private static function cells(TableRowData $row, string $column, array $names): array
    {
        $time = static fn (string $text): string => str_replace('T', ' ', $text);

        return match ($column) {
            // The last day of what lasts days, as people say it.
            'when' => [$time($row->start), $row->allDay ? LocalDateTime::parse($row->end)->plusDays(-1)->toDate() : $time($row->end), (string) $row->times],
            'calendar' => [$names[$row->calendar] ?? ''],
            'categories', 'responsible' => [implode(', ', $row->{$column})],
            'status' => [$row->status->value],
            'changedAt' => [rtrim($time($row->changedAt), 'Z')],
            default => [$row->{$column}],
        };
    }
}
