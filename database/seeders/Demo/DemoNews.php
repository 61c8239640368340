<?php

namespace Database\Seeders\Demo;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\Commands\DeleteSeries;
use App\Events\Write\Commands\ReplaceSeries;
use App\Events\Write\OperationKind;
use App\Events\Write\Telling;
use App\Notices\Visit;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What some did in the demo school since the others looked. */
final class DemoNews
{
    /**
     * @param  array<string, Calendar>  $calendars
     * @param  array<string, Person>  $people
     */
    public function __construct(private readonly ChangeEvents $changes, private readonly EventTranslator $translator, private readonly array $calendars, private readonly array $people)
    {
    }

    public function lay(): void
    {
        // All that was laid so far was there when they looked yesterday.
        DB::table('operations')->update(['created_at' => now()->subDays(2)]);
        DB::table('series_changes')->update(['changed_at' => now()->subDays(2)]);
        foreach ($this->people as $person) {
            Visit::query()->create(['person_id' => $person->id, 'since' => now()->subDay(), 'last_at' => now()]);
        }
        $this->change('Oda Lindqvarn', OperationKind::Change, $this->next('Slipway', 'Cradle check', fn (EventRecord $head): Command => new ReplaceSeries($head->id, $this->series($head)->each(self::later(...)))));
        $this->change('Noor Feldkamp', OperationKind::Change, $this->next('Volunteers', 'Quay clean-up', fn (EventRecord $head): Command => new ReplaceSeries($head->id, $this->series($head)->each(static fn (Event $event): Event => $event->with(contents: $event->contents->with(place: 'Long quay'))))));
        $this->change('Rufus Tamm', OperationKind::Delete, $this->next('Van', 'Timber run', static fn (EventRecord $head): Command => new DeleteSeries($head->id)));
        $start = EventTime::zoned(LocalDateTime::parse(now('Europe/London')->addDays(3)->format('Y-m-d').'T09:00'), Zone::of('Europe/London'));
        $this->change('Oda Lindqvarn', OperationKind::Add, new AddSeries($this->calendars['Slipway']->id, new Series(new Event(uid: 'slip-inspection@skerrin-quay.example', timing: EventTiming::between($start, $start->plusExactSeconds(3600)), contents: new EventContents('Slip inspection', place: 'Slipway')))));
    }

    private static function later(Event $event): Event
    {
        $start = $event->timing->start;

        return $event->with(timing: EventTiming::between($start->at($start->local->plusSeconds(26 * 3600)), $event->timing->end->at($event->timing->end->local->plusSeconds(26 * 3600))));
    }

    /**
     * The next event of that name, if there is one yet to come.
     *
     * @param  callable(EventRecord): Command  $command
     */
    private function next(string $calendar, string $title, callable $command): ?Command
    {
        $head = EventRecord::query()->where('calendar_id', $this->calendars[$calendar]->id)->where('title', $title)->whereNull('series_id')->where('repeats', false)
            ->where('starts_local', '>=', now()->addDay()->startOfDay())->orderBy('starts_local')->first();

        return $head === null ? null : $command($head);
    }

    private function series(EventRecord $head): Series
    {
        return $this->translator->series($head->load(EventRecord::WHOLE));
    }

    private function change(string $person, OperationKind $kind, ?Command $command): void
    {
        if ($command !== null) {
            $this->changes->carryOut(Actor::person($this->people[$person]), Cause::Screen, $kind, [$command], telling: Telling::Quietly);
        }
    }
}
