<?php

namespace App\Events;

use App\Access\CurrentViewer;
use App\Access\Sight;
use App\History\Operation;
use App\History\Recorder;
use App\Http\Answer;
use App\Http\IfMatch;
use App\Preparation\TasksInput;
use Closure;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;

final class EventsController
{
    public function __construct(
        private readonly CurrentViewer $viewer,
        private readonly SeenEvents $seen,
        private readonly EventJson $json,
        private readonly SeriesWriter $writer,
        private readonly TargetCalendar $targets,
        private readonly Recorder $recorder,
    ) {
    }

    #[OA\Post(path: '/events', operationId: 'createEvent', summary: 'Adds an event to a calendar.', tags: ['events'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/EventInput')),
        responses: [new OA\Response(response: 201, description: 'The event', content: new OA\JsonContent(ref: '#/components/schemas/Event'))])]
    public function store(EventInput $input): JsonResponse
    {
        $target = $this->targets->named($input->validated('calendar'));
        $event = $input->event(null, Str::uuid()->toString(), $target->calendar->timezone);
        $person = $this->viewer->person()->id;
        $this->targets->demandCategories($target, $event->categories);
        $head = $this->recorder->record($this->viewer->person(), 'add', [], function (Closure $added) use ($input, $target, $event, $person): Event {
            $head = $this->writer->add($target->calendar->id, new Series($event), ['created_by' => $person, 'updated_by' => $person] + $input->more());
            if ($input->has('tasks')) {
                TasksInput::put($head, $input->validated('tasks'));
            }
            $added($head->id);

            return $head;
        });

        return $this->done($this->tell($head, null), 201);
    }

    #[OA\Get(path: '/events/{id}', operationId: 'getEvent', summary: 'An event; with “occurrence”, that one time of it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'occurrence', required: false, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'as', required: false, description: 'A person as whom to look, on a calendar that one manages', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 200, description: 'The event', content: new OA\JsonContent(ref: '#/components/schemas/Event'))])]
    public function show(Request $request, int $id): JsonResponse
    {
        $as = $request->validate(['as' => ['sometimes', 'integer']])['as'] ?? null;
        $sight = $this->viewer->sight($as === null ? null : (int) $as);

        return new JsonResponse($this->tell(Event::query()->whereNull('series_id')->findOrFail($id), $this->occurrenceOf($request), $sight));
    }

    #[OA\Patch(path: '/events/{id}', operationId: 'updateEvent', summary: 'Changes an event: all of it, or with “occurrence” that one time.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'occurrence', required: false, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'following', required: false, description: 'Whether all that follow are meant, too', schema: new OA\Schema(type: 'boolean')), new OA\HeaderParameter(name: 'If-Match', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/EventChange')),
        responses: [new OA\Response(response: 200, description: 'The event', content: new OA\JsonContent(ref: '#/components/schemas/Event'))])]
    public function update(EventInput $input, int $id): JsonResponse
    {
        $occurrence = $this->occurrenceOf($input);
        $following = $occurrence !== null && $input->boolean('following');
        $head = $this->recorder->record($this->viewer->person(), 'change', [$id], function (Closure $added) use ($input, $id, $occurrence, $following): Event {
            $head = $this->changeable($id, $input);
            $target = $input->has('calendar') ? $this->targets->named($input->validated('calendar')) : null;
            $series = $this->seen->load($head);
            $zone = $this->viewer->calendars()[$head->calendar_id]->calendar->timezone;
            if ($occurrence === null) {
                $current = $series->master ?? $series->overrides[0];
                $changed = $input->event($current, $current->uid, $zone);
                $series = $series->master === null ? new Series(null, [$changed]) : OccurrenceChanges::all($series, $changed, $input->saysSkipped());
            } else {
                if ($target !== null && $target->calendar->id !== $head->calendar_id) {
                    throw ValidationException::withMessages(['calendar' => 'A single occurrence stays on the calendar of its series.']);
                }
                if ($following) {
                    return $this->follow($head, $series, $occurrence, $input, $zone, $added);
                }
                $before = $this->asSingle($this->find($series, $occurrence));
                $series = OccurrenceChanges::one($series, $input->event($before, $before->uid, $zone));
            }
            if ($input->has('categories')) {
                $this->targets->demandCategories($target ?? $this->viewer->calendars()[$head->calendar_id], $input->validated('categories'));
            }
            if ($target !== null) {
                $this->writer->move($head, $target->calendar->id);
            }
            $this->writer->replace($head, $series, ['updated_by' => $this->viewer->person()->id, 'created_by' => $head->created_by]);
            $this->hang($head, $input);

            return $head;
        });

        return $this->done($this->tell($head, $following ? null : $occurrence));
    }

    #[OA\Delete(path: '/events/{id}', operationId: 'deleteEvent', summary: 'Deletes an event, or with “occurrence” that one time of it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'occurrence', required: false, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'following', required: false, description: 'Whether all that follow are meant, too', schema: new OA\Schema(type: 'boolean')), new OA\HeaderParameter(name: 'If-Match', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'Deleted; it can be restored')])]
    public function destroy(Request $request, int $id): Response
    {
        $occurrence = $this->occurrenceOf($request);
        $following = $request->boolean('following');
        $this->recorder->record($this->viewer->person(), 'delete', [$id], function () use ($request, $id, $occurrence, $following): void {
            $head = $this->changeable($id, $request);
            $series = $occurrence === null ? null : $this->seen->load($head);
            $found = $series === null ? null : $this->find($series, $occurrence);
            if ($found === null || ($following && $series->master !== null && $occurrence->indexSeconds() <= $series->master->start->indexSeconds())) {
                $this->writer->delete($head);

                return;
            }
            $this->writer->replace($head, $following ? OccurrenceChanges::endingBefore($series, $occurrence) : OccurrenceChanges::skip($series, $occurrence), ['updated_by' => $this->viewer->person()->id, 'created_by' => $head->created_by]);
        });

        return Answer::done($this->recorder->last);
    }

    #[OA\Post(path: '/events/{id}/restore', operationId: 'restoreEvent', summary: 'Brings back a deleted event, or with “occurrence” a skipped time of it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'occurrence', required: false, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'The event', content: new OA\JsonContent(ref: '#/components/schemas/Event'))])]
    public function restore(Request $request, int $id): JsonResponse
    {
        $occurrence = $this->occurrenceOf($request);
        $head = $this->recorder->record($this->viewer->person(), 'restore', [$id], function () use ($id, $occurrence): Event {
            $head = Event::withTrashed()->whereNull('series_id')->lockForUpdate()->findOrFail($id);
            $this->seen->demandChange($head);
            if ($occurrence === null) {
                $this->writer->restore($head);
            } else {
                $this->writer->replace($head, OccurrenceChanges::unskip($this->seen->load($head), $occurrence), ['updated_by' => $this->viewer->person()->id, 'created_by' => $head->created_by]);
            }

            return $head;
        });

        return $this->done($this->tell($head, $occurrence));
    }

    /**
     * Changes an occurrence and all that follow: from it on they are a series of their own.
     *
     * @param  Closure(int): void  $added
     */
    private function follow(Event $head, Series $series, EventTime $occurrence, EventInput $input, string $zone, Closure $added): Event
    {
        $found = $this->find($series, $occurrence);
        $master = $series->master ?? throw ValidationException::withMessages(['following' => 'This event does not repeat.']);
        $before = $found->event->beginningAt($found, OccurrenceChanges::rulesFrom($master, $occurrence));
        $changed = $input->event($before, $before->uid, $zone);
        if ($input->has('categories')) {
            $this->targets->demandCategories($this->viewer->calendars()[$head->calendar_id], $changed->categories);
        }
        $by = ['updated_by' => $this->viewer->person()->id, 'created_by' => $head->created_by];
        [$earlier, $later] = OccurrenceChanges::following($series, $occurrence, $changed, Str::uuid()->toString());
        if ($earlier === null) {
            $this->writer->replace($head, OccurrenceChanges::all($series, $changed), $by);
            $this->hang($head, $input);

            return $head;
        }
        $this->writer->replace($head, $earlier, $by);
        $second = $this->writer->add($head->calendar_id, $later, $by + ['joinable' => $head->joinable]);
        $added($second->id);
        $this->writer->hang($head, $second);
        $this->hang($second, $input);

        return $second;
    }

    /** What of an input is about the series as such, whatever time of it is changed. */
    private function hang(Event $head, EventInput $input): void
    {
        $head->update($input->more());
        if ($input->has('tasks')) {
            TasksInput::put($head, $input->validated('tasks'));
        }
    }

    /** @param  array<string, mixed>  $told  with the name of the operation, by which it is undone */
    private function done(array $told, int $status = 200): JsonResponse
    {
        return (new JsonResponse($told, $status))->header(Operation::HEADER, (string) $this->recorder->last?->id);
    }

    private function changeable(int $id, Request $request): Event
    {
        $head = Event::query()->whereNull('series_id')->lockForUpdate()->findOrFail($id);
        $this->seen->demandChange($head);
        IfMatch::check($request, $head->version, fn (): array => $this->tell($head, $this->occurrenceOf($request)));

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
        return $series->find($id) ?? throw (new ModelNotFoundException)->setModel(Event::class);
    }

    /** An occurrence as an event of its own, before it is changed. */
    private function asSingle(Occurrence $occurrence): CoreEvent
    {
        return $occurrence->event->recurrenceId !== null && ! $occurrence->event->andFollowing ? $occurrence->event : $occurrence->event->occurringAt($occurrence);
    }

    /** @return array<string, mixed> */
    private function tell(Event $head, ?EventTime $id, ?Sight $sight = null): array
    {
        $sight ??= $this->viewer->sight();
        $series = $this->seen->load($head);
        $occurrence = $id === null ? null : $series->find($id);

        return $this->json->tell($head, $occurrence->event ?? $series->master ?? $series->overrides[0], $occurrence, $sight)
            ?? throw (new ModelNotFoundException)->setModel(Event::class);
    }
}
