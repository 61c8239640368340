<?php

namespace App\History;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Directory\Person;
use App\Events\Event;
use App\Events\SeriesSnapshot;
use App\Http\Answer;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Visibility;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** What was done with an event, for those who may change it. */
final class HistoryController
{
    /** So many days a deleted event can be brought back. */
    public const KEPT_DAYS = 90;

    public function __construct(private readonly CurrentViewer $viewer, private readonly SeriesFields $fields, private readonly SeriesSnapshot $snapshot, private readonly Recorder $recorder)
    {
    }

    #[OA\Get(path: '/events/{id}/history', operationId: 'getEventHistory', summary: 'What was done with an event, by whom and when, with what was before and after; for those who may change it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 200, description: 'The newest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/HistoryEntry')))])]
    public function index(int $id): JsonResponse
    {
        $this->changeable($id);
        $entries = OperationSeries::query()->where('head_id', $id)->with('operation.person')->orderByDesc('id')->limit(100)->get();

        return new JsonResponse($entries->map(function (OperationSeries $each): array {
            // What was written while it was on a calendar that the viewer may not edit is not theirs to read.
            $readable = $this->mayRead($each);

            return [
                'operation' => $each->operation_id,
                'what' => $each->operation->what,
                'by' => $each->operation->person->name ?? 'Somebody who has left',
                'at' => $each->operation->created_at->toIso8601ZuluString(),
                'undone' => $each->operation->undone_at !== null,
                'changes' => $readable ? SeriesFields::differences($this->fields->of($each->before), $this->fields->of($each->after)) : [],
                'restorable' => $each->before !== null && $readable,
            ];
        })->values());
    }

    #[OA\Post(path: '/events/{id}/history/{operation}/restore', operationId: 'restoreEventState', summary: 'Puts an event back as it was before something was done with it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'operation', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Restored')])]
    public function restore(int $id, int $operation): Response
    {
        $this->changeable($id);
        $entry = OperationSeries::query()->where('head_id', $id)->where('operation_id', $operation)->firstOrFail();
        if ($entry->before === null || ! $this->mayRead($entry)) {
            throw new ConflictHttpException('There is no state before this to go back to.');
        }
        $this->recorder->record($this->viewer->person(), 'restore', [$id], fn () => $this->snapshot->put($id, $entry->before));

        return Answer::done($this->recorder->last);
    }

    #[OA\Get(path: '/calendars/{slug}/deleted', operationId: 'listDeletedEvents', summary: 'What was deleted from a calendar in the last 90 days, for those who may edit it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'The newest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/DeletedEvent')))])]
    public function deleted(string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Edit)->calendar;
        $events = Event::onlyTrashed()->where('calendar_id', $calendar->id)->whereNull('series_id')->where('deleted_at', '>=', now()->subDays(self::KEPT_DAYS))->orderByDesc('deleted_at')->limit(500)->get();
        $people = Person::query()->whereKey($events->pluck('updated_by')->filter()->unique())->pluck('name', 'id');
        // The last who deleted each of them.
        $deleters = OperationSeries::query()->whereIn('head_id', $events->modelKeys())
            ->join('operations', fn ($join) => $join->on('operations.id', '=', 'operation_series.operation_id')->where('operations.what', 'delete'))
            ->join('people', 'people.id', '=', 'operations.person_id')->orderBy('operation_series.id')->pluck('people.name', 'head_id');

        return new JsonResponse($events->map(fn (Event $each): array => [
            'id' => $each->id, 'title' => $each->title, 'start' => substr($each->starts_local, 0, 16), 'repeats' => $each->repeats,
            'at' => $each->deleted_at?->toIso8601ZuluString(), 'by' => $deleters[$each->id] ?? $people[$each->updated_by] ?? null,
        ])->values());
    }

    private function changeable(int $id): Event
    {
        $head = Event::withTrashed()->whereNull('series_id')->findOrFail($id);
        $calendar = $this->viewer->calendars()[$head->calendar_id] ?? throw (new ModelNotFoundException)->setModel(Event::class);
        $isAuthor = $head->created_by === $this->viewer->person()->id;
        // What is hidden from the viewer is told of as though it were not there.
        if (Visibility::of($calendar->eventLevel(), $head->private, $head->busy, $isAuthor) === Visibility::Hidden) {
            throw (new ModelNotFoundException)->setModel(Event::class);
        }
        if (! EventRights::mayChange($calendar->eventLevel(), $isAuthor)) {
            throw new AccessDeniedHttpException('Those who may change an event see its history.');
        }

        return $head;
    }

    private function mayRead(OperationSeries $entry): bool
    {
        foreach ([$entry->before, $entry->after] as $state) {
            $calendar = $state === null ? null : ($this->viewer->calendars()[$state['rows'][0]['calendar_id']] ?? false);
            if ($calendar === false || ($calendar instanceof AccessibleCalendar && ! EventRights::mayChange($calendar->eventLevel(), $state['rows'][0]['created_by'] === $this->viewer->person()->id))) {
                return false;
            }
        }

        return true;
    }
}
