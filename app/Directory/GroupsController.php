<?php

namespace App\Directory;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Groups and who is in them: seen by all who are in the organisation, changed by administrators and coordinators. */
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
    public function __construct(private readonly CurrentViewer $viewer, private readonly GroupMembers $members, private readonly GroupChanges $changes)
    {
    }

    #[OA\Get(path: '/groups', operationId: 'listGroups', summary: 'The groups of the organisation, with the people and groups in each.', tags: ['directory'],
        responses: [new Answers(GroupData::class, 'By name', many: true)])]
    public function index(): JsonResponse
    {
        return new JsonResponse(Group::query()->with(['people' => fn ($people) => $people->orderBy('name'), 'groups' => fn ($groups) => $groups->orderBy('name')])
            ->orderBy('name')->get()->map(GroupData::of(...)));
    }

    #[OA\Post(path: '/groups', operationId: 'createGroup', summary: 'Makes a group; for administrators and coordinators.', tags: ['directory'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/GroupInput')),
        responses: [new Answers(GroupData::class, 'The group', 201)])]
    public function store(Request $request): JsonResponse
    {
        $this->viewer->demandKeepingCommon();
        $group = $this->changes->make($this->name($request, null), $this->viewer->person());

        return new JsonResponse(GroupData::of($group->load(['people', 'groups'])), 201);
    }

    #[OA\Patch(path: '/groups/{id}', operationId: 'renameGroup', summary: 'Gives a group another name; for administrators and coordinators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/GroupInput')),
        responses: [new Answers(GroupData::class, 'The group')])]
    public function update(Request $request, int $id): JsonResponse
    {
        $this->viewer->demandKeepingCommon();
        $group = Group::query()->with(['people', 'groups'])->findOrFail($id);
        $this->changes->rename($group, $this->name($request, $group), $this->viewer->person());

        return new JsonResponse(GroupData::of($group));
    }

    #[OA\Delete(path: '/groups/{id}', operationId: 'deleteGroup', summary: 'Deletes a group that keeps nothing, and with it what was shared with it; for administrators and coordinators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Deleted'), new OA\Response(response: 409, description: 'The group keeps calendars or overlays')])]
    public function destroy(int $id): Response
    {
        $this->viewer->demandKeepingCommon();
        $this->changes->delete(Group::query()->findOrFail($id), $this->viewer->person());

        return response()->noContent();
    }

    #[OA\Put(path: '/groups/{id}/members', operationId: 'putGroupMember', summary: 'Puts a person or a group into a group, or takes them out; for administrators and coordinators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/GroupMemberInput')),
        responses: [new Answers(GroupData::class, 'The group')])]
    public function member(Request $request, int $id): JsonResponse
    {
        $this->viewer->demandKeepingCommon();
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

    private function name(Request $request, ?Group $group): string
    {
        return $request->validate(['name' => ['required', 'string', 'max:120', Rule::unique('groups', 'name')->ignore($group?->id)]], [
            'name.required' => 'Give the group a name.',
            'name.max' => 'A name has at most 120 characters.',
            'name.unique' => 'There is a group of this name.',
        ])['name'];
    }
}
