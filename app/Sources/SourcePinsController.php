<?php

namespace App\Sources;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Events\EventRecord;
use App\Jobs\JobData;
use App\Jobs\JobKind;
use App\Jobs\Jobs;
use App\Pins\Pin;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;

/** Pins all of a source to further calendars: its events show there beside their own, are told apart, and are changed by nobody. */
final class SourcePinsController
{
    public function __construct(
        private readonly CurrentViewer $viewer,
        private readonly PinnableSource $pinnable,
        private readonly SourcePinsSeen $seen,
        private readonly Jobs $jobs,
    ) {
    }

    #[OA\Get(path: '/calendars/{slug}/sources', operationId: 'listSourcesOn', summary: 'The sources of which all is pinned to a calendar; for those who may change what is on it.', tags: ['sources'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new Answers(SourcePinData::class, 'As they were pinned', many: true)])]
    public function index(string $slug): JsonResponse
    {
        return new JsonResponse($this->seen->on($this->viewer->calendar($slug, Level::Change)->calendar));
    }

    #[OA\Post(path: '/sources/{id}/pins', operationId: 'pinSource', summary: 'Pins all of a source, what comes of it later too, to a calendar whose events one may change.', tags: ['sources'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PinInput')),
        responses: [new Answers(JobData::class, 'Pinned'), new Answers(JobData::class, 'It is being pinned', 202)])]
    public function store(Request $request, int $id): JsonResponse
    {
        $source = $this->pinnable->source($id);
        $input = $request->validate(['calendar' => ['required', 'string', 'max:80']], ['calendar.required' => 'Choose the calendar it is pinned to.']);
        $target = $this->pinnable->target($input['calendar']);
        $there = SourcePin::query()->where('source_id', $source->id)->where('calendar_id', $target->id)->with('source')->first();
        if ($there !== null && $this->seen->isShared($there)) {
            throw ValidationException::withMessages(['calendar' => "All of it is on {$target->name} already."]);
        }
        $size = EventRecord::query()->where('calendar_id', $source->calendar_id)->whereNull('series_id')->count();

        return $this->jobs->start(JobKind::Pin, $source->calendar->name, ['source' => $source->id, 'calendar' => $target->slug], $size, $target);
    }

    #[OA\Delete(path: '/sources/{id}/pins/{pin}', operationId: 'unpinSource', summary: 'Takes all of a source off a calendar that it is pinned to: for whoever pinned it, or may change what is on that calendar.', tags: ['sources'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'pin', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(JobData::class, 'Taken off'), new Answers(JobData::class, 'It is being taken off', 202)])]
    public function destroy(int $id, int $pin): JsonResponse
    {
        $found = SourcePin::query()->where('source_id', $id)->with(['source.calendar', 'calendar'])->findOrFail($pin);
        $this->pinnable->demandUnpin($found);

        return $this->jobs->start(JobKind::Pin, $found->source->calendar->name, ['pin' => $found->id], Pin::query()->where('source_pin_id', $found->id)->count(), $found->calendar);
    }
}
