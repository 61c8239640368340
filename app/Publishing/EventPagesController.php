<?php

namespace App\Publishing;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Events\Read\SeenSeries;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Publishing\Audience;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;

/** The published pages on which an event is, as far as somebody may know their addresses. */
final class EventPagesController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen, private readonly PublishedWindow $windows)
    {
    }

    #[OA\Get(path: '/events/{id}/pages', operationId: 'listPagesOfEvent', summary: 'Where an event is published, with the address of its own page there: for everybody, and what one has published oneself.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'occurrence', required: false, schema: new OA\Schema(type: 'string'))],
        responses: [new Answers(EventPageData::class, 'By name', many: true)])]
    public function index(Request $request, int $id): JsonResponse
    {
        $head = $this->seen->partly($id, $this->viewer->perspective());
        $occurrence = is_string($request->query('occurrence')) ? $request->query('occurrence') : '';
        $series = $this->seen->load($head);
        $time = $occurrence === '' ? null : $this->seen->time($series, $occurrence);
        $starts = $time->start ?? $series->events()[0]->timing->start;
        $name = $time?->recurrenceId === null ? '' : RecurrenceId::text($time->recurrenceId);
        $calendars = [$head->calendar_id, ...$head->pins->pluck('calendar_id')];
        $publications = Publication::standing()->with(['calendar.source', 'overlay', 'publisher'])->whereNull('paused_at')->orderBy('name')
            ->where(fn ($query) => $query->whereIn('calendar_id', $calendars)->orWhereNotNull('overlay_id'))
            ->where(fn ($query) => $query->where('audience', Audience::Everybody)->orWhere('published_by', $this->viewer->person()->id))->get();
        $pages = $publications->map(function (Publication $each) use ($starts, $id, $name): ?EventPageData {
            $url = $each->url();
            $path = $url === null ? null : $this->path($each, $starts, $id, $name);

            return $path === null ? null : new EventPageData($each->name, "{$url}/{$path}", $each->audience);
        });

        return new JsonResponse($pages->filter()->values());
    }

    /**
     * The address of its own below that of the publication; null where it is not told there.
     *
     * @param  string  $time  the name of the time within its series; empty where there is none
     */
    private function path(Publication $publication, EventTime $starts, int $id, string $time): ?string
    {
        $zone = $this->windows->zone($publication);
        $day = LocalDateTime::midnight(($starts->zone === null ? $starts : $starts->inZone($zone))->local->day());
        $today = LocalDateTime::parse(Carbon::now($zone->name)->toDateString());
        $sheet = $this->windows->read($publication, $day, $day->plusDays(1), $today);
        foreach ($sheet->items ?? [] as $item) {
            if ($item->seen->occurrence->seriesId === $id && ($item->seen->occurrence->recurrenceId ?? '') === $time) {
                return PublishedEvent::of($publication, $item->tell($zone, []), $sheet->layers[$item->layer], $day->toDate(), $day->toDate())->path ?: null;
            }
        }

        return null;
    }
}
