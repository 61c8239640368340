<?php

namespace App\Table;

use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Spreadsheet\CsvText;
use PinnedRota\Core\Spreadsheet\XlsxWriter;
use RuntimeException;
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
        more: [new OA\QueryParameter(name: 'columns[]', required: false, description: 'Those that are shown, in order', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'string', enum: TableRequest::COLUMNS))), new OA\QueryParameter(name: 'events[]', required: false, description: 'Those that were chosen; without them all', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'integer')))],
        responses: [new OA\Response(response: 200, description: 'The text, UTF-8 with a byte order mark', content: new OA\MediaType(mediaType: 'text/csv'))])]
    public function csv(TableRequest $request, TableReader $reader, TableCells $cells): StreamedResponse
    {
        $text = CsvText::of($this->cells($request, $reader, $cells));

        return response()->streamDownload(static fn () => print $text, "events-{$request->from()->toDate()}.csv", ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    #[TableGet(path: '/table/xlsx', operationId: 'getTableXlsx', summary: 'The rows of the table as a workbook in which every cell is a text.',
        more: [new OA\QueryParameter(name: 'columns[]', required: false, description: 'Those that are shown, in order', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'string', enum: TableRequest::COLUMNS))), new OA\QueryParameter(name: 'events[]', required: false, description: 'Those that were chosen; without them all', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'integer')))],
        responses: [new OA\Response(response: 200, description: 'The workbook (ECMA-376)', content: new OA\MediaType(mediaType: XlsxWriter::MEDIA_TYPE))])]
    public function xlsx(TableRequest $request, TableReader $reader, TableCells $cells): StreamedResponse
    {
        $rows = $this->cells($request, $reader, $cells);

        return response()->streamDownload(static function () use ($rows): void {
            XlsxWriter::write(fopen('php://output', 'w') ?: throw new RuntimeException('Nothing can be written to.'), $rows);
        }, "events-{$request->from()->toDate()}.xlsx", ['Content-Type' => XlsxWriter::MEDIA_TYPE]);
    }

    /** @return list<list<string>> the rows that were chosen, or all */
    private function cells(TableRequest $request, TableReader $reader, TableCells $cells): array
    {
        $chosen = $request->chosen();
        $rows = $reader->all($request);

        return $cells->of($chosen === [] ? $rows : array_values(array_filter($rows, static fn (TableRowData $row): bool => in_array($row->id, $chosen, true))), $request->columns());
    }
}
