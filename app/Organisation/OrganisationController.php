<?php

namespace App\Organisation;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Frames\FrameSites;
use App\Http\IfMatch;
use App\Http\Rules\ZoneName;
use App\Occurrences\KeepToSchool;
use App\SecondFactor\SecondFactors;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Organisation\MeetingPattern;
use PinnedRota\Core\SchoolYear\InvalidSchoolYear;
use PinnedRota\Core\SchoolYear\SchoolYear;
use PinnedRota\Core\SchoolYear\WeekLetter;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;
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
    new OA\Property(property: 'schoolYear', ref: '#/components/schemas/SchoolYear'),
    new OA\Property(property: 'closures', description: 'The calendar whose closing events close days everywhere', type: 'string', nullable: true),
    new OA\Property(property: 'frameSites', description: 'Sites on which people may sign in within a frame', type: 'array', items: new OA\Items(type: 'string'), maxItems: 20),
    new OA\Property(property: 'meetings', description: 'By what links of meetings are made', type: 'string', nullable: true, maxLength: 500),
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
            'frameSites' => ['sometimes', 'array', 'max:20'],
            'frameSites.*' => ['string', 'max:300'],
            'meetings' => ['bail', 'sometimes', 'nullable', 'string', 'max:500', static function (string $name, mixed $value, Closure $fail): void {
                if ((string) $value !== '' && ! MeetingPattern::isValid(trim((string) $value))) {
                    $fail('Write an address that begins with https://, with {code} in it, or that of a service.');
                }
            }],
            'mayAskFor' => ['sometimes', Rule::enum(Level::class)->except(Level::Manage)],
        ] + self::schoolYear(), ['name.max' => 'A name has at most 120 characters.', 'morning.date_format' => 'Enter an hour, such as 09:00.', 'afternoon.date_format' => 'Enter an hour, such as 13:00.', 'evening.date_format' => 'Enter an hour, such as 18:00.']);
        IfMatch::check($request, $this->organisation->version(), fn (): OrganisationData => OrganisationData::of($this->organisation));
        foreach (['administratorsNeedSecondFactor', 'plainHttp', 'dayFirst'] as $name) {
            if (isset($input[$name])) {
                $input[$name] = (bool) $input[$name];
            }
        }
        if (array_key_exists('name', $input)) {
            $input['name'] = trim((string) $input['name']);
        }
        if (array_key_exists('meetings', $input)) {
            $input['meetings'] = trim((string) $input['meetings']);
        }
        if (isset($input['timezone'])) {
            $input['timezone'] = Zone::of($input['timezone'])->name;
        }
        if (isset($input['firstMonth'])) {
            $input['firstMonth'] = (int) $input['firstMonth'];
        }
        if (isset($input['schoolYear'])) {
            $input['schoolYear'] = $this->terms($input['schoolYear']);
        }
        if (isset($input['frameSites'])) {
            $input['frameSites'] = FrameSites::origins($input['frameSites'], 'frameSites');
        }
        if (isset($input['closures'])) {
            $input['closures'] = $this->closures($input['closures']);
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

    #[OA\Post(path: '/organisation/school-year/preview', operationId: 'previewSchoolYear', summary: 'What other terms, or other closures, would make of all that repeats in term only, from today on. Nothing is changed.', tags: ['organisation'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OrganisationInput')),
        responses: [new Answers(SchoolYearChangeData::class, 'Day by day')])]
    public function preview(Request $request, KeepToSchool $kept): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $input = $request->validate(self::schoolYear());
        $settings = $this->organisation->settings();
        $year = isset($input['schoolYear']) ? SchoolYear::fromArray($this->terms($input['schoolYear']) ?? []) : $settings->year();
        $closures = array_key_exists('closures', $input) ? $this->closures($input['closures']) : $settings->closures;
        [$series, $days] = $kept->preview($year, $closures, intdiv(now()->getTimestamp(), CivilDate::SECONDS_PER_DAY));

        return new JsonResponse(new SchoolYearChangeData($series, array_map(
            static fn (int $day, array $of): SchoolDayChangeData => new SchoolDayChangeData(LocalDateTime::midnight($day)->toDate(), $of[0], $of[1]), array_keys($days), array_values($days),
        )));
    }

    /** @return array<string, mixed> */
    private static function schoolYear(): array
    {
        return [
            'schoolYear' => ['sometimes', 'array'],
            'schoolYear.terms' => ['present_with:schoolYear', 'list', 'max:'.SchoolYear::MOST_TERMS],
            'schoolYear.terms.*' => ['array'],
            'schoolYear.terms.*.name' => ['present', 'nullable', 'string', 'max:60'],
            'schoolYear.terms.*.from' => ['present', 'nullable', 'string', 'max:10'],
            'schoolYear.terms.*.to' => ['present', 'nullable', 'string', 'max:10'],
            'schoolYear.terms.*.startsWith' => ['sometimes', Rule::enum(WeekLetter::class)],
            'schoolYear.terms.*.halfTerms' => ['sometimes', 'list', 'max:10'],
            'schoolYear.terms.*.halfTerms.*' => ['array'],
            'schoolYear.terms.*.halfTerms.*.*' => ['nullable', 'string', 'max:60'],
            'schoolYear.alternates' => ['sometimes', 'boolean'],
            'schoolYear.halfTermCounts' => ['sometimes', 'boolean'],
            'closures' => ['sometimes', 'nullable', 'string', 'max:80'],
        ];
    }

    /** @throws ValidationException where the person sees no such calendar */
    private function closures(?string $slug): ?int
    {
        return $slug === null ? null : $this->viewer->calendars()->first(static fn (AccessibleCalendar $each): bool => $each->calendar->slug === $slug)->calendar->id
            ?? throw ValidationException::withMessages(['closures' => 'There is no such calendar.']);
    }

    /**
     * @param  array<string, mixed>  $input
     * @return ?array<string, mixed>
     *
     * @throws ValidationException
     */
    private function terms(array $input): ?array
    {
        try {
            $year = SchoolYear::fromArray(['alternates' => (bool) ($input['alternates'] ?? false), 'halfTermCounts' => (bool) ($input['halfTermCounts'] ?? false)] + $input);
        } catch (InvalidSchoolYear $wrong) {
            throw ValidationException::withMessages([$wrong->term === null ? 'schoolYear' : "schoolYear.terms.{$wrong->term}" => $wrong->getMessage()]);
        }

        return $year->isEmpty() ? null : $year->toArray();
    }
}
