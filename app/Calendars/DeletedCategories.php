<?php

namespace App\Calendars;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Categories that were deleted and can come back, on the events that had them. */
final class DeletedCategories
{
    /** So many rows go into one statement. */
    private const AT_ONCE = 1_000;

    /** Deletes a category, which is taken off its events; inside a transaction. */
    public function delete(Category $category): void
    {
        DB::table('deleted_categories')->insert([
            'id' => $category->id, 'calendar_id' => $category->calendar_id, 'name' => $category->name, 'closes_day' => $category->closes_day, 'colour' => $category->colour?->value,
            'event_ids' => json_encode($this->events($category)->pluck('event_id')->all(), JSON_THROW_ON_ERROR),
        ]);
        $category->delete();
    }

    /** @return ?object{id: int, calendar_id: ?int, name: string} null where there is no such deleted one */
    public function find(int $id): ?object
    {
        return DB::table('deleted_categories')->where('id', $id)->first(['id', 'calendar_id', 'name']);
    }

    /** Brings a category back, on those of its events that there still are; inside a transaction. */
    public function restore(int $id): Category
    {
        $deleted = DB::table('deleted_categories')->where('id', $id)->lockForUpdate()->first();
        $category = (new Category)->forceFill(['id' => $id, 'calendar_id' => $deleted->calendar_id, 'name' => $deleted->name, 'closes_day' => $deleted->closes_day, 'colour' => $deleted->colour]);
        $category->save();
        foreach (array_chunk(json_decode($deleted->event_ids, flags: JSON_THROW_ON_ERROR), self::AT_ONCE) as $ids) {
            DB::table('event_category')->insertOrIgnore(DB::table('events')->whereIntegerInRaw('id', $ids)->pluck('id')->map(fn (int $event): array => ['event_id' => $event, 'category_id' => $id])->all());
        }
        DB::table('deleted_categories')->where('id', $id)->delete();

        return $category;
    }

    /** How many events have it, and from when to when they are. */
    public function uses(Category $category): CategoryUsesData
    {
        $uses = $this->events($category)->join('events', 'events.id', '=', 'event_id')->whereNull('events.deleted_at')->selectRaw('COUNT(*) AS events, DATE(MIN(starts_local)) AS first, DATE(MAX(starts_local)) AS last')->first();

        return new CategoryUsesData((int) $uses->events, $uses->first, $uses->last);
    }

    private function events(Category $category): Builder
    {
        return DB::table('event_category')->where('category_id', $category->id);
    }
}
