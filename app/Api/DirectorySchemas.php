<?php

namespace App\Api;

use OpenApi\Attributes as OA;

/** Shapes of the API: People, groups, the session, and problems. */
#[OA\Schema(schema: 'Person', required: ['id', 'name', 'email', 'timezone', 'role', 'post', 'workingHours'], properties: [
    new OA\Property(property: 'workingHours', type: 'array', items: new OA\Items(ref: '#/components/schemas/WorkingSpan')),
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'role', type: 'string'),
    new OA\Property(property: 'post', type: 'string'),
])]
#[OA\Schema(schema: 'DemoPerson', required: ['name', 'email', 'post'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'post', type: 'string'),
])]
#[OA\Schema(schema: 'Demo', required: ['password', 'people'], properties: [
    new OA\Property(property: 'password', type: 'string'),
    new OA\Property(property: 'people', type: 'array', items: new OA\Items(ref: '#/components/schemas/DemoPerson')),
])]
#[OA\Schema(schema: 'Session', required: ['person', 'demo'], properties: [
    new OA\Property(property: 'person', nullable: true, allOf: [new OA\Schema(ref: '#/components/schemas/Person')]),
    new OA\Property(property: 'demo', nullable: true, allOf: [new OA\Schema(ref: '#/components/schemas/Demo')]),
])]
#[OA\Schema(schema: 'RoomInput', required: ['name'], properties: [new OA\Property(property: 'name', type: 'string')])]
#[OA\Schema(schema: 'Room', required: ['id', 'name'], properties: [new OA\Property(property: 'id', type: 'integer'), new OA\Property(property: 'name', type: 'string')])]
#[OA\Schema(schema: 'DirectoryEntry', required: ['kind', 'id', 'name', 'about'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group', 'room']),
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'about', type: 'string'),
])]
#[OA\Schema(schema: 'GroupPerson', required: ['id', 'name', 'post'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'post', type: 'string'),
])]
#[OA\Schema(schema: 'GroupWithin', required: ['id', 'name'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'name', type: 'string'),
])]
#[OA\Schema(schema: 'Group', required: ['id', 'name', 'people', 'groups'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'people', description: 'Those who are in it directly', type: 'array', items: new OA\Items(ref: '#/components/schemas/GroupPerson')),
    new OA\Property(property: 'groups', description: 'The groups in it: whoever is in one of them is in it', type: 'array', items: new OA\Items(ref: '#/components/schemas/GroupWithin')),
])]
#[OA\Schema(schema: 'GroupInput', required: ['name'], properties: [
    new OA\Property(property: 'name', type: 'string', maxLength: 120),
])]
#[OA\Schema(schema: 'GroupMemberInput', required: ['kind', 'id', 'member'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']),
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'member', description: 'Whether they are to be in it', type: 'boolean'),
])]
#[OA\Schema(schema: 'Subject', required: ['kind', 'id', 'name'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group', 'everyone', 'public']),
    new OA\Property(property: 'id', type: 'integer', nullable: true),
    new OA\Property(property: 'name', type: 'string'),
])]
#[OA\Schema(schema: 'Problem', required: ['type', 'title', 'status', 'detail'], properties: [
    new OA\Property(property: 'type', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'status', type: 'integer'),
    new OA\Property(property: 'detail', type: 'string'),
    new OA\Property(property: 'errors', type: 'array', items: new OA\Items(ref: '#/components/schemas/FieldProblem')),
    new OA\Property(property: 'current', description: 'Where somebody else was first: the thing as it is now, or of many, those that have changed'),
])]
#[OA\Schema(schema: 'FieldProblem', required: ['field', 'message'], properties: [
    new OA\Property(property: 'field', type: 'string'),
    new OA\Property(property: 'message', type: 'string'),
])]
#[OA\Schema(schema: 'WorkingSpan', required: ['day', 'from', 'to'], properties: [
    new OA\Property(property: 'day', type: 'string'),
    new OA\Property(property: 'from', type: 'string'),
    new OA\Property(property: 'to', type: 'string'),
])]
#[OA\Schema(schema: 'DirectoryPerson', required: ['id', 'name', 'email', 'post', 'timezone', 'role', 'status', 'hasComeIn', 'invitedAt', 'workingHours', 'groups'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'post', type: 'string'),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'role', type: 'string', enum: ['administrator', 'member']),
    new OA\Property(property: 'status', type: 'string', enum: ['active', 'suspended', 'left']),
    new OA\Property(property: 'hasComeIn', type: 'boolean'),
    new OA\Property(property: 'invitedAt', type: 'string', nullable: true),
    new OA\Property(property: 'workingHours', type: 'array', items: new OA\Items(ref: '#/components/schemas/WorkingSpan')),
    new OA\Property(property: 'groups', type: 'array', items: new OA\Items(ref: '#/components/schemas/GroupWithin')),
])]
#[OA\Schema(schema: 'People', required: ['total', 'pages', 'people'], properties: [
    new OA\Property(property: 'total', type: 'integer'),
    new OA\Property(property: 'pages', type: 'integer'),
    new OA\Property(property: 'people', type: 'array', items: new OA\Items(ref: '#/components/schemas/DirectoryPerson')),
])]
#[OA\Schema(schema: 'PersonInput', required: ['name', 'email'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'post', type: 'string', nullable: true),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'role', type: 'string', enum: ['administrator', 'member']),
    new OA\Property(property: 'workingHours', type: 'array', items: new OA\Items(ref: '#/components/schemas/WorkingSpan')),
    new OA\Property(property: 'groups', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property(property: 'invite', type: 'boolean'),
])]
#[OA\Schema(schema: 'PersonChange', required: [], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'post', type: 'string', nullable: true),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'role', type: 'string', enum: ['administrator', 'member']),
    new OA\Property(property: 'workingHours', type: 'array', items: new OA\Items(ref: '#/components/schemas/WorkingSpan')),
])]
#[OA\Schema(schema: 'SelfInput', required: [], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'workingHours', type: 'array', items: new OA\Items(ref: '#/components/schemas/WorkingSpan')),
])]
#[OA\Schema(schema: 'Suspension', required: ['suspended'], properties: [
    new OA\Property(property: 'suspended', type: 'boolean'),
])]
#[OA\Schema(schema: 'KeptThing', required: ['slug', 'name'], properties: [
    new OA\Property(property: 'slug', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
])]
#[OA\Schema(schema: 'KeptFeed', required: ['id', 'name', 'calendar'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'calendar', type: 'string'),
])]
#[OA\Schema(schema: 'Kept', required: ['calendars', 'overlays', 'feeds'], properties: [
    new OA\Property(property: 'calendars', type: 'array', items: new OA\Items(ref: '#/components/schemas/KeptThing')),
    new OA\Property(property: 'overlays', type: 'array', items: new OA\Items(ref: '#/components/schemas/KeptThing')),
    new OA\Property(property: 'feeds', type: 'array', items: new OA\Items(ref: '#/components/schemas/KeptFeed')),
])]
#[OA\Schema(schema: 'Handover', required: ['what', 'slug', 'kind', 'id'], properties: [
    new OA\Property(property: 'what', type: 'string', enum: ['calendar', 'overlay']),
    new OA\Property(property: 'slug', type: 'string'),
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']),
    new OA\Property(property: 'id', type: 'integer'),
])]
#[OA\Schema(schema: 'DepartureInput', required: ['handovers'], properties: [
    new OA\Property(property: 'handovers', type: 'array', items: new OA\Items(ref: '#/components/schemas/Handover')),
    new OA\Property(property: 'feeds', type: 'integer', nullable: true, description: 'The person under whose name feed links go on; without one they end'),
])]
#[OA\Schema(schema: 'PeopleTableInput', required: ['text'], properties: [
    new OA\Property(property: 'text', type: 'string'),
    new OA\Property(property: 'apply', type: 'string', nullable: true, description: 'The digest of the plan that was looked at'),
    new OA\Property(property: 'invite', type: 'boolean'),
])]
#[OA\Schema(schema: 'PeopleRow', required: ['line', 'verdict', 'notes', 'name', 'email', 'post', 'groups'], properties: [
    new OA\Property(property: 'line', type: 'integer'),
    new OA\Property(property: 'verdict', type: 'string', enum: ['new', 'changed', 'known', 'refused']),
    new OA\Property(property: 'notes', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'post', type: 'string'),
    new OA\Property(property: 'groups', type: 'array', items: new OA\Items(type: 'string')),
])]
#[OA\Schema(schema: 'PeoplePlan', required: ['digest', 'applied', 'rows'], properties: [
    new OA\Property(property: 'digest', type: 'string'),
    new OA\Property(property: 'applied', type: 'boolean'),
    new OA\Property(property: 'rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/PeopleRow')),
])]
#[OA\Schema(schema: 'PasswordLinkInput', required: ['email'], properties: [
    new OA\Property(property: 'email', type: 'string'),
])]
#[OA\Schema(schema: 'PasswordInput', required: ['email', 'token', 'password'], properties: [
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'token', type: 'string'),
    new OA\Property(property: 'password', type: 'string'),
])]
final class DirectorySchemas
{
}
