<?php

namespace App\Table;

use App\Api\WindowGet;
use Attribute;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Status;

/** Describes an operation that tells rows of the table: which, and in which order, is asked for alike. */
#[Attribute(Attribute::TARGET_METHOD)]
final class TableGet extends WindowGet
{
    /**
     * @param  list<OA\Response>  $responses
     * @param  list<OA\QueryParameter>  $more
     */
    public function __construct(string $path, string $operationId, string $summary, array $responses, array $more = [])
    {
        parent::__construct(path: $path, operationId: $operationId, summary: $summary, responses: $responses, more: [
            new OA\QueryParameter(name: 'hidden[]', required: false, description: 'Layers that are not shown, by their place in the key, from 0', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'integer'))),
            new OA\QueryParameter(name: 'status', required: false, schema: new OA\Schema(type: 'string', enum: Status::class)),
            new OA\QueryParameter(name: 'sort', required: false, schema: new OA\Schema(type: 'string', enum: TableRequest::COLUMNS)),
            new OA\QueryParameter(name: 'descending', required: false, schema: new OA\Schema(type: 'boolean')),
            ...$more,
        ]);
    }
}
