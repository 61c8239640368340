<?php

namespace App\Access;

use App\Api\Answers;
use App\Calendars\CalendarNameData;
use App\Changes\Change;
use App\Invitations\WaitingReplies;
use App\Overlays\HomeSheet;
use App\Participants\AnsweredEvents;
use App\Participants\AskedEvents;
use App\Sources\SourcesWaiting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Time\Zone;

/** What waits for the person: invitations to answer, requests to decide, and the answers to their own. */
#[OA\Schema(schema: 'InvitationAnswer', required: ['accepted'], properties: [
    new OA\Property(property: 'accepted', type: 'boolean'),
    new OA\Property(property: 'look', description: 'Whether it becomes a layer of the sheet that one begins with', type: 'boolean'),
])]
final class WaitingController
{
    public function __construct(
        private readonly CurrentViewer $viewer,
        private readonly Sharing $sharing,
        private readonly Audience $audience,
        private readonly AskedEvents $asked,
        private readonly AnsweredEvents $answered,
        private readonly WaitingReplies $replies,
        private readonly SourcesWaiting $sources,
    ) {
    }

    #[OA\Get(path: '/waiting', operationId: 'listWaiting', summary: 'Events that ask one to take part, invitations one has not answered, requests one may decide, and answers to one’s own.', tags: ['access'],
        responses: [new Answers(WaitingData::class, 'Newest first')])]
    public function index(): JsonResponse
    {
        $person = $this->viewer->person();
        $calendars = $this->viewer->calendars();
        $managed = $calendars->filter(fn (AccessibleCalendar $each): bool => $each->level() === Level::Manage)->keys();
        // An invitation to what was withdrawn since is none.
        $invitations = Invitation::query()->where('person_id', $person->id)->whereNull('answered_at')->whereIn('calendar_id', $calendars->keys())
            ->with('giver')->orderByDesc('id')->get();
        $requests = AccessRequest::query()->whereNull('decided_at')->whereIn('calendar_id', $managed)->with('person')->orderByDesc('id')->limit(200)->get()
            ->filter(fn (AccessRequest $each): bool => $each->person->isActive());
        $answers = AccessRequest::query()->where('person_id', $person->id)->whereNotNull('decided_at')->whereNull('seen_at')->whereIn('calendar_id', $calendars->keys())
            ->with('decider')->orderByDesc('id')->get();

        $somebody = 'Somebody who has left';

        return new JsonResponse(new WaitingData(
            $this->asked->of($this->viewer->perspective(), Zone::of($person->timezone)),
            $this->answered->of($this->viewer->perspective(), Zone::of($person->timezone)),
            $this->replies->of($this->viewer->perspective(), Zone::of($person->timezone)),
            $invitations->map(fn (Invitation $each): InvitationWaitingData => new InvitationWaitingData(
                $each->id, $each->giver->name ?? $somebody, $each->updated_at->toIso8601ZuluString(),
                $calendars[$each->calendar_id]->level(), $calendars[$each->calendar_id]->level()->means(), CalendarNameData::of($calendars[$each->calendar_id]->calendar),
            ))->values()->all(),
            $requests->map(fn (AccessRequest $each): RequestWaitingData => new RequestWaitingData(
                $each->id, $each->person->name, $each->person->post, $each->created_at->toIso8601ZuluString(),
                $each->level, $each->message, CalendarNameData::of($calendars[$each->calendar_id]->calendar),
            ))->values()->all(),
            $answers->map(fn (AccessRequest $each): AnswerWaitingData => new AnswerWaitingData(
                $each->id, $each->decider->name ?? $somebody, (string) $each->decided_at?->toIso8601ZuluString(),
                $each->given ?? Level::None, CalendarNameData::of($calendars[$each->calendar_id]->calendar),
            ))->values()->all(),
            $this->sources->all(),
        ));
    }

    #[OA\Put(path: '/invitations/{id}', operationId: 'answerInvitation', summary: 'Answers an invitation: the calendar goes on one’s list, or access by name is given back.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/InvitationAnswer')),
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function answer(Request $request, int $id): Response
    {
        $input = $request->validate(['accepted' => ['required', 'boolean'], 'look' => ['sometimes', 'boolean']]);
        $accepted = (bool) $input['accepted'];
        $look = $accepted && (bool) ($input['look'] ?? false);
        $person = $this->viewer->person();
        $invitation = Invitation::query()->where('person_id', $person->id)->whereIn('calendar_id', $this->viewer->calendars()->keys())->findOrFail($id);
        $calendar = $this->viewer->calendars()[$invitation->calendar_id]->calendar;
        DB::transaction(function () use ($invitation, $accepted, $look, $calendar, $person): void {
            $invitation->update(['answered_at' => now(), 'accepted' => $accepted]);
            $accepted ? $this->sharing->choose($calendar, $person, true) : $this->sharing->leave($calendar, $person, 'declined');
            if ($look) {
                HomeSheet::add($person, $calendar);
            }
            Change::ofAccess($this->audience->withManagers($calendar, new Subject(SubjectKind::Person, $person->id)));
        });

        return response()->noContent();
    }
}
