<?php

namespace App\Events\Write;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Events\ParticipantAnswer;

/** Puts the rows of a series back as a state has them. */
final class SeriesRestorer
{
    /** Whose rows name others, and what is done where those are not there any more: the row goes, or it names nobody. */
    private const NAMED = [
        'events' => ['created_by' => 'people', 'updated_by' => 'people', 'copied_from' => 'events', 'import_id' => 'imports'],
        'event_participants' => ['person_id' => 'people', 'group_id' => 'groups', 'room_id' => 'rooms', 'member_of' => 'groups'],
        'event_attachments' => ['added_by' => 'people'],
        'event_tasks' => ['doer_id' => 'people'],
    ];

    /** What says at which time an event is. */
    private const TIME = ['starts_local' => true, 'ends_local' => true, 'timezone' => true, 'duration' => true];

    /**
     * Its head gets a version of its own, so that nobody goes on from what was undone; answers that were given meanwhile to the same time stay.
     *
     * @param  ?SeriesState  $current  as it is now
     * @param  ?SeriesState  $state  null takes the series away altogether
     */
    public function putBack(int $seriesId, ?SeriesState $current, ?SeriesState $state): void
    {
        if ($state === null) {
            DB::table('events')->where('id', $seriesId)->delete();

            return;
        }
        $kept = array_column($state->rows, 'id');
        DB::table('events')->where('series_id', $seriesId)->whereNotIn('id', $kept)->delete();
        $version = max($current?->version() ?? 0, $state->version()) + 1;
        foreach ($this->stillNamed('events', $state->rows) as $row) {
            $columns = array_diff_key(($row['id'] === $seriesId ? ['version' => $version] : []) + $row, ['live_uid' => true]);
            DB::table('events')->updateOrInsert(['id' => $row['id']], $columns);
        }
        $known = DB::table('categories')->whereIn('id', array_unique(array_column($state->categories, 'category_id')))->pluck('id')->all();
        $this->hang('event_category', $kept, array_values(array_filter($state->categories, static fn (array $row): bool => in_array($row['category_id'], $known, true))));
        $this->hang('event_participants', $kept, $this->answered($current, $state));
        // A file that was taken off too long ago is not there any more.
        $this->hang('event_attachments', $kept, array_values(array_filter($state->attachments, static fn (array $row): bool => Storage::exists($row['path']))));
        $this->hang('event_tasks', $kept, $state->tasks);
    }

    /**
     * @param  list<int>  $eventIds
     * @param  list<array<string, mixed>>  $rows
     */
    private function hang(string $table, array $eventIds, array $rows): void
    {
        // What stays keeps its row: what is done of a task hangs on that.
        $kept = array_filter(array_column($rows, 'id'));
        DB::table($table)->whereIn('event_id', $eventIds)->when($kept !== [], fn ($query) => $query->whereNotIn('id', $kept))->delete();
        $rows = $this->stillNamed($table, $rows);
        if ($kept === []) {
            DB::table($table)->insert($rows);
        } else {
            DB::table($table)->upsert($rows, ['id']);
        }
    }

    /**
     * @param  list<array<string, mixed>>  $rows
     * @return list<array<string, mixed>> without the names of what is not there any more
     */
    private function stillNamed(string $table, array $rows): array
    {
        foreach (self::NAMED[$table] ?? [] as $column => $of) {
            $ids = array_unique(array_filter(array_column($rows, $column)));
            $known = $ids === [] ? [] : DB::table($of)->whereIn('id', $ids)->pluck('id')->all();
            $rows = array_map(static fn (array $row): array => in_array($row[$column], $known, true) ? $row : [$column => null] + $row, $rows);
        }

        return $rows;
    }

    /** @return list<array<string, mixed>> the participants as they were, each with what they have answered by now to an event at the same time, and who of the groups among them has */
    private function answered(?SeriesState $current, SeriesState $state): array
    {
        $key = static fn (array $row): string => implode('|', [$row['event_id'], $row['organizer'], $row['person_id'], $row['group_id'], $row['room_id'], mb_strtolower($row['address'])]);
        $times = static fn (?SeriesState $of): array => array_map(static fn (array $row): array => array_intersect_key($row, self::TIME), array_column($of->rows ?? [], null, 'id'));
        [$now, $then] = [$times($current), $times($state)];
        $answers = $members = [];
        $there = array_map($key, $state->participants);
        $groups = array_map(static fn (array $row): string => "{$row['event_id']} {$row['group_id']}", $state->participants);
        foreach ($current->participants ?? [] as $row) {
            if (($now[$row['event_id']] ?? null) === ($then[$row['event_id']] ?? null)) {
                $answers[$key($row)] = ['answer' => $row['answer'], 'note' => $row['note']] + ($row['answer'] === ParticipantAnswer::Waiting->value ? ['parameters' => $row['parameters']] : []);
                if ($row['member_of'] !== null && ! in_array($key($row), $there, true) && in_array("{$row['event_id']} {$row['member_of']}", $groups, true)) {
                    $members[] = $row;
                }
            }
        }

        return [...array_map(static fn (array $row): array => ($answers[$key($row)] ?? []) + $row, $state->participants), ...$members];
    }
}
