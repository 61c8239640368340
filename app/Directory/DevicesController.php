<?php

namespace App\Directory;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\ChangeLog\ChangeLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** Where one is signed in oneself, and the end of it; administrators end it for others. */
final class DevicesController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly Devices $devices)
    {
    }

    #[OA\Get(path: '/session/devices', operationId: 'listDevices', summary: 'Where one is signed in.', tags: ['session'],
        responses: [new Answers(DeviceData::class, 'Used last first', many: true)])]
    public function index(Request $request): JsonResponse
    {
        return new JsonResponse($this->devices->of($this->viewer->person(), $request->session()->getId()));
    }

    #[OA\Delete(path: '/session/devices', operationId: 'signOutElsewhere', summary: 'Signs one out everywhere else.', tags: ['session'],
        responses: [new OA\Response(response: 204, description: 'Signed out')])]
    public function others(Request $request): Response
    {
        $this->devices->end($this->viewer->person(), but: $request->session()->getId());

        return response()->noContent();
    }

    #[OA\Delete(path: '/session/devices/{device}', operationId: 'signOutDevice', summary: 'Signs one out in one place.', tags: ['session'],
        parameters: [new OA\PathParameter(name: 'device', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'Signed out')])]
    public function one(string $device): Response
    {
        abort_if($this->devices->end($this->viewer->person(), only: $device) === 0, 404);

        return response()->noContent();
    }

    #[OA\Delete(path: '/people/{id}/sessions', operationId: 'signOutPerson', summary: 'Signs somebody out everywhere; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Signed out')])]
    public function person(int $id): Response
    {
        $this->viewer->demandAdministrator();
        $person = Person::query()->findOrFail($id);
        $places = $this->devices->end($person);
        ChangeLog::person($person, $this->viewer->person(), ['signed in' => $places === 1 ? 'in 1 place' : "in {$places} places"], ['signed in' => 'nowhere']);

        return response()->noContent();
    }
}
