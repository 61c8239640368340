<?php

namespace App\Events\Write;

use App\Attachments\Attachment;
use App\Calendars\CategoryNames;
use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Participants\ParticipantRecord;
use App\Participants\Parties;
use App\Pins\AskedPins;
use App\Pins\Pin;
use App\Pins\SourcePins;
use App\Preparation\Task;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Places;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;

/** Writes the rows of series and of what hangs on them. Commands alone call it, within the transaction of ChangeEvents. */
final class SeriesTable
{
    private const AT_ONCE = 500;

    /** @var array<string, list<array<string, mixed>>> rows of what hangs on new events that are still to be written, by table */
    private array $hanging = [];

    public function __construct(
        private readonly EventTranslator $translator,
        private readonly CategoryNames $categories,
        private readonly Parties $parties,
        private readonly SeriesStates $states,
        private readonly SeriesRestorer $restorer,
        private readonly AskedPins $askedPins,
    ) {
    }

    /** What was looked up for an earlier operation may be another by now. */
    public function begin(): void
    {
        $this->parties->forget();
        $this->categories->forget();
        $this->hanging = [];
    }

    /** Writes what hangs on new events: many rows by one statement. */
    public function flush(): void
    {
        foreach ($this->hanging as $table => $rows) {
            foreach (array_chunk($rows, self::AT_ONCE) as $some) {
                DB::table($table)->insert($some);
            }
        }
        $this->hanging = [];
    }

    /** The head of a series, with all of it. */
    public function head(int $seriesId): EventRecord
    {
        $this->flush();

        return EventRecord::withTrashed()->whereNull('series_id')->with(EventRecord::WHOLE)->findOrFail($seriesId);
    }

    public function series(EventRecord $head): Series
    {
        return $this->translator->series($head);
    }

    /**
     * @param  list<array{int, Series, NewSeries}>  $added  with the calendar that each is added to
     * @return list<int> their heads, in the same order
     */
    public function add(array $added, Actor $actor): array
    {
        $heads = $overrides = [];
        foreach ($added as [$calendarId, $series, $new]) {
            $columns = [
                'calendar_id' => $calendarId, 'created_by' => $new->authorId ?? $actor->personId, 'updated_by' => $actor->personId, 'joinable' => $new->joinable,
                'copied_from' => $new->copiedFrom, 'import_id' => $new->importId, 'fingerprint' => $new->fingerprint,
            ];
            $events = $series->events();
            $heads[] = [new EventRecord($columns), array_shift($events)];
            $overrides[] = array_map(static fn (Event $event): array => [new EventRecord(['joinable' => false] + $columns), $event], $events);
        }
        $this->insert($heads);
        foreach ($overrides as $index => $some) {
            foreach ($some as [$row]) {
                $row->fill(['series_id' => $heads[$index][0]->id]);
            }
        }
        $this->insert(array_merge(...$overrides));

        return array_map(static fn (array $head): int => $head[0]->id, $heads);
    }

    /**
     * Puts a series in the place of another, under the same head. A changed time that was there keeps its row, and so who
     * made it; a new one is of whoever the series is of.
     *
     * @param  bool  $isNewVersion  false where whoever is writing at it goes on from the same version
     */
    public function replace(int $seriesId, Series $series, Actor $actor, ?string $fingerprint = null, bool $isNewVersion = true): void
    {
        $head = $this->head($seriesId);
        $kept = $head->overrides->keyBy(static fn (EventRecord $row): string => self::name($row->recurrence_id, $row->and_following));
        $events = $series->events();
        $columns = ($fingerprint === null ? [] : ['fingerprint' => $fingerprint]) + ($isNewVersion ? ['updated_by' => $actor->personId] : []);
        $this->write($head->fill($columns + ($isNewVersion ? ['version' => $head->version + 1] : [])), array_shift($events));
        foreach ($events as $override) {
            $name = self::name($override->recurrenceId === null ? null : RecurrenceId::text($override->recurrenceId), $override->andFollowing);
            $row = $kept->pull($name) ?? new EventRecord(['series_id' => $head->id, 'created_by' => $head->created_by, 'updated_by' => $actor->personId]);
            $this->write($row->fill(['calendar_id' => $head->calendar_id]), $override, $isNewVersion ? $actor : null);
        }
        $kept->each->forceDelete();
    }

    /** Puts a series on another calendar; it stays the same. */
    public function move(int $seriesId, int $calendarId, Actor $actor): void
    {
        $head = $this->head($seriesId);
        if ($head->calendar_id === $calendarId) {
            return;
        }
        foreach ([$head, ...$head->overrides] as $row) {
            $names = $row->categories->pluck('name')->all();
            $row->fill(['calendar_id' => $calendarId, 'updated_by' => $actor->personId])->save();
            $this->categorise($row, $names);
        }
        $this->touch($seriesId);
    }

