<?php

namespace App\Feeds;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Jobs\JobData;
use App\Jobs\JobKind;
use App\Jobs\Jobs;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;

final class CalendarFilesController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly Jobs $jobs)
    {
    }

    #[OA\Post(path: '/calendars/{slug}/files', operationId: 'writeFile', summary: 'Writes the calendar into an iCalendar file, as one sees it, in the background; the job has it.', tags: ['feeds'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new Answers(JobData::class, 'It is being written', 202)])]
    public function store(string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::BusyTimes)->calendar;

        return $this->jobs->start(JobKind::Export, "{$slug}.ics", ['calendar' => $slug], size: null, calendar: $calendar);
    }
}
