<?php

namespace App\Directory;

use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\PartyKind;

final class DirectoryController
{
    #[OA\Get(path: '/directory', operationId: 'searchDirectory', summary: 'People, groups and, where asked for, rooms whose name or post has these words.', tags: ['directory'],
        parameters: [new OA\Parameter(name: 'q', in: 'query', required: false, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'kind', required: false, description: 'Only people, or only groups', schema: new OA\Schema(type: 'string', enum: ['person', 'group'])),
            new OA\QueryParameter(name: 'rooms', required: false, description: 'Rooms, too', schema: new OA\Schema(type: 'boolean')),
            new OA\QueryParameter(name: 'people[]', required: false, description: 'Only these people, by id', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'integer')))],
        responses: [new Answers(DirectoryEntryData::class, 'At most 20, groups first', many: true)])]
    public function index(Request $request, DirectorySearch $search): JsonResponse
    {
        $input = $request->validate(['q' => ['sometimes', 'nullable', 'string', 'max:200'], 'kind' => ['sometimes', Rule::in(['person', 'group'])], 'people' => ['sometimes', 'array', 'max:50'], 'people.*' => ['integer'], 'rooms' => ['sometimes', 'boolean']]);
        $kind = isset($input['people']) ? PartyKind::Person : PartyKind::tryFrom($input['kind'] ?? '');

        return new JsonResponse($search->find((string) ($input['q'] ?? ''), ! empty($input['rooms']), $kind, isset($input['people']) ? array_map(intval(...), array_values($input['people'])) : null));
    }
}
