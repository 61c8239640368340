<?php

namespace App\Api;

use OpenApi\Attributes as OA;
use PinnedRota\Core\OneLine\PieceKind;

/** Shapes of the API: Events and how they repeat. */
#[OA\Schema(schema: 'WeeklyRepeat', required: ['interval', 'weekdays'], properties: [
    new OA\Property(property: 'interval', type: 'integer'),
    new OA\Property(property: 'weekdays', type: 'array', items: new OA\Items(type: 'string', enum: ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'])),
    new OA\Property(property: 'until', type: 'string', nullable: true, description: 'The last day, inclusive'),
    new OA\Property(property: 'count', type: 'integer', nullable: true),
])]
#[OA\Schema(schema: 'RepeatInput', description: 'Either weekdays of every so many weeks, or any rule', required: [], properties: [
    new OA\Property(property: 'interval', type: 'integer'),
    new OA\Property(property: 'weekdays', type: 'array', items: new OA\Items(type: 'string', enum: ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'])),
    new OA\Property(property: 'rule', type: 'string', nullable: true, description: 'RRULE (RFC 5545, 3.3.10); its end is told beside it'),
    new OA\Property(property: 'until', type: 'string', nullable: true, description: 'The last day, inclusive'),
    new OA\Property(property: 'count', type: 'integer', nullable: true),
])]
#[OA\Schema(schema: 'RepeatTold', required: ['words', 'next', 'more'], properties: [
    new OA\Property(property: 'words', type: 'string'),
    new OA\Property(property: 'next', description: 'The next days, at most six', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'more', type: 'boolean'),
])]
#[OA\Schema(schema: 'Repeat', required: ['words', 'rule', 'until', 'count', 'weekly'], properties: [
    new OA\Property(property: 'rule', type: 'string', nullable: true, description: 'RRULE without its end; null where there are several or none'),
    new OA\Property(property: 'until', type: 'string', nullable: true, description: 'The last day, inclusive'),
    new OA\Property(property: 'count', type: 'integer', nullable: true),
    new OA\Property(property: 'words', type: 'string'),
    new OA\Property(property: 'weekly', nullable: true, description: 'Null where the rule says more than a weekly repeat can', allOf: [new OA\Schema(ref: '#/components/schemas/WeeklyRepeat')]),
])]
#[OA\Schema(schema: 'ParticipantInput', required: ['kind', 'id', 'part'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']),
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'part', type: 'string', enum: ['responsible', 'required', 'optional', 'informed']),
])]
#[OA\Schema(schema: 'EventParticipant', required: ['id', 'kind', 'name', 'part', 'answer'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group', 'other']),
    new OA\Property(property: 'id', description: 'Where they are in the directory', type: 'integer', nullable: true),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'part', type: 'string', enum: ['responsible', 'required', 'optional', 'informed']),
    new OA\Property(property: 'answer', type: 'string', enum: ['unanswered', 'accepted', 'declined', 'tentative', 'delegated']),
])]
#[OA\Schema(schema: 'Event', required: ['id', 'occurrence', 'calendar', 'title', 'busyOnly', 'allDay', 'start', 'end', 'timezone', 'place', 'link', 'description', 'status', 'busy', 'private', 'categories', 'participants', 'addedBy', 'addedAt', 'changedBy', 'changedAt', 'mayChange', 'version', 'repeat'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'occurrence', type: 'string', nullable: true),
    new OA\Property(property: 'calendar', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'busyOnly', type: 'boolean'),
    new OA\Property(property: 'allDay', type: 'boolean'),
    new OA\Property(property: 'start', type: 'string'),
    new OA\Property(property: 'end', type: 'string'),
    new OA\Property(property: 'timezone', type: 'string', nullable: true),
    new OA\Property(property: 'place', type: 'string'),
    new OA\Property(property: 'link', type: 'string'),
    new OA\Property(property: 'description', type: 'string'),
    new OA\Property(property: 'status', type: 'string', enum: ['confirmed', 'provisional', 'cancelled']),
    new OA\Property(property: 'busy', type: 'boolean'),
    new OA\Property(property: 'private', type: 'boolean'),
    new OA\Property(property: 'categories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'participants', type: 'array', items: new OA\Items(ref: '#/components/schemas/EventParticipant')),
    new OA\Property(property: 'addedBy', type: 'string', nullable: true),
    new OA\Property(property: 'addedAt', type: 'string', nullable: true),
    new OA\Property(property: 'changedBy', type: 'string', nullable: true),
    new OA\Property(property: 'changedAt', type: 'string', nullable: true),
    new OA\Property(property: 'mayChange', type: 'boolean'),
    new OA\Property(property: 'version', type: 'integer'),
    new OA\Property(property: 'repeat', nullable: true, allOf: [new OA\Schema(ref: '#/components/schemas/Repeat')]),
])]
#[OA\Schema(schema: 'EventInput', required: ['calendar', 'title', 'start'], properties: [
    new OA\Property(property: 'calendar', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'start', type: 'string'),
    new OA\Property(property: 'allDay', type: 'boolean'),
    new OA\Property(property: 'end', type: 'string', nullable: true),
    new OA\Property(property: 'timezone', type: 'string', nullable: true),
    new OA\Property(property: 'place', type: 'string', nullable: true),
    new OA\Property(property: 'link', type: 'string', nullable: true),
    new OA\Property(property: 'description', type: 'string', nullable: true),
    new OA\Property(property: 'status', type: 'string', enum: ['confirmed', 'provisional', 'cancelled']),
    new OA\Property(property: 'busy', type: 'boolean'),
    new OA\Property(property: 'private', type: 'boolean'),
    new OA\Property(property: 'categories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'responsible', description: 'Ids of people; nobody else is responsible then', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property(property: 'participants', description: 'Those whom the directory knows; others stay', type: 'array', items: new OA\Items(ref: '#/components/schemas/ParticipantInput')),
    new OA\Property(property: 'repeat', nullable: true, allOf: [new OA\Schema(ref: '#/components/schemas/RepeatInput')]),
])]
#[OA\Schema(schema: 'EventChange', required: [], properties: [
    new OA\Property(property: 'calendar', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'start', type: 'string'),
    new OA\Property(property: 'allDay', type: 'boolean'),
    new OA\Property(property: 'end', type: 'string', nullable: true),
    new OA\Property(property: 'timezone', type: 'string', nullable: true),
    new OA\Property(property: 'place', type: 'string', nullable: true),
    new OA\Property(property: 'link', type: 'string', nullable: true),
    new OA\Property(property: 'description', type: 'string', nullable: true),
    new OA\Property(property: 'status', type: 'string', enum: ['confirmed', 'provisional', 'cancelled']),
    new OA\Property(property: 'busy', type: 'boolean'),
    new OA\Property(property: 'private', type: 'boolean'),
    new OA\Property(property: 'categories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'responsible', description: 'Ids of people; nobody else is responsible then', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property(property: 'participants', description: 'Those whom the directory knows; others stay', type: 'array', items: new OA\Items(ref: '#/components/schemas/ParticipantInput')),
    new OA\Property(property: 'repeat', nullable: true, allOf: [new OA\Schema(ref: '#/components/schemas/RepeatInput')]),
])]
#[OA\Schema(schema: 'AnswerInput', required: ['answer'], properties: [
    new OA\Property(property: 'answer', type: 'string', enum: ['accepted', 'declined', 'tentative']),
])]
#[OA\Schema(schema: 'HistoryChange', required: ['of', 'field', 'before', 'after'], properties: [
    new OA\Property(property: 'of', description: 'The day of a time that was changed on its own', type: 'string', nullable: true),
    new OA\Property(property: 'field', type: 'string'),
    new OA\Property(property: 'before', type: 'string'),
    new OA\Property(property: 'after', type: 'string'),
])]
#[OA\Schema(schema: 'HistoryEntry', required: ['operation', 'what', 'by', 'at', 'undone', 'changes', 'restorable'], properties: [
    new OA\Property(property: 'operation', type: 'integer'),
    new OA\Property(property: 'what', type: 'string', enum: ['add', 'change', 'delete', 'restore']),
    new OA\Property(property: 'by', type: 'string'),
    new OA\Property(property: 'at', type: 'string'),
    new OA\Property(property: 'undone', type: 'boolean'),
    new OA\Property(property: 'changes', type: 'array', items: new OA\Items(ref: '#/components/schemas/HistoryChange')),
    new OA\Property(property: 'restorable', description: 'Whether the event can be put back as it was before', type: 'boolean'),
])]
#[OA\Schema(schema: 'DeletedEvent', required: ['id', 'title', 'start', 'repeats', 'at', 'by'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'start', type: 'string'),
    new OA\Property(property: 'repeats', type: 'boolean'),
    new OA\Property(property: 'at', type: 'string', nullable: true),
    new OA\Property(property: 'by', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'LinePiece', required: ['kind', 'at', 'text'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: PieceKind::class),
    new OA\Property(property: 'at', description: 'Where it begins in the line, in characters', type: 'integer'),
    new OA\Property(property: 'text', type: 'string'),
])]
#[OA\Schema(schema: 'UnderstoodLine', required: ['title', 'start', 'end', 'allDay', 'place', 'categories', 'participants', 'calendar', 'status', 'private', 'repeat', 'pieces'], properties: [
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'start', type: 'string', nullable: true),
    new OA\Property(property: 'end', type: 'string', nullable: true),
    new OA\Property(property: 'allDay', type: 'boolean'),
    new OA\Property(property: 'place', type: 'string'),
    new OA\Property(property: 'categories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'participants', type: 'array', items: new OA\Items(ref: '#/components/schemas/EventParticipant')),
    new OA\Property(property: 'calendar', description: 'The one that was named, or else the likeliest', type: 'string', nullable: true),
    new OA\Property(property: 'status', type: 'string', enum: ['confirmed', 'provisional']),
    new OA\Property(property: 'private', type: 'boolean'),
    new OA\Property(property: 'repeat', nullable: true, required: ['words', 'rule', 'until', 'count'], properties: [
        new OA\Property(property: 'words', type: 'string'),
        new OA\Property(property: 'rule', type: 'string'),
        new OA\Property(property: 'until', type: 'string', nullable: true),
        new OA\Property(property: 'count', type: 'integer', nullable: true),
    ], type: 'object'),
    new OA\Property(property: 'pieces', type: 'array', items: new OA\Items(ref: '#/components/schemas/LinePiece')),
])]
#[OA\Schema(schema: 'FoundEvent', required: ['id', 'occurrence', 'title', 'place', 'calendar', 'date'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'occurrence', type: 'string', nullable: true),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'place', type: 'string'),
    new OA\Property(property: 'calendar', type: 'string'),
    new OA\Property(property: 'date', description: 'Of its next time, or its last', type: 'string'),
])]
#[OA\Schema(schema: 'Found', required: ['date', 'events'], properties: [
    new OA\Property(property: 'date', type: 'string', nullable: true),
    new OA\Property(property: 'events', type: 'array', items: new OA\Items(ref: '#/components/schemas/FoundEvent')),
])]
final class EventSchemas
{
}
