<?php

namespace App\Following;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** What one is told of what changed with what one follows: read, or not yet. */
final class NoticesController
{
    private const MOST = 60;

    /** What was read is told for so many days. */
    private const READ_DAYS = 14;

    public function __construct(private readonly CurrentViewer $viewer, private readonly NoticeLines $lines)
    {
    }

    #[OA\Get(path: '/notices', operationId: 'listNotices', summary: 'What changed with what one follows: what one has not read, and what one read of late.', tags: ['following'],
        responses: [new Answers(NoticeData::class, 'Newest first, 60 at most', many: true)])]
    public function index(): JsonResponse
    {
        $perspective = $this->viewer->perspective();
        $today = now($this->viewer->person()->timezone)->toDateString();
        $told = $done = [];
        foreach ($this->own()->where(static fn (Builder $of) => $of->whereNull('read_at')->orWhere('read_at', '>', now()->subDays(self::READ_DAYS)))->orderByRaw('read_at IS NOT NULL')->orderByDesc('id')->limit(self::MOST)->get() as $notice) {
            $lines = $this->lines->seen(array_values(array_filter($notice->lines, static fn (array $line): bool => $line['inbox'])), $perspective);
            // What nobody can look at any more, and what is over, needs no reading.
            $isOver = array_filter($lines, static fn (array $line): bool => $line['on'] === null || $line['on'] >= $today) === [];
            if ($notice->read_at === null && $isOver) {
                $done[] = $notice->id;
            }
            if ($lines !== []) {
                $told[] = new NoticeData($notice->id, $notice->created_at->toIso8601ZuluString(), $notice->pace, $notice->read_at !== null || $isOver, array_map(static fn (array $line): NoticeLineData => NoticeLineData::of($line, $perspective), $lines));
            }
        }
        $this->own()->whereKey($done)->update(['read_at' => now()]);

        return new JsonResponse($told);
    }

    #[OA\Get(path: '/notices/unread', operationId: 'countNotices', summary: 'How much one has not read of it.', tags: ['following'],
        responses: [new Answers(UnreadData::class, 'How many')])]
    public function unread(): JsonResponse
    {
        return new JsonResponse(new UnreadData($this->own()->whereNull('read_at')->count()));
    }

    #[OA\Put(path: '/notices', operationId: 'readNotices', summary: 'Says that one has read all of it.', tags: ['following'],
        responses: [new OA\Response(response: 204, description: 'Noted')])]
    public function readAll(): Response
    {
        $this->own()->whereNull('read_at')->update(['read_at' => now()]);

        return response()->noContent();
    }

    #[OA\Put(path: '/notices/{id}', operationId: 'readNotice', summary: 'Says that one has read a notice, or not.', tags: ['following'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['read'], properties: [new OA\Property(property: 'read', type: 'boolean')])),
        responses: [new OA\Response(response: 204, description: 'Noted')])]
    public function read(Request $request, int $id): Response
    {
        $notice = $this->own()->findOrFail($id);
        $isRead = (bool) $request->validate(['read' => ['required', 'boolean']])['read'];
        $notice->update(['read_at' => $isRead ? $notice->read_at ?? now() : null]);

        return response()->noContent();
    }

    /** @return Builder<Notice> */
    private function own(): Builder
    {
        return Notice::query()->where('person_id', $this->viewer->person()->id)->where('in_inbox', true);
    }
}
