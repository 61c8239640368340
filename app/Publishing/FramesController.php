<?php

namespace App\Publishing;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\ChangeLog\ChangeLog;
use App\Frames\FrameSites;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** On which sites what one has published stands in a frame. */
final class FramesController
{
    private const MOST_SITES = 20;

    public function __construct(private readonly CurrentViewer $viewer, private readonly PublishedWindow $windows)
    {
    }

    #[OA\Get(path: '/publications/{id}/frame', operationId: 'getFrame', summary: 'The frame of what one has published, with what can be chosen for it.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(FrameData::class, 'The frame')])]
    public function show(int $id): JsonResponse
    {
        return new JsonResponse($this->told($this->own($id)));
    }

    #[OA\Put(path: '/publications/{id}/frame', operationId: 'changeFrame', summary: 'Says which sites may show it in a frame; nobody else can.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['sites'], properties: [new OA\Property(property: 'sites', type: 'array', items: new OA\Items(type: 'string'), description: 'Addresses of them')])),
        responses: [new Answers(FrameData::class, 'Changed')])]
    public function update(Request $request, int $id): JsonResponse
    {
        $publication = $this->own($id);
        $told = $request->validate(['sites' => ['present', 'array', 'max:'.self::MOST_SITES], 'sites.*' => ['string', 'max:300']])['sites'];
        $sites = FrameSites::origins($told, 'sites');
        $person = $this->viewer->person();
        DB::transaction(function () use ($publication, $sites, $person): void {
            $publication->update(['frame_sites' => $sites ?: null, 'version' => $publication->version + 1]);
            ChangeLog::publication($publication, $person, 'changed');
        });

        return new JsonResponse($this->told($publication));
    }

    private function own(int $id): Publication
    {
        $publication = Publication::standing()->with(['calendar', 'overlay', 'publisher'])->where('published_by', $this->viewer->person()->id)->findOrFail($id);
        abort_if($publication->url() === null, 409, 'It is for named people, and whoever comes to a site reads what is in a frame there.');

        return $publication;
    }

    private function told(Publication $publication): FrameData
    {
        return new FrameData("{$publication->url()}/frame", url('/frame.js'), $publication->frame_sites ?? [], $this->windows->layerNames($publication), FrameLook::LANGUAGES);
    }
}
