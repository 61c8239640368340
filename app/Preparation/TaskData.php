<?php

namespace App\Preparation;

use App\Directory\NamedPersonData;
use App\Events\EventRecord;
use PinnedRota\Core\Time\LocalDateTime;

/** Something to prepare for an event, or for one time of it. */
final readonly class TaskData
{
    /**
     * @param  int  $days  From the day on which the event starts; negative is before it
     * @param  string  $due  A date
     */
    public function __construct(
        public int $id,
        public string $title,
        public int $days,
        public string $due,
        public ?NamedPersonData $doer,
        public bool $done,
    ) {
    }

    /**
     * The preparation list of an event, or of one time of it.
     *
     * @param  string  $time  the name of the time of a series; empty for a single event, or for the series as such
     * @param  LocalDateTime  $start  of that time
     * @return list<self>
     */
    public static function ofEvent(EventRecord $head, string $time, LocalDateTime $start): array
    {
        return Task::query()->where('event_id', $head->id)->with(['doer', 'done'])->orderBy('position')->get()->map(static fn (Task $task): self => new self(
            $task->id, $task->title, $task->days, self::due($task->days, $start),
            $task->doer === null ? null : new NamedPersonData($task->doer->id, $task->doer->name),
            $task->done->contains('recurrence_id', $time),
        ))->all();
    }

    /** The day on which a task is due, of an event that starts then. */
    public static function due(int $days, LocalDateTime $start): string
    {
        return LocalDateTime::midnight($start->day() + $days)->toDate();
    }
}
