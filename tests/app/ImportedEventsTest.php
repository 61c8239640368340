<?php

use App\Events\EventRecord;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Feeds\FeedDownloadController;
use App\Imports\Intake;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\ICalendar\Diagnostics;
use Tests\Support\Make;

/** Events of a kind that only files bring in so far, used as any other. */
beforeEach(function () {
    $this->ada = $this->person();
    $this->yard = $this->calendar($this->ada, 'Yard');
    $this->take = function (string $text): EventRecord {
        $intake = app(Intake::class);
        $intake->carryOut($this->yard, $intake->plan($this->yard, Make::stream($text), new Diagnostics), Actor::person($this->ada), Cause::Import);

        return EventRecord::query()->whereNull('series_id')->sole();
    };
    $this->starts = fn ($viewer = null): array => collect($this->sheet($viewer ?? $this->ada, '2026-11-01', '2026-12-31')->json('items'))
        ->map(fn (array $item): string => substr($item['start'], 5).' '.$item['title'])->all();
    $this->rowing = fn (string $more = ''): EventRecord => ($this->take)(Make::calendar(
        "UID:r\nDTSTART;TZID=Europe/London:20261102T093000\nDTEND;TZID=Europe/London:20261102T103000\nRRULE:FREQ=WEEKLY;COUNT=5\nSUMMARY:Rowing",
        "UID:r\nRECURRENCE-ID;RANGE=THISANDFUTURE;TZID=Europe/London:20261116T093000\nDTSTART;TZID=Europe/London:20261117T110000\nDTEND;TZID=Europe/London:20261117T120000\nSUMMARY:Later{$more}",
    ));
});

describe('a change that holds for all that follow', function () {
    test('shows in the sheet, and each is opened by its original start', function () {
        $event = ($this->rowing)();
        expect(($this->starts)())->toBe(['11-02T09:30 Rowing', '11-09T09:30 Rowing', '11-17T11:00 Later', '11-24T11:00 Later', '12-01T11:00 Later']);
        $this->as($this->ada, 'GET', "/events/{$event->id}?occurrence=2026-11-23T09:30:00Z")->assertOk()
            ->assertJsonPath('title', 'Later')->assertJsonPath('start', '2026-11-24T11:00')->assertJsonPath('end', '2026-11-24T12:00');
        $this->as($this->ada, 'GET', "/events/{$event->id}?occurrence=2026-11-09T09:30:00Z")->assertOk()->assertJsonPath('title', 'Rowing');
    });

    test('lets one of them be changed by itself, skipped and brought back', function () {
        $event = ($this->rowing)();
        $this->as($this->ada, 'PATCH', "/events/{$event->id}?occurrence=2026-11-23T09:30:00Z", ['title' => 'Race'], 1)->assertOk()->assertJsonPath('start', '2026-11-24T11:00');
        expect(($this->starts)())->toBe(['11-02T09:30 Rowing', '11-09T09:30 Rowing', '11-17T11:00 Later', '11-24T11:00 Race', '12-01T11:00 Later']);
        $this->as($this->ada, 'PATCH', "/events/{$event->id}?occurrence=2026-11-16T09:30:00Z", ['start' => '2026-11-18T15:00'], 2)->assertOk();
        expect(($this->starts)())->toBe(['11-02T09:30 Rowing', '11-09T09:30 Rowing', '11-18T15:00 Later', '11-24T11:00 Race', '12-01T11:00 Later']);
        $this->as($this->ada, 'DELETE', "/events/{$event->id}?occurrence=2026-11-30T09:30:00Z", [], 3)->assertNoContent();
        expect(($this->starts)())->toHaveCount(4);
        $this->as($this->ada, 'POST', "/events/{$event->id}/restore?occurrence=2026-11-30T09:30:00Z")->assertOk();
        expect(($this->starts)())->toHaveCount(5)->toContain('12-01T11:00 Later');
        $this->artisan('rota:verify-occurrences')->assertOk();
    });

    test('moves along when all of the series is moved', function () {
        $event = ($this->rowing)();
        $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['start' => '2026-11-03T09:30'], 1)->assertOk();
        expect(($this->starts)())->toBe(['11-03T09:30 Rowing', '11-10T09:30 Rowing', '11-17T11:00 Later', '11-24T11:00 Later', '12-01T11:00 Later']);
    });

    test('that leaves the time free is nothing to whoever sees busy times, and does not come back at its old time', function () {
        ($this->rowing)("\nTRANSP:TRANSPARENT");
        $ben = $this->person('Ben Oar');
        $this->give($this->yard, $ben, Level::BusyTimes);
        expect(($this->starts)($ben))->toBe(['11-02T09:30 Busy', '11-09T09:30 Busy']);
        $url = $this->as($this->ada, 'POST', "/calendars/{$this->yard->slug}/feeds", ['name' => 'Ben', 'detail' => 'busy'])->json('url');
        $this->app['auth']->forgetGuards();
        collect($this->app['router']->getRoutes()->getRoutes())->each->flushController();
        $text = $this->get((string) parse_url($url, PHP_URL_PATH))->assertOk()->getContent();
        expect($text)->toContain('RRULE:FREQ=WEEKLY;COUNT=2')->not->toContain('THISANDFUTURE')->not->toContain('Later');
    });
});

