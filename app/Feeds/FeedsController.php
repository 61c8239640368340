<?php

namespace App\Feeds;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\ChangeLog\ChangeLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;

#[OA\Schema(schema: 'FeedInput', required: ['name', 'detail'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'detail', type: 'string', enum: ['full', 'busy']),
])]
final class FeedsController
{
    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    #[OA\Get(path: '/feeds', operationId: 'listFeeds', summary: 'The feed links one has made, and those on calendars one manages.', tags: ['feeds'],
        responses: [new Answers(FeedData::class, 'Newest first', many: true)])]
    public function index(): JsonResponse
    {
        $managed = $this->viewer->calendars()->filter(fn ($each): bool => $each->level() === Level::Manage)->keys();
        $feeds = Feed::query()->whereNull('revoked_at')->whereHas('calendar')
            ->where(fn ($query) => $query->whereIn('calendar_id', $managed)->orWhere('created_by', $this->viewer->person()->id))
            ->with(['calendar', 'publisher'])->orderByDesc('id')->get();

        return new JsonResponse($feeds->map(FeedData::of(...)));
    }

    #[OA\Post(path: '/calendars/{slug}/feeds', operationId: 'createFeed', summary: 'Makes a secret feed link; the answer is the only one that has it.', tags: ['feeds'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/FeedInput')),
        responses: [new Answers(NewFeedData::class, 'The link', 201)])]
    public function store(Request $request, string $slug): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Manage)->calendar;
        $input = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'detail' => ['required', Rule::in(['full', 'busy'])],
        ], ['name.required' => 'Say who or what place the link is for.']);
        $token = Feed::newToken();
        $person = $this->viewer->person();
        $feed = DB::transaction(function () use ($calendar, $input, $token, $person): Feed {
            ChangeLog::feed($calendar, $person, $input['name'], made: true);

            return Feed::query()->create($input + ['calendar_id' => $calendar->id, 'token_hash' => hash('sha256', $token), 'created_by' => $person->id]);
        });

        return new JsonResponse(new NewFeedData(FeedData::of($feed->load(['calendar', 'publisher'])), url("/feeds/{$token}.ics")), 201);
    }

    #[OA\Delete(path: '/feeds/{id}', operationId: 'revokeFeed', summary: 'Revokes a feed link; the others go on.', tags: ['feeds'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Revoked')])]
    public function destroy(int $id): Response
    {
        $feed = Feed::query()->whereNull('revoked_at')->findOrFail($id);
        $level = $this->viewer->calendars()[$feed->calendar_id] ?? null;
        abort_unless($feed->created_by === $this->viewer->person()->id || $level?->level() === Level::Manage, 404);
        DB::transaction(function () use ($feed): void {
            $feed->update(['revoked_at' => now()]);
            ChangeLog::feed($feed->calendar()->withTrashed()->firstOrFail(), $this->viewer->person(), $feed->name, made: false);
        });

        return response()->noContent();
    }
}
