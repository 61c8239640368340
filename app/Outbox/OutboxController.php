<?php

namespace App\Outbox;

use App\Access\CurrentViewer;
use App\Api\Answers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** What went out by mail, to whom, and what did not; for administrators. */
final class OutboxController
{
    private const PAGE = 50;

    public function __construct(private readonly CurrentViewer $viewer)
    {
    }

    #[OA\Get(path: '/outbox', operationId: 'listOutbox', summary: 'What went out by mail, to whom, and what did not; not what it says. For administrators.', tags: ['directory'],
        parameters: [
            new OA\QueryParameter(name: 'state', required: false, description: 'Those alone with which it stands so', schema: new OA\Schema(type: 'string', enum: LetterState::class)),
            new OA\QueryParameter(name: 'before', required: false, description: 'The id of a letter; older ones are told', schema: new OA\Schema(type: 'integer')),
        ],
        responses: [new Answers(OutboxLetterData::class, 'Newest first, 50 at a time', many: true)])]
    public function index(Request $request): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $asked = $request->validate(['state' => ['sometimes', Rule::enum(LetterState::class)], 'before' => ['sometimes', 'integer']]);
        $letters = OutboxLetter::query()->with('person')->when(isset($asked['state']), static fn ($of) => $of->where('state', $asked['state']))->when(isset($asked['before']), static fn ($of) => $of->where('id', '<', (int) $asked['before']));

        return new JsonResponse($letters->orderByDesc('id')->limit(self::PAGE)->get()->map(OutboxLetterData::of(...))->all());
    }

    #[OA\Post(path: '/outbox/{id}/again', operationId: 'sendLetterAgain', summary: 'Has a letter that was given up tried again; for administrators.', tags: ['directory'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(OutboxLetterData::class, 'The letter')])]
    public function again(int $id): JsonResponse
    {
        $this->viewer->demandAdministrator();
        $letter = OutboxLetter::query()->where('state', LetterState::Failed)->findOrFail($id);
        $letter->update(['state' => LetterState::Waiting, 'due_at' => now(), 'claimed_until' => null, 'attempts' => 0]);
        SendDueLetters::dispatch();

        return new JsonResponse(OutboxLetterData::of($letter));
    }
}
