<?php

namespace App\Preparation;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Changes\Change;
use App\Events\Read\SeenSeries;
use App\Http\Rules\WallTime;
use App\Http\Rules\ZoneName;
use App\Participants\ParticipantRecord;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** What is to be prepared: by whom it is to be done, and what of it is done. */
#[OA\Schema(schema: 'TaskDoneInput', required: ['done'], properties: [
    new OA\Property(property: 'done', type: 'boolean'),
    new OA\Property(property: 'occurrence', description: 'The time that is meant, of a series', type: 'string', nullable: true),
])]
final class TasksController
{
    private const MOST_DAYS = 400;

    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen, private readonly TaskLetters $letters)
    {
    }

    #[OA\Get(path: '/tasks', operationId: 'listDueTasks', summary: 'What one has to prepare oneself, that is due in a window.', tags: ['events'],
        parameters: [
            new OA\QueryParameter(name: 'from', required: true, schema: new OA\Schema(type: 'string', format: 'date')),
            new OA\QueryParameter(name: 'to', required: true, description: 'The day after the last', schema: new OA\Schema(type: 'string', format: 'date')),
            new OA\QueryParameter(name: 'tz', required: true, schema: new OA\Schema(type: 'string')),
        ],
        responses: [new Answers(DueTaskData::class, 'By due day', many: true)])]
    public function index(Request $request, DueTasks $tasks): JsonResponse
    {
        $input = $request->validate(['from' => ['required', 'string', new WallTime], 'to' => ['required', 'string', new WallTime], 'tz' => ['required', 'string', new ZoneName]]);
        [$from, $to] = [LocalDateTime::parse($input['from']), LocalDateTime::parse($input['to'])];
        if ($to->day() - $from->day() < 1 || $to->day() - $from->day() > self::MOST_DAYS) {
            throw ValidationException::withMessages(['to' => 'A window has from 1 to '.self::MOST_DAYS.' days.']);
        }

        return new JsonResponse($tasks->of($this->viewer->perspective(), $from, $to, Zone::of($input['tz'])));
    }

    #[OA\Put(path: '/events/{id}/tasks/{task}/done', operationId: 'setTaskDone', summary: 'Says that something is prepared, or not yet: for whoever does it, or may change the event.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'task', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/TaskDoneInput')),
        responses: [new OA\Response(response: 204, description: 'Noted')])]
    public function done(Request $request, int $id, int $task): Response
    {
        $head = $this->seen->full($id, $this->viewer->perspective());
        $found = Task::query()->where('event_id', $head->id)->findOrFail($task);
        if ($found->doer_id !== $this->viewer->person()->id && ! $this->seen->mayChangeByCalendar($head, $this->viewer->perspective())) {
            throw new AccessDeniedHttpException('Somebody else does this.');
        }
        $input = $request->validate(['done' => ['required', 'boolean'], 'occurrence' => ['sometimes', 'nullable', 'string', 'max:20']]);
        $time = (string) ($input['occurrence'] ?? '');
        if ($head->repeats && ($time === '' || $this->seen->load($head)->find(RecurrenceId::parse($time)) === null)) {
            throw ValidationException::withMessages(['occurrence' => 'Say for which time of the series.']);
        }
        DB::transaction(function () use ($head, $found, $time, $input): void {
            $of = ['task_id' => $found->id, 'recurrence_id' => $head->repeats ? $time : ''];
            if ($input['done']) {
                TaskDone::query()->upsert([$of + ['done_by' => $this->viewer->person()->id, 'done_at' => now()]], ['task_id', 'recurrence_id'], ['done_by', 'done_at']);
            } else {
                TaskDone::query()->where($of)->delete();
            }
            Change::of($head->calendar_id);
            $participants = $head->participants->map(static fn (ParticipantRecord $each): array => $each->columns())->all();
            $this->letters->changed($head->id, array_diff($this->letters->responsible($participants, $head->created_by), [$this->viewer->person()->id]), $head->repeats ? $time : null);
        });

        return response()->noContent();
    }
}
