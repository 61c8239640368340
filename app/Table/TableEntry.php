<?php

namespace App\Table;

use App\Overlays\SheetItemData;

/** A series on its way to be a row: its first time in the window, and how often it is there. */
final readonly class TableEntry
{
    public function __construct(public SheetItemData $told, private int $times = 1)
    {
    }

    public function again(): self
    {
        return new self($this->told, $this->times + 1);
    }

    public function tell(string $addedBy, string $changedAt, int $version): TableRowData
    {
        $told = $this->told;

        return new TableRowData(
            id: $told->id,
            occurrence: $told->occurrence,
            layer: $told->layer,
            calendar: $told->calendar,
            title: $told->title,
            place: $told->place,
            categories: $told->categories,
            responsible: $told->responsible,
            allDay: $told->allDay,
            start: $told->start,
            end: $told->end,
            status: $told->status,
            private: $told->private,
            repeats: $told->repeats,
            pinned: $told->pinned ?? false,
            colour: $told->colour ?? null,
            hold: $told->hold,
            external: $told->external,
            times: $this->times,
            addedBy: $addedBy,
            changedAt: $changedAt,
            version: $version,
        );
    }
}
