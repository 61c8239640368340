<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use App\Directory\Person;
use Illuminate\Support\Collection;
use PinnedRota\Core\Overlay\Grouping;

/** The rows of lanes in order, with what they are called. */
final class RowNames
{
    private const NONE = ['person' => 'Nobody responsible', 'place' => 'No place', 'category' => 'No category'];

    /**
     * @param  array<string, string>  $met  the rows in which something stands: what each is called as written in the first event, by key
     * @param  Collection<int, AccessibleCalendar>  $calendars  those in view: each has a row, also an empty one
     * @return list<SheetRow> by name; what cannot be told apart last
     */
    public static function of(Grouping $by, array $met, Collection $calendars): array
    {
        if ($by === Grouping::Layer) {
            return [];
        }
        if ($by === Grouping::Calendar) {
            return $calendars->map(fn (AccessibleCalendar $each): SheetRow => new SheetRow((string) $each->calendar->id, $each->calendar->name, $each->calendar->id))->values()->all();
        }
        $people = $by === Grouping::Person ? Person::query()->whereKey(array_filter(array_keys($met), is_numeric(...)))->pluck('name', 'id') : null;
        $rows = $last = [];
        foreach ($met as $key => $name) {
            $key = (string) $key;
            if ($key === Grouping::HIDDEN || $key === Grouping::NONE) {
                $last[$key] = new SheetRow($key, $key === Grouping::NONE ? self::NONE[$by->value] : 'Hidden from you');
            } else {
                $rows[] = new SheetRow($key, $people === null ? $name : ($people[(int) $key] ?? $name));
            }
        }
        usort($rows, static fn (SheetRow $a, SheetRow $b): int => strnatcasecmp($a->name, $b->name));

        return [...$rows, ...array_values(array_filter([$last[Grouping::NONE] ?? null, $last[Grouping::HIDDEN] ?? null]))];
    }
}
