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
    /** The head, with EventRecord::WHOLE loaded. */
    public static function head(SeriesState $state): EventRecord
    {
        $rows = array_map(static fn (array $raw): EventRecord => self::row($state, $raw), $state->rows);
        $head = $rows[0];
        $head->setRelation('overrides', new Collection(array_slice($rows, 1)));
        $head->setRelation('pins', Pin::hydrate($state->pins));

        return $head;
    }

    /**
     * One row, with its categories and participants loaded.
     *
     * @param  array<string, mixed>  $raw  as the state has it
     */
    public static function row(SeriesState $state, array $raw): EventRecord
    {
        $row = (new EventRecord)->newFromBuilder($raw);
        $of = static fn (array $rows): array => array_values(array_filter($rows, static fn (array $each): bool => $each['event_id'] === $raw['id']));
        $categories = array_column($of($state->categories), 'category_id');
        $row->setRelation('categories', $categories === [] ? new Collection : Category::query()->whereKey($categories)->get());
        $row->setRelation('participants', ParticipantRecord::hydrate($of($state->participants)));

        return $row;
    }
}
