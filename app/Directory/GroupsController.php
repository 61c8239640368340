<?php

namespace App\Directory;

use App\Access\CurrentViewer;
use App\Access\GrantRecord;
use App\Access\Stewardship;
use App\Api\Answers;
use App\Calendars\Calendar;
use App\Changes\Change;
use App\Overlays\Overlay;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\SubjectKind;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Groups and who is in them: seen by all who are in the organisation, changed by administrators. */
#[OA\Schema(schema: 'GroupInput', required: ['name'], properties: [
    new OA\Property(property: 'name', type: 'string', maxLength: 120),
])]
#[OA\Schema(schema: 'GroupMemberInput', required: ['kind', 'id', 'member'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']),
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'member', description: 'Whether they are to be in it', type: 'boolean'),
])]
final class GroupsController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly GroupMembers $members, private readonly Stewardship $stewardship)
    {
    }

    #[OA\Get(path: '/groups', operationId: 'listGroups', summary: 'The groups of the organisation, with the people and groups in each.', tags: ['directory'],
        responses: [new Answers(GroupData::class, 'By name', many: true)])]
    public function index(): JsonResponse
    {
        return new JsonResponse(Group::query()->with(['people' => fn ($people) => $people->orderBy('name'), 'groups' => fn ($groups) => $groups->orderBy('name')])
            ->orderBy('name')->get()->map(GroupData::of(...)));
    }

    #[OA\Post(path: '/groups', operationId: 'createGroup', summary: 'Makes a group; for administrators.', tags: ['directory'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/GroupInput')),
        responses: [new Answers(GroupData::class, 'The group', 201)])]
    public function store(Request $request): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $group = DB::transaction(function () use ($request): Group {
            $group = Group::query()->create($this->input($request, null));
            Change::ofAccess();

            return $group;
        });

        return new JsonResponse(GroupData::of($group->load(['people', 'groups'])), 201);
    }

    #[OA\Patch(path: '/groups/{id}', operationId: 'renameGroup', summary: 'Gives a group another name; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/GroupInput')),
        responses: [new Answers(GroupData::class, 'The group')])]
    public function update(Request $request, int $id): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $group = Group::query()->with(['people', 'groups'])->findOrFail($id);
        DB::transaction(function () use ($group, $request): void {
            $group->update($this->input($request, $group));
            Change::ofAccess();
        });

        return new JsonResponse(GroupData::of($group));
    }

    #[OA\Delete(path: '/groups/{id}', operationId: 'deleteGroup', summary: 'Deletes a group that keeps nothing, and with it what was shared with it; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Deleted'), new OA\Response(response: 409, description: 'The group keeps calendars or overlays')])]
    public function destroy(int $id): Response
    {
        $this->viewer->demandAdministrator();
        $this->stewardship->guard(function () use ($id): void {
            $group = Group::query()->lockForUpdate()->findOrFail($id);
            $kept = fn (string $model): array => $model::query()->where('keeper_kind', SubjectKind::Group)->where('keeper_id', $id)->orderBy('name')->pluck('name')->all();
            $names = [...$kept(Calendar::class), ...$kept(Overlay::class)];
            if ($names !== []) {
                throw new ConflictHttpException("{$group->name} keeps ".implode(', ', array_slice($names, 0, 5)).(count($names) > 5 ? ' and '.(count($names) - 5).' more' : '').'. Hand over what it keeps first.');
            }
            GrantRecord::query()->where('subject_kind', SubjectKind::Group)->where('subject_id', $id)->delete();
            $group->delete();
            Change::ofAccess();
        });

        return response()->noContent();
    }

    #[OA\Put(path: '/groups/{id}/members', operationId: 'putGroupMember', summary: 'Puts a person or a group into a group, or takes them out; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/GroupMemberInput')),
        responses: [new Answers(GroupData::class, 'The group')])]
    public function member(Request $request, int $id): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $input = $request->validate([
            'kind' => ['required', Rule::in(['person', 'group'])],
            'id' => ['required', 'integer'],
            'member' => ['required', 'boolean'],
        ]);
        $group = Group::query()->findOrFail($id);
        $member = $input['kind'] === 'person' ? Person::query()->findOrFail($input['id']) : Group::query()->findOrFail($input['id']);
        $this->members->put($group, $member, (bool) $input['member'], $this->viewer->person());

        return new JsonResponse(GroupData::of($group->load(['people', 'groups'])));
    }

    /** @return array{name: string} */
    private function input(Request $request, ?Group $group): array
    {
        return $request->validate(['name' => ['required', 'string', 'max:120', Rule::unique('groups', 'name')->ignore($group?->id)]], [
            'name.required' => 'Give the group a name.',
            'name.max' => 'A name has at most 120 characters.',
            'name.unique' => 'There is a group of this name.',
        ]);
    }
}
