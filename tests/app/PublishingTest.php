<?php

use App\Events\EventRecord;
use App\Publishing\Publication;
use Illuminate\Support\Arr;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Illuminate\Testing\TestResponse;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Status;

const FOUND = ['Hospital', 'Ward 7', 'kneecap', 'Wellbeing', 'Noor Feldkamp', 'ada.secret'];

beforeEach(function () {
    $this->travelTo('2026-11-02 08:00:00');
    $this->ada = $this->person('Ada Quill');
    $this->noor = $this->person('Noor Feldkamp');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->publish = fn (array $with = [], $by = null): array => $this->as($by ?? $this->ada, 'POST', '/publications', $with + [
        'calendar' => $this->slip->slug, 'name' => 'Slip', 'detail' => 'everything', 'audience' => 'with the link', 'period' => 'all',
    ])->assertCreated()->json();
    $this->fetch = function (string $url, string $query = '', array $headers = []): TestResponse {
        $this->app['auth']->forgetGuards();
        collect($this->app['router']->getRoutes()->getRoutes())->each->flushController();

        return $this->get(parse_url($url, PHP_URL_PATH).$query, $headers);
    };
    $this->visit = fn (): EventRecord => $this->add($this->slip, $this->ada, title: 'Hospital', uid: 'ada.secret', more: [
        'place' => 'Ward 7', 'description' => 'kneecap', 'categories' => ['Wellbeing'], 'participants' => [new Participant("mailto:{$this->noor->email}", $this->noor->name, role: ParticipantRole::Responsible)],
    ]);
});

test('whoever has the address reads the page, without an account or a cookie', function () {
    ($this->visit)();
    $answer = ($this->fetch)(($this->publish)()['address'])->assertOk()->assertHeader('Content-Type', 'text/html; charset=utf-8')->assertHeader('X-Robots-Tag', 'noindex');
    expect($answer->getContent())->toContain('Hospital', 'Ward 7', 'Wellbeing', 'Noor Feldkamp', 'Monday 2 November', 'noindex')
        // A description and the UID by which it is known elsewhere are no part of a page.
        ->not->toContain('kneecap', 'ada.secret', 'ld+json')
        ->and($answer->headers->getCookies())->toBe([]);
});

test('each detail tells what it says and no more, in every view, in all of the page and its headers', function (string $detail, array $told) {
    ($this->visit)();
    foreach (['with the link', 'everybody'] as $audience) {
        $address = ($this->publish)(['detail' => $detail, 'audience' => $audience, 'slug' => 'slip'])['address'];
        foreach (['?view=list', '?view=month', '?view=week', '?view=lanes', '?category=Wellbeing', '?category=Ward'] as $query) {
            $answer = ($this->fetch)($address, $query)->assertOk();
            $text = $answer->getContent().$answer->headers;
            foreach (array_diff(FOUND, $told) as $secret) {
                // What somebody asks for is in the links of the page that they get.
                expect(str_replace(['category=Wellbeing', 'value="Wellbeing"'], '', $text))->not->toContain($secret);
            }
        }
        $text = ($this->fetch)($address)->getContent();
        foreach ($told as $each) {
            expect($text)->toContain($each);
        }
    }
})->with([
    'busy times' => ['busy times', []],
    'titles' => ['titles', ['Hospital']],
    'without people' => ['without people', ['Hospital', 'Ward 7', 'Wellbeing']],
    'everything' => ['everything', ['Hospital', 'Ward 7', 'Wellbeing', 'Noor Feldkamp']],
]);

test('where categories are not told, asking for one tells nothing of them', function () {
    ($this->visit)();
    $address = ($this->publish)(['detail' => 'titles'])['address'];
    $told = fn (string $category): int => substr_count(($this->fetch)($address, "?category={$category}")->getContent(), 'Hospital');
    expect($told('Wellbeing'))->toBe(1)->and($told('Other'))->toBe(1);
});

test('a private event is a busy time at most, also to who takes part in it and publishes it', function (string $detail) {
    ($this->visit)();
    EventRecord::query()->update(['private' => true]);
    $text = ($this->fetch)(($this->publish)(['detail' => $detail])['address'])->getContent();
    expect($text)->toContain('Busy');
    foreach (FOUND as $secret) {
        expect($text)->not->toContain($secret);
    }
})->with(['busy times', 'titles', 'without people', 'everything']);

test('it gives what its publisher may see at that moment', function () {
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Manage);
    ($this->visit)();
    $address = ($this->publish)(by: $ben)['address'];
    expect(($this->fetch)($address)->getContent())->toContain('Hospital');
    $this->as($this->ada, 'PUT', "/calendars/{$this->slip->slug}/grants", ['kind' => 'person', 'id' => $ben->id, 'level' => 'busy'])->assertOk();
    expect(($this->fetch)($address)->getContent())->toContain('Busy')->not->toContain('Hospital');
    $this->as($this->ada, 'PUT', "/calendars/{$this->slip->slug}/grants", ['kind' => 'person', 'id' => $ben->id, 'level' => 'none'])->assertOk();
    expect(($this->fetch)($address)->assertOk()->getContent())->toContain('Nothing is shown here at the moment')->not->toContain('Busy', 'Hospital');
});

test('where its publisher is suspended, or the calendar deleted, it shows nothing', function () {
    ($this->visit)();
    $address = ($this->publish)()['address'];
    $this->ada->update(['status' => 'suspended']);
    expect(($this->fetch)($address)->assertOk()->getContent())->toContain('Nothing is shown here')->not->toContain('Hospital');
    $this->ada->update(['status' => 'active']);
    $this->as($this->ada, 'DELETE', "/calendars/{$this->slip->slug}")->assertNoContent();
    expect(($this->fetch)($address)->assertOk()->getContent())->toContain('Nothing is shown here')->not->toContain('Hospital');
});

