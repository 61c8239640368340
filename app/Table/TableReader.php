<?php

namespace App\Table;

use App\Access\CurrentViewer;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Overlays\SheetItem;
use App\Overlays\SheetReader;
use Illuminate\Support\Collection;

/** The events of a window as rows: each series once, by its first time there. What is only seen as taken time is no row. */
final class TableReader
{
    private const PAGE = 200;

    public function __construct(private readonly SheetReader $sheet, private readonly CurrentViewer $viewer)
    {
    }

    /** @return array{rows: list<array<string, mixed>>, total: int, next: ?int} */
    public function page(TableRequest $request): array
    {
        $rows = $this->sorted($request);
        $at = $request->integer('cursor');

        return [
            'rows' => $this->told($rows->slice($at, self::PAGE)->values()),
            'total' => $rows->count(),
            'next' => $rows->count() > $at + self::PAGE ? $at + self::PAGE : null,
        ];
    }

    /** @return list<array{id: int, hold: ?string, version: int}> every row, with enough to do something with all of them */
    public function whole(TableRequest $request): array
    {
        $rows = $this->sorted($request);
        $known = $this->authors($rows->pluck('id')->all());

        return $rows->map(static fn (array $row): array => ['id' => $row['id'], 'hold' => $row['hold'], 'version' => $known[$row['id']]['version'] ?? 0])->all();
    }

    /** @return Collection<int, array<string, mixed>> */
    private function sorted(TableRequest $request): Collection
    {
        $slugs = $this->viewer->calendars()->map(fn ($each): string => $each->calendar->slug)->all();
        $names = $this->viewer->calendars()->mapWithKeys(fn ($each): array => [$each->calendar->slug => $each->calendar->name])->all();
        $rows = [];
        foreach ($this->sheet->read($this->viewer->perspective($request->as()), $request->sheetQuery($this->viewer))->items as $item) {
            $id = $item->seen->occurrence->seriesId;
            if (! $item->seen->isFull || ($request->filled('status') && $item->seen->occurrence->status->value !== $request->query('status'))) {
                continue;
            }
            if (isset($rows[$id])) {
                $rows[$id]['times']++;
            } else {
                $rows[$id] = $this->row($item, $request, $slugs) + ['times' => 1];
            }
        }
        $sort = (string) $request->query('sort', 'when');
        $known = in_array($sort, ['addedBy', 'changedAt'], true) ? $this->authors(array_keys($rows)) : [];
        $key = static fn (array $row): string => (string) match ($sort) {
            'when' => $row['start'],
            'calendar' => $names[$row['calendar']] ?? '',
            'categories', 'responsible' => implode(', ', $row[$sort]),
            'addedBy', 'changedAt' => $known[$row['id']][$sort] ?? '',
            default => $row[$sort],
        };
        $direction = $request->boolean('descending') ? -1 : 1;

        /** @var list<array<string, mixed>> $all */
        $all = array_values($rows);

        // What has nothing there comes last, whichever way it is sorted.
        return collect($all)->sort(static fn (array $a, array $b): int => [$key($a) === '', 0] <=> [$key($b) === '', 0] ?: $direction * strnatcasecmp($key($a), $key($b)) ?: [$a['start'], $a['id']] <=> [$b['start'], $b['id']])->values();
    }

    /**
     * @param  array<int, string>  $slugs
     * @return array<string, mixed>
     */
    private function row(SheetItem $item, TableRequest $request, array $slugs): array
    {
        $told = $item->tell($request->zone(), $slugs) + ['pinned' => false, 'colour' => null];

        return array_intersect_key($told, array_flip(['id', 'occurrence', 'layer', 'calendar', 'title', 'place', 'categories', 'responsible', 'allDay', 'start', 'end', 'status', 'private', 'repeats', 'pinned', 'colour', 'hold', 'external']));
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

    /**
     * @param  Collection<int, array<string, mixed>>  $page
     * @return list<array<string, mixed>>
     */
    private function told(Collection $page): array
    {
        $known = $this->authors($page->pluck('id')->all());

        return $page->map(static fn (array $row): array => $row + ($known[$row['id']] ?? ['addedBy' => '', 'changedAt' => '', 'version' => 0]))->all();
    }
}
