<?php

namespace App\Overlays;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\EventFacts;

#[OA\Schema(schema: 'ShowsInput', required: ['title', 'allDay'], properties: [
    new OA\Property(property: 'overlay', description: 'Through what the writer looks', type: 'string', nullable: true),
    new OA\Property(property: 'through', description: 'The calendar alone that the writer looks at', type: 'string', nullable: true),
    new OA\Property(property: 'hidden', description: 'Layers that are not shown, by their place in the key, from 0', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'place', type: 'string'),
    new OA\Property(property: 'description', type: 'string'),
    new OA\Property(property: 'allDay', type: 'boolean'),
    new OA\Property(property: 'status', type: 'string', enum: Status::class),
    new OA\Property(property: 'busy', type: 'boolean'),
    new OA\Property(property: 'categories', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'people', description: 'Ids of those who take part', type: 'array', items: new OA\Items(type: 'integer')),
    new OA\Property(property: 'responsible', description: 'Those of them who are responsible', type: 'array', items: new OA\Items(type: 'integer')),
])]
final class ShowsController
{
    #[OA\Post(path: '/sheet/shows', operationId: 'showsOn', summary: 'On which calendars an event that is being written would be seen at once; nothing is added by it.', tags: ['sheet'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/ShowsInput')),
        responses: [new Answers(ShowsData::class, 'The calendars')])]
    public function show(Request $request, CurrentViewer $viewer, LayersOfSheet $layers): JsonResponse
    {
        $input = $request->validate([
            'title' => ['present', 'nullable', 'string', 'max:500'], 'place' => ['sometimes', 'nullable', 'string', 'max:500'], 'description' => ['sometimes', 'nullable', 'string', 'max:60000'],
            'allDay' => ['required', 'boolean'], 'status' => ['sometimes', Rule::enum(Status::class)], 'busy' => ['sometimes', 'boolean'],
            'categories' => ['sometimes', 'array', 'max:20'], 'categories.*' => ['string', 'max:80'],
            'people' => ['sometimes', 'array', 'max:100'], 'people.*' => ['integer'], 'responsible' => ['sometimes', 'array', 'max:100'], 'responsible.*' => ['integer'],
        ] + LayersInView::rules());
        $ids = static fn (string $name): array => array_map(intval(...), array_values($input[$name] ?? []));
        $facts = new EventFacts(
            0, false, array_map(mb_strtolower(...), array_values($input['categories'] ?? [])), EventFacts::textOf($input['title'] ?? '', $input['place'] ?? '', $input['description'] ?? ''), $viewer->person()->id, $ids('responsible'), $ids('people'),
            Status::from($input['status'] ?? Status::Confirmed->value), (bool) $input['allDay'], (bool) ($input['busy'] ?? true), $input['place'] ?? '',
        );

        return new JsonResponse(new ShowsData(LayersInView::of($viewer, $layers, $input)->showing($facts)));
    }
}
