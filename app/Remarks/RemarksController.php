<?php

namespace App\Remarks;

use App\Access\CurrentViewer;
use App\Access\Perspective;
use App\Api\Answers;
use App\Changes\Change;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\RecurrenceId;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/** Remarks on an event, by those who see it, where its calendar allows them. */
#[OA\Schema(schema: 'RemarkInput', required: ['text'], properties: [
    new OA\Property(property: 'text', description: 'At most 2,000 characters', type: 'string'),
    new OA\Property(property: 'occurrence', description: 'The time that is meant, of a series; null: all of it', type: 'string', nullable: true),
])]
final class RemarksController
{
    private const LONGEST = 2000;

    /** On one event. */
    private const MOST = 500;

    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen)
    {
    }

    #[OA\Get(path: '/events/{id}/remarks', operationId: 'listRemarks', summary: 'What was remarked on an event, for whoever sees it in full.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(RemarksData::class, 'The remarks')])]
    public function index(int $id): JsonResponse
    {
        return new JsonResponse($this->tell($this->open($id), $this->viewer->perspective()));
    }

    #[OA\Post(path: '/events/{id}/remarks', operationId: 'addRemark', summary: 'Remarks on an event; those who take part are told.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/RemarkInput')),
        responses: [new Answers(RemarksData::class, 'The remarks', 201)])]
    public function store(Request $request, int $id): JsonResponse
    {
        $head = $this->open($id);
        $input = $request->validate(['text' => ['required', 'string', 'max:'.self::LONGEST], 'occurrence' => ['sometimes', 'nullable', 'string', 'max:20']], [
            'text.required' => 'Write something first.', 'text.max' => 'A remark has at most 2,000 characters.',
        ]);
        $time = (string) ($input['occurrence'] ?? '');
        $series = $this->seen->load($head);
        $occurrence = $time === '' ? null : $this->seen->time($series, $time);
        if ($occurrence !== null) {
            $this->seen->demandFull($this->seen->visibility($head, $occurrence->event, $this->viewer->perspective()));
        }
        if (Remark::query()->where('event_id', $head->id)->count() >= self::MOST) {
            throw ValidationException::withMessages(['text' => 'There are as many remarks as an event can have: '.self::MOST.'.']);
        }
        DB::transaction(function () use ($head, $occurrence, $input): void {
            $remark = Remark::query()->create([
                'event_id' => $head->id, 'recurrence_id' => $occurrence?->recurrenceId === null ? '' : RecurrenceId::text($occurrence->recurrenceId), 'person_id' => $this->viewer->person()->id, 'text' => trim($input['text']),
            ]);
            Change::of($head->calendar_id);
            TellRemark::dispatch($remark->id);
        });

        return new JsonResponse($this->tell($head, $this->viewer->perspective()), 201);
    }

    #[OA\Delete(path: '/events/{id}/remarks/{remark}', operationId: 'deleteRemark', summary: 'Takes a remark away: one’s own, or any where one may change the event.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'remark', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Gone')])]
    public function destroy(int $id, int $remark): Response
    {
        $perspective = $this->viewer->perspective();
        $head = $this->seen->full($id, $perspective);
        $found = Remark::query()->where('event_id', $head->id)->findOrFail($remark);
        if ($found->person_id !== $this->viewer->person()->id && ! $this->seen->mayChangeByCalendar($head, $perspective)) {
            throw new AccessDeniedHttpException('Somebody else remarked this.');
        }
        DB::transaction(static function () use ($head, $found): void {
            $found->delete();
            Change::of($head->calendar_id);
        });

        return response()->noContent();
    }

    #[OA\Put(path: '/events/{id}/remarks/muted', operationId: 'muteRemarks', summary: 'Says whether one wants to be told of remarks on an event.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['muted'], properties: [new OA\Property(property: 'muted', type: 'boolean')])),
        responses: [new OA\Response(response: 204, description: 'Noted')])]
    public function mute(Request $request, int $id): Response
    {
        $head = $this->open($id);
        $of = ['person_id' => $this->viewer->person()->id, 'event_id' => $head->id];
        if ($request->validate(['muted' => ['required', 'boolean']])['muted']) {
            DB::table('event_remark_mutes')->insertOrIgnore($of);
        } else {
            DB::table('event_remark_mutes')->where($of)->delete();
        }

        return response()->noContent();
    }

    /** An event that is seen in full, on which remarks can be made. */
    private function open(int $id): EventRecord
    {
        $head = $this->seen->full($id, $this->viewer->perspective());
        if ($head->loadMissing('calendar')->calendar?->remarks !== true) {
            throw new AccessDeniedHttpException('This calendar takes no remarks.');
        }

        return $head;
    }

    private function tell(EventRecord $head, Perspective $perspective): RemarksData
    {
        $mayDelete = $this->seen->mayChangeByCalendar($head, $perspective);
        $series = $this->seen->load($head);
        $told = [];
        $me = $this->viewer->person()->id;
        foreach (Remark::query()->where('event_id', $head->id)->with('person:id,name')->orderBy('id')->get() as $each) {
            $time = $each->recurrence_id === '' ? null : $series->find(RecurrenceId::parse($each->recurrence_id));
            // Of a time that is hidden nothing is told; what was remarked on one that is gone, or goes by another name, is told of all of it.
            if ($time === null || $this->seen->isFull($head, $time->event, $perspective)) {
                $told[] = new RemarkData(
                    $each->id, $time === null ? null : $each->recurrence_id, $time?->start->local->toDate(), $each->person?->name, $each->created_at->toIso8601ZuluString(), $each->text, $mayDelete || $each->person_id === $me,
                );
            }
        }

        return new RemarksData($told, DB::table('event_remark_mutes')->where('person_id', $me)->where('event_id', $head->id)->exists());
    }
}
