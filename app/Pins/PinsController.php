<?php

namespace App\Pins;

use App\Access\CurrentViewer;
use App\Api\Answers;
use App\Calendars\OwnCalendar;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Events\TargetCalendar;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\PinSeries;
use App\Events\Write\Commands\UnpinSeries;
use App\Events\Write\OperationKind;
use App\History\Operation;
use App\Http\Answer;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Level;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Pins events to further calendars, and joins those that are open for it. */
#[OA\Schema(schema: 'PinInput', required: ['calendar'], properties: [new OA\Property(property: 'calendar', type: 'string')])]
final class PinsController
{
    private const MOST = 200;

    public function __construct(private readonly CurrentViewer $viewer, private readonly SeenSeries $seen, private readonly TargetCalendar $targets, private readonly ChangeEvents $changes)
    {
    }

    #[OA\Post(path: '/events/{id}/pins', operationId: 'pinEvent', summary: 'Shows an event on a further calendar to which one may add; it stays one event.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PinInput')),
        responses: [new OA\Response(response: 204, description: 'Pinned')])]
    public function store(Request $request, int $id): Response
    {
        $head = $this->seen->full($id, $this->viewer->perspective());
        $target = $this->targets->named($request->validate(['calendar' => ['required', 'string', 'max:80']], ['calendar.required' => 'Choose the calendar it is pinned to.'])['calendar']);
        if ($target->calendar->id === $head->calendar_id || $head->pins->contains('calendar_id', $target->calendar->id)) {
            throw ValidationException::withMessages(['calendar' => "It is on {$target->calendar->name} already."]);
        }

        return Answer::done($this->carryOut(OperationKind::Pin, new PinSeries($id, $target->calendar->id)));
    }

    #[OA\Delete(path: '/events/{id}/pins/{pin}', operationId: 'unpinEvent', summary: 'Takes an event off a calendar that it is pinned to: for whoever pinned it, may edit that calendar, or may change the event.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\PathParameter(name: 'pin', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Taken off')])]
    public function destroy(int $id, int $pin): Response
    {
        $head = EventRecord::query()->whereNull('series_id')->with(EventRecord::WHOLE)->findOrFail($id);
        $found = $head->pins->where('asked', false)->firstWhere('id', $pin);
        $perspective = $this->viewer->perspective();
        // Who has nothing to do with the calendar sees what they see of the event, and no more by trying.
        $mayEdit = $found !== null && EventRights::mayChange($perspective->eventLevel($found->calendar_id), false);
        if ($found === null || ($found->pinned_by !== $this->viewer->person()->id && ! $mayEdit && ! $this->seen->mayChangeByCalendar($head, $perspective))) {
            $this->seen->partly($id, $perspective);
            throw $found === null || ! isset($perspective->calendars[$found->calendar_id]) ? new ConflictHttpException('It is not pinned there.') : new AccessDeniedHttpException('Somebody else pinned it there.');
        }

        if ($found->source_pin_id !== null) {
            throw new ConflictHttpException('All of its source is pinned there. On the page of that calendar it is taken off as a whole; what of it is not wanted is left out in its settings.');
        }

        return Answer::done($this->carryOut($found->joined ? OperationKind::Leave : OperationKind::Unpin, new UnpinSeries($id, $found->calendar_id)));
    }

    #[OA\Get(path: '/calendars/{slug}/pins', operationId: 'listPins', summary: 'What is pinned to a calendar from elsewhere, and what of it is no longer shared; for those who may change what is on it.', tags: ['calendars'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new Answers(CalendarPinData::class, 'The newest first, at most 200', many: true)])]
    public function index(string $slug, PinnerAccess $pinners): JsonResponse
    {
        $calendar = $this->viewer->calendar($slug, Level::Change)->calendar;
        $pins = Pin::query()->where('calendar_id', $calendar->id)->where('asked', false)->whereNull('source_pin_id')->orderByDesc('id')->limit(self::MOST)->get();
        $heads = EventRecord::query()->whereKey($pins->pluck('event_id'))->with(EventRecord::WHOLE)->get()->keyBy('id');
        $people = Person::query()->whereKey($pins->pluck('pinned_by')->filter())->pluck('name', 'id');
        $there = $pins->filter(static fn (Pin $pin): bool => $heads->has($pin->event_id));
        $pinners->prepare($there->map(static fn (Pin $pin): array => [$heads[$pin->event_id]->calendar_id, $pin->pinned_by])->values()->all());

        return new JsonResponse($there->map(fn (Pin $pin): CalendarPinData => CalendarPinData::of($pin, $heads[$pin->event_id], $people[$pin->pinned_by] ?? null, $this->seen->asSuch($heads[$pin->event_id], $this->viewer->perspective()->on($calendar->id))))->values());
    }

    #[OA\Post(path: '/events/{id}/join', operationId: 'joinEvent', summary: 'Joins an event that is open for it: it is pinned to one’s own calendar, and one is counted.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new Answers(JoinedEventData::class, 'The calendar it is on now')])]
    public function join(int $id): JsonResponse
    {
        return DB::transaction(fn (): JsonResponse => $this->joinOnce($id));
    }

    private function joinOnce(int $id): JsonResponse
    {
        // One after the other: whoever has no calendar of their own is made one, not one by each click.
        $person = Person::query()->lockForUpdate()->findOrFail($this->viewer->person()->id);
        $head = $this->seen->full($id, $this->viewer->perspective());
        if (! $head->joinable) {
            throw new ConflictHttpException('This event is not open for joining.');
        }
        if ($this->ownJoin($head) !== null) {
            throw new ConflictHttpException('You have joined this event already.');
        }
        $calendar = OwnCalendar::of($person);
        $operation = $this->carryOut(OperationKind::Join, new PinSeries($id, $calendar->id, true));

        return (new JsonResponse(new JoinedEventData($calendar->slug, $calendar->name)))->header(Operation::HEADER, (string) $operation->id);
    }

    #[OA\Delete(path: '/events/{id}/join', operationId: 'leaveEvent', summary: 'Takes back that one joined.', tags: ['events'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(response: 204, description: 'Left')])]
    public function leave(int $id): Response
    {
        $head = $this->seen->full($id, $this->viewer->perspective());
        $pin = $this->ownJoin($head) ?? throw new ConflictHttpException('You have not joined this event.');

        return Answer::done($this->carryOut(OperationKind::Leave, new UnpinSeries($id, $pin->calendar_id)));
    }

    private function carryOut(OperationKind $kind, Command $command): Operation
    {
        return $this->changes->carryOut(Actor::person($this->viewer->person()), Cause::Screen, $kind, [$command])->operation;
    }

    private function ownJoin(EventRecord $head): ?Pin
    {
        return $head->pins->first(fn (Pin $pin): bool => $pin->joined && $pin->pinned_by === $this->viewer->person()->id);
    }
}
