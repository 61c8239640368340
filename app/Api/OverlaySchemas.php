<?php

namespace App\Api;

use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Hold;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Overlay\Pattern;

/** Shapes of the API: Overlays and the sheet. */
#[OA\Schema(schema: 'Who', required: ['kind'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['me', 'person', 'group']),
    new OA\Property(property: 'id', type: 'integer', nullable: true),
    new OA\Property(property: 'name', type: 'string'),
])]
#[OA\Schema(schema: 'Condition', required: ['about'], properties: [
    new OA\Property(property: 'about', type: 'string', enum: ['category', 'words', 'people', 'status', 'all day', 'busy']),
    new OA\Property(property: 'not', description: 'Whether it is its opposite that must hold', type: 'boolean'),
    new OA\Property(property: 'match', type: 'string', enum: ['any', 'all', 'none']),
    new OA\Property(property: 'names', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'words', description: 'Any of them, in title, place or description', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'part', type: 'string', enum: ['responsible', 'taking part', 'added']),
    new OA\Property(property: 'who', type: 'array', items: new OA\Items(ref: '#/components/schemas/Who')),
    new OA\Property(property: 'statuses', type: 'array', items: new OA\Items(type: 'string', enum: ['confirmed', 'provisional', 'cancelled'])),
    new OA\Property(property: 'is', type: 'boolean'),
])]
#[OA\Schema(schema: 'OverlayLayer', required: ['name', 'colour', 'mark', 'calendars', 'takes', 'group', 'conditions', 'pattern'], properties: [
    new OA\Property(property: 'takes', type: 'string', enum: ['chosen', 'all', 'group', 'rest']),
    new OA\Property(property: 'group', type: 'integer', nullable: true),
    new OA\Property(property: 'hidden', description: 'How many calendars in it the viewer does not see, told to those who manage the overlay', type: 'integer'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'id', description: 'As it was told; by it a layer keeps the calendars that who changes it does not see', type: 'integer', nullable: true),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
    new OA\Property(property: 'pattern', type: 'string', enum: Pattern::class),
    new OA\Property(property: 'calendars', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'conditions', description: 'All of which must hold', type: 'array', items: new OA\Items(ref: '#/components/schemas/Condition')),
])]
#[OA\Schema(schema: 'Overlay', required: ['slug', 'name', 'openingView', 'keeper', 'level', 'everyLayer', 'layers', 'version'], properties: [
    new OA\Property(property: 'everyLayer', description: 'Whether an event shows in every layer that takes it, instead of in the first', type: 'boolean'),
    new OA\Property(property: 'slug', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'openingView', type: 'string', enum: ['lanes', 'day', 'week', 'month', 'year', 'list']),
    new OA\Property(property: 'keeper', ref: '#/components/schemas/Subject'),
    new OA\Property(property: 'level', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change', 'manage']),
    new OA\Property(property: 'layers', type: 'array', items: new OA\Items(ref: '#/components/schemas/OverlayLayer')),
    new OA\Property(property: 'version', type: 'integer'),
])]
#[OA\Schema(schema: 'OverlayInput', required: ['name', 'layers'], properties: [
    new OA\Property(property: 'everyLayer', type: 'boolean'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'layers', type: 'array', items: new OA\Items(ref: '#/components/schemas/OverlayLayer')),
    new OA\Property(property: 'keeper', description: 'When it is made: oneself, or a group that one is in', nullable: true, required: ['kind', 'id'], properties: [new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']), new OA\Property(property: 'id', type: 'integer')], type: 'object'),
    new OA\Property(property: 'openingView', type: 'string', enum: ['lanes', 'day', 'week', 'month', 'year', 'list']),
])]
#[OA\Schema(schema: 'OverlaySharing', required: ['keeper', 'grants'], properties: [
    new OA\Property(property: 'keeper', ref: '#/components/schemas/Subject'),
    new OA\Property(property: 'grants', type: 'array', items: new OA\Items(ref: '#/components/schemas/Grant')),
])]
#[OA\Schema(schema: 'SheetRow', required: ['key', 'name', 'calendar', 'target'], properties: [
    new OA\Property(property: 'key', description: 'Empty for what cannot be told apart, * for what is hidden', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'calendar', type: 'string', nullable: true),
    new OA\Property(property: 'target', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'SheetLayer', required: ['name', 'about', 'colour', 'mark', 'pattern', 'calendars', 'target'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'about', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
    new OA\Property(property: 'pattern', type: 'string', enum: Pattern::class),
    new OA\Property(property: 'calendars', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'target', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'SheetItem', required: ['id', 'occurrence', 'layer', 'calendar', 'also', 'title', 'place', 'categories', 'allDay', 'start', 'end', 'status', 'busyOnly', 'private', 'repeats', 'hold', 'external', 'unanswered', 'responsible'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'occurrence', type: 'string', nullable: true),
    new OA\Property(property: 'layer', type: 'integer'),
    new OA\Property(property: 'calendar', type: 'string'),
    new OA\Property(property: 'also', description: 'Further calendars on which the same event is', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'place', type: 'string'),
    new OA\Property(property: 'categories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'allDay', type: 'boolean'),
    new OA\Property(property: 'start', type: 'string'),
    new OA\Property(property: 'end', type: 'string'),
    new OA\Property(property: 'status', type: 'string', enum: ['confirmed', 'provisional', 'cancelled']),
    new OA\Property(property: 'busyOnly', type: 'boolean'),
    new OA\Property(property: 'private', type: 'boolean'),
    new OA\Property(property: 'repeats', type: 'boolean'),
    new OA\Property(property: 'hold', description: 'What, if anything, keeps the viewer from changing it', type: 'string', nullable: true, enum: Hold::class),
    new OA\Property(property: 'external', description: 'Whether it comes from a source', type: 'boolean'),
    new OA\Property(property: 'pinned', description: 'Told where it shows on several calendars by a pin', type: 'boolean'),
    new OA\Property(property: 'colour', description: 'Its own, whatever the layer has; told where there is one', type: 'string', enum: Colour::class),
    new OA\Property(property: 'unanswered', description: 'Whether the viewer is asked to take part and has not answered', type: 'boolean'),
    new OA\Property(property: 'responsible', description: 'Names', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'rows', description: 'Where rows are asked for: those in which it stands', type: 'array', items: new OA\Items(type: 'integer')),
])]
#[OA\Schema(schema: 'CategoryCount', required: ['name', 'count'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'count', type: 'integer'),
])]
#[OA\Schema(schema: 'ClosedDay', required: ['date', 'title'], properties: [
    new OA\Property(property: 'date', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
])]
#[OA\Schema(schema: 'Sheet', required: ['layers', 'rows', 'items', 'categories', 'closed'], properties: [
    new OA\Property(property: 'rows', description: 'Of lanes that are told apart by something else than layers', type: 'array', items: new OA\Items(ref: '#/components/schemas/SheetRow')),
    new OA\Property(property: 'layers', type: 'array', items: new OA\Items(ref: '#/components/schemas/SheetLayer')),
    new OA\Property(property: 'items', type: 'array', items: new OA\Items(ref: '#/components/schemas/SheetItem')),
    new OA\Property(property: 'categories', type: 'array', items: new OA\Items(ref: '#/components/schemas/CategoryCount')),
    new OA\Property(property: 'closed', type: 'array', items: new OA\Items(ref: '#/components/schemas/ClosedDay')),
])]
#[OA\Schema(schema: 'Ruler', required: ['from', 'loads', 'closed'], properties: [
    new OA\Property(property: 'from', type: 'string'),
    new OA\Property(property: 'loads', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property(property: 'closed', type: 'array', items: new OA\Items(type: 'string')),
])]
final class OverlaySchemas
{
}
