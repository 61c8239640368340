<?php

namespace Database\Seeders\Demo;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\Commands\ReplaceSeries;
use App\Events\Write\OperationKind;
use App\Following\Digest;
use App\Following\Follow;
use App\Following\FollowedKind;
use App\Overlays\Overlay;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\MeetingLink;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Notices\Pace;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What some of the demo school follow, and something that changes with it once they do. */
final class DemoFollowing
{
    private const USUAL = ['added', 'moved', 'changed', 'cancelled'];

    private const TOURS = 5;

    /**
     * @param  array<string, Calendar>  $calendars
     * @param  array<string, Person>  $people
     */
    public function __construct(private readonly ChangeEvents $changes, private readonly array $calendars, private readonly array $people)
    {
    }

    public function lay(): void
    {
        $ines = $this->people['Ines Halloran'];
        foreach (['Slipway', 'Volunteers', 'Van', 'Visits'] as $name) {
            $this->follow($ines, FollowedKind::Calendar, ['calendar_id' => $this->calendars[$name]->id], Pace::Now);
        }
        $this->follow($ines, FollowedKind::Overlay, ['overlay_id' => Overlay::query()->where('slug', 'the-term-at-a-glance')->sole()->id], Pace::Daily);
        // That of this morning is still to come, so that there is one to read.
        Digest::of($ines, Pace::Daily)->update(['last_on' => now($ines->timezone)->subDay()->toDateString()]);
        $this->calendars['Assessments']->update(['suggested_pace' => Pace::Now->value]);
        $this->moveTours();
        $this->meet();
    }

    /** A talk online that is on for an hour from the moment at which the demo is laid. */
    private function meet(): void
    {
        $kofi = $this->people['Kofi Arnesen'];
        $start = EventTime::instant(intdiv(now()->getTimestamp(), 300) * 300, Zone::of('Europe/London'));
        $talk = new Event(uid: 'sail-plan-talk@skerrin-quay.example', timing: EventTiming::between($start, $start->plusExactSeconds(3600)), contents: new EventContents('Talk about the sail plan'));
        $own = Calendar::query()->where('own_of', $kofi->id)->sole();
        $this->changes->carryOut(Actor::person($kofi), Cause::Script, OperationKind::Add, [new AddSeries($own->id, new Series(MeetingLink::put($talk, config('rota.standins.url').'/meet/sail-plan')))]);
    }

    /** @param  array<string, int>  $what */
    private function follow(Person $person, FollowedKind $kind, array $what, Pace $pace): void
    {
        Follow::query()->create(['person_id' => $person->id, 'kind' => $kind, 'target' => implode(' ', [$kind->value, ...array_values($what)]), 'wanted' => self::USUAL, 'pace' => $pace, 'by_mail' => true, 'in_inbox' => true] + $what);
    }

    /** Some visits, which Noor puts a week later. */
    private function moveTours(): void
    {
        $visits = $this->calendars['Visits'];
        $noor = Actor::person($this->people['Noor Feldkamp']);
        $moved = [];
        for ($day = 0; $day < self::TOURS; $day++) {
            $start = EventTime::zoned(LocalDateTime::parse(now('Europe/London')->addWeeks(9)->startOfWeek()->addDays($day)->format('Y-m-d').'T10:00'), Zone::of('Europe/London'));
            $id = $this->changes->carryOut($noor, Cause::Script, OperationKind::Add, [new AddSeries($visits->id, self::tour($day, $start))])->lastId();
            $moved[] = new ReplaceSeries($id, self::tour($day, $start->at($start->local->plusDays(7))));
        }
        $this->changes->carryOut($noor, Cause::Screen, OperationKind::Bulk, $moved);
    }

    private static function tour(int $number, EventTime $start): Series
    {
        return new Series(new Event(uid: "tour-{$number}@skerrin-quay.example", timing: EventTiming::between($start, $start->plusExactSeconds(3600)), contents: new EventContents('Boatyard tour', place: 'Joinery shop')));
    }
}
