<?php

namespace App\Bulk;

use App\Api\Answers;
use App\History\SeriesFields;
use App\Jobs\JobData;
use App\Jobs\JobKind;
use App\Jobs\Jobs;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Changes many events at once: looked at first, then all of it or nothing, and undone as one. */
final class BulkController
{
    public function __construct(private readonly BulkPlan $plan, private readonly SeriesFields $fields, private readonly Jobs $jobs)
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
            $after = $each->after === null ? [] : $this->fields->ofSeries((int) $each->calendarId, $each->later ?? $each->after);

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
                newCategories: $each->newCategories,
            );
        }, $this->plan->of($input)));
    }

    #[OA\Post(path: '/bulk', operationId: 'changeInBulk', summary: 'Changes many events alike, as one operation: all of them or none; a few hundred and more in the background.', tags: ['events'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/BulkInput')),
        responses: [new Answers(JobData::class, 'Done'), new Answers(JobData::class, 'It will be done in the background', 202)])]
    public function store(BulkInput $input): JsonResponse
    {
        $count = count($input->ids());

        return $this->jobs->start(JobKind::Bulk, $count === 1 ? '1 event' : "{$count} events", $input->all(), $count);
    }
}
