<?php

namespace App\History;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

final class OperationsController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly Undo $undo)
    {
    }

    #[OA\Post(path: '/operations/{id}/undo', operationId: 'undoOperation', summary: 'Undoes what one did with events, as a whole; refused where somebody changed them since.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Undone'), new Answers(UndoneData::class, 'Undone but for what somebody has changed since of what was brought in')])]
    public function undo(int $id): JsonResponse|Response
    {
        return $this->answer($this->undo->undo($this->own($id), $this->viewer->person(), $this->viewer->perspective()));
    }

    #[OA\Post(path: '/operations/{id}/redo', operationId: 'redoOperation', summary: 'Does again what was undone.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Done again'), new Answers(UndoneData::class, 'Done again but for what somebody has changed since')])]
    public function redo(int $id): JsonResponse|Response
    {
        return $this->answer($this->undo->redo($this->own($id), $this->viewer->person(), $this->viewer->perspective()));
    }

    private function answer(UndoneData $undone): JsonResponse|Response
    {
        return $undone->keptCount === 0 ? response()->noContent() : new JsonResponse($undone);
    }

    private function own(int $id): Operation
    {
        return Operation::query()->where('person_id', $this->viewer->person()->id)->findOrFail($id);
    }
}
