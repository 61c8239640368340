<?php

namespace App\Publishing;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final class PublicationPreviewController
{
    #[OA\Post(path: '/publications/preview', operationId: 'previewPublication', summary: 'What a publication would give of the coming year, what it would leave out, and what one may not want to go out; nothing is kept by it.', tags: ['publications'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(allOf: [new OA\Schema(ref: '#/components/schemas/PublicationInput'), new OA\Schema(properties: [new OA\Property(property: 'id', type: 'integer', nullable: true, description: 'The one that is to be changed, where it is one')])])),
        responses: [new Answers(PublicationPreviewData::class, 'What it would give')])]
    public function show(Request $request, CurrentViewer $viewer, PublicationPreview $preview): JsonResponse
    {
        $person = $viewer->person();
        $id = $request->validate(['id' => ['sometimes', 'nullable', 'integer']])['id'] ?? null;
        $before = $id === null ? null : Publication::standing()->with(['calendar', 'overlay'])->where('published_by', $person->id)->findOrFail($id);
        [$calendar, $overlay] = $before === null ? PublicationInput::subject($request, $viewer) : [$before->calendar, $before->overlay];
        $publication = new Publication(PublicationInput::columns($request, $before) + ['calendar_id' => $calendar?->id, 'overlay_id' => $overlay?->id, 'published_by' => $person->id]);
        $publication->setRelations(['calendar' => $calendar, 'overlay' => $overlay, 'publisher' => $person]);

        return new JsonResponse($preview->of($publication));
    }
}
