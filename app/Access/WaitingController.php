<?php

namespace App\Access;

use App\Changes\Change;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;

/** What waits for the person: invitations to answer, requests to decide, and the answers to their own. */
final class WaitingController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly Sharing $sharing)
    {
    }

    #[OA\Get(path: '/waiting', operationId: 'listWaiting', summary: 'Invitations one has not answered, requests one may decide, and answers to one’s own.', tags: ['access'],
        responses: [new OA\Response(response: 200, description: 'Newest first', content: new OA\JsonContent(ref: '#/components/schemas/Waiting'))])]
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

        return new JsonResponse([
            'invitations' => $invitations->map(fn (Invitation $each): array => [
                'id' => $each->id, 'by' => $each->giver->name ?? 'Somebody who has left', 'at' => $each->updated_at->toIso8601ZuluString(),
                'level' => $calendars[$each->calendar_id]->level()->value, 'means' => $calendars[$each->calendar_id]->level()->means(),
            ] + $this->calendar($calendars[$each->calendar_id]))->values(),
            'requests' => $requests->map(fn (AccessRequest $each): array => [
                'id' => $each->id, 'by' => $each->person->name, 'post' => $each->person->post, 'at' => $each->created_at->toIso8601ZuluString(),
                'level' => $each->level->value, 'message' => $each->message,
            ] + $this->calendar($calendars[$each->calendar_id]))->values(),
            'answers' => $answers->map(fn (AccessRequest $each): array => [
                'id' => $each->id, 'by' => $each->decider->name ?? 'Somebody who has left', 'at' => $each->decided_at?->toIso8601ZuluString(),
                'level' => $each->given->value ?? 'none',
            ] + $this->calendar($calendars[$each->calendar_id]))->values(),
        ]);
    }

    #[OA\Put(path: '/invitations/{id}', operationId: 'answerInvitation', summary: 'Answers an invitation: the calendar goes on one’s list, or access by name is given back.', tags: ['access'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/InvitationAnswer')),
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function answer(Request $request, int $id): Response
    {
        $accepted = (bool) $request->validate(['accepted' => ['required', 'boolean']])['accepted'];
        $person = $this->viewer->person();
        $invitation = Invitation::query()->where('person_id', $person->id)->whereIn('calendar_id', $this->viewer->calendars()->keys())->findOrFail($id);
        $calendar = $this->viewer->calendars()[$invitation->calendar_id]->calendar;
        DB::transaction(function () use ($invitation, $accepted, $calendar, $person): void {
            $invitation->update(['answered_at' => now(), 'accepted' => $accepted]);
            $accepted ? $this->sharing->choose($calendar, $person, true) : $this->sharing->leave($calendar, $person, 'declined');
            Change::ofAccess();
        });

        return response()->noContent();
    }

    /** @return array{calendar: array<string, string>} */
    private function calendar(AccessibleCalendar $each): array
    {
        return ['calendar' => ['slug' => $each->calendar->slug, 'name' => $each->calendar->name, 'colour' => $each->calendar->colour->value, 'mark' => $each->calendar->mark->value]];
    }
}
