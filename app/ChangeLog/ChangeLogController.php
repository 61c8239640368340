<?php

namespace App\ChangeLog;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Calendars\Calendar;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use Spatie\Activitylog\Models\Activity;

/** Who changed what of access and settings: of a calendar for those who manage it, of the organisation for administrators. */
final class ChangeLogController
{
    private const PAGE = 50;

    public function __construct(private readonly CurrentViewer $viewer, private readonly LogReversal $reversal)
    {
    }

    #[OA\Get(path: '/calendars/{slug}/log', operationId: 'listCalendarLog', summary: 'Who changed what of a calendar’s access and settings.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'before', required: false, description: 'The id of an entry; older ones are told', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(LogEntryData::class, 'Newest first, 50 at a time', many: true)])]
    public function calendar(Request $request, string $slug): JsonResponse
    {
        return $this->page($request, $this->ofCalendar($this->viewer->calendar($slug, Level::Manage)->calendar));
    }

    #[OA\Post(path: '/calendars/{slug}/log/{id}/revert', operationId: 'revertCalendarChange', summary: 'Takes a change of a calendar’s access or settings back; this is written to the log, too.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string')), new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(LogEntryData::class, 'The log', many: true)])]
    public function revert(Request $request, string $slug, int $id): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Manage)->calendar;
        $this->reversal->ofCalendar($calendar, $this->ofCalendar($calendar)->whereIn('event', LogEntry::REVERTABLE)->findOrFail($id), $this->viewer->person());

        return $this->page($request, $this->ofCalendar($calendar));
    }

    #[OA\Get(path: '/log', operationId: 'listLog', summary: 'Who changed what of people, groups and what the organisation decides, or who signed in; for administrators.', tags: ['directory'],
        parameters: [
            new OA\QueryParameter(name: 'before', required: false, description: 'The id of an entry; older ones are told', schema: new OA\Schema(type: 'integer')),
            new OA\QueryParameter(name: 'of', required: false, description: 'What is told of; changes where nothing is said', schema: new OA\Schema(type: 'string', enum: ['changes', 'sign-ins'])),
        ],
        responses: [new Answers(LogEntryData::class, 'Newest first, 50 at a time', many: true)])]
    public function organisation(Request $request): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $of = $request->validate(['of' => ['sometimes', Rule::in(['changes', 'sign-ins'])]])['of'] ?? 'changes';

        return $this->page($request, Activity::query()->where('log_name', $of === 'changes' ? 'organisation' : 'sign-ins'));
    }

    #[OA\Get(path: '/overlays/{slug}/log', operationId: 'listOverlayLog', summary: 'Who shared an overlay with whom; for those who manage it.', tags: ['overlays'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'before', required: false, description: 'The id of an entry; older ones are told', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(LogEntryData::class, 'Newest first, 50 at a time', many: true)])]
    public function overlay(Request $request, string $slug): JsonResponse
    {
        $overlay = $this->viewer->overlay($slug, Level::Manage);

        return $this->page($request, Activity::query()->where('log_name', 'overlay')->where('subject_type', $overlay->getMorphClass())->where('subject_id', $overlay->id));
    }

    #[OA\Post(path: '/log/{id}/revert', operationId: 'revertChange', summary: 'Takes a change of groups, or of what the organisation decides, back; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(LogEntryData::class, 'The log', many: true)])]
    public function revertOrganisation(Request $request, int $id): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $this->reversal->ofOrganisation(Activity::query()->where('log_name', 'organisation')->whereIn('event', LogEntry::REVERTABLE)->findOrFail($id), $this->viewer->person());

        return $this->page($request, Activity::query()->where('log_name', 'organisation'));
    }

    /** @return Builder<Activity> */
    private function ofCalendar(Calendar $calendar): Builder
    {
        return Activity::query()->where('log_name', 'calendar')->where('subject_type', $calendar->getMorphClass())->where('subject_id', $calendar->id);
    }

    /** @param  Builder<Activity>  $log */
    private function page(Request $request, Builder $log): JsonResponse
    {
        $before = $request->validate(['before' => ['sometimes', 'integer']])['before'] ?? null;

        return new JsonResponse(LogEntry::many($log->when($before !== null, fn ($older) => $older->where('id', '<', (int) $before))->orderByDesc('id')->limit(self::PAGE)->get()));
    }
}