test('an unchanged page is answered 304, and again from what is kept, without reading an event; each way it can change is told', function (Closure $change) {
    ($this->visit)();
    $address = ($this->publish)()['address'];
    $etag = ($this->fetch)($address)->headers->get('ETag');
    DB::enableQueryLog();
    ($this->fetch)($address, headers: ['If-None-Match' => $etag])->assertStatus(304);
    ($this->fetch)($address)->assertOk();
    expect(collect(DB::getQueryLog())->pluck('query')->implode("\n"))->not->toContain('`events`', '`occurrences`');
    $change($this);
    ($this->fetch)($address, headers: ['If-None-Match' => $etag])->assertOk();
})->with([
    'an event' => [fn ($test) => $test->add($test->slip, $test->ada)],
    'the publication' => [fn ($test) => $test->as($test->ada, 'PUT', '/publications/'.Publication::query()->max('id'), ['name' => 'Slip', 'detail' => 'titles', 'audience' => 'with the link', 'period' => 'all'])->assertOk()],
    'access' => [fn ($test) => $test->as($test->ada, 'PUT', "/calendars/{$test->slip->slug}/keeper", ['kind' => 'person', 'id' => $test->noor->id, 'stays' => 'see'])->assertOk()],
    'a category' => [fn ($test) => $test->as($test->ada, 'PATCH', '/categories/'.DB::table('categories')->where('name', 'Wellbeing')->value('id'), ['name' => 'Health'])->assertOk()],
    'the publisher' => [fn ($test) => $test->ada->update(['status' => 'suspended'])],
    'midnight' => [fn ($test) => $test->travelTo('2026-11-03 08:00:00')],
]);

test('only the days that are published are shown, anew each day', function () {
    $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-02T09:30', end: '2026-11-02T10:30');
    $this->add($this->slip, $this->ada, title: 'Far away', start: '2026-11-18T09:30', end: '2026-11-18T10:30');
    $address = ($this->publish)(['period' => 'weeks', 'weeksBack' => 0, 'weeksOn' => 1])['address'];
    expect(($this->fetch)($address)->getContent())->toContain('Haul out')->not->toContain('Far away');
    expect(($this->fetch)($address, '?view=month')->getContent())->toContain('Haul out')->not->toContain('Far away');
    $this->travelTo('2026-11-10 08:00:00');
    expect(($this->fetch)($address, '?date=2026-11-02')->getContent())->toContain('Far away')->not->toContain('Haul out');
});

test('an overlay gives its layers in their order, and of each what its publisher sees; nobody’s own calendar goes along', function () {
    $closed = $this->calendar($this->noor, 'Closed meetings');
    $this->add($this->slip, $this->ada, title: 'Haul out');
    $this->add($closed, $this->noor, title: 'Hospital');
    $own = App\Calendars\Calendar::query()->where('own_of', $this->ada->id)->first() ?? tap($this->calendar($this->ada, 'Ada: own'))->update(['own_of' => $this->ada->id]);
    $this->add($own, $this->ada, title: 'kneecap');
    $layer = fn (string $name, string $takes, array $calendars): array => ['name' => $name, 'colour' => 'rose', 'mark' => 'star', 'takes' => $takes, 'calendars' => $calendars];
    $overlay = $this->as($this->ada, 'POST', '/overlays', ['name' => 'Term', 'layers' => [$layer('Slip days', 'chosen', [$this->slip->slug]), $layer('The rest', 'all', [])]])->assertCreated()->json('slug');
    $address = ($this->publish)(['calendar' => null, 'overlay' => $overlay, 'audience' => 'everybody', 'slug' => 'term'])['address'];
    $text = ($this->fetch)($address)->assertOk()->getContent();
    expect($address)->toEndWith('/p/term')->and($text)->toContain('Slip days', 'The rest', 'Haul out')->not->toContain('Hospital', 'kneecap');
    expect(($this->fetch)($address, '?off=0,1')->getContent())->toContain('Slip days')->not->toContain('Haul out');
});

test('an event that is on two calendars of an overlay is on its page once', function () {
    $board = $this->calendar($this->ada, 'Board');
    $event = ($this->visit)();
    $this->as($this->ada, 'POST', "/events/{$event->id}/pins", ['calendar' => $board->slug])->assertSuccessful();
    $layer = ['name' => 'Both', 'colour' => 'rose', 'mark' => 'star', 'takes' => 'chosen', 'calendars' => [$this->slip->slug, $board->slug]];
    $overlay = $this->as($this->ada, 'POST', '/overlays', ['name' => 'Term', 'layers' => [$layer]])->assertCreated()->json('slug');
    expect(substr_count(($this->fetch)(($this->publish)(['calendar' => null, 'overlay' => $overlay])['address'])->assertOk()->getContent(), 'Hospital'))->toBe(1);
});

test('it is published, changed, paused, renewed and taken back; others go on', function () {
    $one = ($this->publish)();
    $two = ($this->publish)(['audience' => 'everybody', 'slug' => 'slip']);
    ($this->fetch)($one['address'])->assertOk();
    $this->as($this->ada, 'GET', '/publications')->assertJsonPath('1.reads', 1)->assertJsonPath('0.reads', 0);

    $this->as($this->ada, 'PUT', "/publications/{$one['id']}/paused", ['paused' => true])->assertOk()->assertJsonPath('paused', true);
    expect(($this->fetch)($one['address'])->assertStatus(503)->getContent())->toContain('not shown at the moment');
    $this->as($this->ada, 'PUT', "/publications/{$one['id']}/paused", ['paused' => false])->assertOk();
    ($this->fetch)($one['address'])->assertOk();

    $new = $this->as($this->ada, 'POST', "/publications/{$one['id']}/renewal", ['days' => 7])->assertOk()->json('address');
    expect($new)->not->toBe($one['address']);
    ($this->fetch)($new)->assertOk();
    ($this->fetch)($one['address'])->assertOk();
    $this->travel(8)->days();
    ($this->fetch)($one['address'])->assertStatus(410);
    ($this->fetch)($new)->assertOk();

    $this->as($this->ada, 'DELETE', "/publications/{$one['id']}")->assertNoContent();
    expect(($this->fetch)($new)->assertStatus(410)->getContent())->toContain('taken back')->not->toContain('Slip');
    ($this->fetch)($two['address'])->assertOk();
    $this->as($this->ada, 'GET', '/publications')->assertJsonCount(1)->assertJsonPath('0.slug', $this->slip->slug);
    $this->as($this->ada, 'POST', "/publications/{$two['id']}/renewal", ['days' => 7])->assertStatus(409);
});

