<?php

namespace App\Publishing;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\ChangeLog\ChangeLog;
use App\Feeds\Feed;
use App\Publishing\Kept\CountReads;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

final class PublicationsController
{
    private const MOST_DAYS = 90;

    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    #[OA\Get(path: '/publications', operationId: 'listPublications', summary: 'What one has published, and what of the calendars and overlays that one manages.', tags: ['publications'],
        responses: [new Answers(PublicationData::class, 'Newest first', many: true)])]
    public function index(CountReads $reads): JsonResponse
    {
        $reads->run();
        $publications = $this->mine()->orderByDesc('id')->get();
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

        return new JsonResponse(PublicationData::of($publication->load(['calendar', 'overlay', 'publisher']), $person->id), 201);
    }

    #[OA\Put(path: '/publications/{id}', operationId: 'changePublication', summary: 'Changes what is given and to whom; the address stays, unless it is for others than before.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PublicationInput')),
        responses: [new Answers(PublicationData::class, 'Changed')])]
    public function update(Request $request, int $id): JsonResponse
    {
        $publication = $this->own($id);

        return $this->change($publication, $this->addressed(PublicationInput::columns($request, $publication), $publication), 'changed');
    }

    #[OA\Put(path: '/publications/{id}/paused', operationId: 'pausePublication', summary: 'Gives nothing out for now, or gives it out again, at the same address.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['paused'], properties: [new OA\Property(property: 'paused', type: 'boolean')])),
        responses: [new Answers(PublicationData::class, 'Paused, or given out again')])]
    public function pause(Request $request, int $id): JsonResponse
    {
        $paused = $request->validate(['paused' => ['required', 'boolean']])['paused'];
        $publication = $this->found($id);

        return $this->change($publication, ['paused_at' => $paused ? $publication->paused_at ?? now() : null], $paused ? 'paused' : 'given out again');
    }

    #[OA\Post(path: '/publications/{id}/renewal', operationId: 'renewPublication', summary: 'Gives it another secret link; the one before is answered for so many days more.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['days'], properties: [new OA\Property(property: 'days', type: 'integer', minimum: 0, maximum: 90)])),
        responses: [new Answers(PublicationData::class, 'Renewed')])]
    public function renew(Request $request, int $id): JsonResponse
    {
        $days = (int) $request->validate(['days' => ['required', 'integer', 'between:0,'.self::MOST_DAYS]])['days'];
        $publication = $this->own($id);
        abort_if($publication->token_hash === null, 409, 'It has a readable address, which everybody may know. Change that instead.');

        return $this->change($publication, self::newToken() + ['former_hash' => $publication->token_hash, 'former_until' => now()->addDays($days)], 'renewed');
    }

    #[OA\Delete(path: '/publications/{id}', operationId: 'endPublication', summary: 'Takes it back for good: its address says so.', tags: ['publications'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Taken back')])]
    public function destroy(int $id): Response
    {
        $this->change($this->found($id), ['ended_at' => now()], 'ended');

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

    private function found(int $id): Publication
    {
        return $this->mine()->findOrFail($id);
    }

    /** It gives what its publisher may see: nobody else decides how much of that, or makes a new way to it. */
    private function own(int $id): Publication
    {
        $publication = $this->found($id);
        abort_if($publication->published_by !== $this->viewer->person()->id, 403, "Only {$publication->publisher->name} may change it. You may pause it, or take it back.");

        return $publication;
    }

    /** @return Builder<Publication> of one's own, and of what one manages */
    private function mine(): Builder
    {
        return Publication::standing()->with(['calendar', 'overlay', 'publisher'])
            ->where(fn ($query) => $query->whereIn('calendar_id', $this->viewer->managedCalendars())->orWhereIn('overlay_id', $this->viewer->managedOverlays())->orWhere('published_by', $this->viewer->person()->id));
    }

    /**
     * With the address that it has: readable where it is for everybody, else secret, and the same as before.
     *
     * @param  array<string, mixed>  $columns
     * @return array<string, mixed>
     */
    private function addressed(array $columns, ?Publication $before): array
    {
        if ($columns['slug'] !== null) {
            return $columns + ['token' => null, 'token_hash' => null];
        }

        return $before?->token_hash !== null ? $columns : $columns + self::newToken();
    }

    /** @return array{token: string, token_hash: string} */
    private static function newToken(): array
    {
        $token = Feed::newToken();

        return ['token' => $token, 'token_hash' => Publication::digest($token)];
    }
}
