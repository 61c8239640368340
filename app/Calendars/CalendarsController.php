<?php

namespace App\Calendars;

use App\Access\AccessReader;
use App\Access\Audience;
use App\Access\CurrentViewer;
use App\Access\Sharing;
use App\Api\Answers;
use App\ChangeLog\ChangeLog;
use App\Changes\Change;
use App\Directory\Subjects;
use App\Http\IfMatch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;

#[OA\Schema(schema: 'HandOver', required: ['kind', 'id', 'stays'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group']),
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'stays', type: 'string', enum: Level::class),
])]
#[OA\Schema(schema: 'Archiving', required: ['archived'], properties: [
    new OA\Property(property: 'archived', type: 'boolean'),
])]
#[OA\Schema(schema: 'Listing', required: ['onList'], properties: [
    new OA\Property(property: 'onList', type: 'boolean'),
])]
#[OA\Schema(schema: 'OwnLook', required: ['colour', 'mark'], properties: [
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class, nullable: true),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class, nullable: true),
])]
final class CalendarsController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly AccessReader $access, private readonly CalendarChanges $changes, private readonly Audience $audience)
    {
    }

    #[OA\Get(path: '/calendars', operationId: 'listCalendars', summary: 'Every calendar one may see, with one’s level and why.', tags: ['calendars'],
        responses: [new Answers(CalendarData::class, 'By name', many: true)])]
    public function index(): JsonResponse
    {
        return new JsonResponse(CalendarData::many($this->viewer->calendars()));
    }

    #[OA\Post(path: '/calendars', operationId: 'createCalendar', summary: 'Makes a calendar, kept by oneself or a group that one is in.', tags: ['calendars'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/CalendarInput')),
        responses: [new Answers(CalendarData::class, 'The calendar', 201)])]
    public function store(CalendarInput $input): JsonResponse
    {
        $person = $this->viewer->person();
        $keeper = $this->keeper($input);
        $calendar = DB::transaction(function () use ($input, $person, $keeper): Calendar {
            $settings = $input->settings();
            $calendar = Calendar::query()->create($settings + [
                'slug' => Calendar::newSlug($settings['name']),
                'timezone' => $person->timezone,
                'keeper_kind' => $keeper->kind,
                'keeper_id' => $keeper->id,
                'created_by' => $person->id,
            ]);
            ChangeLog::calendar($calendar, $person, 'made');
            Change::ofAccess($this->audience->of($calendar));

            return $calendar;
        });

        return new JsonResponse($this->tell($calendar), 201);
    }

    #[OA\Patch(path: '/calendars/{slug}', operationId: 'updateCalendar', summary: 'Changes a calendar’s settings.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string')), new OA\HeaderParameter(name: 'If-Match', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/CalendarChange')),
        responses: [new Answers(CalendarData::class, 'The calendar')])]
    public function update(CalendarInput $input, string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Manage)->calendar;
        DB::transaction(function () use ($input, $calendar): void {
            $locked = Calendar::query()->lockForUpdate()->findOrFail($calendar->id);
            IfMatch::check($input, $locked->version, fn (): CalendarData => $this->tell($locked));
            $this->changes->settings($calendar, $input->settings(), $this->viewer->person());
        });

        return new JsonResponse($this->tell($calendar));
    }

    #[OA\Delete(path: '/calendars/{slug}', operationId: 'deleteCalendar', summary: 'Deletes a calendar; it can be restored.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'Deleted')])]
    public function destroy(string $slug): Response
    {
        $calendar = $this->viewer->calendar($slug, Level::Manage)->calendar;
        DB::transaction(function () use ($calendar): void {
            $calendar->delete();
            ChangeLog::calendar($calendar, $this->viewer->person(), 'deleted');
            Change::ofAccess($this->audience->of($calendar));
        });

        return response()->noContent();
    }

    #[OA\Post(path: '/calendars/{slug}/restore', operationId: 'restoreCalendar', summary: 'Brings a deleted calendar back, with all that was on it.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new Answers(CalendarData::class, 'The calendar')])]
    public function restore(Request $request, string $slug): JsonResponse
    {
        $calendar = Calendar::onlyTrashed()->where('slug', $slug)->firstOrFail();
        if ($this->access->calendar($this->viewer->viewer(), $calendar)->level !== Level::Manage) {
            abort(404);
        }
        DB::transaction(function () use ($calendar): void {
            $calendar->restore();
            ChangeLog::calendar($calendar, $this->viewer->person(), 'restored');
            Change::ofAccess($this->audience->of($calendar));
        });

        return new JsonResponse($this->tell($calendar));
    }

    #[OA\Put(path: '/calendars/{slug}/keeper', operationId: 'handOverCalendar', summary: 'Hands a calendar over to a person or a group; whoever kept it goes on with the level “stays”.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/HandOver')),
        responses: [new Answers(CalendarData::class, 'As it is now')])]
    public function handOver(Request $request, string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Manage)->calendar;
        $input = $request->validate([
            'kind' => ['required', Rule::in(['person', 'group'])], 'id' => ['required', 'integer'], 'stays' => ['required', Rule::enum(Level::class)],
        ]);
        $this->changes->handOver($calendar, Subjects::find($input['kind'], (int) $input['id']), $this->viewer->person(), Level::from($input['stays']));

        return new JsonResponse($this->tell($calendar->refresh()));
    }

    #[OA\Put(path: '/calendars/{slug}/archived', operationId: 'archiveCalendar', summary: 'Archives a calendar, so that it is read and not changed, or brings it back.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/Archiving')),
        responses: [new Answers(CalendarData::class, 'As it is now')])]
    public function archive(Request $request, string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Manage)->calendar;
        $this->changes->archive($calendar, $request->validate(['archived' => ['required', 'boolean']])['archived'], $this->viewer->person());

        return new JsonResponse($this->tell($calendar->refresh()));
    }

    #[OA\Put(path: '/calendars/{slug}/list', operationId: 'listCalendar', summary: 'Puts a calendar on one’s own list or takes it off; nothing changes for others.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/Listing')),
        responses: [new Answers(CalendarData::class, 'As it is now')])]
    public function list(Request $request, string $slug, Sharing $sharing): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::BusyTimes)->calendar;
        $onList = $request->validate(['onList' => ['required', 'boolean']])['onList'];
        DB::transaction(fn () => $sharing->choose($calendar, $this->viewer->person(), $onList));

        return new JsonResponse($this->tell($calendar));
    }

    #[OA\Put(path: '/calendars/{slug}/look', operationId: 'lookOfCalendar', summary: 'Sees a calendar in a colour and by a mark of one’s own, or as it has been given again; nothing changes for others.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OwnLook')),
        responses: [new Answers(CalendarData::class, 'As it is now')])]
    public function look(Request $request, string $slug, Sharing $sharing): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::BusyTimes)->calendar;
        $input = $request->validate(['colour' => ['present', 'nullable', Rule::enum(Colour::class)], 'mark' => ['present', 'nullable', Rule::enum(Mark::class)]]);
        DB::transaction(fn () => $sharing->look($calendar, $this->viewer->person(), Colour::tryFrom((string) $input['colour']), Mark::tryFrom((string) $input['mark'])));

        return new JsonResponse($this->tell($calendar));
    }

    private function keeper(CalendarInput $input): Subject
    {
        $person = $this->viewer->person();
        if (! $input->has('keeper')) {
            return new Subject(SubjectKind::Person, $person->id);
        }
        $keeper = Subjects::find($input->validated('keeper.kind'), (int) $input->validated('keeper.id'));
        if (! $this->viewer->viewer()->is($keeper)) {
            throw ValidationException::withMessages(['keeper' => 'A new calendar is kept by you or by a group that you are in; hand it over afterwards.']);
        }

        return $keeper;
    }

    private function tell(Calendar $calendar): CalendarData
    {
        $calendar->load('source');

        return CalendarData::of($this->access->accessible($this->viewer->viewer(), $calendar));
    }
}
