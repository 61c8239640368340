<?php

namespace App\History;

use App\Access\CurrentViewer;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

final class OperationsController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly Undo $undo)
    {
    }

    #[OA\Post(path: '/operations/{id}/undo', operationId: 'undoOperation', summary: 'Undoes what one did with events, as a whole; refused where somebody changed them since.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Undone')])]
    public function undo(int $id): Response
    {
        $this->undo->undo($this->own($id), $this->viewer->person(), $this->viewer->perspective());

        return response()->noContent();
    }

    #[OA\Post(path: '/operations/{id}/redo', operationId: 'redoOperation', summary: 'Does again what was undone.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Done again')])]
    public function redo(int $id): Response
    {
        $this->undo->redo($this->own($id), $this->viewer->person(), $this->viewer->perspective());

        return response()->noContent();
    }

    private function own(int $id): Operation
    {
        return Operation::query()->where('person_id', $this->viewer->person()->id)->findOrFail($id);
    }
}
