<?php

namespace App\Directory;

use App\Access\CurrentViewer;
use App\Access\Stewardship;
use App\Api\Answers;
use App\ChangeLog\ChangeLog;
use App\Letters\Mailing;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** The people of the organisation, for its administrators. */
#[OA\Schema(schema: 'Suspension', required: ['suspended'], properties: [
    new OA\Property(property: 'suspended', type: 'boolean'),
])]
#[OA\Schema(schema: 'Handover', required: ['what', 'slug', 'kind', 'id'], properties: [
    new OA\Property(property: 'what', type: 'string', enum: ['calendar', 'overlay']),
    new OA\Property(property: 'slug', type: 'string'),
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']),
    new OA\Property(property: 'id', type: 'integer'),
])]
#[OA\Schema(schema: 'DepartureInput', required: ['handovers'], properties: [
    new OA\Property(property: 'handovers', type: 'array', items: new OA\Items(ref: '#/components/schemas/Handover')),
    new OA\Property(property: 'feeds', type: 'integer', nullable: true, description: 'The person under whose name feed links go on; without one they end'),
])]
final class PeopleController
{
    private const PAGE = 60;

    public function __construct(private readonly CurrentViewer $viewer, private readonly Departure $departure, private readonly Stewardship $stewardship, private readonly Newcomers $newcomers, private readonly PersonChanges $changes)
    {
    }

