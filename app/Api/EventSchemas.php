<?php

namespace App\Api;

use OpenApi\Attributes as OA;

/** Shapes of the API: Events and how they repeat. */
#[OA\Schema(schema: 'WeeklyRepeat', required: ['interval', 'weekdays'], properties: [
    new OA\Property(property: 'interval', type: 'integer'),
    new OA\Property(property: 'weekdays', type: 'array', items: new OA\Items(type: 'string', enum: ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'])),
    new OA\Property(property: 'until', type: 'string', nullable: true, description: 'The last day, inclusive'),
    new OA\Property(property: 'count', type: 'integer', nullable: true),
])]
#[OA\Schema(schema: 'Repeat', required: ['words', 'weekly'], properties: [
    new OA\Property(property: 'words', type: 'string'),
    new OA\Property(property: 'weekly', nullable: true, description: 'Null where the rule says more than a weekly repeat can', allOf: [new OA\Schema(ref: '#/components/schemas/WeeklyRepeat')]),
])]
#[OA\Schema(schema: 'EventParticipant', required: ['id', 'name', 'part', 'answer'], properties: [
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
    new OA\Property(property: 'repeat', nullable: true, allOf: [new OA\Schema(ref: '#/components/schemas/WeeklyRepeat')]),
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
    new OA\Property(property: 'repeat', nullable: true, allOf: [new OA\Schema(ref: '#/components/schemas/WeeklyRepeat')]),
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
