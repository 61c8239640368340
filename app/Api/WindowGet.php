<?php

namespace App\Api;

use Attribute;
use OpenApi\Attributes as OA;

/** Describes an operation that tells of a window: it is asked for as the sheet is, and what else may be asked comes after that. */
#[Attribute(Attribute::TARGET_METHOD)]
class WindowGet extends OA\Get
{
    /**
     * @param  list<OA\Response>  $responses
     * @param  list<OA\QueryParameter>  $more
     */
    public function __construct(string $path, string $operationId, string $summary, array $responses, array $more = [])
    {
        parent::__construct(path: $path, operationId: $operationId, summary: $summary, tags: ['overlays'], parameters: [...self::window(), ...$more], responses: $responses);
    }

    /** @return list<OA\QueryParameter> */
    private static function window(): array
    {
        return [
            new OA\QueryParameter(name: 'from', required: true, description: 'First day', schema: new OA\Schema(type: 'string', format: 'date')),
            new OA\QueryParameter(name: 'to', required: true, description: 'The day after the last', schema: new OA\Schema(type: 'string', format: 'date')),
            new OA\QueryParameter(name: 'tz', required: true, description: 'Zone in which times are told', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'overlay', required: false, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'calendar', required: false, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'of', required: false, description: 'A person, the people of a group, or a room, such as person:12: what of them one may read, else that they are busy', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'as', required: false, description: 'A person as whom to look, on the calendars one manages', schema: new OA\Schema(type: 'integer')),
            new OA\QueryParameter(name: 'categories[]', required: false, schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'string'))),
            new OA\QueryParameter(name: 'words', required: false, description: 'In title, place or description', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'people[]', required: false, description: 'Who take part', schema: new OA\Schema(type: 'array', items: new OA\Items(type: 'integer'))),
        ];
    }
}
