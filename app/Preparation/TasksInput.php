<?php

namespace App\Preparation;

/** How an input says what is to be prepared. */
final class TasksInput
{
    public const RULES = [
        'tasks' => ['sometimes', 'array', 'max:100'],
        'tasks.*.id' => ['sometimes', 'nullable', 'integer'],
        'tasks.*.title' => ['required', 'string', 'max:200'],
        'tasks.*.days' => ['required', 'integer', 'between:-400,400'],
        'tasks.*.doer' => ['sometimes', 'nullable', 'integer', 'exists:people,id'],
    ];
}
