<?php

namespace App\Preparation;

use App\Access\Sight;
use App\Events\Event;
use App\Events\OccurrenceQuery;
use App\Events\SeenEvents;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What somebody has to prepare, by the day on which it is due: of every time of every event that they see. */
final class DueTasks
{
    public function __construct(private readonly OccurrenceQuery $occurrences, private readonly SeenEvents $seen)
    {
    }

    /**
     * @param  LocalDateTime  $from  the first day
     * @param  LocalDateTime  $to  the day after the last
     * @return list<array<string, mixed>> by due day
     */
    public function of(Sight $sight, LocalDateTime $from, LocalDateTime $to, Zone $zone): array
    {
        $tasks = Task::query()->where('doer_id', $sight->personId)->with('done')->orderBy('position')->get();
        if ($tasks->isEmpty()) {
            return [];
        }
        $bySeries = $tasks->groupBy('event_id');
        $day = static fn (LocalDateTime $of, int $days): LocalDateTime => new LocalDateTime(($of->day() + $days) * CivilDate::SECONDS_PER_DAY);
        $heads = Event::query()->whereKey($bySeries->keys())->with(['categories', 'overrides.categories', 'pins'])->get()->keyBy('id');
        $found = $this->occurrences->between($sight->calendars->keys()->all(), $day($from, -(int) $tasks->max('days') - 1), $day($to, -(int) $tasks->min('days') + 1), $zone, $heads->keys()->all());
        $due = [];
        foreach ($found as $occurrence) {
            $head = $heads[$occurrence->seriesId] ?? null;
            $series = $head === null ? null : $this->seen->load($head);
            $event = $series === null ? null : ($occurrence->recurrenceId === null ? $series->master : $series->find(RecurrenceId::parse($occurrence->recurrenceId))?->event);
            if ($event === null || $this->seen->visibility($head, $event, $head->created_by, $sight) !== Visibility::Full) {
                continue;
            }
            $start = $event->start->zone === null ? new LocalDateTime($occurrence->starts) : new LocalDateTime($event->start->zone->toLocal($occurrence->starts));
            foreach ($bySeries[$head->id] as $task) {
                $date = TasksJson::due($task->days, $start);
                if ($date >= $from->toDate() && $date < $to->toDate()) {
                    // A time that is seen by several calendars is told once.
                    $due["{$task->id} {$occurrence->recurrenceId}"] = [
                        'id' => $task->id, 'title' => $task->title, 'due' => $date, 'done' => $task->done->contains('recurrence_id', (string) $occurrence->recurrenceId),
                        'event' => $head->id, 'occurrence' => $occurrence->recurrenceId, 'of' => $event->title, 'on' => $start->toDate(),
                    ];
                }
            }
        }
        usort($due, static fn (array $a, array $b): int => [$a['due'], $a['on'], $a['id']] <=> [$b['due'], $b['on'], $b['id']]);

        return $due;
    }
}
