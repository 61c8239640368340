<?php

namespace App\SecondFactor;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Directory\Devices;
use App\Directory\Person;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** One's own second factor. Each step asks for the password: who finds a screen left open changes nothing of it. */
#[OA\Schema(schema: 'OwnPassword', required: ['password'], properties: [new OA\Property(property: 'password', type: 'string')])]
final class SecondFactorController
{
    /** What an authenticator shows beside the address. */
    private const ISSUER = 'Pinned Rota';

    public function __construct(private readonly CurrentViewer $viewer, private readonly SecondFactors $factors)
    {
    }

    #[OA\Get(path: '/session/second-factor', operationId: 'getSecondFactor', summary: 'Whether one signs in by a second factor.', tags: ['session'],
        responses: [new Answers(SecondFactorData::class, 'As it is')])]
    public function show(): JsonResponse
    {
        $person = $this->viewer->person();

        return new JsonResponse(new SecondFactorData($this->factors->has($person), $this->factors->codesLeft($person), $this->factors->isNeeded($person)));
    }

    #[OA\Post(path: '/session/second-factor', operationId: 'beginSecondFactor', summary: 'Begins to set a second factor up; it holds once the first code of it is confirmed.', tags: ['session'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OwnPassword')),
        responses: [new Answers(NewSecondFactorData::class, 'What the authenticator takes in', 201)])]
    public function store(Request $request): JsonResponse
    {
        $this->demandPassword($request);
        $person = $this->viewer->person();
        if ($this->factors->has($person)) {
            throw new ConflictHttpException('You have a second factor. End it before you set up another.');
        }
        $password = $this->factors->begin($person);

        return new JsonResponse(new NewSecondFactorData($password->text(), $password->uri(self::ISSUER, $person->email)), 201);
    }

    #[OA\Put(path: '/session/second-factor', operationId: 'confirmSecondFactor', summary: 'Confirms a second factor by the code that it shows; from then on it is asked for.', tags: ['session'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['code'], properties: [new OA\Property(property: 'code', type: 'string')])),
        responses: [new Answers(RecoveryCodesData::class, 'It holds')])]
    public function confirm(Request $request): JsonResponse
    {
        $code = $request->validate(['code' => ['required', 'string', 'max:40']], ['code.required' => 'Enter the figures that your authenticator shows.'])['code'];
        $codes = $this->factors->confirm($this->viewer->person(), $code) ?? throw ValidationException::withMessages(['code' => 'These are not the figures that it should show now. Is the clock of the device right?']);

        return new JsonResponse(new RecoveryCodesData($codes));
    }

    #[OA\Post(path: '/session/second-factor/codes', operationId: 'renewRecoveryCodes', summary: 'Makes new recovery codes; those from before hold no more.', tags: ['session'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OwnPassword')),
        responses: [new Answers(RecoveryCodesData::class, 'The new ones', 201)])]
    public function codes(Request $request): JsonResponse
    {
        $this->demandPassword($request);
        $person = $this->viewer->person();
        if (! $this->factors->has($person)) {
            throw new ConflictHttpException('You have no second factor.');
        }

        return new JsonResponse(new RecoveryCodesData($this->factors->newCodes($person)), 201);
    }

    #[OA\Delete(path: '/session/second-factor', operationId: 'endSecondFactor', summary: 'Ends one’s second factor.', tags: ['session'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OwnPassword')),
        responses: [new OA\Response(response: 204, description: 'It is asked for no more')])]
    public function destroy(Request $request): Response
    {
        $this->demandPassword($request);
        $person = $this->viewer->person();
        if ($this->factors->isNeeded($person)) {
            throw new ConflictHttpException('Your organisation asks its administrators for a second factor.');
        }
        $this->factors->end($person, $person);

        return response()->noContent();
    }

    #[OA\Delete(path: '/people/{id}/second-factor', operationId: 'endSecondFactorOf', summary: 'Ends the second factor of somebody who has lost it, and their sessions; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'It is asked for no more')])]
    public function endOf(int $id, Devices $devices): Response
    {
        $this->viewer->demandAdministrator();
        $person = Person::query()->findOrFail($id);
        DB::transaction(function () use ($person, $devices): void {
            if (! $this->factors->end($person, $this->viewer->person())) {
                throw new ConflictHttpException("{$person->name} has no second factor.");
            }
            $devices->end($person);
        });

        return response()->noContent();
    }

    private function demandPassword(Request $request): void
    {
        $request->validate(['password' => ['bail', 'required', 'string', 'max:200', 'current_password:web']], ['password.required' => 'Enter your password.', 'password.current_password' => 'This is not your password.']);
    }
}