test('a secret link is kept as a digest and encrypted, and told again to who made it alone', function () {
    $address = ($this->publish)()['address'];
    $token = basename((string) $address);
    expect(json_encode(DB::table('publications')->get()))->not->toContain($token);
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Manage);
    $this->as($this->ada, 'GET', '/publications')->assertJsonPath('0.address', $address);
    $this->as($ben, 'GET', '/publications')->assertJsonPath('0.address', null)->assertJsonPath('0.mine', false);
});

test('who manages what is published may pause it and take it back, and nobody but its publisher says how much it gives', function () {
    $made = ($this->publish)(['detail' => 'titles']);
    $ben = $this->person('Ben Oar');
    $input = ['name' => 'Slip', 'detail' => 'everything', 'audience' => 'with the link', 'period' => 'all'];
    foreach ([Level::BusyTimes, Level::See, Level::Change] as $level) {
        $this->give($this->slip, $ben, $level);
        $this->as($ben, 'POST', '/publications', $input + ['calendar' => $this->slip->slug])->assertForbidden();
        $this->as($ben, 'GET', '/publications')->assertJsonCount(0);
        $this->as($ben, 'PUT', "/publications/{$made['id']}", $input)->assertNotFound();
        $this->as($ben, 'PUT', "/publications/{$made['id']}/paused", ['paused' => true])->assertNotFound();
        $this->as($ben, 'DELETE', "/publications/{$made['id']}")->assertNotFound();
    }
    $this->give($this->slip, $ben, Level::Manage);
    $this->as($ben, 'PUT', "/publications/{$made['id']}", $input)->assertForbidden();
    $this->as($ben, 'POST', "/publications/{$made['id']}/renewal", ['days' => 1])->assertForbidden();
    $this->as($ben, 'PUT', "/publications/{$made['id']}/paused", ['paused' => true])->assertOk();
    $this->as($ben, 'DELETE', "/publications/{$made['id']}")->assertNoContent();
    expect(Publication::query()->find($made['id'])?->detail->value)->toBe('titles');
    $this->as($this->ada, 'GET', "/calendars/{$this->slip->slug}/log")->assertOk()->assertJsonFragment(['words' => 'page “Slip” ended']);
});

test('what cannot be published is refused with the reason', function (array $with, string $field) {
    ($this->publish)(['audience' => 'everybody', 'slug' => 'taken']);
    $input = $with + ['calendar' => $this->slip->slug, 'name' => 'Slip', 'detail' => 'titles', 'audience' => 'everybody', 'slug' => 'slip', 'period' => 'all'];
    $this->as($this->ada, 'POST', '/publications', $input)->assertStatus(422)->assertJsonPath('errors.0.field', $field);
})->with([
    'no name' => [['name' => ''], 'name'],
    'no address' => [['slug' => null], 'slug'],
    'an address of another' => [['slug' => 'taken'], 'slug'],
    'an address with capitals' => [['slug' => 'Slip'], 'slug'],
    'a detail that is none' => [['detail' => 'all'], 'detail'],
    'an audience that is none' => [['audience' => 'some'], 'audience'],
    'weeks without end' => [['period' => 'weeks', 'weeksOn' => 261], 'weeksOn'],
]);

test('an address that never was, or is written otherwise, is a page that says so', function (string $path) {
    ($this->publish)(['audience' => 'everybody', 'slug' => 'slip']);
    expect(($this->fetch)($path)->assertNotFound()->getContent())->toContain('Nothing is at this address');
})->with(['/p/none', '/p/Slip', '/p/SLIP', '/p/'.str_repeat('x', 32), '/p/slip/more']);

test('whatever an address says besides is as if it were not there', function (string $query) {
    ($this->visit)();
    ($this->fetch)(($this->publish)()['address'], $query)->assertOk();
})->with(['?date=never', '?date=2026-02-30', '?date=9999-12-31', '?date[]=x', '?view=nothing', '?off=x,-1,99999999999999999999', '?category[]=x', '?category=%FF', '?view=month&date=1970-01-01', '?view=month&date=2199-12-31']);

test('text from outside is text', function () {
    $this->add($this->slip, $this->ada, title: '</script><b>Loud</b>', more: ['place' => '"><img src=x>']);
    $address = ($this->publish)(['audience' => 'everybody', 'slug' => 'slip', 'name' => '<i>Slip</i>'])['address'];
    foreach (['?view=list', '?view=month'] as $query) {
        expect(($this->fetch)($address, $query)->getContent())->not->toContain('<b>Loud', '<img src', '<i>Slip');
    }
});

test('what everybody may find says to programs what is on, and where', function () {
    $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-03T09:30', end: '2026-11-03T10:30', more: ['place' => 'Slip', 'status' => Status::Cancelled]);
    $this->add($this->slip, $this->ada, title: 'Regatta', start: '2026-11-06', end: '2026-11-08');
    $text = ($this->fetch)(($this->publish)(['audience' => 'everybody', 'slug' => 'slip'])['address'])->assertOk()->getContent();
    preg_match('#<script type="application/ld\+json">(.*?)</script>#s', $text, $found);
    $told = json_decode($found[1], true)['@graph'];
    foreach ($told as $each) {
        ($this->fetch)($each['url'])->assertOk();
    }
    $events = array_map(fn (array $each): array => Arr::except($each, 'url'), $told);
    expect($events)->toBe([
        ['@type' => 'Event', 'name' => 'Haul out', 'startDate' => '2026-11-03T09:30:00+00:00', 'endDate' => '2026-11-03T10:30:00+00:00', 'eventStatus' => 'https://schema.org/EventCancelled', 'location' => ['@type' => 'Place', 'name' => 'Slip']],
        ['@type' => 'Event', 'name' => 'Regatta', 'startDate' => '2026-11-06', 'endDate' => '2026-11-07', 'eventStatus' => 'https://schema.org/EventScheduled'],
    ])->and($text)->not->toContain('noindex')->and(substr_count($text, 'to Sat 7 Nov'))->toBe(1);
});

