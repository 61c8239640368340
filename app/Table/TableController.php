<?php

namespace App\Table;

use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class TableController
{
    #[TableGet(path: '/table', operationId: 'getTable', summary: 'The events of a window as rows, a series being one of them; through an overlay, one calendar, or all one may see.',
        more: [
            new OA\QueryParameter(name: 'cursor', required: false, description: 'Where the page begins, as the one before told it', schema: new OA\Schema(type: 'integer')),
        ],
        responses: [new Answers(TableData::class, 'A page of rows')])]
    public function show(TableRequest $request, TableReader $reader): JsonResponse
    {
        return new JsonResponse($reader->page($request));
    }

    #[TableGet(path: '/table/whole', operationId: 'getWholeTable', summary: 'Every row of the table, only with what is needed to do something with all of them.',
        responses: [new Answers(TableKeyData::class, 'The rows', many: true)])]
    public function whole(TableRequest $request, TableReader $reader): JsonResponse
    {
        return new JsonResponse($reader->whole($request));
    }

    #[TableGet(path: '/table/csv', operationId: 'getTableCsv', summary: 'The rows of the table as comma-separated text for a spreadsheet, with no cell that it would take for a formula.',
        more: [
            new OA\QueryParameter(name: 'columns[]', required: false, description: 'Those that are shown, in order', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'string', enum: TableRequest::COLUMNS))),
        ],
        responses: [new OA\Response(response: 200, description: 'The text, UTF-8 with a byte order mark', content: new OA\MediaType(mediaType: 'text/csv'))])]
    public function csv(TableRequest $request, TableReader $reader, TableCsv $csv): StreamedResponse
    {
        $text = $csv->of($reader->all($request), $request->columns());

        return response()->streamDownload(static fn () => print $text, "events-{$request->from()->toDate()}.csv", ['Content-Type' => 'text/csv; charset=utf-8']);
    }
}
