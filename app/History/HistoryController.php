<?php

namespace App\History;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\PutBack;
use App\Events\Write\OperationKind;
use App\Events\Write\SeriesState;
use App\Http\Answer;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Level;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** What was done with an event, for those who may change it. */
final class HistoryController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly SeriesFields $fields, private readonly ChangeEvents $changes, private readonly SeenSeries $seen)
    {
    }

    #[OA\Get(path: '/events/{id}/history', operationId: 'getEventHistory', summary: 'What was done with an event, by whom and when, with what was before and after; for those who may change it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(HistoryEntryData::class, 'The newest first', many: true)])]
    public function index(int $id): JsonResponse
    {
        $this->changeable($id);
        $entries = OperationSeries::query()->where('series_id', $id)->with('operation.person')->orderByDesc('id')->limit(100)->get();

        return new JsonResponse($entries->map(function (OperationSeries $each): HistoryEntryData {
            // What was written while it was on a calendar that the viewer may not edit is not theirs to read.
            [$before, $after] = [$each->before(), $each->after()];
            $readable = $this->mayRead($before) && $this->mayRead($after);

            return new HistoryEntryData(
                operation: $each->operation_id,
                kind: $each->operation->kind,
                cause: $each->operation->cause,
                by: $each->operation->person->name ?? ($each->operation->cause === Cause::Screen ? 'Somebody who has left' : ''),
                at: $each->operation->created_at->toIso8601ZuluString(),
                undone: $each->operation->undone_at !== null,
                changes: $readable ? SeriesFields::differences($this->fields->of($before), $this->fields->of($after)) : [],
                restorable: $before !== null && $readable && ! SeriesState::same($before, $after),
            );
        })->values());
    }

    #[OA\Post(path: '/events/{id}/history/{operation}/restore', operationId: 'restoreEventState', summary: 'Puts an event back as it was before something was done with it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'operation', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Restored')])]
    public function restore(int $id, int $operation): Response
    {
        $this->changeable($id);
        $entry = OperationSeries::query()->where('series_id', $id)->where('operation_id', $operation)->firstOrFail();
        $before = $entry->before();
        if ($before === null || ! $this->mayRead($before) || ! $this->mayRead($entry->after())) {
            throw new ConflictHttpException('There is no state before this to go back to.');
        }
        $done = $this->changes->carryOut(Actor::person($this->viewer->person()), Cause::Undo, OperationKind::Restore, [new PutBack($id, $before, anyway: true)]);

        return Answer::done($done->operation);
    }

    #[OA\Get(path: '/calendars/{slug}/deleted', operationId: 'listDeletedEvents', summary: 'What was deleted from a calendar in the last 90 days, for those who may edit it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new Answers(DeletedEventData::class, 'The newest first', many: true)])]
    public function deleted(string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Change)->calendar;
        $events = EventRecord::onlyTrashed()->where('calendar_id', $calendar->id)->whereNull('series_id')->where('deleted_at', '>=', now()->subDays((int) config('rota.keep.deleted_days')))->orderByDesc('deleted_at')->limit(500)->get();
        $people = Person::query()->whereKey($events->pluck('updated_by')->filter()->unique())->pluck('name', 'id');
        // The last who deleted each of them.
        $deleters = OperationSeries::query()->whereIn('operation_series.series_id', $events->modelKeys())
            ->join('operations', fn ($join) => $join->on('operations.id', '=', 'operation_series.operation_id')->where('operations.kind', OperationKind::Delete))
            ->join('people', 'people.id', '=', 'operations.person_id')->orderBy('operation_series.id')->pluck('people.name', 'operation_series.series_id');

        return new JsonResponse($events->map(fn (EventRecord $each): DeletedEventData => new DeletedEventData(
            $each->id, $each->title, substr($each->starts_local, 0, 16), $each->repeats,
            $each->deleted_at?->toIso8601ZuluString(), $deleters[$each->id] ?? $people[$each->updated_by] ?? null,
        ))->values());
    }

    private function changeable(int $id): EventRecord
    {
        $head = EventRecord::withTrashed()->whereNull('series_id')->findOrFail($id);
        $perspective = $this->viewer->perspective();
        if ($this->seen->mayChangeByCalendar($head, $perspective)) {
            return $head;
        }
        // What is hidden from the viewer is told of as though it were not there; a pin shows nothing of what was done.
        if (! isset($perspective->calendars[$head->calendar_id]) || $this->seen->of($head, $perspective) === null) {
            throw (new ModelNotFoundException)->setModel(EventRecord::class);
        }
        throw new AccessDeniedHttpException('Those who may change an event see its history.');
    }

    private function mayRead(?SeriesState $state): bool
    {
        if ($state === null) {
            return true;
        }
        $calendar = $this->viewer->calendars()[$state->calendarId()] ?? null;

        return $calendar !== null && EventRights::mayChange($calendar->eventLevel(), $state->authorId() === $this->viewer->person()->id);
    }
}
