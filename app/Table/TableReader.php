<?php

namespace App\Table;

use App\Access\CurrentViewer;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Overlays\SheetItemData;
use App\Overlays\SheetReader;
use Illuminate\Support\Collection;

/** The events of a window as rows: each series once, by its first time there. What is only seen as taken time is no row. */
final class TableReader
{
    private const PAGE = 200;

    public function __construct(private readonly SheetReader $sheet, private readonly CurrentViewer $viewer)
    {
    }

    public function page(TableRequest $request): TableData
    {
        $rows = $this->sorted($request);
        $at = $request->integer('cursor');

        return new TableData(
            $this->tell($rows->slice($at, self::PAGE)),
            $rows->count(),
            $rows->count() > $at + self::PAGE ? $at + self::PAGE : null,
        );
    }

    /** @return list<TableRowData> every row */
    public function all(TableRequest $request): array
    {
        return $this->tell($this->sorted($request));
    }

    /** @return list<TableKeyData> every row, with enough to do something with all of them */
    public function whole(TableRequest $request): array
    {
        $rows = $this->sorted($request);
        $known = $this->authors($rows->map(static fn (TableEntry $entry): int => $entry->told->id)->all());

        return $rows->map(static fn (TableEntry $entry): TableKeyData => new TableKeyData($entry->told->id, $entry->told->occurrence, $entry->told->hold, $known[$entry->told->id]['version'] ?? 0))->all();
    }

    /**
     * @param  Collection<int, TableEntry>  $entries
     * @return list<TableRowData>
     */
    private function tell(Collection $entries): array
    {
        $known = $this->authors($entries->map(static fn (TableEntry $entry): int => $entry->told->id)->values()->all());

        return $entries->map(static fn (TableEntry $entry): TableRowData => $entry->tell(...($known[$entry->told->id] ?? ['addedBy' => '', 'changedAt' => '', 'version' => 0])))->values()->all();
    }

    /** @return Collection<int, TableEntry> */
    private function sorted(TableRequest $request): Collection
    {
        $calendars = $this->viewer->calendars();
        $slugs = $calendars->map(static fn ($each): string => $each->calendar->slug)->all();
        $names = $calendars->mapWithKeys(static fn ($each): array => [$each->calendar->slug => $each->calendar->name])->all();
        $hidden = $request->hidden();
        $rows = [];
        foreach ($this->sheet->read($this->viewer->perspective($request->as()), $request->sheetQuery($this->viewer))->items as $item) {
            $id = $item->seen->occurrence->seriesId;
            if (! $item->seen->isFull || in_array($item->layer, $hidden, true) || ($request->filled('status') && $item->seen->occurrence->status->value !== $request->query('status'))) {
                continue;
            }
            $rows[$id] = isset($rows[$id]) ? $rows[$id]->again() : new TableEntry($item->tell($request->zone(), $slugs));
        }
        $sort = (string) $request->query('sort', 'when');
        $known = in_array($sort, ['addedBy', 'changedAt'], true) ? $this->authors(array_keys($rows)) : [];
        $key = static fn (SheetItemData $row): string => (string) match ($sort) {
            'when' => $row->start,
            'calendar' => $names[$row->calendar] ?? '',
            'categories', 'responsible' => implode(', ', $row->{$sort}),
            'addedBy', 'changedAt' => $known[$row->id][$sort] ?? '',
            'status' => $row->status->value,
            default => $row->{$sort},
        };
        $direction = $request->boolean('descending') ? -1 : 1;

        // What has nothing there comes last, whichever way it is sorted.
        return collect(array_values($rows))->sort(static function (TableEntry $one, TableEntry $other) use ($key, $direction): int {
            [$a, $b] = [$one->told, $other->told];

            return [$key($a) === '', 0] <=> [$key($b) === '', 0] ?: $direction * strnatcasecmp($key($a), $key($b)) ?: [$a->start, $a->id] <=> [$b->start, $b->id];
        })->values();
    }

    /**
     * @param  list<int>  $ids
     * @return array<int, array{addedBy: string, changedAt: string, version: int}>
     */
    private function authors(array $ids): array
    {
        $heads = EventRecord::query()->toBase()->whereIntegerInRaw('id', $ids)->get(['id', 'created_by', 'updated_at', 'version']);
        $people = Person::query()->whereKey($heads->pluck('created_by')->unique()->filter())->pluck('name', 'id');

        return $heads->mapWithKeys(static fn (object $head): array => [$head->id => [
            'addedBy' => $people[$head->created_by] ?? '',
            'changedAt' => str_replace(' ', 'T', (string) $head->updated_at).'Z',
            'version' => $head->version,
        ]])->all();
    }
}