    #[OA\Get(path: '/people', operationId: 'listPeople', summary: 'The people of the organisation; for administrators.', tags: ['directory'],
        parameters: [new OA\QueryParameter(name: 'q', required: false, description: 'Words in name, post or address', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'status', required: false, description: 'active, suspended or left', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'page', required: false, description: 'From 1', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(PeopleData::class, 'By name, 60 at a time')])]
    public function index(Request $request): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $input = $request->validate(['q' => ['sometimes', 'nullable', 'string', 'max:200'], 'status' => ['sometimes', 'nullable', Rule::in(['active', 'suspended', 'left'])], 'page' => ['sometimes', 'integer', 'min:1']]);
        $people = Person::searched((string) ($input['q'] ?? ''))->when($input['status'] ?? null, fn ($query, string $status) => $query->where('status', $status))
            ->with(['groups', 'secondFactor'])->orderBy('name')->orderBy('id')->paginate(self::PAGE, page: (int) ($input['page'] ?? 1));

        return new JsonResponse(new PeopleData($people->total(), $people->lastPage(), array_map(DirectoryPersonData::of(...), array_values($people->items()))));
    }

    #[OA\Post(path: '/people', operationId: 'createPerson', summary: 'Adds a person, and invites them by mail if asked to; for administrators.', tags: ['directory'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PersonInput')),
        responses: [new Answers(DirectoryPersonData::class, 'The person', 201)])]
    public function store(PersonInput $input): JsonResponse
    {
        $person = DB::transaction(function () use ($input): Person {
            $person = $this->newcomers->add($input->columns(['name', 'email', 'post', 'timezone', 'role', 'workingHours']), $input->validated('groups', []), $this->viewer->person());
            if ($input->boolean('invite')) {
                $this->newcomers->invite($person, $this->viewer->person());
            }

            return $person;
        });

        return new JsonResponse($this->tell($person), 201);
    }

    #[OA\Patch(path: '/people/{id}', operationId: 'updatePerson', summary: 'Changes what is said of a person; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PersonChange')),
        responses: [new Answers(DirectoryPersonData::class, 'As it is now')])]
    public function update(PersonInput $input, int $id): JsonResponse
    {
        $person = Person::query()->findOrFail($id);
        $columns = $input->columns(['name', 'email', 'post', 'timezone', 'role', 'workingHours']);
        DB::transaction(function () use ($person, $columns): void {
            if (($columns['role'] ?? 'administrator') !== 'administrator') {
                $this->demandAnotherAdministrator($person);
            }
            $this->changes->put($person, $columns, $this->viewer->person());
        });

        return new JsonResponse($this->tell($person));
    }

    #[OA\Post(path: '/people/{id}/invitation', operationId: 'invitePerson', summary: 'Invites a person by mail, or once more; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(DirectoryPersonData::class, 'As it is now')])]
    public function invite(int $id): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $person = Person::query()->where('status', 'active')->findOrFail($id);
        if ($person->hasComeIn()) {
            throw new ConflictHttpException("{$person->name} has come in already; a forgotten password is set anew from the sign-in page.");
        }
        $this->newcomers->invite($person, $this->viewer->person());

        return new JsonResponse($this->tell($person));
    }

    #[OA\Post(path: '/people/{id}/link', operationId: 'makePersonLink', summary: 'A link by which a person sets a password, to be handed over by hand where no letters go out; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(PersonLinkData::class, 'The link', 201)])]
    public function link(int $id): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $person = Person::query()->where('status', 'active')->findOrFail($id);
        // Where letters go out, nobody but who owns the address has such a link.
        if (Mailing::isSetUp()) {
            throw new ConflictHttpException('Letters go out here: invite them by mail.');
        }
        $url = DB::transaction(function () use ($person): string {
            ChangeLog::link($person, $this->viewer->person());

            return WelcomeLink::to($person);
        });

        return new JsonResponse(new PersonLinkData($url), 201);
    }

    #[OA\Put(path: '/people/{id}/suspended', operationId: 'suspendPerson', summary: 'Keeps a person out for now, or lets them in again; what they have stays theirs. For administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/Suspension')),
        responses: [new Answers(DirectoryPersonData::class, 'As it is now')])]
    public function suspend(Request $request, int $id): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $suspended = (bool) $request->validate(['suspended' => ['required', 'boolean']])['suspended'];
        $person = Person::query()->where('status', '!=', 'left')->findOrFail($id);
        // Also of somebody who alone keeps something: whoever must be kept out is kept out at once, and who does it is told.
        DB::transaction(function () use ($person, $suspended): void {
            if ($suspended) {
                $this->demandAnotherAdministrator($person);
            }
            $this->departure->status($person, $suspended ? 'suspended' : 'active', $this->viewer->person());
        });

        return new JsonResponse($this->tell($person));
    }

    #[OA\Get(path: '/people/{id}/kept', operationId: 'listKept', summary: 'What a person keeps and what would end with them; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(KeptData::class, 'Calendars, overlays and feed links')])]
    public function kept(int $id): JsonResponse
    {
        $this->viewer->demandAdministrator();

        return new JsonResponse($this->departure->kept(Person::query()->findOrFail($id)));
    }

    #[OA\Post(path: '/people/{id}/departure', operationId: 'departPerson', summary: 'Marks a person as having left, and hands over all that they keep in the same step; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/DepartureInput')),
        responses: [new Answers(DirectoryPersonData::class, 'As it is now')])]
    public function depart(Request $request, int $id): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $input = $request->validate([
            'handovers' => ['present', 'array', 'max:2000'],
            'handovers.*.what' => ['required', Rule::in(['calendar', 'overlay'])],
            'handovers.*.slug' => ['required', 'string'],
            'handovers.*.kind' => ['required', Rule::in(['person', 'group'])],
            'handovers.*.id' => ['required', 'integer'],
            'feeds' => ['sometimes', 'nullable', 'integer'],
        ]);
        $person = Person::query()->where('status', '!=', 'left')->findOrFail($id);
        $this->stewardship->guard(function () use ($person, $input): void {
            $this->demandAnotherAdministrator($person);
            $this->departure->depart($person, $input['handovers'], isset($input['feeds']) ? (int) $input['feeds'] : null, $this->viewer->person());
        });

        return new JsonResponse($this->tell($person));
    }

    #[OA\Delete(path: '/people/{id}/departure', operationId: 'returnPerson', summary: 'Lets somebody who had left in again, with nothing of what they had; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function return(int $id): Response
    {
        $this->viewer->demandAdministrator();
        $person = Person::query()->where('status', 'left')->findOrFail($id);
        DB::transaction(fn () => $this->departure->status($person, 'active', $this->viewer->person()));

        return response()->noContent();
    }

    private function demandAnotherAdministrator(Person $person): void
    {
        $others = Person::query()->where('role', 'administrator')->where('status', 'active')->whereNotNull('password')->whereKeyNot($person->id)->lockForUpdate()->exists();
        if ($person->isAdministrator() && ! $others) {
            throw ValidationException::withMessages(['role' => "{$person->name} is the last administrator. Make somebody else one first."]);
        }
    }

    private function tell(Person $person): DirectoryPersonData
    {
        return DirectoryPersonData::of($person->refresh()->load(['groups', 'secondFactor']));
    }
}
