<?php

namespace App\Api;

use OpenApi\Attributes as OA;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;

/** Shapes of the API: Feeds, imports and sources. */
#[OA\Schema(schema: 'CalendarName', required: ['slug', 'name', 'colour', 'mark'], properties: [
    new OA\Property(property: 'slug', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
])]
#[OA\Schema(schema: 'Feed', required: ['id', 'name', 'detail', 'calendar', 'madeBy', 'madeAt', 'lastFetchedAt'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'detail', type: 'string', enum: ['full', 'busy']),
    new OA\Property(property: 'calendar', ref: '#/components/schemas/CalendarName'),
    new OA\Property(property: 'madeBy', type: 'string'),
    new OA\Property(property: 'madeAt', type: 'string'),
    new OA\Property(property: 'lastFetchedAt', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'FeedInput', required: ['name', 'detail'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'detail', type: 'string', enum: ['full', 'busy']),
])]
#[OA\Schema(schema: 'NewFeed', required: ['feed', 'url'], properties: [
    new OA\Property(property: 'feed', ref: '#/components/schemas/Feed'),
    new OA\Property(property: 'url', type: 'string'),
])]
#[OA\Schema(schema: 'ImportCounts', required: ['added', 'changed', 'unchanged', 'removed'], properties: [
    new OA\Property(property: 'added', type: 'integer'),
    new OA\Property(property: 'changed', type: 'integer'),
    new OA\Property(property: 'unchanged', type: 'integer'),
    new OA\Property(property: 'removed', type: 'integer'),
])]
#[OA\Schema(schema: 'ImportRow', required: ['verdict', 'title', 'start', 'allDay', 'timezone', 'repeats', 'place'], properties: [
    new OA\Property(property: 'verdict', type: 'string', enum: ['added', 'changed', 'unchanged']),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'start', type: 'string'),
    new OA\Property(property: 'allDay', type: 'boolean'),
    new OA\Property(property: 'timezone', type: 'string', nullable: true),
    new OA\Property(property: 'repeats', type: 'boolean'),
    new OA\Property(property: 'place', type: 'string'),
])]
#[OA\Schema(schema: 'ImportProblem', required: ['line', 'property', 'problem', 'outcome'], properties: [
    new OA\Property(property: 'line', type: 'integer'),
    new OA\Property(property: 'property', type: 'string'),
    new OA\Property(property: 'problem', type: 'string'),
    new OA\Property(property: 'outcome', type: 'string', enum: ['mended', 'skipped', 'refused']),
])]
#[OA\Schema(schema: 'ImportPreview', required: ['id', 'fileName', 'counts', 'rows', 'problems', 'problemCount'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'fileName', type: 'string'),
    new OA\Property(property: 'counts', ref: '#/components/schemas/ImportCounts'),
    new OA\Property(property: 'rows', type: 'array', items: new OA\Items(ref: '#/components/schemas/ImportRow')),
    new OA\Property(property: 'problems', type: 'array', items: new OA\Items(ref: '#/components/schemas/ImportProblem')),
    new OA\Property(property: 'problemCount', type: 'integer'),
])]
#[OA\Schema(schema: 'Refresh', required: ['at', 'counts', 'error'], properties: [
    new OA\Property(property: 'at', type: 'string'),
    new OA\Property(property: 'counts', nullable: true, allOf: [new OA\Schema(ref: '#/components/schemas/ImportCounts')]),
    new OA\Property(property: 'error', type: 'string', nullable: true),
])]
#[OA\Schema(schema: 'Source', required: ['id', 'calendar', 'url', 'mayManage', 'refreshMinutes', 'succeededAt', 'error', 'history'], properties: [
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'calendar', ref: '#/components/schemas/CalendarName'),
    new OA\Property(property: 'url', type: 'string'),
    new OA\Property(property: 'mayManage', type: 'boolean'),
    new OA\Property(property: 'refreshMinutes', type: 'integer'),
    new OA\Property(property: 'succeededAt', type: 'string', nullable: true),
    new OA\Property(property: 'error', type: 'string', nullable: true),
    new OA\Property(property: 'history', type: 'array', items: new OA\Items(ref: '#/components/schemas/Refresh')),
])]
#[OA\Schema(schema: 'SourceInput', required: ['url', 'name', 'colour', 'mark'], properties: [
    new OA\Property(property: 'url', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
])]
final class ExchangeSchemas
{
}
