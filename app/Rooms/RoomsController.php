<?php

namespace App\Rooms;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Changes\Change;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Rooms: named by all who write events, kept by administrators and coordinators. */
#[OA\Schema(schema: 'RoomInput', required: ['name'], properties: [new OA\Property(property: 'name', type: 'string')])]
final class RoomsController
{
    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    #[OA\Get(path: '/rooms', operationId: 'listRooms', summary: 'The rooms of the organisation.', tags: ['directory'],
        responses: [new Answers(RoomData::class, 'By name', many: true)])]
    public function index(): JsonResponse
    {
        return new JsonResponse(Room::query()->orderBy('name')->get()->map(RoomData::of(...)));
    }

    #[OA\Post(path: '/rooms', operationId: 'createRoom', summary: 'Adds a room; for administrators and coordinators.', tags: ['directory'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/RoomInput')),
        responses: [new Answers(RoomData::class, 'The room', 201)])]
    public function store(Request $request): JsonResponse
    {
        $this->viewer->demandKeepingCommon();

        return new JsonResponse(RoomData::of($this->save(new Room, $request)), 201);
    }

    #[OA\Patch(path: '/rooms/{id}', operationId: 'renameRoom', summary: 'Gives a room another name; for administrators and coordinators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/RoomInput')),
        responses: [new Answers(RoomData::class, 'The room')])]
    public function update(Request $request, int $id): JsonResponse
    {
        $this->viewer->demandKeepingCommon();

        return new JsonResponse(RoomData::of($this->save(Room::query()->findOrFail($id), $request)));
    }

    #[OA\Delete(path: '/rooms/{id}', operationId: 'deleteRoom', summary: 'Takes a room off the list; events that name it keep its name. For administrators and coordinators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Taken off')])]
    public function destroy(int $id): Response
    {
        $this->viewer->demandKeepingCommon();
        Room::query()->findOrFail($id)->delete();
        Change::ofLists();

        return response()->noContent();
    }

    private function save(Room $room, Request $request): Room
    {
        $name = $request->input('name');
        $input = validator(['name' => is_string($name) ? trim($name) : $name], ['name' => ['required', 'string', 'max:120', Rule::unique('rooms')->ignore($room->id)]], [
            'name.required' => 'Give the room a name.', 'name.unique' => 'There is a room of this name.',
        ])->validate();
        DB::transaction(function () use ($room, $input): void {
            $room->fill($input)->save();
            Change::ofLists();
        });

        return $room;
    }
}
