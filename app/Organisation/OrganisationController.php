<?php

namespace App\Organisation;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Http\IfMatch;
use App\Http\Rules\ZoneName;
use App\SecondFactor\SecondFactors;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Time\Zone;

/** What the organisation decides; for its administrators. */
#[OA\Schema(schema: 'OrganisationInput', properties: [
    new OA\Property(property: 'name', type: 'string', nullable: true, maxLength: 120),
    new OA\Property(property: 'timezone', type: 'string'),
    new OA\Property(property: 'firstMonth', type: 'integer', nullable: true, minimum: 1, maximum: 12),
    new OA\Property(property: 'administratorsNeedSecondFactor', type: 'boolean'),
    new OA\Property(property: 'plainHttp', type: 'boolean'),
    new OA\Property(property: 'dayFirst', type: 'boolean'),
    new OA\Property(property: 'morning', type: 'string'),
    new OA\Property(property: 'afternoon', type: 'string'),
    new OA\Property(property: 'evening', type: 'string'),
    new OA\Property(property: 'mayAskFor', type: 'string', enum: ['none', 'busy', 'see', 'add', 'change']),
])]
final class OrganisationController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly Organisation $organisation, private readonly SecondFactors $factors)
    {
    }

    #[OA\Get(path: '/organisation', operationId: 'getOrganisation', summary: 'What the organisation decides; for administrators.', tags: ['organisation'],
        responses: [new Answers(OrganisationData::class, 'As it is decided now')])]
    public function show(): JsonResponse
    {
        $this->viewer->demandAdministrator();

        return new JsonResponse(OrganisationData::of($this->organisation));
    }

    #[OA\Patch(path: '/organisation', operationId: 'updateOrganisation', summary: 'Decides some of it anew; it is written to the change log, and taken back from there.', tags: ['organisation'],
        parameters: [new OA\HeaderParameter(name: 'If-Match', required: true, description: 'The version that the change was made from', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OrganisationInput')),
        responses: [new Answers(OrganisationData::class, 'As it is decided now'), new OA\Response(response: 412, description: 'Somebody else was first')])]
    public function update(Request $request): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $input = $request->validate([
            'name' => ['sometimes', 'nullable', 'string', 'max:120'],
            'timezone' => ['sometimes', 'string', new ZoneName],
            'firstMonth' => ['sometimes', 'nullable', 'integer', 'between:1,12'],
            'administratorsNeedSecondFactor' => ['sometimes', 'boolean'],
            'plainHttp' => ['sometimes', 'boolean'],
            'dayFirst' => ['sometimes', 'boolean'],
            'morning' => ['sometimes', 'date_format:H:i'],
            'afternoon' => ['sometimes', 'date_format:H:i'],
            'evening' => ['sometimes', 'date_format:H:i'],
            'mayAskFor' => ['sometimes', Rule::enum(Level::class)->except(Level::Manage)],
        ], ['name.max' => 'A name has at most 120 characters.', 'morning.date_format' => 'Enter an hour, such as 09:00.', 'afternoon.date_format' => 'Enter an hour, such as 13:00.', 'evening.date_format' => 'Enter an hour, such as 18:00.']);
        IfMatch::check($request, $this->organisation->version(), fn (): OrganisationData => OrganisationData::of($this->organisation));
        foreach (['administratorsNeedSecondFactor', 'plainHttp', 'dayFirst'] as $name) {
            if (isset($input[$name])) {
                $input[$name] = (bool) $input[$name];
            }
        }
        if (array_key_exists('name', $input)) {
            $input['name'] = trim((string) $input['name']);
        }
        if (isset($input['timezone'])) {
            $input['timezone'] = Zone::of($input['timezone'])->name;
        }
        if (isset($input['firstMonth'])) {
            $input['firstMonth'] = (int) $input['firstMonth'];
        }
        foreach (['morning', 'afternoon', 'evening'] as $name) {
            if (isset($input[$name])) {
                $input[$name] = (int) substr($input[$name], 0, 2) * 60 + (int) substr($input[$name], 3);
            }
        }
        $habits = $this->organisation->settings()->habits;
        $hours = ['morning' => $input['morning'] ?? $habits->morning, 'afternoon' => $input['afternoon'] ?? $habits->afternoon, 'evening' => $input['evening'] ?? $habits->evening];
        foreach ([['morning', 'afternoon'], ['afternoon', 'evening']] as [$earlier, $later]) {
            if ($hours[$later] <= $hours[$earlier]) {
                throw ValidationException::withMessages([isset($input[$later]) ? $later : $earlier => "The {$later} begins after the {$earlier}."]);
            }
        }
        // Whoever asks it of all administrators is one of them: they would shut themselves out.
        if (($input['administratorsNeedSecondFactor'] ?? false) && ! $this->factors->has($this->viewer->person())) {
            throw ValidationException::withMessages(['administratorsNeedSecondFactor' => 'Set up a second factor of your own first.']);
        }
        $this->organisation->put($input, $this->viewer->person());

        return new JsonResponse(OrganisationData::of($this->organisation));
    }
}
