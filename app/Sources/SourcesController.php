<?php

namespace App\Sources;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Calendars\Calendar;
use App\Changes\Change;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;
use PinnedRota\Core\Sources\AddressRules;
use PinnedRota\Core\Sources\UnsafeAddress;

#[OA\Schema(schema: 'SourceInput', required: ['url', 'name', 'colour', 'mark'], properties: [
    new OA\Property(property: 'url', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'colour', type: 'string', enum: Colour::class),
    new OA\Property(property: 'mark', type: 'string', enum: Mark::class),
])]
final class SourcesController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly SourceRefresher $refresher)
    {
    }

    #[OA\Get(path: '/sources', operationId: 'listSources', summary: 'The sources on calendars one may see, with their last refreshes.', tags: ['sources'],
        responses: [new Answers(SourceData::class, 'By name', many: true)])]
    public function index(): JsonResponse
    {
        $ids = $this->viewer->calendars()->filter(fn ($each): bool => $each->calendar->isSubscribed())->keys();
        $sources = Source::query()->whereIn('calendar_id', $ids)->with('calendar')->get()
            ->sortBy(fn (Source $source): string => mb_strtolower($source->calendar->name))->values();

        return new JsonResponse($sources->map(fn (Source $source): SourceData => SourceData::of($source, $this->manages($source))));
    }

    #[OA\Post(path: '/sources', operationId: 'createSource', summary: 'Subscribes to an outside address; it is fetched at once.', tags: ['sources'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/SourceInput')),
        responses: [new Answers(SourceData::class, 'The source', 201)])]
    public function store(Request $request, Fetcher $fetcher, AddressRules $rules): JsonResponse
    {
        $input = $request->validate([
            'url' => ['required', 'string', 'max:2000'],
            'name' => ['required', 'string', 'max:120'],
            'colour' => ['required', Rule::enum(Colour::class)],
            'mark' => ['required', Rule::enum(Mark::class)],
        ], ['url.required' => 'Enter the address of a calendar.', 'name.required' => 'Give the calendar a name.']);
        try {
            $url = $rules->parse($input['url'])['url'];
            $document = $fetcher->fetch($url);
            $source = DB::transaction(fn (): Source => $this->subscribe($input, $url, $document));
        } catch (UnsafeAddress|FetchFailed $problem) {
            throw ValidationException::withMessages(['url' => $problem->getMessage()]);
        } catch (NotICalendar) {
            throw ValidationException::withMessages(['url' => 'What this address answers with is not an iCalendar document.']);
        }

        return new JsonResponse(SourceData::of($source->load('calendar'), true), 201);
    }

    #[OA\Post(path: '/sources/{id}/refresh', operationId: 'refreshSource', summary: 'Refreshes a source now.', tags: ['sources'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(SourceData::class, 'The source; where the refresh failed, its error says why')])]
    public function refresh(int $id): JsonResponse
    {
        $source = Source::query()->whereIn('calendar_id', $this->viewer->calendars()->keys())->with('calendar')->findOrFail($id);
        $this->viewer->demand($this->viewer->calendars()[$source->calendar_id]->level(), Level::Manage);
        $this->refresher->refresh($source);

        return new JsonResponse(SourceData::of($source, true));
    }

    /** @param  array{name: string, colour: string, mark: string}  $input */
    private function subscribe(array $input, string $url, FetchedDocument $document): Source
    {
        $person = $this->viewer->person();
        $calendar = Calendar::query()->create([
            'slug' => Calendar::newSlug($input['name']),
            'name' => $input['name'],
            'colour' => $input['colour'],
            'mark' => $input['mark'],
            'timezone' => $person->timezone,
            'keeper_kind' => SubjectKind::Person,
            'keeper_id' => $person->id,
            'created_by' => $person->id,
        ]);
        $source = Source::query()->create([
            'calendar_id' => $calendar->id,
            'url' => $url,
            'refresh_minutes' => (int) config('rota.sources.refresh_minutes'),
            'created_by' => $person->id,
        ]);
        $this->refresher->take($source->load('calendar'), $document);
        Change::ofAccess();

        return $source;
    }

    private function manages(Source $source): bool
    {
        return $this->viewer->calendars()[$source->calendar_id]->level() === Level::Manage;
    }
}