    public function setJoinable(int $seriesId, bool $joinable): void
    {
        EventRecord::query()->whereKey($seriesId)->update(['joinable' => $joinable]);
    }

    public function delete(int $seriesId): void
    {
        $this->touch($seriesId);
        EventRecord::query()->findOrFail($seriesId)->delete();
    }

    public function restore(int $seriesId): void
    {
        $head = EventRecord::withTrashed()->findOrFail($seriesId);
        $living = EventRecord::query()->whereNull('series_id')->where('calendar_id', $head->calendar_id)->where('uid', $head->uid)->whereKeyNot($seriesId)->first();
        if ($living !== null) {
            throw new SeriesLivesAlready($head, $living);
        }
        $head->restore();
    }

    /**
     * Puts a series back as it was, or takes it away altogether.
     *
     * @param  ?SeriesState  $current  as it is now
     */
    public function putBack(int $seriesId, ?SeriesState $current, ?SeriesState $state): void
    {
        $this->flush();
        $this->restorer->putBack($seriesId, $current, $state);
    }

    public function state(int $seriesId): ?SeriesState
    {
        $this->flush();

        return $this->states->of($seriesId);
    }

    public function pin(int $seriesId, int $calendarId, ?int $by, bool $joined): void
    {
        Pin::query()->upsert([['event_id' => $seriesId, 'calendar_id' => $calendarId, 'pinned_by' => $by, 'joined' => $joined, 'created_at' => now()]], ['event_id', 'calendar_id'], ['pinned_by', 'joined']);
    }

    public function unpin(int $seriesId, int $calendarId): void
    {
        Pin::query()->where('event_id', $seriesId)->where('calendar_id', $calendarId)->delete();
    }

    /**
     * Has series show where they do by themselves: where those are at home who are asked to them and would not see them else, and
     * on the calendars to which all of their source is pinned.
     *
     * @param  list<int>  $seriesIds
     */
    public function layPins(array $seriesIds): void
    {
        if ($seriesIds !== []) {
            $this->showAsked($seriesIds);
            foreach (array_chunk(SourcePins::missing($seriesIds), self::AT_ONCE) as $some) {
                Pin::query()->insert(array_map(static fn (array $pin): array => $pin + ['created_at' => now()], $some));
            }
        }
    }

    /** @param  list<int>  $seriesIds */
    private function showAsked(array $seriesIds): void
    {
        foreach ($this->askedPins->differing($seriesIds) as $id => $people) {
            Pin::query()->where('event_id', $id)->where('asked', true)->whereNotIn('calendar_id', array_keys($people))->delete();
            Pin::query()->insertOrIgnore(array_map(static fn (int $calendarId, int $personId): array => ['event_id' => $id, 'calendar_id' => $calendarId, 'pinned_by' => $personId, 'joined' => false, 'asked' => true, 'created_at' => now()], array_keys($people), $people));
        }
    }

    /**
     * Gives the places that are free to those who wait for one.
     *
     * @param  list<int>  $seriesIds
     */
    public function giveOutPlaces(array $seriesIds, Actor $actor): void
    {
        $times = DB::table('events')->whereIntegerInRaw('series_id', $seriesIds)->where('has_participants', true)->pluck('id')->all();
        $waiting = DB::table('event_participants as p')->join('events as e', 'e.id', '=', 'p.event_id')->where('p.answer', ParticipantAnswer::Waiting)
            ->whereIntegerInRaw('p.event_id', [...$seriesIds, ...$times])->selectRaw('DISTINCT COALESCE(e.series_id, e.id) AS id')->pluck('id');
        foreach ($waiting as $id) {
            $series = $this->series($this->head((int) $id));
            $given = $series->each(Places::givenOut(...));
            if ($given != $series) {
                $this->replace((int) $id, $given, $actor, isNewVersion: false);
                $this->flush();
            }
        }
    }

    /** @param  array{name: string, type: string, size: int, path: string}  $file */
    public function attach(int $seriesId, array $file, Actor $actor): void
    {
        Attachment::query()->create($file + ['event_id' => $seriesId, 'added_by' => $actor->personId]);
        $this->touch($seriesId);
    }

    public function detach(int $seriesId, int $attachmentId): void
    {
        Attachment::query()->where('event_id', $seriesId)->findOrFail($attachmentId)->delete();
        $this->touch($seriesId);
    }

