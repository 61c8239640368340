<?php

namespace App\Api;

use OpenApi\Attributes as OA;

/** Shapes of the API: People, groups, the session, and problems. */
#[OA\Schema(schema: 'Person', required: ['id', 'name', 'email', 'timezone', 'role', 'post'], properties: [
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
#[OA\Schema(schema: 'DirectoryEntry', required: ['kind', 'id', 'name', 'about'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']),
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
])]
#[OA\Schema(schema: 'FieldProblem', required: ['field', 'message'], properties: [
    new OA\Property(property: 'field', type: 'string'),
    new OA\Property(property: 'message', type: 'string'),
])]
final class DirectorySchemas
{
}
