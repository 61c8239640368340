<?php

namespace App\Invitations;

use App\Access\CurrentViewer;
use App\Changes\Change;
use App\Events\Read\SeenSeries;
use App\Outbox\LetterKind;
use App\Outbox\Outbox;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** What whoever asked says to what came back by mail. */
#[OA\Schema(schema: 'ReplyDecision', required: ['take'], properties: [
    new OA\Property(property: 'take', description: 'Whether the event is moved to the proposed time, or the answer counted; else it is left as it is', type: 'boolean'),
])]
final class RepliesController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen, private readonly TakeReply $taking, private readonly Outbox $outbox)
    {
    }

    #[OA\Put(path: '/replies/{id}', operationId: 'decideReply', summary: 'Takes what came back by mail to an event that one asks others to, or leaves it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/ReplyDecision')),
        responses: [new OA\Response(response: 204, description: 'Done')])]
    public function update(Request $request, int $id): Response
    {
        $take = (bool) $request->validate(['take' => ['required', 'boolean']])['take'];
        $person = $this->viewer->person();
        $perspective = $this->viewer->perspective();
        DB::transaction(function () use ($id, $take, $person, $perspective): void {
            $reply = WaitingReplies::waitingFor($person->id)->lockForUpdate()->findOrFail($id);
            $head = $this->seen->full($reply->event_id, $perspective);
            if ($take) {
                $this->taking->take($reply, $head, $perspective, $person);
            } elseif ($reply->kind === ReplyKind::Proposal && $reply->invitation !== null) {
                $this->outbox->put(LetterKind::ProposalDeclined, [[
                    'slot' => null, 'address' => $reply->invitation->address, 'person_id' => $reply->invitation->person_id, 'invitation_id' => $reply->invitation_id, 'about' => ['occurrence' => $reply->occurrence],
                ]], now());
            }
            $reply->update(['handled_at' => now()]);
            Change::ofAccess([$person->id]);
        });

        return response()->noContent();
    }
}
