<?php

namespace Database\Seeders\Demo;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\PinSeries;
use App\Events\Write\Commands\SetJoinable;
use App\Events\Write\Commands\SetTasks;
use App\Events\Write\OperationKind;
use App\Rooms\Room;

/** What hangs on some events of the demo school: rooms, pins, joining, what is to be prepared. */
final class DemoExtras
{
    private const ROOMS = ['Boat hall', 'Chart room', 'Drawing loft', 'Joinery shop', 'Long loft', 'Pontoon', 'Sail loft', 'Slipway'];

    /**
     * @param  array<string, Calendar>  $calendars
     * @param  array<string, Person>  $people
     */
    public function __construct(private readonly ChangeEvents $changes, private readonly array $calendars, private readonly array $people)
    {
    }

    public function lay(): void
    {
        foreach (self::ROOMS as $name) {
            Room::query()->create(['name' => $name]);
        }
        $open = $this->event('Launches and open days', 'Rope walk, public');
        $drill = $this->event('Safety drills', 'Man-overboard drill');
        $show = $this->event('Visits', 'Boat show, Lisbon');
        $this->change(
            OperationKind::Change, new SetJoinable($open, true),
            new SetTasks($open, [
                ['title' => 'Print the programme', 'days' => -7, 'doer' => $this->people['Ines Halloran']->id],
                ['title' => 'Rope and fids from the store', 'days' => -2, 'doer' => $this->people['Rufus Tamm']->id],
                ['title' => 'Thank the helpers', 'days' => 3, 'doer' => $this->people['Ines Halloran']->id],
            ]),
            new SetTasks($drill, [['title' => 'Check the safety boat', 'days' => -1, 'doer' => $this->people['Yusuf Calloway']->id]]),
        );
        $this->change(OperationKind::Pin, new PinSeries($open, $this->calendars['Volunteers']->id));
        $this->change(OperationKind::Pin, new PinSeries($show, $this->calendars['Staff away']->id));
        // She was on the council then: the pin stands, and shows nothing any more.
        $this->change(OperationKind::Pin, new PinSeries($this->event('Term council', 'Term council'), $this->calendars['Volunteers']->id, by: $this->people['Nadia Thornquist']->id));
    }

    private function change(OperationKind $kind, Command ...$commands): void
    {
        $this->changes->carryOut(Actor::person($this->people['Ines Halloran']), Cause::Script, $kind, array_values($commands));
    }

    private function event(string $calendar, string $title): int
    {
        return (int) EventRecord::query()->where('calendar_id', $this->calendars[$calendar]->id)->where('title', $title)->whereNull('series_id')->firstOrFail()->id;
    }
}
