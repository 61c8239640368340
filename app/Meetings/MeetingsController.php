<?php

namespace App\Meetings;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Time\Zone;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Meetings online. */
final class MeetingsController
{
    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    #[OA\Get(path: '/meetings', operationId: 'listMeetings', summary: 'What meets online now or within ten minutes, of what one sees.', tags: ['events'],
        responses: [new Answers(OngoingMeetingData::class, 'By when they begin', many: true)])]
    public function index(OngoingMeetings $meetings): JsonResponse
    {
        return new JsonResponse($meetings->of($this->viewer->perspective(), Zone::of($this->viewer->person()->timezone)));
    }

    #[OA\Post(path: '/meetings', operationId: 'makeMeeting', summary: 'Makes a link of a meeting, as the organisation has said how.', tags: ['events'],
        responses: [new Answers(MeetingData::class, 'The link', 201), new OA\Response(response: 409, description: 'None is to be had; the title says why')])]
    public function store(Meetings $meetings): JsonResponse
    {
        $this->viewer->person();
        try {
            return new JsonResponse(new MeetingData($meetings->make()), 201);
        } catch (NoMeeting $problem) {
            throw new ConflictHttpException($problem->getMessage(), $problem);
        }
    }
}
