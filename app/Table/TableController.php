<?php

namespace App\Table;

use App\Api\Answers;
use App\Api\WindowGet;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Status;

final class TableController
{
    #[WindowGet(path: '/table', operationId: 'getTable', summary: 'The events of a window as rows, a series being one of them; through an overlay, one calendar, or all one may see.',
        more: [
            new OA\QueryParameter(name: 'hidden[]', required: false, description: 'Layers that are not shown, by their place in the key, from 0', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'integer'))),
            new OA\QueryParameter(name: 'status', required: false, schema: new OA\Schema(type: 'string', enum: Status::class)),
            new OA\QueryParameter(name: 'sort', required: false, schema: new OA\Schema(type: 'string', enum: TableRequest::SORTS)),
            new OA\QueryParameter(name: 'descending', required: false, schema: new OA\Schema(type: 'boolean')),
            new OA\QueryParameter(name: 'cursor', required: false, description: 'Where the page begins, as the one before told it', schema: new OA\Schema(type: 'integer')),
        ],
        responses: [new Answers(TableData::class, 'A page of rows')])]
    public function show(TableRequest $request, TableReader $reader): JsonResponse
    {
        return new JsonResponse($reader->page($request));
    }

    #[WindowGet(path: '/table/whole', operationId: 'getWholeTable', summary: 'Every row of the table, only with what is needed to do something with all of them.',
        more: [
            new OA\QueryParameter(name: 'hidden[]', required: false, description: 'Layers that are not shown, by their place in the key, from 0', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'integer'))),
            new OA\QueryParameter(name: 'status', required: false, schema: new OA\Schema(type: 'string', enum: Status::class)),
            new OA\QueryParameter(name: 'sort', required: false, schema: new OA\Schema(type: 'string', enum: TableRequest::SORTS)),
            new OA\QueryParameter(name: 'descending', required: false, schema: new OA\Schema(type: 'boolean')),
        ],
        responses: [new Answers(TableKeyData::class, 'The rows', many: true)])]
    public function whole(TableRequest $request, TableReader $reader): JsonResponse
    {
        return new JsonResponse($reader->whole($request));
    }
}
