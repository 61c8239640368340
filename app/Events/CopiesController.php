<?php

namespace App\Events;

use App\Access\CurrentViewer;
use App\History\Operation;
use App\History\Recorder;
use Closure;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\RecurrenceId;

final class CopiesController
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenEvents $seen, private readonly TargetCalendar $targets, private readonly SeriesWriter $writer, private readonly Recorder $recorder, private readonly EventJson $json, private readonly EventCopy $copy)
    {
    }

    #[OA\Post(path: '/events/{id}/copies', operationId: 'copyEvent', summary: 'Copies an event, or with “occurrence” that one time of it, to a calendar to which one may add; the copy is independent.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'occurrence', required: false, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PinInput')),
        responses: [new OA\Response(response: 201, description: 'The copy', content: new OA\JsonContent(ref: '#/components/schemas/Event'))])]
    public function store(Request $request, int $id): JsonResponse
    {
        $head = $this->seen->full($id);
        $target = $this->targets->named($request->validate(['calendar' => ['required', 'string', 'max:80']], ['calendar.required' => 'Choose the calendar it is copied to.'])['calendar']);
        $series = $this->seen->load($head);
        $text = $request->query('occurrence');
        $occurrence = is_string($text) && $text !== '' ? ($series->find(RecurrenceId::parse($text)) ?? throw (new ModelNotFoundException)->setModel(Event::class)) : null;
        $copy = $this->copy->of($head, $series, $occurrence, Str::uuid()->toString(), $this->viewer->sight());
        $this->targets->demandCategoriesOf($target, $copy);
        $person = $this->viewer->person();
        $added = $this->recorder->record($person, 'add', [], function (Closure $added) use ($target, $copy, $person, $head): Event {
            $new = $this->writer->add($target->calendar->id, $copy, ['created_by' => $person->id, 'updated_by' => $person->id, 'copied_from' => $head->id]);
            $added($new->id);

            return $new;
        });
        $told = $this->seen->load($added);

        return (new JsonResponse($this->json->tell($added, $told->master ?? $told->overrides[0], null, $this->viewer->sight()), 201))->header(Operation::HEADER, (string) $this->recorder->last?->id);
    }
}
