<?php

namespace App\Preparation;

use App\Events\Event;

/** Writes the preparation list of an event as an input has it. */
final class TasksInput
{
    public const RULES = [
        'tasks' => ['sometimes', 'array', 'max:100'],
        'tasks.*.id' => ['sometimes', 'nullable', 'integer'],
        'tasks.*.title' => ['required', 'string', 'max:200'],
        'tasks.*.days' => ['required', 'integer', 'between:-400,400'],
        'tasks.*.doer' => ['sometimes', 'nullable', 'integer', 'exists:people,id'],
    ];

    /**
     * Those that are named by their id stay the same ones; those that are left out go. Call it inside a transaction.
     *
     * @param  list<array{id?: ?int, title: string, days: int, doer?: ?int}>  $tasks
     */
    public static function put(Event $head, array $tasks): void
    {
        $there = Task::query()->where('event_id', $head->id)->get()->keyBy('id');
        $kept = array_intersect(array_map(intval(...), array_column($tasks, 'id')), $there->keys()->all());
        Task::query()->whereKey($there->keys()->diff($kept))->delete();
        foreach ($tasks as $position => $task) {
            ($there[$task['id'] ?? 0] ?? new Task(['event_id' => $head->id]))->fill([
                'position' => $position, 'title' => trim($task['title']), 'days' => (int) $task['days'], 'doer_id' => $task['doer'] ?? null,
            ])->save();
        }
    }

    /** A series that goes on from another has the same to be prepared. */
    public static function copy(Event $from, Event $to): void
    {
        foreach (Task::query()->where('event_id', $from->id)->orderBy('position')->get() as $task) {
            $task->replicate()->fill(['event_id' => $to->id])->save();
        }
    }
}
