<?php

namespace App\Calendars;

use App\Access\AccessibleCalendar;
use App\Access\AccessReader;
use App\Access\CurrentViewer;
use App\Changes\Change;
use App\Http\IfMatch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;

final class CalendarsController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly AccessReader $access)
    {
    }

    #[OA\Get(path: '/calendars', operationId: 'listCalendars', summary: 'Every calendar one may see, with one’s level and why.', tags: ['calendars'],
        responses: [new OA\Response(response: 200, description: 'By name', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Calendar')))])]
    public function index(): JsonResponse
    {
        return new JsonResponse(CalendarJson::many($this->viewer->calendars()));
    }

    #[OA\Post(path: '/calendars', operationId: 'createCalendar', summary: 'Makes a calendar, kept by oneself.', tags: ['calendars'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/CalendarInput')),
        responses: [new OA\Response(response: 201, description: 'The calendar', content: new OA\JsonContent(ref: '#/components/schemas/Calendar'))])]
    public function store(CalendarInput $input): JsonResponse
    {
        $person = $this->viewer->person();
        $calendar = DB::transaction(function () use ($input, $person): Calendar {
            $settings = $input->settings();
            $calendar = Calendar::query()->create($settings + [
                'slug' => Calendar::newSlug($settings['name']),
                'timezone' => $person->timezone,
                'keeper_kind' => SubjectKind::Person,
                'keeper_id' => $person->id,
                'created_by' => $person->id,
            ]);
            Change::ofAccess();

            return $calendar;
        });

        return new JsonResponse($this->tell($calendar), 201);
    }

    #[OA\Patch(path: '/calendars/{slug}', operationId: 'updateCalendar', summary: 'Changes a calendar’s settings.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string')), new OA\HeaderParameter(name: 'If-Match', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/CalendarChange')),
        responses: [new OA\Response(response: 200, description: 'The calendar', content: new OA\JsonContent(ref: '#/components/schemas/Calendar'))])]
    public function update(CalendarInput $input, string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Manage)->calendar;
        DB::transaction(function () use ($input, $calendar): void {
            $locked = Calendar::query()->lockForUpdate()->findOrFail($calendar->id);
            IfMatch::check($input, $locked->version, fn (): array => $this->tell($locked));
            $calendar->fill($input->settings() + ['version' => $locked->version + 1])->save();
            Change::ofAccess();
        });

        return new JsonResponse($this->tell($calendar));
    }

    #[OA\Delete(path: '/calendars/{slug}', operationId: 'deleteCalendar', summary: 'Deletes a calendar; it can be restored.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'Deleted')])]
    public function destroy(string $slug): Response
    {
        $calendar = $this->viewer->calendar($slug, Level::Manage)->calendar;
        DB::transaction(function () use ($calendar): void {
            $calendar->delete();
            Change::ofAccess();
        });

        return response()->noContent();
    }

    #[OA\Post(path: '/calendars/{slug}/restore', operationId: 'restoreCalendar', summary: 'Brings a deleted calendar back, with all that was on it.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'The calendar', content: new OA\JsonContent(ref: '#/components/schemas/Calendar'))])]
    public function restore(Request $request, string $slug): JsonResponse
    {
        $calendar = Calendar::onlyTrashed()->where('slug', $slug)->firstOrFail();
        if ($this->access->calendar($this->viewer->viewer(), $calendar)->level !== Level::Manage) {
            abort(404);
        }
        DB::transaction(function () use ($calendar): void {
            $calendar->restore();
            Change::ofAccess();
        });

        return new JsonResponse($this->tell($calendar));
    }

    #[OA\Get(path: '/categories', operationId: 'listCategories', summary: 'The organisation’s categories, and those of the calendars one may read.', tags: ['calendars'],
        responses: [new OA\Response(response: 200, description: 'By name', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Category')))])]
    public function categories(): JsonResponse
    {
        $readable = $this->viewer->calendars()
            ->filter(fn (AccessibleCalendar $each): bool => $each->level()->includes(Level::Read));
        $slugs = $readable->map(fn (AccessibleCalendar $each): string => $each->calendar->slug);

        return new JsonResponse(Category::query()->whereNull('calendar_id')->orWhereIn('calendar_id', $readable->keys())
            ->orderBy('name')->get()
            ->map(fn (Category $category): array => [
                'name' => $category->name,
                'calendar' => $category->calendar_id === null ? null : $slugs[$category->calendar_id],
            ]));
    }

    /** @return array<string, mixed> */
    private function tell(Calendar $calendar): array
    {
        $calendar->load('source');

        return CalendarJson::one(new AccessibleCalendar($calendar, $this->access->calendar($this->viewer->viewer(), $calendar)));
    }
}
