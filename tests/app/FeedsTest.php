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

test('the link is kept as a digest and encrypted, and told again to who made it alone', function () {
    $url = ($this->make)();
    expect(json_encode(DB::table('feeds')->get()))->not->toContain(basename($url, '.ics'));
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Manage);
    $this->as($this->ada, 'GET', '/feeds')->assertJsonPath('0.url', $url)->assertJsonPath('0.mine', true);
    $this->as($ben, 'GET', '/feeds')->assertJsonPath('0.url', null)->assertJsonPath('0.mine', false);
});

test('a link of which only the digest was kept works on, and cannot be told again', function () {
    $this->add($this->slip, $this->ada, title: 'Haul out');
    $url = ($this->make)();
    DB::table('feeds')->update(['token' => null]);
    $this->as($this->ada, 'GET', '/feeds')->assertJsonPath('0.url', null);
    expect(($this->fetch)($url)->assertOk()->getContent())->toContain('SUMMARY:Haul out');
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

describe('for oneself', function () {
    beforeEach(function () {
        $this->travelTo('2026-11-02 08:00:00');
        $this->ben = $this->person('Ben Oar');
        $this->own = fn (array $with = [], $by = null): array => $this->as($by ?? $this->ben, 'POST', '/feeds', $with + ['name' => 'My phone', 'detail' => 'full'])->assertCreated()->json();
        $this->read = fn (array $feed): string => ($this->fetch)($feed['url'])->assertOk()->getContent();
        $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-03T09:30', end: '2026-11-03T10:30', more: ['description' => 'Bring gloves', 'categories' => ['Boats']]);
        $this->add($this->slip, $this->ada, title: 'Hospital', start: '2026-11-04T09:30', end: '2026-11-04T10:30', more: ['private' => true, 'place' => 'Ward 7']);
    });

    test('whoever may see a calendar has it on their devices, as far as they may see it at that moment', function () {
        $this->as($this->ben, 'POST', '/feeds', ['name' => 'My phone', 'detail' => 'full', 'calendar' => $this->slip->slug])->assertNotFound();
        $this->give($this->slip, $this->ben, Level::See);
        $feed = ($this->own)(['calendar' => $this->slip->slug]);
        expect($feed)->toMatchArray(['of' => 'calendar', 'personal' => true, 'mine' => true])->and(($this->read)($feed))->toContain('SUMMARY:Haul out', 'SUMMARY:Busy')->not->toContain('Hospital', 'Ward 7');
        $this->give($this->slip, $this->ben, Level::BusyTimes);
        expect(($this->read)($feed))->toContain('SUMMARY:Busy')->not->toContain('Haul out', 'gloves');
        // Who manages the calendar knows of it and may end it; nobody but its maker has its address.
        $this->as($this->ada, 'GET', '/feeds')->assertJsonPath('0.personal', true)->assertJsonPath('0.url', null);
        $this->as($this->ada, 'DELETE', "/feeds/{$feed['id']}")->assertNoContent();
        expect(($this->read)($feed))->toContain('no longer shared here')->not->toContain('SUMMARY:Busy');
    });

    test('all on one’s list is one link, and what is one’s own goes along', function () {
        $this->give($this->slip, $this->ben, Level::See);
        $this->as($this->ben, 'PUT', "/calendars/{$this->slip->slug}/list", ['onList' => true])->assertOk();
        $own = App\Calendars\OwnCalendar::of($this->ben);
        $this->add($own, $this->ben, title: 'Dentist', start: '2026-11-05T09:30', end: '2026-11-05T10:30', more: ['private' => true]);
        $text = ($this->read)(($this->own)());
        expect($text)->toContain('SUMMARY:Haul out', 'DESCRIPTION:Bring gloves', 'SUMMARY:Busy', 'SUMMARY:Dentist')->not->toContain('Hospital', 'Ward 7')
            ->and(($this->read)(($this->own)(['detail' => 'busy'])))->toContain('SUMMARY:Busy')->not->toContain('Haul out', 'gloves', 'Dentist');
    });

    test('through an overlay it has what its layers take, each event once', function () {
        $this->give($this->slip, $this->ben, Level::See);
        $layer = ['name' => 'Boats', 'colour' => 'rose', 'mark' => 'star', 'takes' => 'chosen', 'calendars' => [$this->slip->slug], 'conditions' => [['about' => 'category', 'names' => ['Boats']]]];
        $overlay = $this->as($this->ben, 'POST', '/overlays', ['name' => 'Boats', 'layers' => [$layer]])->assertCreated()->json('slug');
        $feed = ($this->own)(['overlay' => $overlay]);
        expect(($this->read)($feed))->toContain('SUMMARY:Haul out')->not->toContain('SUMMARY:Busy')->and(substr_count(($this->read)($feed), 'BEGIN:VEVENT'))->toBe(1);
        $this->as($this->ada, 'POST', '/feeds', ['name' => 'Mine', 'detail' => 'full', 'overlay' => $overlay])->assertNotFound();
        $this->as($this->ben, 'DELETE', "/overlays/{$overlay}")->assertNoContent();
        ($this->fetch)($feed['url'])->assertNotFound();
    });

    test('it goes so far back, asks what it is told to, and reminds, at the same address', function () {
        $this->give($this->slip, $this->ben, Level::See);
        $this->add($this->slip, $this->ada, title: 'Long ago', start: '2026-10-05T09:30', end: '2026-10-05T10:30');
        $feed = ($this->own)(['calendar' => $this->slip->slug, 'weeksBack' => 1, 'reminderMinutes' => 30]);
        expect(($this->read)($feed))->toContain('SUMMARY:Haul out', 'BEGIN:VALARM', 'TRIGGER:-PT1800S')->not->toContain('Long ago')
            // Of what is only busy there is nothing to be reminded of.
            ->and(substr_count(($this->read)($feed), 'BEGIN:VALARM'))->toBe(1);
        $changed = $this->as($this->ben, 'PUT', "/feeds/{$feed['id']}", ['name' => 'My phone', 'detail' => 'full', 'conditions' => [['about' => 'words', 'words' => ['long']]]])->assertOk();
        $changed->assertJsonPath('url', $feed['url'])->assertJsonPath('reminderMinutes', null);
        expect(($this->read)($feed))->toContain('Long ago')->not->toContain('Haul out', 'VALARM', 'Busy');
        $this->as($this->ada, 'PUT', "/feeds/{$feed['id']}", ['name' => 'x', 'detail' => 'busy'])->assertForbidden();
        $this->as($this->ben, 'PUT', "/feeds/{$feed['id']}", ['name' => 'x', 'detail' => 'full', 'weeksBack' => -1])->assertUnprocessable();
    });

    test('a device that has it is not sent it again, and it is told what kind of program asked', function () {
        $this->give($this->slip, $this->ben, Level::See);
        $feed = ($this->own)(['calendar' => $this->slip->slug, 'weeksBack' => 1]);
        $etag = ($this->fetch)($feed['url'], ['User-Agent' => 'Calendars/9 (Android 15; Mobile)'])->headers->get('ETag');
        $this->as($this->ben, 'GET', '/feeds')->assertJsonPath('0.fetchedBy', 'a phone or tablet');
        DB::enableQueryLog();
        ($this->fetch)($feed['url'], ['If-None-Match' => $etag])->assertStatus(304);
        expect(collect(DB::getQueryLog())->pluck('query')->implode("\n"))->not->toContain('`occurrences`');
        DB::disableQueryLog();
        $this->add($this->slip, $this->ada);
        ($this->fetch)($feed['url'], ['If-None-Match' => $etag])->assertOk();
        $this->travelTo('2026-11-03 08:00:00');
        ($this->fetch)($feed['url'], ['If-None-Match' => $etag])->assertOk();
    });

    test('it ends where they are suspended or go, and is handed on to nobody', function () {
        $root = $this->person('Root', ['role' => 'administrator']);
        $this->give($this->slip, $this->ben, Level::See);
        $feed = ($this->own)(['calendar' => $this->slip->slug]);
        $this->as($root, 'PUT', "/people/{$this->ben->id}/suspended", ['suspended' => true])->assertOk();
        expect(($this->read)($feed))->toContain('no longer shared here')->not->toContain('Haul out');
        $this->as($root, 'PUT', "/people/{$this->ben->id}/suspended", ['suspended' => false])->assertOk();
        $this->as($root, 'GET', "/people/{$this->ben->id}/kept")->assertJsonPath('feeds', []);
        $this->as($root, 'POST', "/people/{$this->ben->id}/departure", ['handovers' => [], 'feeds' => $this->ada->id])->assertOk();
        expect(Feed::query()->sole())->created_by->toBe($this->ben->id)->revoked_at->not->toBeNull();
    });
});

test('of an overlay those who manage it make links for others, and nobody’s own calendar goes along', function () {
    $this->travelTo('2026-11-02 08:00:00');
    $this->add($this->slip, $this->ada, title: 'Haul out');
    $this->add(App\Calendars\OwnCalendar::of($this->ada), $this->ada, title: 'Dentist');
    $layer = ['name' => 'All', 'colour' => 'rose', 'mark' => 'star', 'takes' => 'all', 'calendars' => []];
    $overlay = $this->as($this->ada, 'POST', '/overlays', ['name' => 'Term', 'layers' => [$layer]])->assertCreated()->json('slug');
    $feed = $this->as($this->ada, 'POST', "/overlays/{$overlay}/feeds", ['name' => 'Wall', 'detail' => 'full'])->assertCreated()->assertJsonPath('personal', false)->json();
    expect(($this->fetch)($feed['url'])->assertOk()->getContent())->toContain('SUMMARY:Haul out')->not->toContain('Dentist');
    $ben = $this->person('Ben Oar');
    $this->as($ben, 'POST', "/overlays/{$overlay}/feeds", ['name' => 'Wall', 'detail' => 'full'])->assertNotFound();
    $this->as($ben, 'DELETE', "/feeds/{$feed['id']}")->assertNotFound();
});

test('an overlay is taken as a file by whoever looks through it, as they see it', function () {
    $this->travelTo('2026-11-02 08:00:00');
    $this->add($this->slip, $this->ada, title: 'Haul out', rule: 'FREQ=WEEKLY;COUNT=3');
    $this->add($this->slip, $this->ada, title: 'Hospital', start: '2026-11-04T09:30', end: '2026-11-04T10:30', more: ['private' => true]);
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::See);
    $layer = ['name' => 'All', 'colour' => 'rose', 'mark' => 'star', 'takes' => 'chosen', 'calendars' => [$this->slip->slug]];
    $overlay = $this->as($ben, 'POST', '/overlays', ['name' => 'Term', 'layers' => [$layer]])->assertCreated()->json('slug');
    $text = $this->as($ben, 'GET', "/overlays/{$overlay}/file")->assertOk()->assertHeader('Content-Disposition', "attachment; filename={$overlay}.ics")->streamedContent();
    expect(substr_count($text, 'SUMMARY:Haul out'))->toBe(3)->and($text)->toContain('SUMMARY:Busy', 'NAME:Term')->not->toContain('Hospital');
    $this->as($this->ada, 'GET', "/overlays/{$overlay}/file")->assertNotFound();
});

test('programs are told apart by kind', function (string $agent, string $kind) {
    expect(App\Feeds\ProgramKind::of($agent)->value)->toBe($kind);
})->with([
    ['Mozilla/5.0 (Linux; Android 15; Mobile) Gecko/128.0', 'a phone or tablet'],
    ['iOS/18.1 accountsd/1.0', 'a phone or tablet'],
    ['Mozilla/5.0 (X11; Linux x86_64) (like Gecko)', 'a browser'],
    ['Calendar/14 (Macintosh; 24B83)', 'a program on a computer'],
    ['Reader 3 (Windows NT 10.0)', 'a program on a computer'],
    ['Calendar-Importer/1.0 (+https://reader.example)', 'a service in the network'],
    ['', 'some program'],
]);
