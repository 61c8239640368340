<?php

namespace App\Overlays;

use App\Access\AccessReader;
use App\Access\CurrentViewer;
use App\Access\GrantData;
use App\Api\Answers;
use App\Directory\SubjectData;
use App\Directory\SubjectNames;
use App\Directory\Subjects;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Grant;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

final class OverlaySharingController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly OverlaySharing $sharing, private readonly AccessReader $reader)
    {
    }

    #[OA\Get(path: '/overlays/{slug}/grants', operationId: 'listOverlayGrants', summary: 'Who has which level on an overlay; for those who manage it.', tags: ['overlays'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new Answers(OverlaySharingData::class, 'The keeper and the grants')])]
    public function index(string $slug): JsonResponse
    {
        return new JsonResponse($this->tell($this->viewer->overlay($slug, Level::Manage)));
    }

    #[OA\Put(path: '/overlays/{slug}/grants', operationId: 'putOverlayGrant', summary: 'Gives a level to a person, a group or everyone; “none” takes it away. Each sees through it what their own access allows.', tags: ['overlays'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/GrantInput')),
        responses: [new Answers(OverlaySharingData::class, 'The keeper and the grants')])]
    public function put(Request $request, string $slug): JsonResponse
    {
        $overlay = $this->viewer->overlay($slug, Level::Manage);
        $input = $request->validate([
            'kind' => ['required', Rule::in(['person', 'group', 'everyone'])],
            'id' => ['required_if:kind,person,group', 'nullable', 'integer'],
            'level' => ['required', Rule::in(array_column(OverlaySharing::LEVELS, 'value'))],
        ]);
        $level = Level::from($input['level']);
        $id = isset($input['id']) ? (int) $input['id'] : null;
        // Whoever has left or was suspended can still be taken off.
        $subject = $level === Level::None ? new Subject(SubjectKind::from($input['kind']), $id) : Subjects::find($input['kind'], $id);
        $this->sharing->give($overlay, $subject, $level, $this->viewer->person());

        return new JsonResponse($this->tell($overlay));
    }

    #[OA\Put(path: '/overlays/{slug}/keeper', operationId: 'handOverOverlay', summary: 'Hands an overlay over to a person or a group; whoever kept it goes on with the level “stays”.', tags: ['overlays'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/HandOver')),
        responses: [new Answers(OverlaySharingData::class, 'The keeper and the grants')])]
    public function handOver(Request $request, string $slug): JsonResponse
    {
        $overlay = $this->viewer->overlay($slug, Level::Manage);
        $input = $request->validate([
            'kind' => ['required', Rule::in(['person', 'group'])], 'id' => ['required', 'integer'],
            'stays' => ['required', Rule::in(array_column(OverlaySharing::LEVELS, 'value'))],
        ]);
        $this->sharing->handOver($overlay, Subjects::find($input['kind'], (int) $input['id']), Level::from($input['stays']), $this->viewer->person());

        return new JsonResponse($this->tell($overlay->refresh()));
    }

    private function tell(Overlay $overlay): OverlaySharingData
    {
        $grants = collect($this->reader->overlayGrants($overlay));
        $names = new SubjectNames([$overlay->keeper(), ...$grants->map(fn (Grant $grant): Subject => $grant->subject)]);

        return new OverlaySharingData(
            SubjectData::of($overlay->keeper(), $names),
            $grants->map(static fn (Grant $grant): GrantData => GrantData::of($grant, $names))->sortBy(static fn (GrantData $row): string => mb_strtolower($row->name))->values()->all(),
        );
    }
}
