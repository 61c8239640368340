<?php

namespace App\Events;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Access\Perspective;
use App\Api\Answers;
use App\Events\Read\SeenSeries;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\Commands\DeleteSeries;
use App\Events\Write\Commands\MoveSeries;
use App\Events\Write\Commands\ReplaceSeries;
use App\Events\Write\Commands\RestoreSeries;
use App\Events\Write\Commands\SetJoinable;
use App\Events\Write\Commands\SetTasks;
use App\Events\Write\Done;
use App\Events\Write\NewSeries;
use App\Events\Write\OperationKind;
use App\Events\Write\OutdatedSeries;
use App\Events\Write\Telling;
use App\History\Operation;
use App\Http\Answer;
use App\Http\IfMatch;
use App\Http\VersionConflict;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Decision;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;

final class EventsController
{
    /** @var array<int, int> versions of the series that were read, by head */
    private array $read = [];

    private Telling $telling = Telling::Gathered;

    public function __construct(
        private readonly CurrentViewer $viewer,
        private readonly SeenSeries $seen,
        private readonly EventPresenter $presenter,
        private readonly ChangeEvents $changes,
        private readonly TargetCalendar $targets,
    ) {
    }

    #[OA\Post(path: '/events', operationId: 'createEvent', summary: 'Adds an event to a calendar.', tags: ['events'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/EventInput')),
        responses: [new Answers(EventData::class, 'The event', 201)])]
    public function store(EventInput $input): JsonResponse
    {
        $this->telling = Telling::of($input->boolean('tell', true), $input->boolean('soon'));
        $target = $this->targets->named($input->validated('calendar'));
        $event = $input->event(null, Str::uuid()->toString(), $target->calendar->timezone);
        $this->targets->demandCategories($target, $event->contents->categories);
        $done = $this->carryOut(OperationKind::Add, new AddSeries($target->calendar->id, new Series($event), new NewSeries(joinable: $input->boolean('joinable')), $input->tasks() ?? []));

        return $this->done($done, $this->tell(EventRecord::query()->findOrFail($done->lastId()), null), 201);
    }

    #[OA\Get(path: '/events/{id}', operationId: 'getEvent', summary: 'An event; with “occurrence”, that one time of it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'occurrence', required: false, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'as', required: false, description: 'A person as whom to look, on a calendar that one manages', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(EventData::class, 'The event')])]
    public function show(Request $request, int $id): JsonResponse
    {
        $as = $request->validate(['as' => ['sometimes', 'integer']])['as'] ?? null;
        $perspective = $this->viewer->perspective($as === null ? null : (int) $as);

        return new JsonResponse($this->tell(EventRecord::query()->whereNull('series_id')->findOrFail($id), $this->occurrenceOf($request), $perspective));
    }

    #[OA\Patch(path: '/events/{id}', operationId: 'updateEvent', summary: 'Changes an event: all of it, or with “occurrence” that one time.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'occurrence', required: false, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'following', required: false, description: 'Whether all that follow are meant, too', schema: new OA\Schema(type: 'boolean')), new OA\HeaderParameter(name: 'If-Match', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/EventChange')),
        responses: [new Answers(EventData::class, 'The event')])]
    public function update(EventInput $input, int $id): JsonResponse
    {
        $occurrence = $this->occurrenceOf($input);
        $this->telling = Telling::of($input->boolean('tell', true), $input->boolean('soon'));
        $following = $occurrence !== null && $input->boolean('following');
        $head = $this->changeable($id, $input);
        $target = $input->has('calendar') ? $this->targets->named($input->validated('calendar')) : null;
        if ($target !== null && $target->calendar->id !== $head->calendar_id) {
            $this->seen->demandChangeByCalendar($head, $this->viewer->perspective());
        }
        if ($occurrence !== null && $target !== null && $target->calendar->id !== $head->calendar_id) {
            throw ValidationException::withMessages(['calendar' => 'A single occurrence stays on the calendar of its series.']);
        }
        // Who changes it as one who is asked may not see its calendar.
        $home = $this->viewer->calendars()[$head->calendar_id] ?? new AccessibleCalendar($head->loadMissing('calendar')->calendar ?? abort(404), new Decision(Level::None, []));
        $this->targets->demandCategories($target ?? $home, $input->namedCategories());
        $series = $this->seen->load($head);
        $commands = $following
            ? $this->following($head, $series, $occurrence, $input, $home->calendar->timezone)
            : [...($target === null ? [] : [new MoveSeries($id, $target->calendar->id)]), new ReplaceSeries($id, $this->changed($series, $occurrence, $input, $home->calendar->timezone)), ...$this->beside($id, $input)];
        $done = $this->carryOut(OperationKind::Change, ...$commands);

        return $this->done($done, $this->tell(EventRecord::query()->findOrFail($done->lastId()), $following ? null : $occurrence));
    }

    #[OA\Delete(path: '/events/{id}', operationId: 'deleteEvent', summary: 'Deletes an event, or with “occurrence” that one time of it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'occurrence', required: false, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'following', required: false, description: 'Whether all that follow are meant, too', schema: new OA\Schema(type: 'boolean')), new OA\QueryParameter(name: 'tell', required: false, description: 'Whether those whom it concerns are told by mail; they are unless it says no', schema: new OA\Schema(type: 'boolean')), new OA\HeaderParameter(name: 'If-Match', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'Deleted; it can be restored')])]
    public function destroy(Request $request, int $id): Response
    {
        $occurrence = $this->occurrenceOf($request);
        $head = $this->changeable($id, $request);
        $this->seen->demandChangeByCalendar($head, $this->viewer->perspective());
        $series = $this->seen->load($head);
        $found = $occurrence === null ? null : $this->find($series, $occurrence);
        $this->telling = Telling::of($request->boolean('tell', true), false);
        $following = $request->boolean('following');
        $all = $found === null || ($following && $series->master !== null && $occurrence->indexSeconds() <= $series->master->timing->start->indexSeconds());

        return Answer::done($this->carryOut(OperationKind::Delete, $all
            ? new DeleteSeries($id)
            : new ReplaceSeries($id, $following ? OccurrenceChanges::endingBefore($series, $occurrence) : OccurrenceChanges::skip($series, $occurrence)))->operation);
    }

    #[OA\Post(path: '/events/{id}/restore', operationId: 'restoreEvent', summary: 'Brings back a deleted event, or with “occurrence” a skipped time of it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'occurrence', required: false, schema: new OA\Schema(type: 'string'))],
        responses: [new Answers(EventData::class, 'The event')])]
    public function restore(Request $request, int $id): JsonResponse
    {
        $occurrence = $this->occurrenceOf($request);
        $head = EventRecord::withTrashed()->whereNull('series_id')->findOrFail($id);
        $this->seen->demandChangeByCalendar($head, $this->viewer->perspective());
        $this->read[$id] = $head->version;
        $done = $this->carryOut(OperationKind::Restore, $occurrence === null ? new RestoreSeries($id) : new ReplaceSeries($id, OccurrenceChanges::unskip($this->seen->load($head), $occurrence)));

        return $this->done($done, $this->tell(EventRecord::query()->findOrFail($id), $occurrence));
    }

    /** The series with all of it changed, or with “occurrence” that one time of it. */
    private function changed(Series $series, ?EventTime $occurrence, EventInput $input, string $zone): Series
    {
        if ($occurrence !== null) {
            $before = OccurrenceChanges::single($this->find($series, $occurrence));

            return OccurrenceChanges::one($series, $input->event($before, $before->uid, $zone));
        }
        $current = $series->events()[0];
        $changed = $input->event($current, $current->uid, $zone);

        return $series->master === null ? new Series(null, [$changed]) : OccurrenceChanges::all($series, $changed, $input->saysSkipped());
    }

    /**
     * Changes an occurrence and all that follow: from it on they are a series of their own.
     *
     * @return non-empty-list<Command>
     */
    private function following(EventRecord $head, Series $series, EventTime $occurrence, EventInput $input, string $zone): array
    {
        $found = $this->find($series, $occurrence);
        $master = $series->master ?? throw ValidationException::withMessages(['following' => 'This event does not repeat.']);
        $before = OccurrenceChanges::from($master, $found, $occurrence);
        $changed = $input->event($before, $before->uid, $zone);
        [$earlier, $later] = OccurrenceChanges::following($series, $occurrence, $changed, Str::uuid()->toString());
        if ($earlier === null) {
            return [new ReplaceSeries($head->id, OccurrenceChanges::all($series, $changed)), ...$this->beside($head->id, $input)];
        }
        $joinable = $input->has('joinable') ? $input->boolean('joinable') : $head->joinable;

        return [new ReplaceSeries($head->id, $earlier), new AddSeries($head->calendar_id, $later, new NewSeries($head->created_by, $joinable), $input->tasks() ?? [], $head->id)];
    }

    /**
     * What of an input is about the series as such, whatever time of it is changed.
     *
     * @return list<Command>
     */
    private function beside(int $id, EventInput $input): array
    {
        return [
            ...($input->has('joinable') ? [new SetJoinable($id, $input->boolean('joinable'))] : []),
            ...($input->tasks() === null ? [] : [new SetTasks($id, $input->tasks())]),
        ];
    }

    /** From the versions that were read in this request: who was first meanwhile is told, with what is there now. */
    private function carryOut(OperationKind $kind, Command ...$commands): Done
    {
        try {
            return $this->changes->carryOut(Actor::person($this->viewer->person()), Cause::Screen, $kind, array_values($commands), $this->read, telling: $this->telling);
        } catch (OutdatedSeries $problem) {
            throw new VersionConflict($this->tell($problem->heads[0], null));
        }
    }

    /** With the name of the operation, by which it is undone. */
    private function done(Done $done, EventData $told, int $status = 200): JsonResponse
    {
        return (new JsonResponse($told, $status))->header(Operation::HEADER, (string) $done->operation->id);
    }

    private function changeable(int $id, Request $request): EventRecord
    {
        $head = EventRecord::query()->whereNull('series_id')->with(EventRecord::WHOLE)->findOrFail($id);
        $this->seen->demandChange($head, $this->viewer->perspective());
        IfMatch::check($request, $head->version, fn (): EventData => $this->tell($head, $this->occurrenceOf($request)));
        $this->read[$id] = $head->version;

        return $head;
    }

    private function occurrenceOf(Request $request): ?EventTime
    {
        $text = $request->query('occurrence');
        if (! is_string($text) || $text === '') {
            return null;
        }
        try {
            return RecurrenceId::parse($text);
        } catch (InvalidTime $problem) {
            throw ValidationException::withMessages(['occurrence' => $problem->getMessage()]);
        }
    }

    private function find(Series $series, EventTime $id): Occurrence
    {
        return $series->find($id) ?? throw (new ModelNotFoundException)->setModel(EventRecord::class);
    }

    private function tell(EventRecord $head, ?EventTime $id, ?Perspective $perspective = null): EventData
    {
        $series = $this->seen->load($head);
        $occurrence = $id === null ? null : $series->find($id);

        return $this->presenter->tell($head, $occurrence->event ?? $series->events()[0], $occurrence, $perspective ?? $this->viewer->perspective())
            ?? throw (new ModelNotFoundException)->setModel(EventRecord::class);
    }
}
