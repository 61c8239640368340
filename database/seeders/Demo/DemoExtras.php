<?php

namespace Database\Seeders\Demo;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Directory\Room;
use App\Events\Event;
use App\Events\SeriesWriter;
use App\Pins\Pin;
use App\Preparation\TasksInput;

/** What hangs on some events of the demo school: rooms, pins, joining, what is to be prepared. */
final class DemoExtras
{
    private const ROOMS = ['Boat hall', 'Chart room', 'Drawing loft', 'Joinery shop', 'Long loft', 'Pontoon', 'Sail loft', 'Slipway'];

    /**
     * @param  array<string, Calendar>  $calendars
     * @param  array<string, Person>  $people
     */
    public function __construct(private readonly SeriesWriter $writer, private readonly array $calendars, private readonly array $people)
    {
    }

    public function lay(): void
    {
        foreach (self::ROOMS as $name) {
            Room::query()->create(['name' => $name]);
        }
        $open = $this->event('Launches and open days', 'Rope walk, public');
        $open->update(['joinable' => true]);
        $this->pin($open, 'Volunteers', 'Ines Halloran');
        TasksInput::put($open, [
            ['title' => 'Print the programme', 'days' => -7, 'doer' => $this->people['Ines Halloran']->id],
            ['title' => 'Rope and fids from the store', 'days' => -2, 'doer' => $this->people['Rufus Tamm']->id],
            ['title' => 'Thank the helpers', 'days' => 3, 'doer' => $this->people['Ines Halloran']->id],
        ]);
        $drill = $this->event('Safety drills', 'Man-overboard drill');
        TasksInput::put($drill, [['title' => 'Check the safety boat', 'days' => -1, 'doer' => $this->people['Yusuf Calloway']->id]]);
        $this->pin($this->event('Visits', 'Boat show, Lisbon'), 'Staff away', 'Ines Halloran');
    }

    private function event(string $calendar, string $title): Event
    {
        return Event::query()->where('calendar_id', $this->calendars[$calendar]->id)->where('title', $title)->whereNull('series_id')->firstOrFail();
    }

    private function pin(Event $event, string $calendar, string $by): void
    {
        Pin::query()->insert(['event_id' => $event->id, 'calendar_id' => $this->calendars[$calendar]->id, 'pinned_by' => $this->people[$by]->id]);
        $this->writer->relay($event, $this->calendars[$calendar]->id);
    }
}
