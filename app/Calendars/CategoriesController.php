<?php

namespace App\Calendars;

use App\Access\AccessibleCalendar;
use App\Access\Audience;
use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Changes\Change;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Overlay\Colour;

/** The categories of the organisation, kept by administrators and coordinators, and those of a calendar, kept by who manages it. */
#[OA\Schema(schema: 'CategoryInput', required: [], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'calendar', type: 'string', nullable: true),
    new OA\Property(property: 'colour', type: 'string', nullable: true),
    new OA\Property(property: 'closesDay', type: 'boolean'),
])]
final class CategoriesController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly Audience $audience, private readonly DeletedCategories $deleted)
    {
    }

    #[OA\Get(path: '/categories', operationId: 'listCategories', summary: 'The organisation’s categories, and those of the calendars one may read.', tags: ['calendars'],
        responses: [new Answers(CategoryData::class, 'By name', many: true)])]
    public function index(): JsonResponse
    {
        $readable = $this->viewer->calendars()
            ->filter(fn (AccessibleCalendar $each): bool => $each->level()->includes(Level::See));
        $slugs = $readable->map(fn (AccessibleCalendar $each): string => $each->calendar->slug);

        return new JsonResponse(Category::query()->whereNull('calendar_id')->orWhereIn('calendar_id', $readable->keys())
            ->orderBy('name')->get()
            ->map(fn (Category $category): CategoryData => CategoryData::of($category, $category->calendar_id === null ? null : $slugs[$category->calendar_id])));
    }

    #[OA\Post(path: '/categories', operationId: 'createCategory', summary: 'Adds a category: to a calendar one manages, or as an administrator or coordinator to the organisation.', tags: ['calendars'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/CategoryInput')),
        responses: [new Answers(CategoryData::class, 'The category', 201)])]
    public function store(Request $request): JsonResponse
    {
        $slug = $request->validate(['calendar' => ['sometimes', 'nullable', 'string', 'max:80']])['calendar'] ?? null;
        $calendar = $slug === null ? null : $this->viewer->calendar($slug, Level::Manage)->calendar;
        if ($calendar === null) {
            $this->viewer->demandKeepingCommon();
        }
        $input = $this->input($request, null, $calendar?->id);
        $category = DB::transaction(function () use ($input, $calendar): Category {
            $category = Category::query()->create($input + ['calendar_id' => $calendar?->id]);
            $this->tell($calendar);

            return $category;
        });

        return new JsonResponse(CategoryData::of($category->refresh(), $slug), 201);
    }

    #[OA\Patch(path: '/categories/{id}', operationId: 'updateCategory', summary: 'Renames or recolours a category; events that have it keep it.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/CategoryInput')),
        responses: [new Answers(CategoryData::class, 'As it is now')])]
    public function update(Request $request, int $id): JsonResponse
    {
        [$category, $slug] = $this->kept($id);
        $input = $this->input($request, $category, $category->calendar_id);
        DB::transaction(function () use ($category, $input): void {
            $category->update($input);
            $this->touch($category);
        });

        return new JsonResponse(CategoryData::of($category, $slug));
    }

    #[OA\Delete(path: '/categories/{id}', operationId: 'deleteCategory', summary: 'Deletes a category, and takes it off the events that have it.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function destroy(int $id): Response
    {
        [$category] = $this->kept($id);
        DB::transaction(function () use ($category): void {
            $this->touch($category);
            $this->deleted->delete($category);
        });

        return response()->noContent();
    }

    #[OA\Get(path: '/categories/{id}/uses', operationId: 'getCategoryUses', summary: 'How many events have a category, for who keeps it: to be known before it is deleted.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(CategoryUsesData::class, 'How many, and from when to when')])]
    public function uses(int $id): JsonResponse
    {
        [$category] = $this->kept($id);

        return new JsonResponse($this->deleted->uses($category));
    }

    #[OA\Post(path: '/categories/{id}/restore', operationId: 'restoreCategory', summary: 'Brings a deleted category back, on the events that had it.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(CategoryData::class, 'As it was'), new OA\Response(response: 422, description: 'Another one has its name by now')])]
    public function restore(int $id): JsonResponse
    {
        $gone = $this->deleted->find($id) ?? throw (new ModelNotFoundException)->setModel(Category::class);
        $slug = $this->demandKeeping($gone->calendar_id);
        if (Category::query()->where('calendar_id', $gone->calendar_id)->where('name', $gone->name)->exists()) {
            throw ValidationException::withMessages(['name' => "There is another category “{$gone->name}” by now."]);
        }
        $category = DB::transaction(function () use ($id): Category {
            $category = $this->deleted->restore($id);
            $this->touch($category);

            return $category;
        });

        return new JsonResponse(CategoryData::of($category->refresh(), $slug));
    }

    /** Events that have it show otherwise now, in feeds too. */
    private function touch(Category $category): void
    {
        $calendars = DB::table('events')->join('event_category', 'event_id', '=', 'events.id')->where('category_id', $category->id)->distinct()->pluck('calendar_id');
        foreach ($calendars as $calendar) {
            Change::of($calendar);
        }
        $this->tell($category->calendar_id === null ? null : Calendar::query()->findOrFail($category->calendar_id));
    }

    private function tell(?Calendar $of): void
    {
        $of === null ? Change::ofLists() : Change::ofAccess($this->audience->of($of));
    }

    /** @return array{Category, ?string} a category that the viewer keeps, and the slug of its calendar */
    private function kept(int $id): array
    {
        $category = Category::query()->findOrFail($id);

        return [$category, $this->demandKeeping($category->calendar_id)];
    }

    /** @return ?string the slug of the calendar whose categories the viewer keeps; null for those common to the organisation */
    private function demandKeeping(?int $calendarId): ?string
    {
        if ($calendarId === null) {
            $this->viewer->demandKeepingCommon();

            return null;
        }
        $calendar = $this->viewer->calendars()[$calendarId] ?? null;
        if ($calendar === null || ! $calendar->level()->includes(Level::See)) {
            throw (new ModelNotFoundException)->setModel(Category::class);
        }
        $this->viewer->demand($calendar->level(), Level::Manage);

        return $calendar->calendar->slug;
    }

    /** @return array<string, mixed> */
    private function input(Request $request, ?Category $category, ?int $calendarId): array
    {
        $input = $request->validate([
            'name' => [$category === null ? 'required' : 'sometimes', 'string', 'max:80', 'not_regex:/,/',
                Rule::unique('categories', 'name')->where('calendar_id', $calendarId)->ignore($category?->id)],
            'colour' => ['sometimes', 'nullable', Rule::enum(Colour::class)],
            'closesDay' => ['sometimes', 'boolean'],
        ], [
            'name.required' => 'Give the category a name.',
            'name.max' => 'A name has at most 80 characters.',
            'name.not_regex' => 'A category has no comma in its name.',
            'name.unique' => 'There is a category of this name.',
        ]);
        if (array_key_exists('closesDay', $input)) {
            $input['closes_day'] = (bool) $input['closesDay'];
            unset($input['closesDay']);
        }

        return $input;
    }
}
