<?php

namespace App\Upkeep;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Letters\Mailing;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final class SiteController
{
    #[OA\Get(path: '/site', operationId: 'getSite', summary: 'How the site is: whether letters go out, and what stands still; for administrators.', tags: ['organisation'],
        responses: [new Answers(SiteData::class, 'How it is')])]
    public function show(CurrentViewer $viewer, Heartbeats $heartbeats): JsonResponse
    {
        $viewer->demandAdministrator();

        return new JsonResponse(new SiteData(Mailing::isSetUp(), $heartbeats->stopped()));
    }
}
