<?php

namespace App\Participants;

use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Following\TellAtOnce;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\Places;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Notices\NoticeTime;
use PinnedRota\Core\Notices\NoticeWords;

/** Tells somebody of the directory that they have a place now, or wait for one: as it stands when they are told. */
final class TellPlace implements ShouldQueue
{
    use Queueable;

    /** @param  string  $time  the name of the time that is meant, of a series; empty: all of it */
    public function __construct(private readonly int $seriesId, private readonly string $time, private readonly int $personId)
    {
        $this->afterCommit();
    }

    public function handle(SeenSeries $seen, TellAtOnce $tell): void
    {
        $head = EventRecord::query()->with(EventRecord::WHOLE)->find($this->seriesId);
        $series = $head === null ? null : $seen->load($head);
        $event = $this->time === '' ? $series?->events()[0] : $series?->find(RecurrenceId::parse($this->time))?->event;
        $who = Participant::standingFor(Party::person($this->personId));
        $answer = $event === null ? null : Participants::find($event->participants, $who)?->answer;
        if ($head === null || $event === null || ! in_array($answer, [ParticipantAnswer::Accepted, ParticipantAnswer::Waiting], true)) {
            return;
        }
        $at = Places::position($event, $who);
        $tell->tell(
            $head, $this->time, [$this->personId],
            static fn (NoticeWords $words, NoticeTime $time): string => $at === null ? $words->place($time) : $words->waits($time, $at),
            static fn (Person $person): array => [true, $person->invitations_by_mail],
        );
    }
}
