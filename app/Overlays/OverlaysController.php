<?php

namespace App\Overlays;

use App\Access\AccessibleCalendar;
use App\Access\AccessReader;
use App\Access\Audience;
use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Calendars\Calendar;
use App\Changes\Change;
use App\Directory\SubjectData;
use App\Directory\SubjectNames;
use App\Http\IfMatch;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Overlay\ColouredBy;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

final class OverlaysController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly AccessReader $access, private readonly Audience $audience)
    {
    }

    #[OA\Get(path: '/overlays', operationId: 'listOverlays', summary: 'The overlays one may look through; the one that one begins with first.', tags: ['overlays'],
        responses: [new Answers(OverlayData::class, 'By name', many: true)])]
    public function index(): JsonResponse
    {
        $overlays = $this->viewer->overlays()->sortByDesc(fn (array $pair): bool => $pair[0]->home_of === $this->viewer->person()->id)->values();
        $names = new SubjectNames($overlays->map(fn (array $pair) => $pair[0]->keeper()));
        (new \Illuminate\Database\Eloquent\Collection($overlays->map(fn (array $pair): Overlay => $pair[0])->all()))->load('layers.calendars');

        return new JsonResponse($overlays->map(fn (array $pair): OverlayData => $this->describe($pair[0], $pair[1], $names))->values());
    }

    #[OA\Post(path: '/overlays', operationId: 'createOverlay', summary: 'Keeps an overlay under a name.', tags: ['overlays'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OverlayInput')),
        responses: [new Answers(OverlayData::class, 'The overlay', 201)])]
    public function store(OverlayInput $input): JsonResponse
    {
        $keeper = $this->keeper($input);
        $overlay = DB::transaction(function () use ($input, $keeper): Overlay {
            $overlay = Overlay::query()->create([
                'slug' => Calendar::newSlug($input->validated('name')),
                'name' => $input->validated('name'),
                'opening_view' => $input->validated('openingView', 'lanes'),
                'opening_table' => $input->validated('openingTable'),
                'every_layer' => $input->boolean('everyLayer'),
                'coloured_by' => $input->validated('colouredBy', ColouredBy::Layer),
                'keeper_kind' => $keeper->kind,
                'keeper_id' => $keeper->id,
            ]);
            $this->layLayers($overlay, $input->layers());
            Change::ofAccess($this->audience->of($overlay));

            return $overlay;
        });

        return new JsonResponse($this->tell($overlay, Level::Manage), 201);
    }

    #[OA\Put(path: '/overlays/{slug}', operationId: 'updateOverlay', summary: 'Changes an overlay: its name, its layers and their order.', tags: ['overlays'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string')), new OA\HeaderParameter(name: 'If-Match', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OverlayInput')),
        responses: [new Answers(OverlayData::class, 'The overlay')])]
    public function update(OverlayInput $input, string $slug): JsonResponse
    {
        $overlay = $this->viewer->overlay($slug, Level::Change);
        DB::transaction(function () use ($input, $overlay): void {
            $locked = Overlay::query()->lockForUpdate()->findOrFail($overlay->id);
            IfMatch::check($input, $locked->version, fn (): OverlayData => $this->tell($locked, $this->level($locked)));
            $overlay->update([
                'name' => $input->validated('name'),
                'opening_view' => $input->validated('openingView', $locked->opening_view),
                'opening_table' => $input->validated('openingTable', $locked->opening_table),
                'every_layer' => $input->boolean('everyLayer', $locked->every_layer),
                'coloured_by' => $input->validated('colouredBy', $locked->coloured_by),
                'version' => $locked->version + 1,
            ]);
            $this->layLayers($overlay, $input->layers());
            Change::ofAccess($this->audience->of($overlay));
        });

        return new JsonResponse($this->tell($overlay, $this->level($overlay)));
    }

    #[OA\Delete(path: '/overlays/{slug}', operationId: 'deleteOverlay', summary: 'Deletes an overlay; the calendars stay.', tags: ['overlays'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 204, description: 'Deleted; it can be restored')])]
    public function destroy(string $slug): Response
    {
        $overlay = $this->viewer->overlay($slug, Level::Manage);
        if ($overlay->home_of !== null) {
            throw new ConflictHttpException('This is the sheet that you begin with. Change its layers instead.');
        }
        DB::transaction(function () use ($overlay): void {
            $overlay->delete();
            Change::ofAccess($this->audience->of($overlay));
        });

        return response()->noContent();
    }

    #[OA\Post(path: '/overlays/{slug}/restore', operationId: 'restoreOverlay', summary: 'Brings a deleted overlay back.', tags: ['overlays'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new Answers(OverlayData::class, 'The overlay')])]
    public function restore(Request $request, string $slug): JsonResponse
    {
        $overlay = Overlay::onlyTrashed()->where('slug', $slug)->firstOrFail();
        abort_unless($this->level($overlay) === Level::Manage, 404);
        DB::transaction(function () use ($overlay): void {
            $overlay->restore();
            Change::ofAccess($this->audience->of($overlay));
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

    /** @param  list<array<string, mixed>>  $layers  as LayerInput has them */
    private function layLayers(Overlay $overlay, array $layers): void
    {
        $ids = $this->viewer->calendars()->mapWithKeys(fn (AccessibleCalendar $each): array => [$each->calendar->slug => $each->calendar->id]);
        // Calendars of the overlay that this person may not see stay in it, in the layer where they were.
        $hidden = $overlay->layers()->with('calendars')->get()
            ->mapWithKeys(fn (LayerRecord $layer): array => [$layer->id => $layer->calendars->pluck('id')->diff($ids->values())->all()]);
        $overlay->layers()->delete();
        foreach ($layers as $position => $input) {
            $calendars = [];
            foreach ($input['calendars'] ?? [] as $slug) {
                $calendars[] = $ids[$slug] ?? throw ValidationException::withMessages(["layers.{$position}.calendars" => 'One of these calendars is not there for you.']);
            }
            $layer = $overlay->layers()->create(['position' => $position] + LayerRecord::columns($input));
            $layer->calendars()->sync(array_unique([...$calendars, ...$hidden->get($input['id'] ?? 0, [])]));
        }
    }

    private function tell(Overlay $overlay, Level $level): OverlayData
    {
        $overlay->load('layers.calendars');

        return $this->describe($overlay, $level, new SubjectNames([$overlay->keeper()]));
    }

    /** The layers with the calendars that this person may see. */
    private function describe(Overlay $overlay, Level $level, SubjectNames $names): OverlayData
    {
        return new OverlayData(
            slug: $overlay->slug,
            name: $overlay->name,
            openingView: $overlay->opening_view,
            openingTable: $overlay->opening_table === null ? null : new OpeningTableData(...$overlay->opening_table),
            keeper: SubjectData::of($overlay->keeper(), $names),
            level: $level,
            everyLayer: $overlay->every_layer,
            colouredBy: $overlay->coloured_by,
            home: $overlay->home_of === $this->viewer->person()->id,
            layers: $overlay->layers->map(fn (LayerRecord $layer): OverlayLayerData => OverlayLayerData::of($layer, $this->viewer->calendars(), $level === Level::Manage))->values()->all(),
            version: $overlay->version,
        );
    }
}
