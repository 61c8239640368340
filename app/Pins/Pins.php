<?php

namespace App\Pins;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Events\Event;
use App\Events\SeriesWriter;
use App\History\Operation;
use Illuminate\Support\Facades\DB;

/** Shows an event on further calendars, and takes it off them; each is an operation that can be undone. */
final class Pins
{
    /** What an operation on pins is called, and what undoes it. */
    public const OPPOSITES = ['pin' => 'unpin', 'unpin' => 'pin', 'join' => 'leave', 'leave' => 'join'];

    public function __construct(private readonly SeriesWriter $writer)
    {
    }

    /** @param  key-of<self::OPPOSITES>  $what */
    public function carryOut(string $what, Event $head, Calendar $calendar, Person $by): Operation
    {
        return DB::transaction(function () use ($what, $head, $calendar, $by): Operation {
            $this->put($what, $head, $calendar->id, $by->id);

            return Operation::query()->create(['person_id' => $by->id, 'what' => $what, 'about' => ['event' => $head->id, 'calendar' => $calendar->id, 'by' => $by->id], 'created_at' => now()]);
        }, 3);
    }

    /** Puts a pin as an operation left it, or as it was before. Call it inside a transaction. */
    public function turn(Operation $operation, Event $head, bool $back): void
    {
        $this->put($back ? self::OPPOSITES[$operation->what] : $operation->what, $head, $operation->about['calendar'], $operation->about['by']);
    }

    private function put(string $what, Event $head, int $calendarId, int $by): void
    {
        // In one order for everybody, so that of two who pin at once neither is turned away.
        DB::table('events')->where('id', $head->id)->lockForUpdate()->value('id');
        if ($what === 'pin' || $what === 'join') {
            Pin::query()->upsert([['event_id' => $head->id, 'calendar_id' => $calendarId, 'pinned_by' => $by, 'joined' => $what === 'join', 'created_at' => now()]], ['event_id', 'calendar_id'], ['pinned_by', 'joined']);
        } else {
            Pin::query()->where('event_id', $head->id)->where('calendar_id', $calendarId)->delete();
        }
        $this->writer->relay($head, $calendarId);
    }
}
