<?php

namespace App\Frames;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;

/** Frames on other sites in which people sign in, of the calendars and overlays that one manages. */
#[OA\Schema(schema: 'MemberFrameInput', required: ['view', 'mayChange'], properties: [
    new OA\Property(property: 'calendar', type: 'string', description: 'What it shows, where it is a calendar; only when it is made'),
    new OA\Property(property: 'overlay', type: 'string', description: 'What it shows, where it is an overlay; only when it is made'),
    new OA\Property(property: 'view', type: 'string', enum: MemberFrame::VIEWS),
    new OA\Property(property: 'mayChange', type: 'boolean', description: 'Whether events can be added, moved and changed in it, by those who may'),
])]
final class MemberFramesController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly FrameSites $sites)
    {
    }

    #[OA\Get(path: '/member-frames', operationId: 'listMemberFrames', summary: 'The frames in which people sign in on other sites, of what one manages; and on which sites they can stand.', tags: ['frames'],
        responses: [new Answers(MemberFramesData::class, 'Newest first')])]
    public function index(): JsonResponse
    {
        return new JsonResponse(new MemberFramesData($this->sites->all(), $this->managed()->orderByDesc('id')->get()->map(MemberFrameData::of(...))->values()->all()));
    }

    #[OA\Post(path: '/member-frames', operationId: 'makeMemberFrame', summary: 'Makes a frame of a calendar or overlay that one manages, for the sites that administrators name.', tags: ['frames'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/MemberFrameInput')),
        responses: [new Answers(MemberFrameData::class, 'Made', 201)])]
    public function store(Request $request): JsonResponse
    {
        abort_if($this->sites->all() === [], 409, 'No site is named on which people may sign in. Administrators name them under Organisation.');
        $input = $request->validate(self::rules() + ['calendar' => ['required_without:overlay', 'prohibits:overlay', 'string', 'max:80'], 'overlay' => ['sometimes', 'string', 'max:80']]);
        $of = isset($input['calendar'])
            ? ['calendar_id' => $this->viewer->calendar($input['calendar'], Level::Manage)->calendar->id]
            : ['overlay_id' => $this->viewer->overlay($input['overlay'], Level::Manage)->id];
        $frame = MemberFrame::query()->create($of + ['calendar_id' => null, 'overlay_id' => null, 'key' => MemberFrame::newKey(), 'view' => $input['view'], 'may_change' => (bool) $input['mayChange'], 'made_by' => $this->viewer->person()->id]);

        return new JsonResponse(MemberFrameData::of($frame->load(['calendar', 'overlay', 'maker'])), 201);
    }

    #[OA\Put(path: '/member-frames/{id}', operationId: 'changeMemberFrame', summary: 'Changes as what it opens, and what can be done in it; its address stays.', tags: ['frames'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/MemberFrameInput')),
        responses: [new Answers(MemberFrameData::class, 'Changed')])]
    public function update(Request $request, int $id): JsonResponse
    {
        $frame = $this->managed()->findOrFail($id);
        $input = $request->validate(self::rules());
        $frame->update(['view' => $input['view'], 'may_change' => (bool) $input['mayChange']]);

        return new JsonResponse(MemberFrameData::of($frame));
    }

    #[OA\Delete(path: '/member-frames/{id}', operationId: 'endMemberFrame', summary: 'Takes it back: whoever is signed in within it is not any more.', tags: ['frames'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Taken back')])]
    public function destroy(int $id): Response
    {
        $this->managed()->findOrFail($id)->delete();

        return response()->noContent();
    }

    /** @return Builder<MemberFrame> */
    private function managed(): Builder
    {
        return MemberFrame::query()->with(['calendar', 'overlay', 'maker'])->where(fn ($query) => $query->whereIn('calendar_id', $this->viewer->managedCalendars())->orWhereIn('overlay_id', $this->viewer->managedOverlays()));
    }

    /** @return array<string, mixed> */
    private static function rules(): array
    {
        return ['view' => ['required', Rule::in(MemberFrame::VIEWS)], 'mayChange' => ['required', 'boolean']];
    }
}
