<?php

namespace App\Organisation;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Organisation\FirstStep;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What an organisation begins with, for its administrators. */
final class FirstStepsController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly FirstStepsSoFar $soFar)
    {
    }

    #[OA\Get(path: '/organisation/first-steps', operationId: 'listFirstSteps', summary: 'What an organisation begins with, and how far this one has come; for administrators.', tags: ['organisation'],
        responses: [new Answers(FirstStepsData::class, 'The steps in their order')])]
    public function index(): JsonResponse
    {
        $this->viewer->demandAdministrator();

        return new JsonResponse(FirstStepsData::of($this->soFar->steps()));
    }

    #[OA\Put(path: '/organisation/first-steps/{step}', operationId: 'skipFirstStep', summary: 'Leaves one of the first steps out, or takes it up again; for administrators.', tags: ['organisation'],
        parameters: [new OA\PathParameter(name: 'step', schema: new OA\Schema(type: 'string', enum: FirstStep::class))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['skipped'], properties: [new OA\Property(property: 'skipped', type: 'boolean')])),
        responses: [new Answers(FirstStepsData::class, 'The steps in their order')])]
    public function update(Request $request, string $step): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $found = FirstStep::tryFrom($step) ?? throw new NotFoundHttpException;
        $this->soFar->skip($found, (bool) $request->validate(['skipped' => ['required', 'boolean']])['skipped']);

        return new JsonResponse(FirstStepsData::of($this->soFar->steps()));
    }
}