test('an event in a zone that its file describes is told by the name of that zone, and keeps it when it is changed', function () {
    $zone = "BEGIN:VTIMEZONE\r\nTZID:Our yard\r\nBEGIN:STANDARD\r\nDTSTART:19700101T000000\r\nTZOFFSETFROM:+0130\r\nTZOFFSETTO:+0130\r\nEND:STANDARD\r\nEND:VTIMEZONE\r\n";
    $event = ($this->take)(str_replace("BEGIN:VEVENT\r\n", $zone."BEGIN:VEVENT\r\n", Make::calendar("UID:1\nDTSTART;TZID=Our yard:20261102T093000\nSUMMARY:Yard")));
    expect(($this->starts)())->toBe(['11-02T08:00 Yard']);
    $this->as($this->ada, 'GET', "/events/{$event->id}")->assertJsonPath('timezone', 'Our yard')->assertJsonPath('start', '2026-11-02T09:30');
    $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['start' => '2026-11-03T12:00'], 1)->assertOk()->assertJsonPath('timezone', 'Our yard');
    expect(($this->starts)())->toBe(['11-03T10:30 Yard']);
});

test('what a form does not know of an event is still there after it was changed', function () {
    $event = ($this->take)(Make::calendar("UID:1\nDTSTART;TZID=Europe/London:20261102T093000\nSUMMARY:Trial\nATTENDEE;CN=Ben:mailto:ben@example.org\nX-ODD:kept\nGEO:54.5;-3.25\nPRIORITY:2\nBEGIN:VALARM\nACTION:DISPLAY\nTRIGGER:-PT10M\nEND:VALARM"));
    $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['title' => 'Sea trial', 'categories' => ['visit']], 1)->assertOk();
    $event->refresh();
    expect($event->title)->toBe('Sea trial')->and($event->priority)->toBe(2)
        ->and($event->details)->not->toContain('ATTENDEE')->toContain('X-ODD:kept')->toContain('GEO:54.5;-3.25')->toContain('TRIGGER:-PT600S');
});

test('people and reminders are no business of whoever sees busy times', function () {
    ($this->take)(Make::calendar("UID:1\nDTSTART;TZID=Europe/London:20261102T093000\nSUMMARY:Trial\nATTENDEE;CN=Ben:mailto:ben@example.org\nX-ODD:kept\nCOMMENT:knee"));
    $url = $this->as($this->ada, 'POST', "/calendars/{$this->yard->slug}/feeds", ['name' => 'Ben', 'detail' => 'busy'])->json('url');
    $this->app['auth']->forgetGuards();
    app()->forgetInstance(FeedDownloadController::class);
    collect($this->app['router']->getRoutes()->getRoutes())->each->flushController();
    $text = $this->get((string) parse_url($url, PHP_URL_PATH))->assertOk()->getContent();
    expect($text)->toContain('SUMMARY:Busy')->not->toContain('ATTENDEE')->not->toContain('X-ODD')->not->toContain('knee');
});

test('a series of thousands of skipped dates is stored whole', function () {
    $dates = implode(',', array_map(static fn (int $day): string => gmdate('Ymd\T093000', 1_700_000_000 + $day * 86_400), range(0, 4999)));
    $event = ($this->take)(Make::calendar("UID:1\nDTSTART:20231201T093000\nRRULE:FREQ=DAILY\nEXDATE:{$dates}\nSUMMARY:Rare"));
    expect(substr_count((string) $event->recurrence, 'EXDATE'))->toBe(5000)->and(($this->starts)())->toBe([]);
    $this->artisan('rota:verify-occurrences')->assertOk();
});
