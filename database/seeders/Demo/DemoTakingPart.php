<?php

namespace Database\Seeders\Demo;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\Commands\AnswerSeries;
use App\Events\Write\OperationKind;
use App\Remarks\Remark;
use App\Remarks\TellRemark;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\GuestRight;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Places;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\TravelTime;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** A day out that takes three, to which more would come; and what is remarked on it. */
final class DemoTakingPart
{
    private const ASKED = ['Leocadia Brandt', 'Pavel Trewin', 'Amara Lyndhurst', 'Mateus Ferngold', 'Rashid Penhale'];

    /** In the order in which they say so. */
    private const COME = ['Amara Lyndhurst', 'Leocadia Brandt', 'Pavel Trewin', 'Mateus Ferngold'];

    /**
     * @param  array<string, Calendar>  $calendars
     * @param  array<string, Person>  $people
     */
    public function __construct(private readonly ChangeEvents $changes, private readonly array $calendars, private readonly array $people)
    {
    }

    public function lay(): void
    {
        $this->calendars['Visits']->update(['remarks' => true]);
        $start = EventTime::zoned(LocalDateTime::parse(now('Europe/London')->addWeeks(2)->startOfWeek()->addDays(3)->format('Y-m-d').'T09:30'), Zone::of('Europe/London'));
        $day = new Event(
            uid: 'tall-ship@skerrin-quay.example', timing: EventTiming::between($start, $start->plusExactSeconds(23_400)),
            contents: new EventContents('Day on the tall ship', place: 'Outer harbour', description: 'She takes three of us. Oilskins are on board.'),
            participants: array_map(fn (string $name): Participant => Participant::ofPerson($this->people[$name]->id, $this->people[$name]->email, $name, ParticipantRole::Required), self::ASKED),
        );
        $day = GuestRight::put(TravelTime::put(Places::put($day, 3), 45), [GuestRight::Bring, GuestRight::See]);
        $id = $this->changes->carryOut(Actor::person($this->people['Ines Halloran']), Cause::Script, OperationKind::Add, [new AddSeries($this->calendars['Visits']->id, new Series($day))])->lastId();
        foreach (self::COME as $name) {
            $person = $this->people[$name];
            $who = Participant::ofPerson($person->id, $person->email, $name, ParticipantRole::Required);
            $this->changes->carryOut(Actor::person($person), Cause::Screen, OperationKind::Answer, [new AnswerSeries($id, $who, ParticipantAnswer::Accepted)]);
        }
        foreach (['Pavel Trewin' => 'Can we bring our own harness?', 'Leocadia Brandt' => "Yes, if it was tested this year.\nShow it to me the day before."] as $name => $text) {
            $remark = Remark::query()->create(['event_id' => $id, 'person_id' => $this->people[$name]->id, 'text' => $text]);
        }
        TellRemark::dispatch($remark->id);
    }
}
