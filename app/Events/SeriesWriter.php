<?php

namespace App\Events;

use App\Attachments\Attachment;
use App\Calendars\CategoryNames;
use App\Changes\Change;
use App\Pins\Pin;
use App\Preparation\TasksInput;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\Series;

/** Writes series with their categories, their occurrences and the change counter, all or nothing. */
final class SeriesWriter
{
    public function __construct(
        private readonly EventTranslator $translator,
        private readonly OccurrenceIndex $index,
        private readonly CategoryNames $categories,
    ) {
    }

    /**
     * Adds a series to a calendar.
     *
     * @param  array<string, mixed>  $more  further columns of each row: who added it, what import it came in
     */
    public function add(int $calendarId, Series $series, array $more = []): Event
    {
        return DB::transaction(function () use ($calendarId, $series, $more): Event {
            $rows = $series->events();
            $head = $this->insert($calendarId, null, array_shift($rows), $more);
            foreach ($rows as $override) {
                $this->insert($calendarId, $head->id, $override, $more);
            }
            $this->index->lay($head);
            Change::of($calendarId);

            return $head;
        });
    }

    /** Puts a series in the place of another, under the same head. */
    public function replace(Event $head, Series $series, array $more = []): void
    {
        DB::transaction(function () use ($head, $series, $more): void {
            $rows = $series->events();
            $head->overrides()->forceDelete();
            $this->write($head, array_shift($rows), $more + ['version' => $head->version + 1]);
            foreach ($rows as $override) {
                $this->insert($head->calendar_id, $head->id, $override, $more);
            }
            $this->index->refresh($head);
            $this->changed($head);
        });
    }

    /** Lays a series anew where it shows, after it was pinned or taken off; call it inside the transaction of that. */
    public function relay(Event $head, int ...$calendarIds): void
    {
        $this->index->refresh($head);
        array_map(Change::of(...), array_unique([$head->calendar_id, ...$calendarIds]));
    }

    /** Notes that something that hangs on a series has changed, whatever version of it is known here. */
    public function touch(Event $head): void
    {
        $head->increment('version');
        $this->changed($head);
    }

    /** What hangs on a series hangs on the one that goes on from it, too: files, what is to be prepared, pins. */
    public function hang(Event $from, Event $to): void
    {
        TasksInput::copy($from, $to);
        foreach (Attachment::query()->where('event_id', $from->id)->orderBy('id')->get() as $attachment) {
            $attachment->replicate()->fill(['event_id' => $to->id])->save();
        }
        foreach ($from->pins()->get() as $pin) {
            Pin::query()->insert(['event_id' => $to->id] + $pin->getAttributes());
        }
        $this->relay($to, ...$from->pins()->pluck('calendar_id'));
    }

    /** Moves a series to another calendar; it stays the same event. */
    public function move(Event $head, int $calendarId): void
    {
        if ($head->calendar_id === $calendarId) {
            return;
        }
        $from = $head->calendar_id;
        foreach ([$head, ...$head->overrides()->with('categories')->get()] as $row) {
            $row->load('categories');
            $names = $row->categories->pluck('name')->all();
            $row->calendar_id = $calendarId;
            $this->save($row, $names);
        }
        Change::of($from);
    }

    public function delete(Event $head): void
    {
        DB::transaction(function () use ($head): void {
            $head->update(['version' => $head->version + 1]);
            $head->delete();
            $this->index->forget($head);
            $this->changed($head);
        });
    }

    public function restore(Event $head): void
    {
        DB::transaction(function () use ($head): void {
            $head->restore();
            $this->index->refresh($head);
            $this->changed($head);
        });
    }

    private function changed(Event $head): void
    {
        array_map(Change::of(...), [$head->calendar_id, ...$head->pins()->pluck('calendar_id')]);
    }

    /** @param  array<string, mixed>  $more */
    private function insert(int $calendarId, ?int $seriesId, CoreEvent $event, array $more): Event
    {
        $row = new Event(['calendar_id' => $calendarId, 'series_id' => $seriesId]);
        $this->write($row, $event, $more);

        return $row;
    }

    /** @param  array<string, mixed>  $more */
    private function write(Event $row, CoreEvent $event, array $more): void
    {
        $row->fill($more + $this->translator->columns($event));
        $this->save($row, $event->categories);
        $this->participants($row, $event);
    }

    private function participants(Event $row, CoreEvent $event): void
    {
        if (! $row->wasRecentlyCreated) {
            DB::table('event_participants')->where('event_id', $row->id)->delete();
        }
        $rows = [];
        foreach ($event->participants as $participant) {
            $address = Participants::indexAddress($participant);
            if ($address !== '' && strlen($address) <= 190) {
                $rows[$address] = ['event_id' => $row->id, 'address' => $address, 'role' => $participant->role->value, 'answer' => $participant->answer->value];
            }
        }
        if ($rows !== []) {
            DB::table('event_participants')->insert(array_values($rows));
        }
    }

    /** @param  list<string>  $categories */
    private function save(Event $row, array $categories): void
    {
        $ids = $this->categories->ids($row->calendar_id, $categories);
        sort($ids);
        $row->fill(['category_ids' => implode(',', $ids)])->save();
        if ($ids !== [] || ! $row->wasRecentlyCreated) {
            $row->categories()->sync($ids);
        }
    }
}
