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
    $hour = static fn (int $hour, int $minute, int $day = 2): array => [(string) gmmktime($hour, $minute, 0, 11, $day, 2026), (string) gmmktime($hour + 1, $minute, 0, 11, $day, 2026)];
    $expected = [
        ['abroad', 'New York', '2026-11-02T09:30:00', ...$hour(14, 30), []],
        ['days', trim(str_repeat('Mårtensö ', 20)), '2026-11-05', '', '', []],
        ['weekly', 'Moved', '2026-11-10T12:00:00', ...$hour(12, 0, 10), []],
        ['weekly', 'Weekly; with, marks', '2026-11-02T09:30:00', ...$hour(9, 30), ['2026-11-02T09:30:00', '2026-11-09T09:30:00', '2026-11-16T09:30:00']],
    ];
    foreach (['/usr/bin/python3 tests/Support/read_ics.py', 'node tests/Support/read-ics.mjs', PHP_BINARY.' tests/Support/read_ics.php'] as $reader) {
        $process = Process::path(base_path())->input($text)->run($reader);
        expect($process->errorOutput())->toBe('', $reader)->and(collect(json_decode($process->output(), true))->sort()->values()->all())->toBe($expected, $reader);
    }
});

test('a feed says what it is, and of each event when it was made and changed', function () {
    $this->slip->update(['description' => 'What is on at the slip.']);
    $event = $this->add($this->slip, $this->ada, uid: 'one');
    DB::table('events')->where('id', $event->id)->update(['created_at' => '2026-10-01 08:00:00', 'updated_at' => '2026-10-02 09:00:00']);
    $this->add($this->slip, $this->ada, uid: 'two');
    $text = str_replace("\r\n ", '', ($this->fetch)(($this->make)())->getContent());
    expect($text)->toContain('DESCRIPTION:What is on at the slip.', 'URL;VALUE=URI:'.url("/calendars/{$this->slip->slug}"), 'COLOR:', 'REFRESH-INTERVAL;VALUE=DURATION:PT60M', 'DTSTAMP:20261002T090000Z', 'CREATED:20261001T080000Z', 'LAST-MODIFIED:20261002T090000Z')
        // Knowing the address is what gives access: a copy that is passed on does not say it.
        ->not->toContain('SOURCE', '/feeds/');
    preg_match('/UID:(\S+)/', $text, $uid);
    expect($uid[1])->toEndWith('@calendar.invalid')->and(($this->fetch)(($this->make)('busy'))->getContent())->not->toContain('What is on', 'CREATED', '20261001T080000Z');
    $this->as($this->ada, 'PUT', "/calendars/{$this->slip->slug}/grants", ['kind' => 'public', 'level' => 'see'])->assertOk();
    expect(str_replace("\r\n ", '', ($this->fetch)("/public/{$this->slip->slug}.ics")->getContent()))->toContain('SOURCE;VALUE=URI:'.url("/public/{$this->slip->slug}.ics"));
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

test('whoever opens an address with a browser where nothing is, gets a page with a way on, and learns nothing by it', function (string $address) {
    $this->calendar($this->ada, 'Not published', ['slug' => 'not-published']);
    $this->withHeader('Accept', 'text/html,application/xhtml+xml,*/*;q=0.8')->get($address)->assertNotFound()->assertHeader('Content-Type', 'text/html; charset=utf-8')->assertSee('Nothing is at this address')->assertSee('href="/"', false)->assertDontSee('Not published');
})->with(['/public/nothing', '/public/nothing.ics', '/public/not-published.ics', '/feeds/abcdefgh.ics', '/feeds/odd']);

test('nobody revokes what is not theirs', function () {
    ($this->make)();
    $this->as($this->person('Eve Else'), 'DELETE', '/feeds/'.Feed::query()->value('id'))->assertNotFound();
});
