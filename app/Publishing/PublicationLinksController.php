<?php

namespace App\Publishing;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\ChangeLog\ChangeLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Publishing\LinkPurpose;
use PinnedRota\Core\Publishing\SecretToken;

/** Links to a publication that are for one person or one screen each. */
final class PublicationLinksController
{
    private const MOST_LINKS = 300;

    private const MESSAGES = ['names.required' => 'Say who or what each link is for.', 'names.*.max' => 'A name has 120 characters at most.'];

    public function __construct(private readonly CurrentViewer $viewer, private readonly ManagedPublications $managed)
    {
    }

    #[OA\Post(path: '/publications/{id}/links', operationId: 'makePublicationLinks', summary: 'Makes a secret link for each of some people, or of some screens; names that have one are left as they are.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['purpose', 'names'], properties: [
            new OA\Property(property: 'purpose', type: 'string', enum: LinkPurpose::class),
            new OA\Property(property: 'names', type: 'array', items: new OA\Items(type: 'string', maxLength: 120), maxItems: self::MOST_LINKS),
        ])),
        responses: [new Answers(PublicationData::class, 'Made', 201)])]
    public function store(Request $request, int $id): JsonResponse
    {
        $publication = $this->managed->own($id);
        $input = $request->validate(['purpose' => ['required', Rule::enum(LinkPurpose::class)], 'names' => ['required', 'array', 'max:'.self::MOST_LINKS], 'names.*' => ['required', 'string', 'max:120']], self::MESSAGES);
        $purpose = LinkPurpose::from($input['purpose']);
        DB::transaction(function () use ($publication, $purpose, $input): void {
            // Two who add the same at once make one link of it.
            Publication::query()->whereKey($publication->id)->lockForUpdate()->first();
            $links = $publication->links()->get();
            $had = $links->where('purpose', $purpose)->map(static fn (PublicationLink $link): string => mb_strtolower($link->name))->all();
            $names = collect($input['names'])->unique(static fn (string $name): string => mb_strtolower($name))->reject(static fn (string $name): bool => in_array(mb_strtolower($name), $had, true));
            if ($links->count() + $names->count() > self::MOST_LINKS) {
                throw ValidationException::withMessages(['names' => 'A page has '.self::MOST_LINKS.' links at most. Publish another, or give one link to a group.']);
            }
            foreach ($names as $name) {
                PublicationLink::query()->create(['publication_id' => $publication->id, 'purpose' => $purpose, 'name' => $name] + SecretToken::columns());
            }
            ChangeLog::publication($publication, $this->viewer->person(), 'changed');
        });

        return $this->told($publication, 201);
    }

    #[OA\Delete(path: '/publications/{id}/links/{link}', operationId: 'endPublicationLink', summary: 'Takes one link back for good; all others go on.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'link', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(PublicationData::class, 'Taken back')])]
    public function destroy(int $id, int $link): JsonResponse
    {
        $publication = $this->managed->find($id);
        $found = $publication->links()->findOrFail($link);
        DB::transaction(function () use ($publication, $found): void {
            $found->update(['ended_at' => now()]);
            ChangeLog::publication($publication, $this->viewer->person(), 'changed');
        });

        return $this->told($publication);
    }

    private function told(Publication $publication, int $status = 200): JsonResponse
    {
        return new JsonResponse(PublicationData::of($publication->load('links'), $this->viewer->person()->id), $status);
    }
}
