<?php

namespace App\Preparation;

use App\Access\Perspective;
use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Events\Read\Scope;
use App\Events\Read\SeenOccurrences;
use App\Events\Read\SeenSeries;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What somebody has to prepare, by the day on which it is due: of every time of every event that they see. */
final class DueTasks
{
    public function __construct(private readonly SeenOccurrences $occurrences, private readonly SeenSeries $series, private readonly EventTranslator $translator)
    {
    }

    /**
     * @param  LocalDateTime  $from  the first day
     * @param  LocalDateTime  $to  the day after the last
     * @return list<DueTaskData> by due day
     */
    public function of(Perspective $perspective, LocalDateTime $from, LocalDateTime $to, Zone $zone): array
    {
        $tasks = Task::query()->where('doer_id', $perspective->viewer->personId)->with('done')->orderBy('position')->get();
        if ($tasks->isEmpty()) {
            return [];
        }
        $bySeries = $tasks->groupBy('event_id');
        $day = static fn (LocalDateTime $of, int $days): LocalDateTime => LocalDateTime::midnight($of->day() + $days);
        $scope = new Scope(
            $perspective->calendars->keys()->all(), $day($from, -(int) $tasks->max('days') - 1), $day($to, -(int) $tasks->min('days') + 1), $zone, seriesIds: $bySeries->keys()->all(),
        );
        $due = $zones = $open = [];
        foreach ($this->occurrences->in($perspective, $scope) as $seen) {
            $occurrence = $seen->occurrence;
            // What is to be prepared for a series is known to those who see it as such.
            $open[$occurrence->seriesId] ??= $this->series->asSuch(EventRecord::query()->findOrFail($occurrence->seriesId), $perspective) === Visibility::Full;
            if (! $seen->isFull || ! $open[$occurrence->seriesId]) {
                continue;
            }
            // A day is counted from the one on which the event starts where it is.
            $zones[$occurrence->eventId] ??= $this->translator->timing(EventRecord::query()->findOrFail($occurrence->eventId))->start->zone ?? $zone;
            [$start] = $occurrence->on($zones[$occurrence->eventId]);
            foreach ($bySeries[$occurrence->seriesId] as $task) {
                $date = TaskData::due($task->days, $start);
                $key = "{$task->id} {$occurrence->recurrenceId}";
                // A time that is seen by several calendars is told once, on its own where that is one of them.
                if ($date >= $from->toDate() && $date < $to->toDate() && ! (isset($due[$key]) && $occurrence->isPinned())) {
                    $due[$key] = new DueTaskData(
                        id: $task->id, title: $task->title, due: $date, done: $task->done->contains('recurrence_id', (string) $occurrence->recurrenceId),
                        event: $occurrence->seriesId, occurrence: $occurrence->recurrenceId, calendar: $perspective->calendars[$occurrence->calendarId]->calendar->slug, of: $occurrence->title, on: $start->toDate(),
                    );
                }
            }
        }
        usort($due, static fn (DueTaskData $a, DueTaskData $b): int => [$a->due, $a->on, $a->id] <=> [$b->due, $b->on, $b->id]);

        return $due;
    }
}
