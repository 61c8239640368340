<?php

namespace App\Preparation;

use OpenApi\Attributes as OA;

/** How an input says what is to be prepared. */
#[OA\Schema(schema: 'TaskInput', required: ['title', 'days'], properties: [
    new OA\Property(property: 'id', description: 'Of one that is there already', type: 'integer', nullable: true),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'days', type: 'integer'),
    new OA\Property(property: 'doer', description: 'Id of a person', type: 'integer', nullable: true),
])]
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