    /**
     * The preparation list. Those that are named by their id stay the same ones; those that are left out go.
     *
     * @param  list<array{id?: ?int, title: string, days: int, doer?: ?int}>  $tasks
     */
    public function setTasks(int $seriesId, array $tasks): void
    {
        $there = Task::query()->where('event_id', $seriesId)->get()->keyBy('id');
        $kept = array_intersect(array_map(intval(...), array_column($tasks, 'id')), $there->keys()->all());
        Task::query()->whereKey($there->keys()->diff($kept))->delete();
        foreach ($tasks as $position => $task) {
            ($there[$task['id'] ?? 0] ?? new Task(['event_id' => $seriesId]))->fill([
                'position' => $position, 'title' => trim($task['title']), 'days' => (int) $task['days'], 'doer_id' => $task['doer'] ?? null,
            ])->save();
        }
    }

    /** What hangs on a series hangs on the one that goes on from it, too: files, what is to be prepared, pins, what was remarked. */
    public function continueFrom(int $seriesId, int $fromId): void
    {
        foreach ([Task::query()->orderBy('position'), Attachment::query()->orderBy('id')] as $query) {
            foreach ($query->where('event_id', $fromId)->get() as $each) {
                $each->replicate()->fill(['event_id' => $seriesId])->save();
            }
        }
        foreach (Pin::query()->where('event_id', $fromId)->get() as $pin) {
            $pin->replicate()->fill(['event_id' => $seriesId])->save();
        }
        foreach (['event_remarks' => ['recurrence_id', 'person_id', 'text', 'created_at'], 'event_remark_mutes' => ['person_id']] as $table => $columns) {
            DB::table($table)->insertUsing(['event_id', ...$columns], DB::table($table)->where('event_id', $fromId)->select([DB::raw((string) $seriesId), ...$columns]));
        }
    }

    /** Counts a change, whatever version of it is known here. */
    public function touch(int $seriesId): void
    {
        EventRecord::withTrashed()->whereKey($seriesId)->increment('version');
    }

    private static function name(?string $recurrenceId, bool $andFollowing): string
    {
        return $recurrenceId.($andFollowing ? '+' : '');
    }

    /** @param  ?Actor  $changer  who is noted where anything of the row is another */
    private function write(EventRecord $row, Event $event, ?Actor $changer = null): EventRecord
    {
        $row->fill($this->translator->columns($event));
        if ($changer !== null && $row->isDirty()) {
            $row->fill(['updated_by' => $changer->personId]);
        }
        $row->save();
        $this->categorise($row, $event->contents->categories);
        $this->participate($row, $event);

        return $row;
    }

    /**
     * Inserts new rows by one statement, which tells their ids.
     *
     * @param  list<array{EventRecord, Event}>  $rows
     */
    private function insert(array $rows): void
    {
        if ($rows === []) {
            return;
        }
        foreach ($rows as [$row, $event]) {
            $row->fill($this->translator->columns($event))->updateTimestamps();
        }
        $query = DB::table('events');
        // The columns of all rows are told once.
        $columns = array_map(static fn (array $each): array => self::byName($each[0]->getAttributes()), $rows);
        $sql = $query->getGrammar()->compileInsert($query, $columns).' returning id';
        $ids = array_column(DB::selectFromWriteConnection($sql, array_merge(...array_map(array_values(...), $columns))), 'id');
        foreach ($rows as $index => [$row, $event]) {
            $row->forceFill(['id' => $ids[$index]])->syncOriginal();
            $row->exists = $row->wasRecentlyCreated = true;
            $this->categorise($row, $event->contents->categories);
            $this->participate($row, $event);
        }
    }

    /**
     * @param  array<string, mixed>  $columns
     * @return array<string, mixed>
     */
    private static function byName(array $columns): array
    {
        ksort($columns);

        return $columns;
    }

    /** @param  list<string>  $names */
    private function categorise(EventRecord $row, array $names): void
    {
        $ids = $this->categories->ids($row->calendar_id, $names);
        if ($row->wasRecentlyCreated) {
            $this->hang('event_category', array_map(static fn (int $id): array => ['event_id' => $row->id, 'category_id' => $id], $ids));

            return;
        }
        $before = $row->categories->modelKeys();
        if (array_diff($ids, $before) !== [] || array_diff($before, $ids) !== []) {
            $row->categories()->sync($ids);
        }
    }

    private function participate(EventRecord $row, Event $event): void
    {
        $wanted = ParticipantRecord::rows($event, $this->parties);
        $before = $row->wasRecentlyCreated ? [] : $row->participants->map(static fn (ParticipantRecord $each): array => $each->columns())->all();
        if ($wanted === $before) {
            return;
        }
        if ($before !== []) {
            DB::table('event_participants')->where('event_id', $row->id)->delete();
        }
        $this->hang('event_participants', array_map(static fn (array $each): array => ['event_id' => $row->id] + $each, $wanted));
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function hang(string $table, array $rows): void
    {
        $this->hanging[$table] ??= [];
        array_push($this->hanging[$table], ...$rows);
        if (count($this->hanging[$table]) >= self::AT_ONCE) {
            $this->flush();
        }
    }
}
