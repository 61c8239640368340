<?php

namespace App\Bulk;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Events\EventRecord;
use App\Events\OutdatedEventData;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\Commands\DeleteSeries;
use App\Events\Write\Commands\MoveSeries;
use App\Events\Write\Commands\ReplaceSeries;
use App\Events\Write\NewSeries;
use App\Events\Write\OperationKind;
use App\Events\Write\OutdatedSeries;
use App\History\Operation;
use App\History\SeriesFields;
use App\Http\VersionConflict;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Event;

/** Changes many events at once: looked at first, then all of it or nothing, and undone as one. */
final class BulkController
{
    /** So long it may take, in seconds. */
    private const LONGEST = 300;

    public function __construct(private readonly CurrentViewer $viewer, private readonly BulkPlan $plan, private readonly SeriesFields $fields, private readonly ChangeEvents $changes)
    {
    }

    #[OA\Post(path: '/bulk/preview', operationId: 'previewBulk', summary: 'What a change of many events would change of each, and what of it cannot be done. Nothing is changed.', tags: ['events'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/BulkInput')),
        responses: [new Answers(BulkPreviewRowData::class, 'Event by event', many: true)])]
    public function preview(BulkInput $input): JsonResponse
    {
        $copies = $input->filled('copyDays');

        return new JsonResponse(array_map(function (Planned $each) use ($copies): BulkPreviewRowData {
            $before = $each->before === null ? [] : $this->fields->ofSeries($each->head->calendar_id, $each->before);
            $after = $each->after === null ? [] : $this->fields->ofSeries((int) $each->calendarId, $each->after);

            return new BulkPreviewRowData(
                id: $each->id,
                title: $each->head->title ?? '',
                what: match (true) {
                    $each->refused !== null => 'refused',
                    $each->after === null => 'delete',
                    $copies => 'copy',
                    $before == $after => 'nothing',
                    default => 'change',
                },
                refused: $each->refused,
                changes: $each->refused !== null || $each->after === null ? [] : SeriesFields::differences($before, $after),
            );
        }, $this->plan->of($input)));
    }

    #[OA\Post(path: '/bulk', operationId: 'changeInBulk', summary: 'Changes many events alike, as one operation: all of them or none. With the key of one that is done it does nothing again.', tags: ['events'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/BulkInput')),
        responses: [new Answers(BulkDoneData::class, 'Done')])]
    public function store(BulkInput $input): JsonResponse
    {
        $person = $this->viewer->person();
        $key = $input->filled('key') ? (string) $input->validated('key') : null;
        $known = $key === null ? null : Operation::query()->where('person_id', $person->id)->where('key', $key)->first();
        if ($known !== null) {
            return $this->done($known);
        }
        set_time_limit(self::LONGEST);
        $planned = $this->plan->of($input);
        $this->demandAll($planned, $input);
        $commands = array_merge(...array_map(fn (Planned $each): array => $this->commands($each, $input->filled('copyDays')), $planned));
        try {
            $done = $this->changes->carryOut(Actor::person($person), Cause::Screen, OperationKind::Bulk, $commands, array_map(static fn (array $each): int => $each['version'], $input->events()), $key);
        } catch (OutdatedSeries $problem) {
            throw new VersionConflict(array_map(static fn (EventRecord $head): OutdatedEventData => new OutdatedEventData($head->id, $head->title, $head->version), $problem->heads));
        }

        return $this->done($done->operation);
    }

    /** @return list<Command> */
    private function commands(Planned $planned, bool $copies): array
    {
        if ($copies) {
            $uid = Str::uuid()->toString();

            return [new AddSeries((int) $planned->calendarId, $planned->after->each(static fn (Event $event): Event => $event->with(uid: $uid)), new NewSeries(copiedFrom: $planned->id))];
        }

        return $planned->after === null ? [new DeleteSeries($planned->id)] : [new MoveSeries($planned->id, (int) $planned->calendarId), new ReplaceSeries($planned->id, $planned->after)];
    }

    #[OA\Get(path: '/operations/{key}', operationId: 'findOperation', summary: 'Whether something that was asked for under a key was done: where no answer came.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'key', schema: new OA\Schema(type: 'string', format: 'uuid'))],
        responses: [new Answers(BulkDoneData::class, 'It was done, all of it'), new OA\Response(response: 404, description: 'Nothing of it was done')])]
    public function find(string $key): JsonResponse
    {
        return $this->done(Operation::query()->where('person_id', $this->viewer->person()->id)->where('key', $key)->firstOrFail());
    }

    /**
     * @param  list<Planned>  $planned
     *
     * @throws VersionConflict where somebody else was first with one of them
     * @throws ValidationException where one of them cannot be changed
     */
    private function demandAll(array $planned, BulkInput $input): void
    {
        $refused = array_filter($planned, static fn (Planned $each): bool => $each->refused !== null);
        if ($refused === []) {
            return;
        }
        $outdated = array_filter($refused, static fn (Planned $each): bool => $each->outdated);
        if ($outdated !== []) {
            throw new VersionConflict(array_values(array_map(static fn (Planned $each): OutdatedEventData => new OutdatedEventData($each->id, $each->head->title ?? '', $each->head->version ?? 0), $outdated)));
        }
        $events = $input->events();
        throw ValidationException::withMessages(collect($refused)->mapWithKeys(static fn (Planned $each): array => ["events.{$events[$each->id]['position']}" => (string) $each->refused])->all());
    }

    private function done(Operation $operation): JsonResponse
    {
        return (new JsonResponse(new BulkDoneData($operation->id, $operation->series()->count())))->header(Operation::HEADER, (string) $operation->id);
    }
}
