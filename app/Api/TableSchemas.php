<?php

namespace App\Api;

use App\Bulk\BulkInput;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Hold;
use PinnedRota\Core\Overlay\Colour;

/** Shapes of the API: events as rows, and what is done with many of them. */
#[OA\Schema(schema: 'TableRow', required: ['id', 'occurrence', 'layer', 'calendar', 'title', 'place', 'categories', 'responsible', 'allDay', 'start', 'end', 'status', 'private', 'repeats', 'pinned', 'colour', 'hold', 'external', 'times', 'addedBy', 'changedAt', 'version'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'occurrence', description: 'Its first time in the window, of a series', type: 'string', nullable: true),
    new OA\Property(property: 'layer', type: 'integer'),
    new OA\Property(property: 'calendar', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'place', type: 'string'),
    new OA\Property(property: 'categories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'responsible', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'allDay', type: 'boolean'),
    new OA\Property(property: 'start', type: 'string'),
    new OA\Property(property: 'end', type: 'string'),
    new OA\Property(property: 'status', type: 'string', enum: ['confirmed', 'provisional', 'cancelled']),
    new OA\Property(property: 'private', type: 'boolean'),
    new OA\Property(property: 'repeats', type: 'boolean'),
    new OA\Property(property: 'pinned', type: 'boolean'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class, nullable: true),
    new OA\Property(property: 'hold', type: 'string', enum: Hold::class, nullable: true),
    new OA\Property(property: 'external', type: 'boolean'),
    new OA\Property(property: 'times', description: 'How often it is in the window', type: 'integer'),
    new OA\Property(property: 'addedBy', type: 'string'),
    new OA\Property(property: 'changedAt', type: 'string'),
    new OA\Property(property: 'version', type: 'integer'),
])]
#[OA\Schema(schema: 'TableKey', required: ['id', 'hold', 'version'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'hold', type: 'string', enum: Hold::class, nullable: true),
    new OA\Property(property: 'version', type: 'integer'),
])]
#[OA\Schema(schema: 'Table', required: ['rows', 'total', 'next'], properties: [
    new OA\Property(property: 'rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/TableRow')),
    new OA\Property(property: 'total', type: 'integer'),
    new OA\Property(property: 'next', description: 'The cursor of the next page', type: 'integer', nullable: true),
])]
#[OA\Schema(schema: 'BulkEvent', required: ['id', 'version'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'version', type: 'integer'),
    new OA\Property(property: 'cells', description: 'Texts by column ('.BulkInput::COLUMNS[0].', …), as they are typed', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'string')),
])]
#[OA\Schema(schema: 'BulkInput', required: ['events', 'tz'], properties: [
    new OA\Property(property: 'key', description: 'By which it can be asked after', type: 'string', format: 'uuid'),
    new OA\Property(property: 'tz', description: 'Zone in which times are typed', type: 'string'),
    new OA\Property(property: 'events', type: 'array', items: new OA\Items(ref: '#/components/schemas/BulkEvent')),
    new OA\Property(property: 'delete', type: 'boolean'),
    new OA\Property(property: 'copyDays', description: 'Adds copies so many days later', type: 'integer', nullable: true),
    new OA\Property(property: 'calendar', type: 'string', nullable: true),
    new OA\Property(property: 'place', type: 'string', nullable: true),
    new OA\Property(property: 'status', type: 'string', nullable: true, enum: ['confirmed', 'provisional', 'cancelled']),
    new OA\Property(property: 'busy', type: 'boolean', nullable: true),
    new OA\Property(property: 'private', type: 'boolean', nullable: true),
    new OA\Property(property: 'priority', type: 'integer', nullable: true),
    new OA\Property(property: 'shiftDays', type: 'integer'),
    new OA\Property(property: 'shiftMinutes', type: 'integer'),
    new OA\Property(property: 'addCategories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'dropCategories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'addParticipants', type: 'array', items: new OA\Items(ref: '#/components/schemas/ParticipantInput')),
    new OA\Property(property: 'dropParticipants', type: 'array', items: new OA\Items(required: ['kind', 'id'], properties: [new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group', 'room']), new OA\Property(property: 'id', type: 'integer')], type: 'object')),
])]
#[OA\Schema(schema: 'BulkPreviewRow', required: ['id', 'title', 'what', 'refused', 'changes'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'what', type: 'string', enum: ['change', 'nothing', 'copy', 'delete', 'refused']),
    new OA\Property(property: 'refused', type: 'string', nullable: true),
    new OA\Property(property: 'changes', type: 'array', items: new OA\Items(ref: '#/components/schemas/HistoryChange')),
])]
#[OA\Schema(schema: 'BulkDone', required: ['operation', 'events'], properties: [
    new OA\Property(property: 'operation', type: 'integer'),
    new OA\Property(property: 'events', type: 'integer'),
])]
#[OA\Schema(schema: 'WeeksInput', required: ['calendar', 'week', 'from', 'to', 'tz'], properties: [
    new OA\Property(property: 'calendar', type: 'string'),
    new OA\Property(property: 'week', description: 'A day of the week that is laid', type: 'string', format: 'date'),
    new OA\Property(property: 'from', description: 'A day of the first week', type: 'string', format: 'date'),
    new OA\Property(property: 'to', description: 'The last day', type: 'string', format: 'date'),
    new OA\Property(property: 'every', description: 'In every so many weeks', type: 'integer'),
    new OA\Property(property: 'closures', description: 'The calendar that says which days are closed', type: 'string', nullable: true),
    new OA\Property(property: 'tz', type: 'string'),
    new OA\Property(property: 'events', description: 'Only these of the week', type: 'array', items: new OA\Items(type: 'integer')),
])]
#[OA\Schema(schema: 'LaidEvent', required: ['id', 'title', 'start', 'days', 'closed', 'why'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'start', type: 'string'),
    new OA\Property(property: 'days', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'closed', description: 'Days that are left out', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'why', description: 'Why nothing of it is laid', type: 'string', nullable: true),
])]
final class TableSchemas
{
}
