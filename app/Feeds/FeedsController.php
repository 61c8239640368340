<?php

namespace App\Feeds;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Calendars\Calendar;
use App\ChangeLog\ChangeLog;
use App\Overlays\Overlay;
use App\Publishing\Kept\CountReads;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Publishing\SecretToken;

final class FeedsController
{
    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    #[OA\Get(path: '/feeds', operationId: 'listFeeds', summary: 'The feed links one has made, and those on calendars and overlays one manages.', tags: ['feeds'],
        responses: [new Answers(FeedData::class, 'Newest first', many: true)])]
    public function index(CountReads $reads): JsonResponse
    {
        $reads->run();
        $viewerId = $this->viewer->person()->id;

        return new JsonResponse($this->known()->with(['calendar', 'overlay', 'publisher'])->orderByDesc('id')->get()->map(static fn (Feed $each): FeedData => FeedData::of($each, $viewerId)));
    }

    #[OA\Post(path: '/calendars/{slug}/feeds', operationId: 'createFeed', summary: 'Makes a secret feed link of a calendar for a reader or a place, by those who manage it.', tags: ['feeds'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/FeedInput')),
        responses: [new Answers(FeedData::class, 'The link', 201)])]
    public function store(Request $request, string $slug): JsonResponse
    {
        return $this->make($request, $this->viewer->calendar($slug, Level::Manage)->calendar, null, false);
    }

    #[OA\Post(path: '/overlays/{slug}/feeds', operationId: 'createOverlayFeed', summary: 'Makes a secret feed link of an overlay for a reader or a place, by those who manage it; it gives what its maker sees through it.', tags: ['feeds'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/FeedInput')),
        responses: [new Answers(FeedData::class, 'The link', 201)])]
    public function storeOfOverlay(Request $request, string $slug): JsonResponse
    {
        return $this->make($request, null, $this->viewer->overlay($slug, Level::Manage), false);
    }

    #[OA\Post(path: '/feeds', operationId: 'createPersonalFeed', summary: 'Makes a secret feed link for oneself: of a calendar or an overlay that one sees, or of all on one’s list.', tags: ['feeds'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(allOf: [new OA\Schema(ref: '#/components/schemas/FeedInput'), new OA\Schema(properties: [
            new OA\Property(property: 'calendar', type: 'string', nullable: true), new OA\Property(property: 'overlay', type: 'string', nullable: true),
        ])])),
        responses: [new Answers(FeedData::class, 'The link', 201)])]
    public function storePersonal(Request $request): JsonResponse
    {
        $of = $request->validate(['calendar' => ['sometimes', 'nullable', 'string', 'max:80', 'prohibits:overlay'], 'overlay' => ['sometimes', 'nullable', 'string', 'max:80']]);
        $calendar = isset($of['calendar']) ? $this->viewer->calendar($of['calendar'], Level::BusyTimes)->calendar : null;

        return $this->make($request, $calendar, isset($of['overlay']) ? $this->viewer->overlay($of['overlay'], Level::See) : null, true);
    }

    #[OA\Put(path: '/feeds/{id}', operationId: 'changeFeed', summary: 'Changes what a feed link of one’s own gives; its address stays.', tags: ['feeds'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/FeedInput')),
        responses: [new Answers(FeedData::class, 'Changed')])]
    public function update(Request $request, int $id): JsonResponse
    {
        $feed = $this->known()->with(['calendar', 'overlay', 'publisher'])->findOrFail($id);
        abort_if($feed->created_by !== $this->viewer->person()->id, 403, "Only {$feed->publisher->name} may change it. You may revoke it.");
        $feed->update(FeedInput::columns($request) + ['version' => $feed->version + 1]);

        return new JsonResponse(FeedData::of($feed, $feed->created_by));
    }

    #[OA\Delete(path: '/feeds/{id}', operationId: 'revokeFeed', summary: 'Revokes a feed link; the others go on.', tags: ['feeds'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Revoked')])]
    public function destroy(int $id): Response
    {
        $feed = $this->known()->findOrFail($id);
        DB::transaction(function () use ($feed): void {
            $feed->update(['revoked_at' => now()]);
            $this->log($feed, made: false);
        });

        return response()->noContent();
    }

    private function make(Request $request, ?Calendar $calendar, ?Overlay $overlay, bool $personal): JsonResponse
    {
        $columns = FeedInput::columns($request);
        $person = $this->viewer->person();
        $feed = DB::transaction(function () use ($calendar, $overlay, $columns, $person, $personal): Feed {
            $made = Feed::query()->create($columns + ['calendar_id' => $calendar?->id, 'overlay_id' => $overlay?->id, 'personal' => $personal, 'created_by' => $person->id] + SecretToken::columns());
            $this->log($made, made: true);

            return $made;
        });

        return new JsonResponse(FeedData::of($feed->load(['calendar', 'overlay', 'publisher']), $person->id), 201);
    }

    /** Calendars have a log; what somebody makes for themselves stands in it, too: it gives away what they see. */
    private function log(Feed $feed, bool $made): void
    {
        $calendar = $feed->calendar()->withTrashed()->first();
        if ($calendar !== null) {
            ChangeLog::feed($calendar, $this->viewer->person(), $feed->name, made: $made);
        }
    }

    /** @return Builder<Feed> one's own, and those on what one manages */
    private function known(): Builder
    {
        return Feed::standing()->where(fn ($query) => $query->whereIn('calendar_id', $this->viewer->managedCalendars())->orWhereIn('overlay_id', $this->viewer->managedOverlays())->orWhere('created_by', $this->viewer->person()->id));
    }
}
