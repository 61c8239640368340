<?php

namespace App\Upkeep;

use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use PDOException;

/** Says whether the site can do its work, for whatever watches over it or shares its requests out. */
final class HealthController
{
    #[OA\Get(path: '/health', operationId: 'getHealth', summary: 'Whether the site can do its work; for whatever watches over it.', tags: ['session'],
        responses: [new Answers(HealthData::class, 'It can'), new Answers(HealthData::class, 'The database is away, or the disk is full', 503)])]
    public function __invoke(Heartbeats $heartbeats): JsonResponse
    {
        $disk = Disk::hasRoom();
        try {
            DB::select('SELECT 1');
        } catch (PDOException) {
            return new JsonResponse(new HealthData(false, false, $disk, false, false), 503, ['Retry-After' => '5']);
        }
        try {
            $stopped = array_column($heartbeats->stopped(), 'part');
        } catch (PDOException) {
            // The database is there, and nothing is laid in it yet.
            $stopped = array_column(Part::cases(), 'value');
        }
        $schedule = ! in_array(Part::Schedule->value, $stopped, true);

        return new JsonResponse(new HealthData($disk, true, $disk, array_diff($stopped, [Part::Schedule->value]) === [], $schedule), $disk ? 200 : 503);
    }
}
