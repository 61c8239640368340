<?php

namespace App\OneLine;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final class PlacesController
{
    #[OA\Get(path: '/places', operationId: 'listPlaces', summary: 'Rooms, and the places that are most in use on the calendars one may read: to be offered where a place is typed.', tags: ['events'],
        responses: [new Answers(PlacesData::class, 'Their names')])]
    public function index(CurrentViewer $viewer, LineVocabulary $vocabulary): JsonResponse
    {
        return new JsonResponse(new PlacesData($vocabulary->of($viewer)->places));
    }
}
