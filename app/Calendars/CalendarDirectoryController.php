<?php

namespace App\Calendars;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Access\GrantRecord;
use App\Api\Answers;
use App\Directory\SubjectNames;
use App\Events\Read\InvolvedEvents;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

/** Every calendar one may see, to be searched. */
final class CalendarDirectoryController
{
    private const MOST = 60;

    public function __construct(private readonly CurrentViewer $viewer, private readonly InvolvedEvents $involved)
    {
    }

    #[OA\Get(path: '/directory/calendars', operationId: 'searchCalendars', summary: 'The calendars one may see, by words in name or description, keeper, group and category.', tags: ['calendars'],
        parameters: [
            new OA\QueryParameter(name: 'q', required: false, schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'keeper', required: false, description: 'Words in the name of its keeper', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'group', required: false, description: 'The id of a group that keeps it or that it is shared with', schema: new OA\Schema(type: 'integer')),
            new OA\QueryParameter(name: 'category', required: false, description: 'The name of a category that one of its events has', schema: new OA\Schema(type: 'string')),
            new OA\QueryParameter(name: 'archived', required: false, schema: new OA\Schema(type: 'boolean')),
        ],
        responses: [new Answers(CalendarDirectoryData::class, 'By name, at most 60')])]
    public function index(Request $request): JsonResponse
    {
        $input = $request->validate([
            'q' => ['sometimes', 'nullable', 'string', 'max:200'],
            'keeper' => ['sometimes', 'nullable', 'string', 'max:200'],
            'group' => ['sometimes', 'nullable', 'integer'],
            'category' => ['sometimes', 'nullable', 'string', 'max:80'],
            'archived' => ['sometimes', 'boolean'],
        ]);
        $archived = (bool) ($input['archived'] ?? false);
        $calendars = $this->viewer->calendars()->filter(fn (AccessibleCalendar $each): bool => $each->calendar->isArchived() === $archived);
        $names = new SubjectNames($calendars->map(fn (AccessibleCalendar $each): Subject => $each->calendar->keeper()));
        $has = static fn (string $text, ?string $words): bool => collect(preg_split('/\s+/', mb_strtolower(trim((string) $words)), -1, PREG_SPLIT_NO_EMPTY))
            ->every(fn (string $word): bool => str_contains(mb_strtolower($text), $word));
        $calendars = $calendars->filter(fn (AccessibleCalendar $each): bool => $has($each->calendar->name.' '.($each->level()->includes(Level::See) ? $each->calendar->description : '').' '.$names->of($each->calendar->keeper()), $input['q'] ?? null)
            && $has($names->of($each->calendar->keeper()), $input['keeper'] ?? null));
        $calendars = $this->ofGroup($calendars, isset($input['group']) ? (int) $input['group'] : null);
        $calendars = $this->withCategory($calendars, trim((string) ($input['category'] ?? '')));

        return new JsonResponse(new CalendarDirectoryData($calendars->count(), CalendarData::many($calendars->take(self::MOST))));
    }

    /**
     * With whom a calendar is shared is known to those who manage it, and of a group to whoever is in it.
     *
     * @param  Collection<int, AccessibleCalendar>  $calendars
     * @return Collection<int, AccessibleCalendar>
     */
    private function ofGroup(Collection $calendars, ?int $group): Collection
    {
        if ($group === null) {
            return $calendars;
        }
        $within = in_array($group, $this->viewer->viewer()->groupIds, true);
        $given = GrantRecord::query()->where('on_kind', 'calendar')->where('subject_kind', SubjectKind::Group)->where('subject_id', $group)->pluck('on_id')->flip();

        return $calendars->filter(fn (AccessibleCalendar $each): bool => ($each->calendar->keeper_kind === SubjectKind::Group && $each->calendar->keeper_id === $group)
            || ($given->has($each->calendar->id) && ($within || $each->level() === Level::Manage)));
    }

    /**
     * Asked of events that the viewer sees in full alone: who sees busy times must not learn by it what is on, nor who
     * reads what the private ones are.
     *
     * @param  Collection<int, AccessibleCalendar>  $calendars
     * @return Collection<int, AccessibleCalendar>
     */
    private function withCategory(Collection $calendars, string $category): Collection
    {
        if ($category === '') {
            return $calendars;
        }
        $found = $this->involved->constrainToFull(
            DB::table('events')->join('event_category', 'event_id', '=', 'events.id')->join('categories', 'categories.id', '=', 'category_id')
                ->where('categories.name', $category)->whereNull('events.deleted_at'),
            $this->viewer->perspective(), 'events',
        )->distinct()->pluck('events.calendar_id')->flip();

        return $calendars->filter(fn (AccessibleCalendar $each): bool => $found->has($each->calendar->id));
    }
}
