<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use App\Access\AccessReader;
use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use App\Changes\Change;
use App\Directory\SubjectNames;
use App\Http\IfMatch;
use App\Http\InputList;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

final class OverlaysController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly AccessReader $access)
    {
    }

    #[OA\Get(path: '/overlays', operationId: 'listOverlays', summary: 'The overlays one may look through.', tags: ['overlays'],
        responses: [new OA\Response(response: 200, description: 'By name', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Overlay')))])]
    public function index(): JsonResponse
    {
        $overlays = $this->access->overlays($this->viewer->viewer())->filter(fn (array $pair): bool => $pair[1]->includes(Level::See));
        $names = new SubjectNames($overlays->map(fn (array $pair) => $pair[0]->keeper()));
        (new \Illuminate\Database\Eloquent\Collection($overlays->map(fn (array $pair): Overlay => $pair[0])->all()))->load('layers.calendars');

        return new JsonResponse($overlays->map(fn (array $pair): array => $this->describe($pair[0], $pair[1], $names))->values());
    }

    #[OA\Post(path: '/overlays', operationId: 'createOverlay', summary: 'Keeps an overlay under a name.', tags: ['overlays'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OverlayInput')),
        responses: [new OA\Response(response: 201, description: 'The overlay', content: new OA\JsonContent(ref: '#/components/schemas/Overlay'))])]
    public function store(OverlayInput $input): JsonResponse
    {
        $keeper = $this->keeper($input);
        $overlay = DB::transaction(function () use ($input, $keeper): Overlay {
            $overlay = Overlay::query()->create([
                'slug' => Calendar::newSlug($input->validated('name')),
                'name' => $input->validated('name'),
                'opening_view' => $input->validated('openingView', 'lanes'),
                'every_layer' => $input->boolean('everyLayer'),
                'keeper_kind' => $keeper->kind,
                'keeper_id' => $keeper->id,
            ]);
            $this->layLayers($overlay, $input->validated('layers'));
            Change::ofAccess();

            return $overlay;
        });

        return new JsonResponse($this->tell($overlay, Level::Manage), 201);
    }

    #[OA\Put(path: '/overlays/{slug}', operationId: 'updateOverlay', summary: 'Changes an overlay: its name, its layers and their order.', tags: ['overlays'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string')), new OA\HeaderParameter(name: 'If-Match', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OverlayInput')),
        responses: [new OA\Response(response: 200, description: 'The overlay', content: new OA\JsonContent(ref: '#/components/schemas/Overlay'))])]
    public function update(OverlayInput $input, string $slug): JsonResponse
    {
        $overlay = $this->viewer->overlay($slug, Level::Change);
        DB::transaction(function () use ($input, $overlay): void {
            $locked = Overlay::query()->lockForUpdate()->findOrFail($overlay->id);
            IfMatch::check($input, $locked->version, fn (): array => $this->tell($locked, $this->level($locked)));
            $overlay->update([
                'name' => $input->validated('name'),
                'opening_view' => $input->validated('openingView', $locked->opening_view),
                'every_layer' => $input->boolean('everyLayer', $locked->every_layer),
                'version' => $locked->version + 1,
            ]);
            $this->layLayers($overlay, $input->validated('layers'));
            Change::ofAccess();
        });

        return new JsonResponse($this->tell($overlay, $this->level($overlay)));
    }

    #[OA\Delete(path: '/overlays/{slug}', operationId: 'deleteOverlay', summary: 'Deletes an overlay; the calendars stay.', tags: ['overlays'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'Deleted; it can be restored')])]
    public function destroy(string $slug): Response
    {
        $overlay = $this->viewer->overlay($slug, Level::Manage);
        DB::transaction(function () use ($overlay): void {
            $overlay->delete();
            Change::ofAccess();
        });

        return response()->noContent();
    }

    #[OA\Post(path: '/overlays/{slug}/restore', operationId: 'restoreOverlay', summary: 'Brings a deleted overlay back.', tags: ['overlays'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'The overlay', content: new OA\JsonContent(ref: '#/components/schemas/Overlay'))])]
    public function restore(Request $request, string $slug): JsonResponse
    {
        $overlay = Overlay::onlyTrashed()->where('slug', $slug)->firstOrFail();
        abort_unless($this->level($overlay) === Level::Manage, 404);
        DB::transaction(function () use ($overlay): void {
            $overlay->restore();
            Change::ofAccess();
        });

        return new JsonResponse($this->tell($overlay, Level::Manage));
    }

    /** Oneself, or a group that one is in. */
    private function keeper(OverlayInput $input): Subject
    {
        $person = new Subject(SubjectKind::Person, $this->viewer->person()->id);
        if ($input->validated('keeper.kind') !== SubjectKind::Group->value) {
            return $person;
        }
        $group = new Subject(SubjectKind::Group, (int) $input->validated('keeper.id'));

        return $this->viewer->viewer()->is($group) ? $group : throw ValidationException::withMessages(['keeper' => 'Choose a group that you are in.']);
    }

    private function level(Overlay $overlay): Level
    {
        return $this->access->overlay($this->viewer->viewer(), $overlay);
    }

    /** @param  array<int, array<string, mixed>>  $layers  as validated */
    private function layLayers(Overlay $overlay, array $layers): void
    {
        $ids = $this->viewer->calendars()->mapWithKeys(fn (AccessibleCalendar $each): array => [$each->calendar->slug => $each->calendar->id]);
        // Calendars of the overlay that this person may not see stay in it, in the layer where they were.
        $hidden = $overlay->layers()->with('calendars')->get()
            ->mapWithKeys(fn (LayerRecord $layer): array => [$layer->id => $layer->calendars->pluck('id')->diff($ids->values())->all()]);
        $overlay->layers()->delete();
        foreach (InputList::inOrder($layers) as $position => $input) {
            $calendars = [];
            foreach ($input['calendars'] ?? [] as $slug) {
                $calendars[] = $ids[$slug] ?? throw ValidationException::withMessages(["layers.{$position}.calendars" => 'One of these calendars is not there for you.']);
            }
            $layer = $overlay->layers()->create([
                'position' => $position, 'name' => $input['name'], 'colour' => $input['colour'], 'mark' => $input['mark'], 'pattern' => $input['pattern'] ?? 'plain',
                'takes' => $input['takes'] ?? 'chosen', 'group_id' => ($input['takes'] ?? '') === 'group' ? $input['group'] : null,
                'filter' => ['conditions' => InputList::inOrder($input['conditions'] ?? [])],
            ]);
            $layer->calendars()->sync(array_unique([...$calendars, ...$hidden->get($input['id'] ?? 0, [])]));
        }
    }

    /** @return array<string, mixed> */
    private function tell(Overlay $overlay, Level $level): array
    {
        $overlay->load('layers.calendars');

        return $this->describe($overlay, $level, new SubjectNames([$overlay->keeper()]));
    }

    /**
     * @param  list<array<string, mixed>>  $conditions
     * @return list<array<string, mixed>> with what the people and groups in them are called
     */
    private function named(array $conditions): array
    {
        $subject = static fn (array $who): ?Subject => $who['kind'] === 'me' ? null : new Subject(SubjectKind::from($who['kind']), (int) $who['id']);
        $all = array_merge(...array_map(static fn (array $condition): array => $condition['who'] ?? [], $conditions) ?: [[]]);
        if ($all === []) {
            return $conditions;
        }
        $names = new SubjectNames(array_filter(array_map($subject, $all)));

        return array_map(static fn (array $condition): array => isset($condition['who'])
            ? ['who' => array_map(static fn (array $who): array => $who + ($who['kind'] === 'me' ? [] : ['name' => $names->of($subject($who))]), $condition['who'])] + $condition
            : $condition, $conditions);
    }

    /** @return array<string, mixed> the layers with the calendars that this person may see */
    private function describe(Overlay $overlay, Level $level, SubjectNames $names): array
    {
        $visible = $this->viewer->calendars();

        return [
            'slug' => $overlay->slug,
            'name' => $overlay->name,
            'openingView' => $overlay->opening_view,
            'keeper' => ['kind' => $overlay->keeper_kind->value, 'id' => $overlay->keeper_id, 'name' => $names->of($overlay->keeper())],
            'everyLayer' => $overlay->every_layer,
            'level' => $level->value,
            'layers' => $overlay->layers->map(fn (LayerRecord $layer): array => [
                'id' => $layer->id,
                'name' => $layer->name,
                'colour' => $layer->colour->value,
                'mark' => $layer->mark->value,
                'pattern' => $layer->pattern->value,
                'calendars' => $layer->calendars->filter(fn (Calendar $calendar): bool => $visible->has($calendar->id))->pluck('slug')->values()->all(),
                'takes' => $layer->takes,
                'group' => $layer->group_id,
                'conditions' => $this->named($layer->conditions()),
                // Those who manage it are told that it has calendars which they themselves do not see.
                'hidden' => $level === Level::Manage ? $layer->calendars->reject(fn (Calendar $calendar): bool => $visible->has($calendar->id))->count() : 0,
            ])->values()->all(),
            'version' => $overlay->version,
        ];
    }
}
