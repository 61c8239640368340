<?php

namespace App\Upkeep;

use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use PDOException;

/** Says whether the site can do its work, for whatever watches over it. */
final class HealthController
{
    #[OA\Get(path: '/health', operationId: 'getHealth', summary: 'Whether the site can do its work; for whatever watches over it.', tags: ['session'],
        responses: [new Answers(HealthData::class, 'It can'), new Answers(HealthData::class, 'The database is away', 503)])]
    public function __invoke(): JsonResponse
    {
        try {
            DB::select('SELECT 1');
        } catch (PDOException) {
            return new JsonResponse(new HealthData(false, false), 503, ['Retry-After' => '5']);
        }

        return new JsonResponse(new HealthData(true, true));
    }
}
