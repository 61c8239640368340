<?php

use App\Feeds\Feed;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Illuminate\Testing\TestResponse;
use PinnedRota\Core\Access\Level;

beforeEach(function () {
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->make = fn (string $detail = 'full', $by = null): string => $this->as($by ?? $this->ada, 'POST', "/calendars/{$this->slip->slug}/feeds", ['name' => 'Boat hall', 'detail' => $detail])->assertCreated()->json('url');
    $this->fetch = function (string $url, array $headers = []): TestResponse {
        $this->app['auth']->forgetGuards();
        collect($this->app['router']->getRoutes()->getRoutes())->each->flushController();

        return $this->get((string) parse_url($url, PHP_URL_PATH), $headers);
    };
});

test('a feed gives the calendar as iCalendar to whoever has the link', function () {
    $this->add($this->slip, $this->ada, title: 'Haul out, gig 3', rule: 'FREQ=WEEKLY;COUNT=3', more: ['place' => 'Slip']);
    $answer = ($this->fetch)(($this->make)())->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8');
    expect($answer->getContent())->toStartWith("BEGIN:VCALENDAR\r\n")->toContain('SUMMARY:Haul out\, gig 3')->toContain('RRULE:FREQ=WEEKLY;COUNT=3')->toContain('NAME:Slipway');
    $this->as($this->ada, 'GET', '/feeds')->assertJsonPath('0.name', 'Boat hall')->assertJsonMissing(['lastFetchedAt' => null]);
});

test('other readers of iCalendar read a feed without complaint', function () {
    $this->add($this->slip, $this->ada, title: 'Weekly; with, marks', rule: 'FREQ=WEEKLY;COUNT=3', uid: 'weekly', more: ['description' => "two\nlines", 'categories' => ['a, b', 'c']]);
    $this->add($this->slip, $this->ada, title: str_repeat('Mårtensö ', 20), start: '2026-11-05', end: '2026-11-07', uid: 'days');
    $this->add($this->slip, $this->ada, title: 'New York', zone: 'America/New_York', uid: 'abroad');
    $this->as($this->ada, 'PATCH', '/events/'.DB::table('events')->where('uid', 'weekly')->value('id').'?occurrence=2026-11-09T09:30:00Z', ['start' => '2026-11-10T12:00', 'title' => 'Moved'], 1)->assertOk();
    $text = ($this->fetch)(($this->make)())->getContent();
    $expected = [
        'abroad|New York|2026-11-02T09:30:00|'.gmmktime(14, 30, 0, 11, 2, 2026),
        'days|'.trim(str_repeat('Mårtensö ', 20)).'|2026-11-05|',
        'weekly|Moved|2026-11-10T12:00:00|'.gmmktime(12, 0, 0, 11, 10, 2026),
        'weekly|Weekly; with, marks|2026-11-02T09:30:00|'.gmmktime(9, 30, 0, 11, 2, 2026),
    ];
    foreach (['/usr/bin/python3 tests/Support/read_ics.py', 'node tests/Support/read-ics.mjs'] as $reader) {
        $process = Process::path(base_path())->input($text)->run($reader);
        expect($process->errorOutput())->toBe('', $reader)->and(json_decode($process->output(), true))->toBe($expected, $reader);
    }
});

test('an unchanged feed is answered 304 without reading an event', function () {
    $this->add($this->slip, $this->ada);
    $url = ($this->make)();
    $etag = ($this->fetch)($url)->headers->get('ETag');
    DB::enableQueryLog();
    ($this->fetch)($url, ['If-None-Match' => $etag])->assertStatus(304);
    expect(collect(DB::getQueryLog())->pluck('query')->implode("\n"))->not->toContain('`events`');
    $this->add($this->slip, $this->ada);
    ($this->fetch)($url, ['If-None-Match' => $etag])->assertOk();
});

test('a link that was ended gives nothing any more, and the others go on', function () {
    [$one, $two] = [($this->make)(), ($this->make)()];
    $this->as($this->ada, 'DELETE', '/feeds/'.Feed::query()->min('id'))->assertNoContent();
    expect(($this->fetch)($one)->assertOk()->getContent())->toContain('This feed was ended');
    ($this->fetch)($two)->assertOk();
    $this->as($this->ada, 'GET', '/feeds')->assertJsonCount(1);
});

test('the link is kept as a digest only and never told again', function () {
    $token = basename(($this->make)(), '.ics');
    expect(json_encode(DB::table('feeds')->get()))->not->toContain($token)
        ->and($this->as($this->ada, 'GET', '/feeds')->getContent())->not->toContain($token);
});

test('a feed of busy times tells nothing else', function () {
    $this->add($this->slip, $this->ada, title: 'Hospital', uid: 'secret-uid', more: ['place' => 'Ward 7']);
    $this->add($this->slip, $this->ada, title: 'Free time', more: ['busy' => false]);
    $text = ($this->fetch)(($this->make)('busy'))->getContent();
    expect($text)->toContain('SUMMARY:Busy')->not->toContain('Hospital')->not->toContain('Ward')->not->toContain('secret-uid')->not->toContain('Free time');
});

test('a feed gives what its publisher may see at that moment, and ends with their access', function () {
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Manage);
    $url = ($this->make)('full', $ben);
    ($this->fetch)($url)->assertOk();
    $this->as($this->ada, 'PUT', "/calendars/{$this->slip->slug}/grants", ['kind' => 'person', 'id' => $ben->id, 'level' => 'busy'])->assertOk();
    $this->add($this->slip, $this->ada, title: 'Hospital');
    expect(($this->fetch)($url)->assertOk()->getContent())->not->toContain('Hospital');
    $this->as($this->ada, 'PUT', "/calendars/{$this->slip->slug}/grants", ['kind' => 'person', 'id' => $ben->id, 'level' => 'none'])->assertOk();
    expect(($this->fetch)($url)->assertOk()->getContent())->not->toContain('Busy')->toContain('may no longer see this calendar');
});

test('a feed of a deleted calendar, or of a link that never was, is answered alike', function () {
    $url = ($this->make)();
    $never = ($this->fetch)('/feeds/'.str_repeat('x', 32).'.ics')->assertNotFound()->getContent();
    $this->as($this->ada, 'DELETE', "/calendars/{$this->slip->slug}")->assertNoContent();
    expect(($this->fetch)($url)->assertNotFound()->getContent())->toBe($never);
});

test('nobody revokes what is not theirs', function () {
    ($this->make)();
    $this->as($this->person('Eve Else'), 'DELETE', '/feeds/'.Feed::query()->value('id'))->assertNotFound();
});
