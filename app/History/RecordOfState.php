<?php

namespace App\History;

use App\Calendars\Category;
use App\Events\EventRecord;
use App\Events\Write\SeriesState;
use App\Participants\ParticipantRecord;
use App\Pins\Pin;
use Illuminate\Database\Eloquent\Collection;

/** Makes the rows of events anew from a series as it was, with all that its series is read from; nothing of it is stored. */
final class RecordOfState
{
    /**
     * The head, with EventRecord::WHOLE loaded.
     *
     * @param  ?Collection<int, Category>  $categories  those that the state has, where they are read already, by id
     */
    public static function head(SeriesState $state, ?Collection $categories = null): EventRecord
    {
        $rows = array_map(static fn (array $raw): EventRecord => self::row($state, $raw, $categories), $state->rows);
        $head = $rows[0];
        $head->setRelation('overrides', new Collection(array_slice($rows, 1)));
        $head->setRelation('pins', Pin::hydrate($state->pins));

        return $head;
    }

    /**
     * The categories that states have: read once for all of them.
     *
     * @param  array<?SeriesState>  $states
     * @return Collection<int, Category> by id
     */
    public static function categories(array $states): Collection
    {
        $ids = array_unique(array_merge([], ...array_map(static fn (?SeriesState $state): array => array_column($state->categories ?? [], 'category_id'), array_values($states))));

        return $ids === [] ? new Collection : Category::query()->whereIntegerInRaw('id', $ids)->get()->keyBy('id');
    }

    /**
     * One row, with its categories and participants loaded.
     *
     * @param  array<string, mixed>  $raw  as the state has it
     * @param  ?Collection<int, Category>  $read  as head() takes them
     */
    public static function row(SeriesState $state, array $raw, ?Collection $read = null): EventRecord
    {
        $row = (new EventRecord)->newFromBuilder($raw);
        $of = static fn (array $rows): array => array_values(array_filter($rows, static fn (array $each): bool => $each['event_id'] === $raw['id']));
        $categories = array_column($of($state->categories), 'category_id');
        $row->setRelation('categories', match (true) {
            $categories === [] => new Collection,
            $read !== null => $read->only($categories)->values(),
            default => Category::query()->whereKey($categories)->get(),
        });
        $row->setRelation('participants', ParticipantRecord::hydrate($of($state->participants)));

        return $row;
    }
}
