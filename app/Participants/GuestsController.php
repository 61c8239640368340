<?php

namespace App\Participants;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Events\Read\SeenSeries;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\History\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\GuestRight;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** Those who are asked ask others to an event, too, where it lets them. */
#[OA\Schema(schema: 'GuestsInput', required: ['guests'], properties: [
    new OA\Property(property: 'guests', description: 'People, by who they are or by mail address; ten at most', type: 'array', items: new OA\Items(required: ['kind'], properties: [
        new OA\Property(property: 'kind', type: 'string', enum: ['person', 'address']),
        new OA\Property(property: 'id', type: 'integer', nullable: true),
        new OA\Property(property: 'address', type: 'string', nullable: true),
        new OA\Property(property: 'name', type: 'string', nullable: true),
    ])),
    new OA\Property(property: 'occurrence', description: 'The time that is meant, of a series; null: all of it', type: 'string', nullable: true),
])]
final class GuestsController
{
    /** As many as one brings at a time. */
    private const AT_ONCE = 10;

    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen, private readonly BringGuests $bring)
    {
    }

    #[OA\Post(path: '/events/{id}/guests', operationId: 'bringGuests', summary: 'Asks others to an event to which one is asked oneself, where it lets one.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/GuestsInput')),
        responses: [new Answers(BroughtData::class, 'How many are asked from now on', 201)])]
    public function store(Request $request, int $id): JsonResponse
    {
        $perspective = $this->viewer->perspective();
        $head = $this->seen->full($id, $perspective);
        if (! $this->seen->mayChange($head, $perspective) && ! $this->seen->mayAsGuest(GuestRight::Bring, $head, $perspective)) {
            throw new AccessDeniedHttpException('Who is asked to this event does not ask others.');
        }
        $input = $request->validate([
            'guests' => ['required', 'array', 'max:'.self::AT_ONCE],
            'guests.*.kind' => ['required', Rule::in(['person', 'address'])],
            'guests.*.id' => ['required_if:guests.*.kind,person', 'nullable', 'integer'],
            'guests.*.address' => ['required_if:guests.*.kind,address', 'nullable', 'email', 'max:180'],
            'guests.*.name' => ['sometimes', 'nullable', 'string', 'max:120'],
            'occurrence' => ['sometimes', 'nullable', 'string', 'max:20'],
        ], ['guests.required' => 'Say whom you bring.', 'guests.*.address.email' => 'This is no mail address.', 'guests.*.address.required_if' => 'Give the mail address.']);
        $time = (string) ($input['occurrence'] ?? '') === '' ? null : $this->seen->time($this->seen->load($head), (string) $input['occurrence']);
        [$done, $asked] = $this->bring->ask($head, $time, array_values($input['guests']), Actor::person($this->viewer->person()), Cause::Screen);

        return (new JsonResponse(new BroughtData($asked), 201))->header(Operation::HEADER, (string) $done->operation->id);
    }
}
