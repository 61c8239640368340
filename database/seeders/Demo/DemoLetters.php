<?php

namespace Database\Seeders\Demo;

use App\Calendars\Calendar;
use App\Directory\Group;
use App\Directory\Person;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\Commands\AnswerSeries;
use App\Events\Write\OperationKind;
use App\Invitations\EventInvitation;
use App\Invitations\ReceivedReply;
use App\Invitations\ReplyKind;
use App\Reminders\OwnReminder;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Reminders;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** Something that the demo school asks a group and people outside to, what they answer, and the letters of it: they go out once mail does. */
final class DemoLetters
{
    private const HARBOUR = 'master@skerrin-harbour.example';

    /**
     * @param  array<string, Calendar>  $calendars
     * @param  array<string, Person>  $people
     * @param  array<string, Group>  $groups
     */
    public function __construct(private readonly ChangeEvents $changes, private readonly array $calendars, private readonly array $people, private readonly array $groups)
    {
    }

    public function lay(): void
    {
        $ines = Actor::person($this->people['Ines Halloran']);
        $rigging = Participant::ofGroup($this->groups['Rigging']->id, 'Rigging', ParticipantRole::Required);
        $harbour = Participant::ofAddress(self::HARBOUR, 'Harbour master', ParticipantRole::Required);
        // One at whose address nobody is: the letter comes back.
        $surveyor = Participant::ofAddress('surveyor@unreachable.example', 'Surveyor', ParticipantRole::Optional);
        $start = EventTime::zoned(LocalDateTime::parse(now('Europe/London')->addDays(8)->format('Y-m-d').'T14:00'), Zone::of('Europe/London'));
        $id = $this->changes->carryOut($ines, Cause::Screen, OperationKind::Add, [new AddSeries($this->calendars['Visits']->id, new Series(new Event(
            uid: 'quay-inspection@skerrin-quay.example', timing: EventTiming::between($start, $start->plusExactSeconds(5400)),
            contents: new EventContents('Quay inspection', place: 'Long quay', description: "We look at the fenders and the ladders together.\nBring a lifejacket."), participants: [$rigging, $harbour, $surveyor], reminders: Reminders::put([], [1440]),
        )))])->lastId();
        OwnReminder::query()->create(['person_id' => $this->people['Ines Halloran']->id, 'event_id' => $id, 'minutes' => 60]);
        $esi = $this->people['Esi Marchetti'];
        $this->changes->carryOut(Actor::person($esi), Cause::Screen, OperationKind::Answer, [new AnswerSeries($id, Participant::ofMember($esi->id, $esi->email, $esi->name, $rigging), ParticipantAnswer::Accepted, 'I bring the long ladder')]);
        ReceivedReply::query()->create([
            'event_id' => $id, 'invitation_id' => EventInvitation::query()->where('event_id', $id)->where('address', self::HARBOUR)->value('id'), 'kind' => ReplyKind::Proposal, 'sender' => self::HARBOUR,
            'answer' => ParticipantAnswer::Tentative, 'starts' => RecurrenceId::text($start->plusExactSeconds(3600)), 'ends' => RecurrenceId::text($start->plusExactSeconds(3600 + 5400)), 'note' => 'At two the ferry comes in. An hour later?',
        ]);
    }
}
