<?php

namespace App\Api;

use App\Events\Write\Cause;
use App\Events\Write\OperationKind;
use OpenApi\Attributes as OA;
use PinnedRota\Core\OneLine\PieceKind;
use PinnedRota\Core\Overlay\Colour;

/** Shapes of the API: Events and how they repeat. */
#[OA\Schema(schema: 'RepeatInput', required: ['rule'], properties: [
    new OA\Property(property: 'rule', type: 'string', nullable: true, description: 'RRULE (RFC 5545, 3.3.10); its end is told beside it. Null where only the extra dates repeat it'),
    new OA\Property(property: 'until', type: 'string', nullable: true, description: 'The last day, inclusive'),
    new OA\Property(property: 'count', type: 'integer', nullable: true),
    new OA\Property(property: 'skipped', description: 'Dates that are left out; where they are not told, they stay and move along with the start', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'extra', description: 'Dates that are added; likewise', type: 'array', items: new OA\Items(type: 'string')),
])]
#[OA\Schema(schema: 'RepeatTold', required: ['words', 'next', 'more'], properties: [
    new OA\Property(property: 'words', type: 'string'),
    new OA\Property(property: 'next', description: 'The next days, at most six', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'more', type: 'boolean'),
])]
#[OA\Schema(schema: 'ChangedTime', required: ['occurrence', 'start'], properties: [
    new OA\Property(property: 'occurrence', type: 'string'),
    new OA\Property(property: 'start', description: 'When it is now', type: 'string'),
])]
#[OA\Schema(schema: 'Repeat', required: ['words', 'rule', 'several', 'until', 'count', 'skipped', 'extra', 'changed'], properties: [
    new OA\Property(property: 'rule', type: 'string', nullable: true, description: 'RRULE without its end; null where there are several or none'),
    new OA\Property(property: 'several', type: 'boolean', description: 'Whether it repeats by several rules, which are kept as they are'),
    new OA\Property(property: 'until', type: 'string', nullable: true, description: 'The last day, inclusive'),
    new OA\Property(property: 'count', type: 'integer', nullable: true),
    new OA\Property(property: 'words', type: 'string'),
    new OA\Property(property: 'skipped', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'extra', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'changed', description: 'Times that were changed on their own', type: 'array', items: new OA\Items(ref: '#/components/schemas/ChangedTime')),
])]
#[OA\Schema(schema: 'Task', required: ['id', 'title', 'days', 'due', 'doer', 'done'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'days', description: 'From the day on which the event starts; negative is before it', type: 'integer'),
    new OA\Property(property: 'due', type: 'string', format: 'date'),
    new OA\Property(property: 'doer', nullable: true, required: ['id', 'name'], properties: [new OA\Property(property: 'id', type: 'integer'), new OA\Property(property: 'name', type: 'string')], type: 'object'),
    new OA\Property(property: 'done', type: 'boolean'),
])]
#[OA\Schema(schema: 'TaskInput', required: ['title', 'days'], properties: [
    new OA\Property(property: 'id', description: 'Of one that is there already', type: 'integer', nullable: true),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'days', type: 'integer'),
    new OA\Property(property: 'doer', description: 'Id of a person', type: 'integer', nullable: true),
])]
#[OA\Schema(schema: 'DueTask', required: ['id', 'title', 'due', 'done', 'event', 'occurrence', 'of', 'on'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'due', type: 'string', format: 'date'),
    new OA\Property(property: 'done', type: 'boolean'),
    new OA\Property(property: 'event', type: 'integer'),
    new OA\Property(property: 'occurrence', type: 'string', nullable: true),
    new OA\Property(property: 'of', description: 'The title of the event', type: 'string'),
    new OA\Property(property: 'on', description: 'The day of the event', type: 'string', format: 'date'),
])]
#[OA\Schema(schema: 'TaskDoneInput', required: ['done'], properties: [
    new OA\Property(property: 'done', type: 'boolean'),
    new OA\Property(property: 'occurrence', description: 'The time that is meant, of a series', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'Attachment', required: ['id', 'name', 'size'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'size', description: 'In octets', type: 'integer'),
])]
#[OA\Schema(schema: 'PinInput', required: ['calendar'], properties: [new OA\Property(property: 'calendar', type: 'string')])]
#[OA\Schema(schema: 'JoinedEvent', required: ['calendar', 'name'], properties: [new OA\Property(property: 'calendar', type: 'string'), new OA\Property(property: 'name', type: 'string')])]
#[OA\Schema(schema: 'Pin', required: ['calendar', 'name', 'by', 'mayUnpin'], properties: [
    new OA\Property(property: 'calendar', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'by', type: 'string', nullable: true),
    new OA\Property(property: 'mayUnpin', type: 'boolean'),
])]
#[OA\Schema(schema: 'ParticipantInput', required: ['kind', 'id', 'part'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group', 'room']),
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'part', type: 'string', enum: ['responsible', 'required', 'optional', 'informed']),
])]
#[OA\Schema(schema: 'EventParticipant', required: ['id', 'kind', 'name', 'part', 'answer'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group', 'room', 'other']),
    new OA\Property(property: 'id', description: 'Where they are in the directory', type: 'integer', nullable: true),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'part', type: 'string', enum: ['responsible', 'required', 'optional', 'informed']),
    new OA\Property(property: 'answer', type: 'string', enum: ['unanswered', 'accepted', 'declined', 'tentative', 'delegated']),
])]
#[OA\Schema(schema: 'Organiser', required: ['id', 'name', 'chosen'], properties: [
    new OA\Property(property: 'id', type: 'integer', nullable: true),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'chosen', type: 'boolean', description: 'Whether the event says so; else it is who added it'),
])]
#[OA\Schema(schema: 'Event', required: ['id', 'occurrence', 'calendar', 'title', 'busyOnly', 'allDay', 'start', 'end', 'timezone', 'startsAt', 'endsAt', 'organiser', 'place', 'link', 'description', 'status', 'busy', 'private', 'categories', 'participants', 'addedBy', 'addedAt', 'changedBy', 'changedAt', 'mayChange', 'version', 'repeat', 'priority', 'colour', 'reminders', 'attachments', 'tasks', 'joinable', 'copyOf', 'pins', 'pinned', 'joined', 'joiners', 'joinerNames'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'occurrence', type: 'string', nullable: true),
    new OA\Property(property: 'calendar', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'busyOnly', type: 'boolean'),
    new OA\Property(property: 'allDay', type: 'boolean'),
    new OA\Property(property: 'startsAt', type: 'string', nullable: true, description: 'The moment in UTC; null of dates and floating times'),
    new OA\Property(property: 'endsAt', type: 'string', nullable: true),
    new OA\Property(property: 'organiser', nullable: true, description: 'Whoever asks those who take part', allOf: [new OA\Schema(ref: '#/components/schemas/Organiser')]),
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
    new OA\Property(property: 'priority', description: '0 none, 1 highest to 9 lowest', type: 'integer'),
    new OA\Property(property: 'colour', description: 'Its own, whatever the layer has', type: 'string', enum: Colour::class, nullable: true),
    new OA\Property(property: 'reminders', description: 'Minutes before the start', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property(property: 'attachments', type: 'array', items: new OA\Items(ref: '#/components/schemas/Attachment')),
    new OA\Property(property: 'tasks', type: 'array', items: new OA\Items(ref: '#/components/schemas/Task')),
    new OA\Property(property: 'joinable', type: 'boolean'),
    new OA\Property(property: 'copyOf', nullable: true, required: ['id', 'title'], properties: [new OA\Property(property: 'id', type: 'integer'), new OA\Property(property: 'title', type: 'string')], type: 'object'),
    new OA\Property(property: 'pins', description: 'Further calendars on which it shows, of those that the viewer sees', type: 'array', items: new OA\Items(ref: '#/components/schemas/Pin')),
    new OA\Property(property: 'pinned', description: 'Whether the viewer sees it by a pin alone', type: 'boolean'),
    new OA\Property(property: 'joined', description: 'Whether the viewer has joined it', type: 'boolean'),
    new OA\Property(property: 'joiners', type: 'integer'),
    new OA\Property(property: 'joinerNames', description: 'For those who may change the event', type: 'array', items: new OA\Items(type: 'string')),
])]
#[OA\Schema(schema: 'EventInput', required: ['calendar', 'title', 'start'], properties: [
    new OA\Property(property: 'calendar', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'start', type: 'string'),
    new OA\Property(property: 'allDay', type: 'boolean'),
    new OA\Property(property: 'end', type: 'string', nullable: true),
    new OA\Property(property: 'timezone', type: 'string', nullable: true),
    new OA\Property(property: 'tz', type: 'string', description: 'The zone on whose wall start and end are told, where it is not the event’s own; a new event is in it'),
    new OA\Property(property: 'organiser', type: 'integer', nullable: true, description: 'Id of whoever asks those who take part; null: who added the event'),
    new OA\Property(property: 'place', type: 'string', nullable: true),
    new OA\Property(property: 'link', type: 'string', nullable: true),
    new OA\Property(property: 'description', type: 'string', nullable: true),
    new OA\Property(property: 'status', type: 'string', enum: ['confirmed', 'provisional', 'cancelled']),
    new OA\Property(property: 'busy', type: 'boolean'),
    new OA\Property(property: 'private', type: 'boolean'),
    new OA\Property(property: 'categories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'priority', type: 'integer'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class, nullable: true),
    new OA\Property(property: 'joinable', description: 'Whether whoever may read it may join it', type: 'boolean'),
    new OA\Property(property: 'reminders', description: 'Minutes before the start; others that a file brought stay', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property(property: 'tasks', description: 'The preparation list as it is to be; of the series, whatever time of it is changed', type: 'array', items: new OA\Items(ref: '#/components/schemas/TaskInput')),
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
    new OA\Property(property: 'tz', type: 'string', description: 'The zone on whose wall start and end are told, where it is not the event’s own; a new event is in it'),
    new OA\Property(property: 'organiser', type: 'integer', nullable: true, description: 'Id of whoever asks those who take part; null: who added the event'),
    new OA\Property(property: 'place', type: 'string', nullable: true),
    new OA\Property(property: 'link', type: 'string', nullable: true),
    new OA\Property(property: 'description', type: 'string', nullable: true),
    new OA\Property(property: 'status', type: 'string', enum: ['confirmed', 'provisional', 'cancelled']),
    new OA\Property(property: 'busy', type: 'boolean'),
    new OA\Property(property: 'private', type: 'boolean'),
    new OA\Property(property: 'categories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'priority', type: 'integer'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class, nullable: true),
    new OA\Property(property: 'joinable', description: 'Whether whoever may read it may join it', type: 'boolean'),
    new OA\Property(property: 'reminders', description: 'Minutes before the start; others that a file brought stay', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property(property: 'tasks', description: 'The preparation list as it is to be; of the series, whatever time of it is changed', type: 'array', items: new OA\Items(ref: '#/components/schemas/TaskInput')),
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
#[OA\Schema(schema: 'HistoryEntry', required: ['operation', 'kind', 'cause', 'by', 'at', 'undone', 'changes', 'restorable'], properties: [
    new OA\Property(property: 'operation', type: 'integer'),
    new OA\Property(property: 'kind', type: 'string', enum: OperationKind::class),
    new OA\Property(property: 'cause', type: 'string', enum: Cause::class),
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
