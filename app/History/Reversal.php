<?php

namespace App\History;

use App\Access\CurrentViewer;
use App\Events\Event;
use App\Events\SeriesSnapshot;
use App\Pins\Pins;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\EventRights;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Undoes operations and does them again: as a whole, and only where nobody changed the same events since. */
final class Reversal
{
    public function __construct(private readonly SeriesSnapshot $snapshot, private readonly CurrentViewer $viewer, private readonly Pins $pins)
    {
    }

    /**
     * @throws ConflictHttpException where it is undone already, or somebody changed the same events since
     * @throws AccessDeniedHttpException where the person may not change them any more
     */
    public function undo(Operation $operation): void
    {
        $this->turn($operation, true);
    }

    /** Does it again that was undone; it throws as undo() does. */
    public function redo(Operation $operation): void
    {
        $this->turn($operation, false);
    }

    private function turn(Operation $operation, bool $back): void
    {
        DB::transaction(function () use ($operation, $back): void {
            $locked = Operation::query()->lockForUpdate()->findOrFail($operation->id);
            if (($locked->undone_at === null) !== $back) {
                throw new ConflictHttpException($back ? 'This is undone already.' : 'This is done already.');
            }
            if ($locked->about !== null) {
                $this->turnPin($locked, $back);
            }
            $all = $locked->series()->get();
            DB::table('events')->whereIn('id', $all->pluck('head_id'))->orderBy('id')->lockForUpdate()->pluck('id');
            $current = $this->snapshot->takeAll($all->pluck('head_id')->all());
            foreach ($all as $series) {
                $this->demandChange($series->before);
                $this->demandChange($series->after);
                if (! SeriesSnapshot::same($current[$series->head_id], $back ? $series->after : $series->before)) {
                    throw new ConflictHttpException('“'.($series->after['rows'][0]['title'] ?? $series->before['rows'][0]['title'] ?? '').'” was changed since. Nothing was undone; see its history.');
                }
                $this->snapshot->put($series->head_id, $back ? $series->before : $series->after);
            }
            $locked->update(['undone_at' => $back ? now() : null]);
        });
    }

    private function turnPin(Operation $operation, bool $back): void
    {
        $head = Event::query()->find($operation->about['event']) ?? throw new ConflictHttpException('The event is not there any more.');
        $calendar = $this->viewer->calendars()[$operation->about['calendar']] ?? null;
        // What adds to a calendar takes the right to add to it; what is taken off, the right to have pinned it.
        if ($calendar === null || (in_array($operation->what, ['pin', 'join'], true) !== $back && ! $calendar->mayAdd())) {
            throw new AccessDeniedHttpException('You may not add to this calendar any more.');
        }
        $this->pins->turn($operation, $head, $back);
    }

    /** @param  ?array{rows: list<array<string, mixed>>}  $snapshot */
    private function demandChange(?array $snapshot): void
    {
        if ($snapshot === null) {
            return;
        }
        $row = $snapshot['rows'][0];
        $calendar = $this->viewer->calendars()[$row['calendar_id']] ?? null;
        if ($calendar === null || ! EventRights::mayChange($calendar->eventLevel(), $row['created_by'] === $this->viewer->person()->id)) {
            throw new AccessDeniedHttpException('You may not change this event any more.');
        }
    }
}
