<?php

namespace App\Api;

use OpenApi\Attributes as OA;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;

/** Shapes of the API: Calendars, categories and access. */
#[OA\Schema(schema: 'Calendar', required: ['slug', 'name', 'description', 'colour', 'mark', 'timezone', 'keeper', 'level', 'reasons', 'mayAdd', 'subscribed', 'version'], properties: [
    new OA\Property(property: 'slug', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'description', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'keeper', ref: '#/components/schemas/Subject'),
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'read', 'contribute', 'edit', 'manage']),
    new OA\Property(property: 'reasons', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'mayAdd', type: 'boolean'),
    new OA\Property(property: 'subscribed', type: 'boolean'),
    new OA\Property(property: 'version', type: 'integer'),
])]
#[OA\Schema(schema: 'CalendarInput', required: ['name', 'colour', 'mark'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
    new OA\Property(property: 'description', type: 'string'),
    new OA\Property(property: 'timezone', type: 'string'),
])]
#[OA\Schema(schema: 'CalendarChange', required: [], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
    new OA\Property(property: 'description', type: 'string'),
    new OA\Property(property: 'timezone', type: 'string'),
])]
#[OA\Schema(schema: 'Category', required: ['name', 'calendar'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'calendar', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'Grant', required: ['kind', 'id', 'name', 'level'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group', 'everyone', 'public']),
    new OA\Property(property: 'id', type: 'integer', nullable: true),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'read', 'contribute', 'edit', 'manage']),
])]
#[OA\Schema(schema: 'GrantInput', required: ['kind', 'level'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group', 'everyone']),
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'read', 'contribute', 'edit', 'manage']),
    new OA\Property(property: 'id', type: 'integer', nullable: true),
])]
#[OA\Schema(schema: 'Sharing', required: ['keeper', 'grants'], properties: [
    new OA\Property(property: 'keeper', ref: '#/components/schemas/Subject'),
    new OA\Property(property: 'grants', type: 'array', items: new OA\Items(ref: '#/components/schemas/Grant')),
])]
final class CalendarSchemas
{
}
