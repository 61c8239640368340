<?php

namespace App\Copies;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Events\EventData;
use App\Events\EventPresenter;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Events\TargetCalendar;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\NewSeries;
use App\Events\Write\OperationKind;
use App\History\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use OpenApi\Attributes as OA;

final class CopiesController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen, private readonly TargetCalendar $targets, private readonly ChangeEvents $changes, private readonly EventPresenter $presenter, private readonly EventCopy $copy)
    {
    }

    #[OA\Post(path: '/events/{id}/copies', operationId: 'copyEvent', summary: 'Copies an event, or with “occurrence” that one time of it, to a calendar to which one may add; the copy is independent.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'occurrence', required: false, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PinInput')),
        responses: [new Answers(EventData::class, 'The copy', 201)])]
    public function store(Request $request, int $id): JsonResponse
    {
        $perspective = $this->viewer->perspective();
        $head = $this->seen->partly($id, $perspective);
        $target = $this->targets->named($request->validate(['calendar' => ['required', 'string', 'max:80']], ['calendar.required' => 'Choose the calendar it is copied to.'])['calendar']);
        $series = $this->seen->load($head);
        $text = $request->query('occurrence');
        $occurrence = is_string($text) && $text !== '' ? $this->seen->time($series, $text) : null;
        $copy = $this->copy->of($head, $series, $occurrence, Str::uuid()->toString(), $perspective);
        $this->targets->demandCategoriesOf($target, $copy);
        $done = $this->changes->carryOut(Actor::person($this->viewer->person()), Cause::Screen, OperationKind::Add, [new AddSeries($target->calendar->id, $copy, new NewSeries(copiedFrom: $head->id))]);
        $added = EventRecord::query()->findOrFail($done->lastId());

        return (new JsonResponse($this->presenter->tell($added, $this->seen->load($added)->events()[0], null, $perspective), 201))->header(Operation::HEADER, (string) $done->operation->id);
    }
}