test('the school’s year is published from its first month on', function () {
    $this->as($this->ada, 'GET', '/publications')->assertOk();
    $this->add($this->slip, $this->ada, title: 'Last year', start: '2025-11-03T09:30', end: '2025-11-03T10:30');
    $address = ($this->publish)(['period' => 'year'])['address'];
    expect(($this->fetch)($address, '?date=2025-11-01')->getContent())->not->toContain('Last year')
        ->and(($this->fetch)(($this->publish)()['address'], '?date=2025-11-01')->getContent())->toContain('Last year');
});

test('devices follow it: exactly what the page tells, each time on its own, read by other programs without complaint', function (string $detail, array $told) {
    ($this->visit)();
    $this->add($this->slip, $this->ada, title: 'Wellbeing hour', start: '2026-11-04T18:00', end: '2026-11-04T19:00', rule: 'FREQ=WEEKLY;COUNT=3');
    $this->add($this->slip, $this->ada, title: 'Half-term', start: '2026-11-09', end: '2026-11-14');
    $text = ($this->fetch)(($this->publish)(['detail' => $detail])['address'].'.ics')->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')->getContent();
    foreach (array_diff(['Hospital', 'Ward 7', 'kneecap', 'Noor', 'mailto', 'ada.secret', 'ATTENDEE', 'ORGANIZER', 'Half-term'], $told) as $secret) {
        expect($text)->not->toContain($secret);
    }
    foreach (['/usr/bin/python3 tests/Support/read_ics.py', 'node tests/Support/read-ics.mjs', PHP_BINARY.' tests/Support/read_ics.php'] as $reader) {
        $process = Process::path(base_path())->input($text)->run($reader);
        expect($process->errorOutput())->toBe('', $reader);
        $read = collect(json_decode($process->output(), true));
        expect($read->count())->toBe(5)->and($read->pluck(0)->unique()->count())->toBe(5)->and($read->pluck(2)->sort()->values()->all())->toBe(['2026-11-02T09:30:00', '2026-11-04T18:00:00', '2026-11-09', '2026-11-11T18:00:00', '2026-11-18T18:00:00']);
    }
    foreach ($told as $each) {
        expect($text)->toContain($each);
    }
})->with([
    'busy times' => ['busy times', []],
    'titles' => ['titles', ['Hospital', 'Half-term']],
    'everything' => ['everything', ['Hospital', 'Ward 7', 'Half-term']],
]);

test('a table has what is told and no column of what is not, and nothing that a spreadsheet works out', function () {
    ($this->visit)();
    $this->add($this->slip, $this->ada, title: '=1+1', start: '2026-11-09', end: '2026-11-11');
    $rows = fn (string $detail): array => explode("\r\n", trim(($this->fetch)(($this->publish)(['detail' => $detail, 'asTable' => true])['address'].'.csv')->assertOk()->assertHeader('Content-Type', 'text/csv; charset=utf-8')->getContent()));
    expect($rows('everything'))->toBe(["\u{FEFF}Title,Start,End,All day,State,Place,Categories,Responsible", 'Hospital,2026-11-02 09:30,2026-11-02 10:30,,confirmed,Ward 7,Wellbeing,Noor Feldkamp', "\"'=1+1\",2026-11-09,2026-11-10,yes,confirmed,,,"])
        ->and($rows('busy times'))->toBe(["\u{FEFF}Title,Start,End,All day", 'Busy,2026-11-02 09:30,2026-11-02 10:30,', 'Busy,2026-11-09,2026-11-10,yes']);
});

