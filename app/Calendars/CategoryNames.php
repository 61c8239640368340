<?php

namespace App\Calendars;

use Illuminate\Database\Eloquent\Collection;

/** Finds the categories that names mean on a calendar, and adds to the calendar's own those it does not have. */
final class CategoryNames
{
    /** @var array<int, array<string, int>> ids by lower-case name, by calendar */
    private array $known = [];

    /**
     * @param  list<string>  $names
     * @return list<int> ids
     */
    public function ids(int $calendarId, array $names): array
    {
        $ids = [];
        foreach ($names as $name) {
            $key = mb_strtolower($name);
            $this->known[$calendarId] ??= $this->load($calendarId);
            $ids[] = $this->known[$calendarId][$key]
                ??= Category::query()->createOrFirst(['calendar_id' => $calendarId, 'name' => $name])->id;
        }

        return array_values(array_unique($ids));
    }

    /**
     * Those of the names that a calendar does not have, nor the organisation.
     *
     * @param  list<string>  $names
     * @return list<string>
     */
    public function unknown(int $calendarId, array $names): array
    {
        $this->known[$calendarId] ??= $this->load($calendarId);

        return array_values(array_filter($names, fn (string $name): bool => ! isset($this->known[$calendarId][mb_strtolower($name)])));
    }

    /** @return list<string> the names that a calendar knows, its own and the organisation's */
    public function known(int $calendarId): array
    {
        return $this->ofCalendar($calendarId)->pluck('name')->unique()->values()->all();
    }

    /** What was looked up may be another by now. */
    public function forget(): void
    {
        $this->known = [];
    }

    /** @return array<string, int> */
    private function load(int $calendarId): array
    {
        $ids = [];
        // The organisation's come last and so win over a calendar's own of the same name.
        foreach ($this->ofCalendar($calendarId) as $category) {
            $ids[mb_strtolower($category->name)] = $category->id;
        }

        return $ids;
    }

    /** @return Collection<int, Category> */
    private function ofCalendar(int $calendarId): Collection
    {
        return Category::query()->where('calendar_id', $calendarId)->orWhereNull('calendar_id')->orderByDesc('calendar_id')->get();
    }
}
