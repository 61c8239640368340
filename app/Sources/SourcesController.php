<?php

namespace App\Sources;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Jobs\JobData;
use App\Jobs\JobKind;
use App\Jobs\Jobs;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
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
    public function __construct(private readonly CurrentViewer $viewer, private readonly ManagedSource $managed, private readonly Jobs $jobs)
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

    #[OA\Post(path: '/sources', operationId: 'createSource', summary: 'Subscribes to an outside address. It is fetched in the background: whether there is a calendar, the job says.', tags: ['sources'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/SourceInput')),
        responses: [new Answers(JobData::class, 'It is being fetched', 202)])]
    public function store(Request $request, AddressRules $rules): JsonResponse
    {
        $input = $request->validate([
            'url' => ['required', 'string', 'max:2000'],
            'name' => ['required', 'string', 'max:120'],
            'colour' => ['required', Rule::enum(Colour::class)],
            'mark' => ['required', Rule::enum(Mark::class)],
        ], ['url.required' => 'Enter the address of a calendar.', 'name.required' => 'Give the calendar a name.']);
        try {
            ['url' => $input['url'], 'plain' => $input['plain']] = $rules->parse($input['url']);
        } catch (UnsafeAddress $problem) {
            throw ValidationException::withMessages(['url' => $problem->getMessage()]);
        }

        return $this->jobs->start(JobKind::Subscribe, $input['name'], $input, size: null);
    }

    #[OA\Post(path: '/sources/{id}/refresh', operationId: 'refreshSource', summary: 'Refreshes a source now, in the background.', tags: ['sources'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(JobData::class, 'It is being fetched', 202)])]
    public function refresh(int $id): JsonResponse
    {
        $source = $this->managed->find($id);

        return $this->jobs->start(JobKind::Refresh, $source->calendar->name, ['source' => $id], size: null, calendar: $source->calendar);
    }

    private function manages(Source $source): bool
    {
        return $this->viewer->calendars()[$source->calendar_id]->level() === Level::Manage;
    }
}
