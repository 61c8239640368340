<?php

namespace App\Events\Read;

use App\Calendars\Category;
use PinnedRota\Core\Events\IndexedOccurrence;

/** What the categories of the events of a window are called, and whether they close a day. */
final class CategoriesOfWindow
{
    /** @var array<string, array{list<string>, list<string>, bool}> by the ids that an event has: few combinations, of many events */
    private array $combinations = [];

    /** @param  array<int, Category>  $categories  by id */
    private function __construct(private readonly array $categories)
    {
    }

    /** @param  list<IndexedOccurrence>  $found */
    public static function read(array $found): self
    {
        $ids = [];
        foreach ($found as $each) {
            foreach ($each->categoryIds as $id) {
                $ids[$id] = $id;
            }
        }

        return new self($ids === [] ? [] : Category::query()->whereIntegerInRaw('id', $ids)->get()->keyBy('id')->all());
    }

    /**
     * @param  list<int>  $ids
     * @return array{list<string>, list<string>, bool} names in order, the same in lower case, whether they close a day
     */
    public function of(array $ids): array
    {
        if ($ids === []) {
            return [[], [], false];
        }

        return $this->combinations[implode(',', $ids)] ??= $this->combine($ids);
    }

    /**
     * @param  list<int>  $ids
     * @return array{list<string>, list<string>, bool}
     */
    private function combine(array $ids): array
    {
        $categories = array_intersect_key($this->categories, array_flip($ids));
        $names = array_values(array_map(static fn (Category $each): string => $each->name, $categories));
        sort($names, SORT_NATURAL | SORT_FLAG_CASE);

        return [$names, array_map(mb_strtolower(...), $names), array_filter($categories, static fn (Category $each): bool => $each->closes_day) !== []];
    }
}
