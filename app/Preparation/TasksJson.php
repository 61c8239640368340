<?php

namespace App\Preparation;

use App\Events\EventRecord;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;

/** The preparation list of an event, or of one time of it, as the API tells it. */
final class TasksJson
{
    /**
     * @param  string  $time  the name of the time of a series; empty for a single event, or for the series as such
     * @param  LocalDateTime  $start  of that time
     * @return list<array<string, mixed>>
     */
    public static function tell(EventRecord $head, string $time, LocalDateTime $start): array
    {
        return Task::query()->where('event_id', $head->id)->with(['doer', 'done'])->orderBy('position')->get()->map(static fn (Task $task): array => [
            'id' => $task->id, 'title' => $task->title, 'days' => $task->days,
            'due' => self::due($task->days, $start),
            'doer' => $task->doer === null ? null : ['id' => $task->doer->id, 'name' => $task->doer->name],
            'done' => $task->done->contains('recurrence_id', $time),
        ])->all();
    }

    /** The day on which a task is due, of an event that starts then. */
    public static function due(int $days, LocalDateTime $start): string
    {
        return (new LocalDateTime(($start->day() + $days) * CivilDate::SECONDS_PER_DAY))->toDate();
    }
}
