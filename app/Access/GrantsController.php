<?php

namespace App\Access;

use App\Api\Answers;
use App\Calendars\Calendar;
use App\Directory\Person;
use App\Directory\SubjectData;
use App\Directory\SubjectNames;
use App\Directory\Subjects;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Grant;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Directory\AddressList;

#[OA\Schema(schema: 'GrantInput', required: ['kind', 'level'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: SubjectKind::class),
    new OA\Property(property: 'letter', description: 'Whether people who come to see more are told by mail, too', type: 'boolean'),
    new OA\Property(property: 'level', type: 'string', enum: Level::class),
    new OA\Property(property: 'id', type: 'integer', nullable: true),
])]
#[OA\Schema(schema: 'AddressesInput', required: ['text', 'level'], properties: [
    new OA\Property(property: 'text', type: 'string'),
    new OA\Property(property: 'level', type: 'string', enum: Level::class),
    new OA\Property(property: 'letter', type: 'boolean'),
])]
final class GrantsController
{
    private const GIVABLE = ['busy', 'see', 'add', 'change', 'manage'];

    private const MOST_ADDRESSES = 500;

    public function __construct(private readonly CurrentViewer $viewer, private readonly Sharing $sharing, private readonly AccessReader $reader)
    {
    }

    #[OA\Get(path: '/calendars/{slug}/grants', operationId: 'listGrants', summary: 'Who has which level on a calendar; for those who manage it.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new Answers(SharingData::class, 'The keeper, the grants and how far that reaches')])]
    public function index(string $slug): JsonResponse
    {
        return new JsonResponse($this->tell($this->viewer->calendar($slug, Level::Manage)->calendar));
    }

    #[OA\Put(path: '/calendars/{slug}/grants', operationId: 'putGrant', summary: 'Gives a level to a person, a group, everyone or the public; “none” takes it away.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/GrantInput')),
        responses: [new Answers(SharingData::class, 'The keeper, the grants and how far that reaches')])]
    public function put(Request $request, string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Manage)->calendar;
        $input = $request->validate([
            'kind' => ['required', Rule::enum(SubjectKind::class)],
            'id' => ['required_if:kind,person,group', 'nullable', 'integer'],
            'level' => ['required', Rule::enum(Level::class)],
            'letter' => ['sometimes', 'boolean'],
        ]);
        $level = Level::from($input['level']);
        if ($input['kind'] === SubjectKind::Public->value && ! in_array($level, [Level::None, Level::BusyTimes, Level::See], true)) {
            throw ValidationException::withMessages(['level' => 'The public may see busy times or see it, no more.']);
        }
        // Whoever has left or was suspended can still be taken off.
        $subject = $level === Level::None
            ? new Subject(SubjectKind::from($input['kind']), isset($input['id']) ? (int) $input['id'] : null)
            : Subjects::find($input['kind'], isset($input['id']) ? (int) $input['id'] : null);
        $this->sharing->give($calendar, $subject, $level, $this->viewer->person(), (bool) ($input['letter'] ?? false));

        return new JsonResponse($this->tell($calendar));
    }

    #[OA\Post(path: '/calendars/{slug}/grants/addresses', operationId: 'shareByAddress', summary: 'Gives a level to many at once by their mail addresses; those that are nobody’s here are told.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/AddressesInput')),
        responses: [new Answers(SharingByAddressData::class, 'What became of each')])]
    public function addresses(Request $request, string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Manage)->calendar;
        $input = $request->validate([
            'text' => ['required', 'string', 'max:60000'],
            'level' => ['required', Rule::in(self::GIVABLE)],
            'letter' => ['sometimes', 'boolean'],
        ], ['text.required' => 'Paste the addresses.']);
        $list = AddressList::read($input['text']);
        if (count($list->addresses) > self::MOST_ADDRESSES) {
            throw ValidationException::withMessages(['text' => 'That is more than '.self::MOST_ADDRESSES.' addresses; share with a group instead.']);
        }
        $level = Level::from($input['level']);
        $people = Person::query()->where('status', 'active')->whereIn('email', $list->addresses)->get()->keyBy(fn (Person $person): string => mb_strtolower($person->email));
        $given = $already = [];
        DB::transaction(function () use ($list, $people, $level, $calendar, $input, &$given, &$already): void {
            $held = GrantRecord::query()->where('on_kind', 'calendar')->where('on_id', $calendar->id)->where('subject_kind', SubjectKind::Person)->pluck('level', 'subject_id');
            foreach ($list->addresses as $address) {
                $person = $people[$address] ?? null;
                if ($person === null) {
                    continue;
                }
                // Pasting many never takes anything away.
                if (($held[$person->id] ?? Level::None)->includes($level)) {
                    $already[] = $person->name;

                    continue;
                }
                $this->sharing->give($calendar, new Subject(SubjectKind::Person, $person->id), $level, $this->viewer->person(), (bool) ($input['letter'] ?? false));
                $given[] = $person->name;
            }
        });

        return new JsonResponse(new SharingByAddressData(
            $given, $already, array_values(array_diff($list->addresses, $people->keys()->all())), $list->rest, $this->tell($calendar),
        ));
    }

    #[OA\Delete(path: '/calendars/{slug}/grants/own', operationId: 'leaveCalendar', summary: 'Gives back what was shared with oneself by name, and takes the calendar off one’s list.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function leave(string $slug): Response
    {
        $this->sharing->leave($this->viewer->calendar($slug, Level::BusyTimes)->calendar, $this->viewer->person(), 'left');

        return response()->noContent();
    }

    private function tell(Calendar $calendar): SharingData
    {
        $grants = collect($this->reader->grants($calendar));
        $names = new SubjectNames([$calendar->keeper(), ...$grants->map(fn (Grant $grant): Subject => $grant->subject)]);
        $reach = $this->reader->roster()->reach($calendar->keeper(), $grants->all());

        $rank = static fn (GrantData $each): string => match ($each->kind) {
            SubjectKind::Everyone => '0',
            SubjectKind::Public => '1',
            default => '2'.mb_strtolower($each->name),
        };

        return new SharingData(
            keeper: SubjectData::of($calendar->keeper(), $names),
            grants: $grants->map(static fn (Grant $grant): GrantData => GrantData::of($grant, $names))->sortBy($rank)->values()->all(),
            summary: $reach->words(),
            publicUrl: $reach->public === Level::None ? null : url("/public/{$calendar->slug}.ics"),
        );
    }
}
