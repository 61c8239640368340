<?php

namespace App\Weeks;

use App\Access\CurrentViewer;
use App\Events\SeriesWriter;
use App\Events\TargetCalendar;
use App\History\Operation;
use App\History\Recorder;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;

/** Lays the events of a week over a range of weeks, leaving out closed days. */
final class WeeksController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly TargetCalendar $targets, private readonly LaidWeek $week, private readonly SeriesWriter $writer, private readonly Recorder $recorder)
    {
    }

    #[OA\Post(path: '/weeks/preview', operationId: 'previewWeeks', summary: 'What laying a week over other weeks would add, and which days it would leave out. Nothing is added.', tags: ['events'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/WeeksInput')),
        responses: [new OA\Response(response: 200, description: 'Event by event', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/LaidEvent')))])]
    public function preview(WeeksInput $input): JsonResponse
    {
        $this->targets->named($input->validated('calendar'));

        return new JsonResponse(array_map(static fn (array $each): array => [
            'id' => $each['head']->id, 'title' => $each['head']->title, 'start' => substr(str_replace(' ', 'T', $each['head']->starts_local), 0, 16),
            'days' => $each['days'], 'closed' => $each['closed'], 'why' => $each['why'],
        ], $this->week->of($input)));
    }

    #[OA\Post(path: '/weeks', operationId: 'layWeeks', summary: 'Lays the events of a week over other weeks, each as a series, as one operation.', tags: ['events'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/WeeksInput')),
        responses: [new OA\Response(response: 200, description: 'Done', content: new OA\JsonContent(ref: '#/components/schemas/BulkDone'))])]
    public function store(WeeksInput $input): JsonResponse
    {
        $target = $this->targets->named($input->validated('calendar'));
        $person = $this->viewer->person();
        $added = $this->recorder->record($person, 'weeks', [], function (Closure $added) use ($input, $target, $person): int {
            $count = 0;
            foreach ($this->week->of($input) as $each) {
                if ($each['series'] !== null) {
                    $added($this->writer->add($target->calendar->id, $each['series'], ['created_by' => $person->id, 'updated_by' => $person->id, 'copied_from' => $each['head']->id])->id);
                    $count++;
                }
            }
            if ($count === 0) {
                throw ValidationException::withMessages(['week' => 'There is nothing in this week that can be laid over others.']);
            }

            return $count;
        });

        return (new JsonResponse(['operation' => $this->recorder->last?->id, 'events' => $added]))->header(Operation::HEADER, (string) $this->recorder->last?->id);
    }
}
