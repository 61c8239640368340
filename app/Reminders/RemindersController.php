<?php

namespace App\Reminders;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Events\Read\SeenSeries;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** Of what one wants to be reminded oneself: nobody else sees it, and it changes nothing of the event. */
#[OA\Schema(schema: 'OwnRemindersInput', required: ['minutes'], properties: [
    new OA\Property(property: 'minutes', description: 'Before the start, all that are to be; at most ten, of four weeks at most', type: 'array', items: new OA\Items(type: 'integer')),
])]
final class RemindersController
{
    private const MOST = 10;

    /** Four weeks. */
    private const LONGEST = 40_320;

    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen)
    {
    }

    #[OA\Get(path: '/reminders', operationId: 'listReminders', summary: 'Of what one is reminded now, beside by mail: of the last ten minutes.', tags: ['events'],
        responses: [new Answers(ReminderNowData::class, 'Newest first', many: true)])]
    public function index(RemindersNow $reminders): JsonResponse
    {
        return new JsonResponse($reminders->of($this->viewer->person(), $this->viewer->perspective()));
    }

    #[OA\Put(path: '/events/{id}/reminders', operationId: 'putOwnReminders', summary: 'Says when one wants to be reminded of an event oneself, by mail; of a series, of each time of it.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/OwnRemindersInput')),
        responses: [new OA\Response(response: 204, description: 'Noted')])]
    public function update(Request $request, int $id): Response
    {
        $head = $this->seen->partly($id, $this->viewer->perspective());
        $minutes = array_unique(array_map(intval(...), $request->validate(['minutes' => ['present', 'array', 'max:'.self::MOST], 'minutes.*' => ['integer', 'between:0,'.self::LONGEST]])['minutes']));
        $own = ['person_id' => $this->viewer->person()->id, 'event_id' => $head->id];
        DB::transaction(static function () use ($own, $minutes): void {
            OwnReminder::query()->where($own)->whereNotIn('minutes', $minutes)->delete();
            // Those that stay have been sent, or not, as they were.
            DB::table('own_reminders')->insertOrIgnore(array_map(static fn (int $each): array => $own + ['minutes' => $each, 'created_at' => now()], array_values($minutes)));
        });

        return response()->noContent();
    }
}
