<?php

namespace App\Weeks;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Bulk\BulkDoneData;
use App\Events\TargetCalendar;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\NewSeries;
use App\Events\Write\OperationKind;
use App\History\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** Lays the events of a week over a range of weeks, leaving out closed days. */
final class WeeksController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly TargetCalendar $targets, private readonly LaidWeek $week, private readonly ChangeEvents $changes)
    {
    }

    #[OA\Post(path: '/weeks/preview', operationId: 'previewWeeks', summary: 'What laying a week over other weeks would add, and which days it would leave out. Nothing is added.', tags: ['events'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/WeeksInput')),
        responses: [new Answers(LaidEventData::class, 'Event by event', many: true)])]
    public function preview(WeeksInput $input): JsonResponse
    {
        $this->targets->named($input->validated('calendar'));

        return new JsonResponse(array_map(static fn (array $each): LaidEventData => new LaidEventData(
            $each['head']->id, $each['head']->title, substr(str_replace(' ', 'T', $each['head']->starts_local), 0, 16), $each['days'], $each['closed'], $each['why'],
        ), $this->week->of($input)));
    }

    #[OA\Post(path: '/weeks', operationId: 'layWeeks', summary: 'Lays the events of a week over other weeks, each as a series, as one operation.', tags: ['events'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/WeeksInput')),
        responses: [new Answers(BulkDoneData::class, 'Done')])]
    public function store(WeeksInput $input): JsonResponse
    {
        $target = $this->targets->named($input->validated('calendar'));
        $commands = [];
        foreach ($this->week->of($input) as $each) {
            if ($each['series'] !== null) {
                $commands[] = new AddSeries($target->calendar->id, $each['series'], new NewSeries(copiedFrom: $each['head']->id));
            }
        }
        if ($commands === []) {
            throw ValidationException::withMessages(['week' => 'There is nothing in this week that can be laid over others.']);
        }
        $operation = $this->changes->carryOut(Actor::person($this->viewer->person()), Cause::Screen, OperationKind::Weeks, $commands)->operation;

        return (new JsonResponse(new BulkDoneData($operation->id, count($commands))))->header(Operation::HEADER, (string) $operation->id);
    }
}
