<?php

namespace App\Publishing;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\ChangeLog\ChangeLog;
use App\Publishing\Kept\CountReads;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Publishing\Audience;
use PinnedRota\Core\Publishing\SecretToken;

final class PublicationsController
{
    private const MOST_DAYS = 90;

    public function __construct(private readonly CurrentViewer $viewer, private readonly ManagedPublications $managed)
    {
    }

    #[OA\Get(path: '/publications', operationId: 'listPublications', summary: 'What one has published, and what of the calendars and overlays that one manages.', tags: ['publications'],
        responses: [new Answers(PublicationData::class, 'Newest first', many: true)])]
    public function index(CountReads $reads): JsonResponse
    {
        $reads->run();
        $publications = $this->managed->query()->orderByDesc('id')->get();
        $viewerId = $this->viewer->person()->id;

        return new JsonResponse($publications->map(static fn (Publication $each): PublicationData => PublicationData::of($each, $viewerId)));
    }

    #[OA\Post(path: '/publications', operationId: 'publish', summary: 'Publishes a page of a calendar or an overlay that one manages.', tags: ['publications'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PublicationInput')),
        responses: [new Answers(PublicationData::class, 'Published', 201)])]
    public function store(Request $request): JsonResponse
    {
        [$calendar, $overlay] = PublicationInput::subject($request, $this->viewer);
        $input = PublicationInput::columns($request);
        $person = $this->viewer->person();
        $publication = DB::transaction(function () use ($calendar, $overlay, $input, $person): Publication {
            $made = Publication::query()->create($this->addressed($input, null) + ['calendar_id' => $calendar?->id, 'overlay_id' => $overlay?->id, 'published_by' => $person->id]);
            ChangeLog::publication($made, $person, 'made');

            return $made;
        });

        return new JsonResponse(PublicationData::of($publication->load(['calendar', 'overlay', 'publisher', 'links']), $person->id), 201);
    }

    #[OA\Put(path: '/publications/{id}', operationId: 'changePublication', summary: 'Changes what is given and to whom; the address stays, unless it is for others than before.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PublicationInput')),
        responses: [new Answers(PublicationData::class, 'Changed')])]
    public function update(Request $request, int $id): JsonResponse
    {
        $publication = $this->managed->own($id);

        return $this->change($publication, $this->addressed(PublicationInput::columns($request, $publication), $publication), 'changed');
    }

    #[OA\Put(path: '/publications/{id}/paused', operationId: 'pausePublication', summary: 'Gives nothing out for now, or gives it out again, at the same address.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['paused'], properties: [new OA\Property(property: 'paused', type: 'boolean')])),
        responses: [new Answers(PublicationData::class, 'Paused, or given out again')])]
    public function pause(Request $request, int $id): JsonResponse
    {
        $paused = $request->validate(['paused' => ['required', 'boolean']])['paused'];
        $publication = $this->managed->find($id);

        return $this->change($publication, ['paused_at' => $paused ? $publication->paused_at ?? now() : null], $paused ? 'paused' : 'given out again');
    }

    #[OA\Post(path: '/publications/{id}/renewal', operationId: 'renewPublication', summary: 'Gives it another secret link; the one before is answered for so many days more.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['days'], properties: [new OA\Property(property: 'days', type: 'integer', minimum: 0, maximum: 90)])),
        responses: [new Answers(PublicationData::class, 'Renewed')])]
    public function renew(Request $request, int $id): JsonResponse
    {
        $days = (int) $request->validate(['days' => ['required', 'integer', 'between:0,'.self::MOST_DAYS]])['days'];
        $publication = $this->managed->own($id);
        abort_if($publication->token_hash === null, 409, $publication->audience === Audience::NamedPeople ? 'Each of its people has a link: take that back, and make another.' : 'It has a readable address, which everybody may know. Change that instead.');

        return $this->change($publication, SecretToken::columns() + ['former_hash' => $publication->token_hash, 'former_until' => now()->addDays($days)], 'renewed');
    }

    #[OA\Delete(path: '/publications/{id}', operationId: 'endPublication', summary: 'Takes it back for good: its address says so.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Taken back')])]
    public function destroy(int $id): Response
    {
        $this->change($this->managed->find($id), ['ended_at' => now()], 'ended');

        return response()->noContent();
    }

    /** @param  array<string, mixed>  $change */
    private function change(Publication $publication, array $change, string $done): JsonResponse
    {
        $person = $this->viewer->person();
        DB::transaction(function () use ($publication, $change, $done, $person): void {
            $publication->update($change + ['version' => $publication->version + 1]);
            ChangeLog::publication($publication, $person, $done);
        });

        return new JsonResponse(PublicationData::of($publication, $person->id));
    }

    /**
     * With the address that it has: readable where it is for everybody, none where it is for named people, else secret, and the same
     * as before. A secret link to what everybody may read now goes on for a while.
     *
     * @param  array<string, mixed>  $columns
     * @return array<string, mixed>
     */
    private function addressed(array $columns, ?Publication $before): array
    {
        $none = ['token' => null, 'token_hash' => null];
        $isSecret = $before?->token_hash !== null;

        return match (Audience::from($columns['audience'])) {
            Audience::Everybody => $columns + $none + ($isSecret ? ['former_hash' => $before->token_hash, 'former_until' => now()->addDays(self::MOST_DAYS)] : []),
            Audience::NamedPeople => $columns + $none + ['former_hash' => null, 'former_until' => null],
            Audience::WithTheLink => $isSecret ? $columns : $columns + SecretToken::columns(),
        };
    }
}
