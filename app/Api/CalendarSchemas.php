<?php

namespace App\Api;

use OpenApi\Attributes as OA;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;

/** Shapes of the API: Calendars, categories and access. */
#[OA\Schema(schema: 'Calendar', required: ['slug', 'name', 'description', 'colour', 'mark', 'timezone', 'keeper', 'level', 'reasons', 'mayAdd', 'subscribed', 'onList', 'archived', 'firstDay', 'openingView', 'freeCategories', 'offered', 'version'], properties: [
    new OA\Property(property: 'slug', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'description', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'keeper', ref: '#/components/schemas/Subject'),
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
    new OA\Property(property: 'reasons', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'mayAdd', type: 'boolean'),
    new OA\Property(property: 'subscribed', type: 'boolean'),
    new OA\Property(property: 'onList', type: 'boolean'),
    new OA\Property(property: 'archived', type: 'boolean'),
    new OA\Property(property: 'firstDay', type: 'string', nullable: true, enum: ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU']),
    new OA\Property(property: 'openingView', type: 'string', nullable: true, enum: ['lanes', 'day', 'week', 'month', 'year', 'list']),
    new OA\Property(property: 'freeCategories', type: 'boolean'),
    new OA\Property(property: 'offered', type: 'boolean'),
    new OA\Property(property: 'version', type: 'integer'),
])]
#[OA\Schema(schema: 'CalendarInput', required: ['name', 'colour', 'mark'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
    new OA\Property(property: 'description', type: 'string'),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'firstDay', type: 'string', nullable: true, enum: ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU']),
    new OA\Property(property: 'openingView', type: 'string', nullable: true, enum: ['lanes', 'day', 'week', 'month', 'year', 'list']),
    new OA\Property(property: 'freeCategories', type: 'boolean'),
    new OA\Property(property: 'offered', type: 'boolean'),
    new OA\Property(property: 'keeper', required: ['kind', 'id'], properties: [new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']), new OA\Property(property: 'id', type: 'integer')], type: 'object'),
])]
#[OA\Schema(schema: 'CalendarChange', required: [], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
    new OA\Property(property: 'description', type: 'string'),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'firstDay', type: 'string', nullable: true, enum: ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU']),
    new OA\Property(property: 'openingView', type: 'string', nullable: true, enum: ['lanes', 'day', 'week', 'month', 'year', 'list']),
    new OA\Property(property: 'freeCategories', type: 'boolean'),
    new OA\Property(property: 'offered', type: 'boolean'),
])]
#[OA\Schema(schema: 'Category', required: ['id', 'name', 'colour', 'closesDay', 'calendar'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'colour', type: 'string', nullable: true),
    new OA\Property(property: 'closesDay', type: 'boolean'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'calendar', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'Grant', required: ['kind', 'id', 'name', 'level'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group', 'everyone', 'public']),
    new OA\Property(property: 'id', type: 'integer', nullable: true),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
])]
#[OA\Schema(schema: 'GrantInput', required: ['kind', 'level'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group', 'everyone', 'public']),
    new OA\Property(property: 'letter', description: 'Whether people who come to see more are told by mail, too', type: 'boolean'),
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
    new OA\Property(property: 'id', type: 'integer', nullable: true),
])]
#[OA\Schema(schema: 'Sharing', required: ['keeper', 'grants', 'summary', 'publicUrl'], properties: [
    new OA\Property(property: 'summary', type: 'string', description: 'How far it reaches, in one line'),
    new OA\Property(property: 'publicUrl', type: 'string', nullable: true),
    new OA\Property(property: 'keeper', ref: '#/components/schemas/Subject'),
    new OA\Property(property: 'grants', type: 'array', items: new OA\Items(ref: '#/components/schemas/Grant')),
])]
#[OA\Schema(schema: 'CategoryInput', required: [], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'calendar', type: 'string', nullable: true),
    new OA\Property(property: 'colour', type: 'string', nullable: true),
    new OA\Property(property: 'closesDay', type: 'boolean'),
])]
#[OA\Schema(schema: 'CalendarDirectory', required: ['total', 'calendars'], properties: [
    new OA\Property(property: 'total', type: 'integer'),
    new OA\Property(property: 'calendars', type: 'array', items: new OA\Items(ref: '#/components/schemas/Calendar')),
])]
#[OA\Schema(schema: 'HandOver', required: ['kind', 'id', 'stays'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']),
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'stays', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
])]
#[OA\Schema(schema: 'Archiving', required: ['archived'], properties: [
    new OA\Property(property: 'archived', type: 'boolean'),
])]
#[OA\Schema(schema: 'Listing', required: ['onList'], properties: [
    new OA\Property(property: 'onList', type: 'boolean'),
])]
#[OA\Schema(schema: 'AddressesInput', required: ['text', 'level'], properties: [
    new OA\Property(property: 'text', type: 'string'),
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
    new OA\Property(property: 'letter', type: 'boolean'),
])]
#[OA\Schema(schema: 'SharingByAddress', required: ['given', 'already', 'unknown', 'sharing'], properties: [
    new OA\Property(property: 'given', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'already', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'unknown', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'sharing', ref: '#/components/schemas/Sharing'),
])]
#[OA\Schema(schema: 'ReasonInWords', required: ['level', 'words'], properties: [
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
    new OA\Property(property: 'words', type: 'string'),
])]
#[OA\Schema(schema: 'PersonReached', required: ['id', 'name', 'post', 'level', 'reasons'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'post', type: 'string'),
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
    new OA\Property(property: 'reasons', type: 'array', items: new OA\Items(ref: '#/components/schemas/ReasonInWords')),
])]
#[OA\Schema(schema: 'ReachOfPeople', required: ['total', 'people'], properties: [
    new OA\Property(property: 'total', type: 'integer'),
    new OA\Property(property: 'people', type: 'array', items: new OA\Items(ref: '#/components/schemas/PersonReached')),
])]
#[OA\Schema(schema: 'Managers', required: ['names', 'asked', 'leaves'], properties: [
    new OA\Property(property: 'names', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'asked', type: 'string', nullable: true, description: 'The level that one has asked for'),
    new OA\Property(property: 'leaves', type: 'boolean', description: 'Whether it was shared with oneself by name'),
])]
#[OA\Schema(schema: 'AccessRequestInput', required: ['level'], properties: [
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
    new OA\Property(property: 'message', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'AccessDecision', required: ['level'], properties: [
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
])]
#[OA\Schema(schema: 'InvitationAnswer', required: ['accepted'], properties: [
    new OA\Property(property: 'accepted', type: 'boolean'),
])]
#[OA\Schema(schema: 'InvitationWaiting', required: ['id', 'by', 'at', 'level', 'means', 'calendar'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'by', type: 'string'),
    new OA\Property(property: 'at', type: 'string'),
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
    new OA\Property(property: 'means', type: 'string'),
    new OA\Property(property: 'calendar', ref: '#/components/schemas/CalendarName'),
])]
#[OA\Schema(schema: 'RequestWaiting', required: ['id', 'by', 'post', 'at', 'level', 'message', 'calendar'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'by', type: 'string'),
    new OA\Property(property: 'post', type: 'string'),
    new OA\Property(property: 'at', type: 'string'),
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
    new OA\Property(property: 'message', type: 'string'),
    new OA\Property(property: 'calendar', ref: '#/components/schemas/CalendarName'),
])]
#[OA\Schema(schema: 'AnswerWaiting', required: ['id', 'by', 'at', 'level', 'calendar'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'by', type: 'string'),
    new OA\Property(property: 'at', type: 'string'),
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
    new OA\Property(property: 'calendar', ref: '#/components/schemas/CalendarName'),
])]
#[OA\Schema(schema: 'Waiting', required: ['invitations', 'requests', 'answers'], properties: [
    new OA\Property(property: 'invitations', type: 'array', items: new OA\Items(ref: '#/components/schemas/InvitationWaiting')),
    new OA\Property(property: 'requests', type: 'array', items: new OA\Items(ref: '#/components/schemas/RequestWaiting')),
    new OA\Property(property: 'answers', type: 'array', items: new OA\Items(ref: '#/components/schemas/AnswerWaiting')),
])]
#[OA\Schema(schema: 'LogEntry', required: ['id', 'at', 'by', 'words', 'revertable'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'at', type: 'string'),
    new OA\Property(property: 'by', type: 'string'),
    new OA\Property(property: 'words', type: 'string'),
    new OA\Property(property: 'revertable', type: 'boolean'),
])]
final class CalendarSchemas
{
}
