<?php

namespace App\Directory;

use App\Api\Answers;
use App\Rooms\Room;
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
    public function index(Request $request): JsonResponse
    {
        $input = $request->validate(['q' => ['sometimes', 'nullable', 'string', 'max:200'], 'kind' => ['sometimes', Rule::in(['person', 'group'])], 'people' => ['sometimes', 'array', 'max:50'], 'people.*' => ['integer'], 'rooms' => ['sometimes', 'boolean']]);
        $kind = isset($input['people']) ? 'person' : ($input['kind'] ?? null);
        $q = (string) ($input['q'] ?? '');
        $words = preg_split('/\s+/', trim($q), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $like = array_map(static fn (string $word): string => '%'.addcslashes($word, '%_\\').'%', $words);
        $groups = Group::query()->withCount(['people', 'groups'])->orderBy('name')->limit(20);
        $rooms = Room::query()->orderBy('name')->limit(10);
        $people = Person::searched($q)->where('status', 'active')->orderBy('name')->limit(20)
            ->when(isset($input['people']), fn ($query) => $query->whereKey($input['people']));
        foreach ($like as $pattern) {
            $groups->where('name', 'like', $pattern);
            $rooms->where('name', 'like', $pattern);
        }
        $entries = [];
        foreach (empty($input['rooms']) ? [] : $rooms->get() as $room) {
            $entries[] = new DirectoryEntryData(PartyKind::Room, $room->id, $room->name, 'room');
        }
        foreach ($kind === 'person' ? [] : $groups->get() as $group) {
            $count = (int) $group->getAttribute('people_count');
            $entries[] = new DirectoryEntryData(PartyKind::Group, $group->id, $group->name, $count === 1 ? '1 person' : "{$count} people", $count === 0 && (int) $group->getAttribute('groups_count') === 0);
        }
        foreach ($kind === 'group' ? [] : $people->get() as $person) {
            $entries[] = new DirectoryEntryData(PartyKind::Person, $person->id, $person->name, $person->post);
        }

        return new JsonResponse(array_slice($entries, 0, 20));
    }
}