test('it is a workbook, too, with what the table has as text', function () {
    ($this->visit)();
    $made = ($this->publish)(['detail' => 'without people', 'asTable' => true]);
    $octets = ($this->fetch)("{$made['address']}.xlsx")->assertOk()->assertHeader('Content-Type', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet')->getContent();
    $read = Process::path(base_path())->input($octets)->run('/usr/bin/python3 tests/Support/read_xlsx.py');
    expect($read->errorOutput())->toBe('')->and(array_map(array_values(...), json_decode($read->output(), true)))->toBe([
        ['Title', 'Start', 'End', 'All day', 'State', 'Place', 'Categories'],
        ['Hospital', '2026-11-02 09:30', '2026-11-02 10:30', 'confirmed', 'Ward 7', 'Wellbeing'],
    ]);
    ($this->fetch)(($this->publish)()['address'].'.xlsx')->assertNotFound();
    $this->ada->update(['status' => 'suspended']);
    expect(($this->fetch)("{$made['address']}.xlsx")->assertOk()->getContent())->not->toContain('Hospital');
});

test('what a publication does not give is at none of its addresses', function () {
    $address = ($this->publish)(['followed' => false, 'asTable' => false])['address'];
    ($this->fetch)("{$address}.ics")->assertNotFound();
    ($this->fetch)("{$address}.csv")->assertNotFound();
    expect(($this->fetch)($address)->assertOk()->getContent())->not->toContain('.ics', '.csv', 'Add to my device');
    expect(($this->fetch)(($this->publish)(['asTable' => true])['address'])->getContent())->toContain('webcal://', '.ics', '.csv');
});

test('who follows it is told in their calendar when it is paused, taken back, or its publisher gone; a fortnight later the address is gone', function () {
    ($this->visit)();
    $made = ($this->publish)();
    $read = fn (): TestResponse => ($this->fetch)($made['address'].'.ics');
    expect($read()->getContent())->toContain('SUMMARY:Hospital');
    $this->as($this->ada, 'PUT', "/publications/{$made['id']}/paused", ['paused' => true])->assertOk();
    expect($read()->assertOk()->getContent())->toContain('not shown at the moment')->not->toContain('Hospital');
    $this->as($this->ada, 'PUT', "/publications/{$made['id']}/paused", ['paused' => false])->assertOk();
    $this->ada->update(['status' => 'suspended']);
    expect($read()->assertOk()->getContent())->toContain('no longer shared here')->not->toContain('Hospital');
    $this->ada->update(['status' => 'active']);
    $this->as($this->ada, 'PUT', "/calendars/{$this->slip->slug}/keeper", ['kind' => 'person', 'id' => $this->noor->id, 'stays' => 'none'])->assertOk();
    expect($read()->assertOk()->getContent())->toContain('no longer shared here')->not->toContain('Hospital');
    $this->as($this->ada, 'DELETE', "/publications/{$made['id']}")->assertNoContent();
    expect($read()->assertOk()->getContent())->toContain('no longer shared here')->not->toContain('Hospital');
    $this->travel(15)->days();
    $read()->assertStatus(410);
});

test('what a device has is not sent again, nor are events read for it', function () {
    ($this->visit)();
    $address = ($this->publish)()['address'].'.ics';
    $etag = ($this->fetch)($address)->headers->get('ETag');
    DB::enableQueryLog();
    ($this->fetch)($address, headers: ['If-None-Match' => $etag])->assertStatus(304);
    expect(collect(DB::getQueryLog())->pluck('query')->implode("\n"))->not->toContain('`events`', '`occurrences`');
    $this->add($this->slip, $this->ada);
    ($this->fetch)($address, headers: ['If-None-Match' => $etag])->assertOk();
});

test('the map of the site has what everybody may find, and nothing else', function () {
    $open = ($this->publish)(['audience' => 'everybody', 'slug' => 'slip']);
    $secret = ($this->publish)();
    $map = fn (): string => ($this->fetch)('/sitemap.xml')->assertOk()->assertHeader('Content-Type', 'application/xml; charset=utf-8')->getContent();
    expect(simplexml_load_string($map())?->url->count())->toBe(1)->and($map())->toContain($open['address'])->not->toContain(basename((string) $secret['address']));
    $this->as($this->ada, 'PUT', "/publications/{$open['id']}/paused", ['paused' => true])->assertOk();
    expect($map())->not->toContain('/p/');
    $this->as($this->ada, 'PUT', "/publications/{$open['id']}/paused", ['paused' => false])->assertOk();
    $this->ada->update(['status' => 'suspended']);
    expect($map())->not->toContain('/p/');
});

test('a week and lanes begin on a Monday, turn by as many days as they show, and have each layer in a row of its own', function () {
    $layer = fn (string $name, array $conditions): array => ['name' => $name, 'colour' => 'rose', 'mark' => 'star', 'takes' => 'chosen', 'calendars' => [$this->slip->slug], 'conditions' => $conditions];
    $overlay = $this->as($this->ada, 'POST', '/overlays', ['name' => 'Term', 'layers' => [$layer('Boats', [['about' => 'category', 'names' => ['Boats']]]), $layer('The rest', [])]])->assertCreated()->json('slug');
    $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-04T09:30', end: '2026-11-04T10:30', more: ['categories' => ['Boats']]);
    $this->add($this->slip, $this->ada, title: 'Assembly', start: '2026-11-04T09:30', end: '2026-11-04T10:30');
    $this->add($this->slip, $this->ada, title: 'Next week', start: '2026-11-11T09:30', end: '2026-11-11T10:30');
    $address = ($this->publish)(['calendar' => null, 'overlay' => $overlay])['address'];
    $week = ($this->fetch)($address, '?view=week&date=2026-11-05')->assertOk()->getContent();
    expect($week)->toContain('2 November – 8 November 2026', 'Haul out', 'Assembly', 'date=2026-11-12', 'date=2026-10-29')->not->toContain('Next week');
    $rows = function (string $query) use ($address): array {
        $page = new DOMDocument;
        @$page->loadHTML(($this->fetch)($address, $query)->assertOk()->getContent());

        return array_map(static fn (DOMNode $row): string => trim((string) preg_replace('/\s+/u', ' ', $row->textContent)), iterator_to_array((new DOMXPath($page))->query('//table[@class="published-lanes"]/tbody/tr')));
    };
    expect($rows('?view=lanes&date=2026-11-05'))->toBe(['Boats 9:30–10:30 Haul out', 'The rest 9:30–10:30 Assembly 9:30–10:30 Next week'])
        ->and($rows('?view=lanes&date=2026-11-05&off=1'))->toBe(['Boats 9:30–10:30 Haul out'])
        ->and($rows('?view=nothing'))->toBe([]);
});

test('two layers of one name are two lanes', function () {
    $layer = fn (array $conditions): array => ['name' => 'Boats', 'colour' => 'rose', 'mark' => 'star', 'takes' => 'chosen', 'calendars' => [$this->slip->slug], 'conditions' => $conditions];
    $overlay = $this->as($this->ada, 'POST', '/overlays', ['name' => 'Term', 'layers' => [$layer([['about' => 'words', 'words' => ['haul']]]), $layer([])]])->assertCreated()->json('slug');
    $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-04T09:30', end: '2026-11-04T10:30');
    $this->add($this->slip, $this->ada, title: 'Assembly', start: '2026-11-04T09:30', end: '2026-11-04T10:30');
    $text = ($this->fetch)(($this->publish)(['calendar' => null, 'overlay' => $overlay])['address'], '?view=lanes')->assertOk()->getContent();
    expect(substr_count($text, 'Haul out'))->toBe(1)->and(substr_count($text, 'Assembly'))->toBe(1);
});

test('weeks are called what the school calls them', function () {
    $root = $this->person('Root', ['role' => 'administrator']);
    $version = $this->as($root, 'GET', '/organisation')->json('version');
    $this->as($root, 'PATCH', '/organisation', ['schoolYear' => ['terms' => [['name' => 'Autumn', 'from' => '2026-10-19', 'to' => '2026-12-18', 'halfTerms' => []]], 'alternates' => false]], $version)->assertOk();
    ($this->visit)();
    expect(($this->fetch)(($this->publish)()['address'])->getContent())->toContain('Autumn, week 3');
});

test('who goes hands on what they have published, or it ends', function (?string $to) {
    ($this->visit)();
    $root = $this->person('Root', ['role' => 'administrator']);
    $this->give($this->slip, $this->noor, Level::Manage);
    $address = ($this->publish)()['address'];
    $this->as($root, 'GET', "/people/{$this->ada->id}/kept")->assertJsonPath('pages', ['Slip']);
    $this->as($root, 'POST', "/people/{$this->ada->id}/departure", ['handovers' => [['what' => 'calendar', 'slug' => $this->slip->slug, 'kind' => 'person', 'id' => $this->noor->id]], 'feeds' => $to === null ? null : $this->noor->id])->assertOk();
    $to === null ? ($this->fetch)($address)->assertStatus(410) : expect(($this->fetch)($address)->assertOk()->getContent())->toContain('Hospital');
})->with(['to somebody' => ['noor'], 'to nobody' => [null]]);

test('it gives what it asks for alone, whatever it tells of that', function (string $detail) {
    ($this->visit)();
    $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-03T09:30', end: '2026-11-03T10:30', more: ['categories' => ['Boats']]);
    $conditions = fn (array $condition): string => ($this->fetch)(($this->publish)(['detail' => $detail, 'conditions' => [$condition]])['address'])->assertOk()->getContent();
    $text = $conditions(['about' => 'category', 'names' => ['Boats']]);
    expect($text)->toContain($detail === 'busy times' ? 'Busy' : 'Haul out', 'Tuesday 3 November')->not->toContain('Hospital', 'Monday 2 November');
    expect($conditions(['about' => 'words', 'words' => ['ward']]))->toContain('Monday 2 November')->not->toContain('Tuesday 3 November');
})->with(['busy times', 'titles', 'everything']);

test('a condition that asks for nothing is refused with its place', function () {
    $this->as($this->ada, 'POST', '/publications', ['calendar' => $this->slip->slug, 'name' => 'Slip', 'detail' => 'titles', 'audience' => 'with the link', 'period' => 'all', 'conditions' => [['about' => 'category', 'names' => []]]])
        ->assertUnprocessable()->assertJsonPath('errors.0.field', 'conditions.0.names');
    expect(Publication::query()->count())->toBe(0);
});

describe('an event has an address of its own', function () {
    beforeEach(function () {
        ($this->visit)();
        $this->page = fn (array $with = []): string => ($this->publish)($with)['address'];
        $this->linkOf = function (string $address, string $query = ''): ?string {
            preg_match('~href="([^"]+/\d{4}-\d\d-\d\d/[0-9a-f]{20})"~', ($this->fetch)($address, $query)->assertOk()->getContent(), $found);

            return $found[1] ?? null;
        };
    });

    test('with as much as the publication tells, as a page and as a file', function (string $detail, array $told) {
        $address = ($this->page)(['detail' => $detail]);
        $link = ($this->linkOf)($address);
        expect($link)->toStartWith("{$address}/2026-11-02/");
        $page = ($this->fetch)($link)->assertOk()->assertHeader('X-Robots-Tag', 'noindex')->getContent();
        $file = ($this->fetch)("{$link}.ics")->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')->getContent();
        foreach (array_diff(FOUND, $told) as $secret) {
            expect($page)->not->toContain($secret)->and($file)->not->toContain($secret);
        }
        foreach ($told as $each) {
            expect($page)->toContain($each);
        }
        expect($file)->toContain('SUMMARY:Hospital')->and(substr_count($file, 'BEGIN:VEVENT'))->toBe(1);
    })->with([
        'titles' => ['titles', ['Hospital']],
        'without people' => ['without people', ['Hospital', 'Ward 7', 'Wellbeing']],
        'everything' => ['everything', ['Hospital', 'Ward 7', 'kneecap', 'Wellbeing', 'Noor Feldkamp']],
    ]);

    test('but not where nothing is told of it than that the time is taken', function () {
        expect(($this->linkOf)(($this->page)(['detail' => 'busy times'])))->toBeNull();
        EventRecord::query()->update(['private' => true]);
        expect(($this->linkOf)(($this->page)()))->toBeNull();
    });

    test('that is gone with it, and another’s at every other publication', function () {
        $address = ($this->page)();
        $link = ($this->linkOf)($address);
        $path = substr($link, strlen($address));
        ($this->fetch)(($this->page)().$path)->assertNotFound();
        ($this->fetch)(str_replace('2026-11-02', '2026-11-03', $link))->assertNotFound();
        ($this->fetch)(str_replace('2026-11-02', '2026-13-41', $link))->assertNotFound();
        $event = EventRecord::query()->sole();
        $this->as($this->ada, 'DELETE', "/events/{$event->id}", version: $event->version)->assertNoContent();
        expect(($this->fetch)($link)->assertNotFound()->getContent())->toContain('This is not on here', $address)->not->toContain('Hospital');
        ($this->fetch)("{$link}.ics")->assertNotFound();
    });

    test('that answers as the page does where that is paused or was taken back', function () {
        $made = ($this->publish)();
        $link = ($this->linkOf)($made['address']);
        $this->as($this->ada, 'PUT', "/publications/{$made['id']}/paused", ['paused' => true])->assertOk();
        expect(($this->fetch)($link)->assertStatus(503)->getContent())->not->toContain('Hospital');
        $this->as($this->ada, 'DELETE', "/publications/{$made['id']}")->assertNoContent();
        ($this->fetch)("{$link}.ics")->assertStatus(410);
    });
});

describe('in a frame', function () {
    beforeEach(function () {
        ($this->visit)();
        $this->made = ($this->publish)(['audience' => 'everybody', 'slug' => 'slip']);
        $this->sites = fn (array $sites, $by = null): TestResponse => $this->as($by ?? $this->ada, 'PUT', "/publications/{$this->made['id']}/frame", ['sites' => $sites]);
    });

    test('it stands on the sites that were named, and nothing else of the product stands anywhere', function () {
        ($this->fetch)($this->made['address'].'/frame')->assertNotFound();
        ($this->sites)(['www.school.example/pages/term', 'HTTP://Quay.example:8081', 'https://www.school.example'])->assertOk()->assertJsonPath('sites', ['https://www.school.example', 'http://quay.example:8081'])->assertJsonPath('layers', ['Slipway']);
        $policy = fn (string $url): string => (string) strrchr((string) ($this->fetch)($url)->headers->get('Content-Security-Policy'), ';');
        expect($policy($this->made['address'].'/frame'))->toBe("; frame-ancestors 'self' https://www.school.example http://quay.example:8081");
        foreach ([$this->made['address'], $this->made['address'].'.ics', '/', '/sitemap.xml', '/api'] as $other) {
            expect($policy($other))->toBe("; frame-ancestors 'none'");
        }
        ($this->sites)([])->assertOk();
        ($this->fetch)($this->made['address'].'/frame')->assertNotFound();
    });

    test('it looks as its address says, and what that does not know is as if it were not there', function () {
        ($this->sites)(['https://school.example'])->assertOk();
        $text = fn (string $query): string => ($this->fetch)($this->made['address'].'/frame', $query)->assertOk()->getContent();
        expect($text('?look=dark&accent=1d5a8c&language=de'))->toContain('data-theme="dark"', '#1d5a8c', 'Montag 2 November', 'language=de')
            ->and($text('?look=%22%3E%3Cscript%3E&accent=red;}&language=xx&opens[]=1'))->toContain('Monday 2 November', 'target="_blank"')->not->toContain('<script>', 'red;', 'data-theme')
            ->and($text('?opens=here'))->toContain('target="_top"')->not->toContain('_blank')
            ->and(($this->fetch)($this->made['address'])->getContent())->toContain('Monday 2 November');
    });

    test('it is never found by searching, and is asked of nobody who is signed in', function () {
        ($this->sites)(['https://school.example'])->assertOk();
        $answer = ($this->fetch)($this->made['address'].'/frame');
        expect($answer->getContent())->toContain('noindex')->not->toContain('ld+json')->and($answer->headers->getCookies())->toBe([]);
    });

    test('nobody but its publisher says where, and an address that is none is refused by name', function (string $site) {
        ($this->sites)([$site])->assertUnprocessable()->assertJsonPath('errors.0.field', 'sites');
        ($this->sites)(['https://school.example'], $this->noor)->assertNotFound();
        $this->give($this->slip, $this->noor, Level::Manage);
        ($this->sites)(['https://school.example'], $this->noor)->assertNotFound();
        expect(Publication::query()->sole()->frame_sites)->toBeNull();
    })->with(['javascript:alert(1)', '*', "https://school.example 'unsafe-inline'", 'https://', 'https://*.example', 'a;b', 'https://school.example:99999']);
});

describe('before it is published', function () {
    beforeEach(function () {
        ($this->visit)();
        $this->look = fn (array $with = []): array => $this->as($this->ada, 'POST', '/publications/preview', $with + ['calendar' => $this->slip->slug, 'name' => 'Slip', 'detail' => 'everything', 'audience' => 'with the link', 'period' => 'all'])->assertOk()->json();
    });

    test('it is seen what would go out, and nothing is kept', function () {
        $seen = ($this->look)(['detail' => 'without people']);
        expect($seen)->toMatchArray(['count' => 1, 'busy' => 0, 'leftOut' => []])
            ->and($seen['events'])->toBe([['title' => 'Hospital', 'start' => '2026-11-02T09:30', 'end' => '2026-11-02T10:30', 'allDay' => false, 'place' => 'Ward 7', 'categories' => ['Wellbeing'], 'responsible' => []]])
            ->and(($this->look)(['detail' => 'busy times']))->toMatchArray(['count' => 1, 'busy' => 1, 'warnings' => []])
            ->and(Publication::query()->count())->toBe(0);
    });

    test('it is said what would not, and why', function () {
        $this->add($this->slip, $this->ada, title: 'Far away', start: '2027-03-01T09:00', end: '2027-03-01T10:00');
        $this->add($this->slip, $this->ada, title: 'Secret', start: '2026-11-03T09:00', end: '2026-11-03T10:00', more: ['private' => true, 'categories' => ['Wellbeing']]);
        $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-04T09:00', end: '2026-11-04T10:00');
        $why = collect(($this->look)(['period' => 'weeks', 'weeksBack' => 0, 'weeksOn' => 1, 'conditions' => [['about' => 'category', 'names' => ['wellbeing']]]])['leftOut'])->sortBy('why')->values()->all();
        expect($why)->toBe([
            ['why' => 'beyond', 'count' => 1, 'examples' => ['Far away']],
            ['why' => 'conditions', 'count' => 1, 'examples' => ['Haul out']],
            ['why' => 'private', 'count' => 1, 'examples' => ['Secret']],
        ]);
    });

    test('of what one sees as busy times oneself no title is told', function () {
        $closed = $this->calendar($this->noor, 'Closed meetings');
        $this->add($closed, $this->noor, title: 'kneecap');
        $this->give($closed, $this->ada, Level::BusyTimes);
        $layer = ['name' => 'All', 'colour' => 'rose', 'mark' => 'star', 'takes' => 'chosen', 'calendars' => [$closed->slug]];
        $overlay = $this->as($this->ada, 'POST', '/overlays', ['name' => 'Term', 'layers' => [$layer]])->assertCreated()->json('slug');
        expect(json_encode(($this->look)(['calendar' => null, 'overlay' => $overlay])))->toContain('"why":"busy","count":1')->not->toContain('kneecap');
    });

    test('names in titles and places, whoever is responsible, and notes are warned of where they would go out', function () {
        $this->add($this->slip, $this->ada, title: 'Exam Feldkamp', start: '2026-11-03T09:00', end: '2026-11-03T10:00', more: ['place' => 'Noor Feldkamp’s office']);
        $warnings = fn (string $detail): array => collect(($this->look)(['detail' => $detail])['warnings'])->map(fn (array $each): string => "{$each['where']} {$each['count']} ".implode(', ', $each['people']))->all();
        expect($warnings('everything'))->toBe(['title 1 Noor Feldkamp', 'place 1 Noor Feldkamp', 'responsible 1 Noor Feldkamp', 'notes 1 '])
            ->and($warnings('without people'))->toBe(['title 1 Noor Feldkamp', 'place 1 Noor Feldkamp'])
            ->and($warnings('titles'))->toBe(['title 1 Noor Feldkamp'])
            ->and($warnings('busy times'))->toBe([]);
    });

    test('only of what one manages, and of what one has published', function () {
        $input = ['name' => 'Slip', 'detail' => 'everything', 'audience' => 'with the link', 'period' => 'all'];
        $this->give($this->slip, $this->noor, Level::Change);
        $this->as($this->noor, 'POST', '/publications/preview', $input + ['calendar' => $this->slip->slug])->assertForbidden();
        $id = ($this->publish)()['id'];
        $this->as($this->noor, 'POST', '/publications/preview', $input + ['id' => $id])->assertNotFound();
        $this->as($this->ada, 'POST', '/publications/preview', ['detail' => 'titles'] + $input + ['id' => $id])->assertOk()->assertJsonPath('events.0.place', '');
    });
});

test('of an event it is told where it is published, as far as one may know the address', function () {
    $event = ($this->visit)();
    $series = $this->add($this->slip, $this->ada, title: 'Wellbeing hour', start: '2026-11-04T18:00', end: '2026-11-04T19:00', rule: 'FREQ=WEEKLY;COUNT=3');
    $open = ($this->publish)(['audience' => 'everybody', 'slug' => 'slip', 'name' => 'A: open']);
    $secret = ($this->publish)(['name' => 'B: secret']);
    ($this->publish)(['name' => 'C: busy', 'detail' => 'busy times']);
    ($this->publish)(['name' => 'D: other', 'conditions' => [['about' => 'words', 'words' => ['nothing']]]]);
    $pages = fn ($who, EventRecord $of, string $query = ''): array => collect($this->as($who, 'GET', "/events/{$of->id}/pages{$query}")->assertOk()->json())->pluck('address', 'name')->all();
    $own = $pages($this->ada, $event);
    expect(array_keys($own))->toBe(['A: open', 'B: secret'])->and($own['B: secret'])->toStartWith($secret['address']);
    foreach ($own as $address) {
        expect(($this->fetch)($address)->assertOk()->getContent())->toContain('Hospital');
    }
    $this->give($this->slip, $this->noor, Level::See);
    expect(array_keys($pages($this->noor, $event)))->toBe(['A: open']);
    expect(($this->fetch)($pages($this->ada, $series, '?occurrence=2026-11-11T18:00:00')['A: open'])->assertOk()->getContent())->toContain('Wellbeing hour', 'Wednesday 11 November');
    $this->as($this->ada, 'GET', "/events/{$series->id}/pages?occurrence=2026-11-12T18:00:00")->assertNotFound();
    $this->as($this->ada, 'GET', "/events/{$series->id}/pages?occurrence=never")->assertNotFound();
    $this->as($this->ada, 'PUT', "/publications/{$open['id']}/paused", ['paused' => true])->assertOk();
    expect($pages($this->noor, $event))->toBe([]);
});

test('an event is taken as a file, one time of it as an event of its own, and of what is hidden nothing', function () {
    $series = $this->add($this->slip, $this->ada, title: 'Wellbeing hour', start: '2026-11-04T18:00', end: '2026-11-04T19:00', rule: 'FREQ=WEEKLY;COUNT=3', uid: 'ada.secret', more: ['place' => 'Ward 7']);
    $file = fn ($who, string $query = ''): string => $this->as($who, 'GET', "/events/{$series->id}/file{$query}")->assertOk()->assertHeader('Content-Disposition', "attachment; filename=event-{$series->id}.ics")->streamedContent();
    expect($file($this->ada))->toContain('RRULE:FREQ=WEEKLY;COUNT=3', 'UID:ada.secret', 'LOCATION:Ward 7');
    $one = $file($this->ada, '?occurrence=2026-11-11T18:00:00');
    expect($one)->toContain('DTSTART;TZID=Europe/London:20261111T180000', 'SUMMARY:Wellbeing hour')->not->toContain('RRULE', 'RECURRENCE-ID', 'UID:ada.secret');
    $this->as($this->ada, 'GET', "/events/{$series->id}/file?occurrence=2026-11-12T18:00:00")->assertNotFound();
    $this->give($this->slip, $this->noor, Level::BusyTimes);
    expect($file($this->noor))->toContain('SUMMARY:Busy')->not->toContain('Wellbeing', 'Ward 7', 'ada.secret');
    expect($file($this->noor, '?occurrence=2026-11-11T18:00:00'))->toContain('SUMMARY:Busy', '20261111T180000')->not->toContain('Wellbeing', 'ada.secret');
});
