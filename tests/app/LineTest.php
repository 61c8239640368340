<?php

use App\Calendars\Category;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;

beforeEach(function () {
    $this->travelTo('2026-11-25 08:00:00');
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->riggers = $this->group('Riggers', $this->ben);
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->tests = $this->calendar($this->ada, 'Assessments');
    $this->read = fn ($person, string $line, string $more = '') => $this->as($person, 'GET', '/line?tz=Europe/London&line='.rawurlencode($line).$more);
});

test('a line is told as an event with its pieces, and adds nothing', function () {
    $this->add($this->slip, $this->ada, more: ['place' => 'Long loft']);
    ($this->read)($this->ada, 'rigging test Fri 9:30–11 Long loft #assessment @Riggers by Ben Oar every week until 18 dec on Assessments (provisional)')->assertOk()
        ->assertJsonPath('title', 'rigging test')->assertJsonPath('start', '2026-11-27T09:30')->assertJsonPath('end', '2026-11-27T11:00')->assertJsonPath('allDay', false)
        ->assertJsonPath('place', 'Long loft')->assertJsonPath('categories', ['assessment'])->assertJsonPath('calendar', $this->tests->slug)->assertJsonPath('status', 'provisional')
        ->assertJsonPath('participants.*.name', ['Ben Oar', 'Riggers'])->assertJsonPath('participants.*.part', ['responsible', 'required'])->assertJsonPath('participants.1.size', 1)
        ->assertJsonPath('repeat.words', 'every week on Friday until 18 December 2026')->assertJsonPath('pieces.0', ['kind' => 'date', 'at' => 13, 'text' => 'Fri']);
    ($this->read)($this->ada, 'sun dial fri', '&plain[]=sun')->assertJsonPath('title', 'sun dial')->assertJsonPath('start', '2026-11-27')->assertJsonPath('end', '2026-11-28');
    ($this->read)($this->ada, 'think about it')->assertJsonPath('start', null)->assertJsonPath('repeat', null)->assertJsonPath('pieces', []);
    $this->as($this->ada, 'GET', '/line?tz=Nowhere&line=')->assertUnprocessable()->assertJsonPath('errors.*.field', ['line', 'tz']);
    $this->assertDatabaseCount('events', 1);
});

test('only names that one may know anyway are recognised', function () {
    $secret = $this->calendar($this->ben, 'Dismissals');
    $this->add($secret, $this->ben, more: ['place' => 'Ward seven']);
    $this->add($this->slip, $this->ada, more: ['place' => 'Quiet room', 'private' => true]);
    Category::query()->create(['name' => 'hush hush', 'calendar_id' => $secret->id]);
    $this->give($this->slip, $this->ben, Level::See);
    foreach (['Ward seven', 'on Dismissals', '#hush hush'] as $words) {
        expect(($this->read)($this->ben, "meeting {$words}")->json('title'))->not->toBe("meeting {$words}");
        expect(collect(($this->read)($this->ada, "meeting {$words}")->json('pieces'))->pluck('text')->all())->not->toContain($words);
    }
    // A place of private events alone is nobody's to know; a calendar that one may only read is no target.
    ($this->read)($this->ben, 'meeting Quiet room')->assertJsonPath('place', '');
    ($this->read)($this->ben, 'meeting on Slipway')->assertJsonPath('title', 'meeting on Slipway')->assertJsonPath('calendar', null);
});

test('the likeliest calendar is where such an event went last', function () {
    $this->add($this->tests, $this->ada, title: 'Oar test', more: ['categories' => ['assessment']]);
    $this->add($this->slip, $this->ada, title: 'Haul out');
    $this->add($this->slip, $this->ben, title: 'Rope theory', more: ['categories' => ['assessment']]);
    $this->add($this->tests, $this->ben, title: 'Tide table', more: ['categories' => ['pilotage']]);
    $likely = fn (string $line) => ($this->read)($this->ada, $line)->json('calendar');
    expect($likely('Haul out fri'))->toBe($this->slip->slug)->and($likely('oar TEST fri'))->toBe($this->tests->slug)
        ->and($likely('Knots fri #assessment'))->toBe($this->tests->slug)->and(($this->read)($this->ben, 'Knots fri #assessment')->json('calendar'))->toBeNull()->and($likely('Something fri #pilotage'))->toBe($this->tests->slug)->and($likely('Something new fri'))->toBeNull();
});

test('what a line means is added as it was told: people, groups and any rule', function () {
    $input = ['calendar' => $this->slip->slug, 'title' => 'Fire drill', 'start' => '2026-11-27T10:45', 'end' => '2026-11-27T11:00', 'participants' => [['kind' => 'group', 'id' => $this->riggers->id, 'part' => 'required'], ['kind' => 'person', 'id' => $this->ben->id, 'part' => 'responsible']], 'repeat' => ['rule' => 'FREQ=MONTHLY;BYDAY=-1FR', 'until' => '2027-03-31', 'count' => null]];
    $event = $this->as($this->ada, 'POST', '/events', $input)->assertCreated()
        ->assertJsonPath('repeat', ['words' => 'every month on the last Friday until 31 March 2027', 'rule' => 'FREQ=MONTHLY;BYDAY=-1FR', 'several' => false, 'until' => '2027-03-31', 'count' => null, 'within' => null, 'skipped' => [], 'extra' => [], 'changed' => [],
            'pick' => ['unit' => 'month', 'interval' => 1, 'weekdays' => ['FR'], 'monthBy' => 'last weekday'],
            'changing' => ['one' => 'It is told apart from the others from now on.', 'following' => 'From here on it is a series of its own.', 'all' => 'Every time of it changes.'],
            'deleting' => ['one' => 'All others stay.', 'following' => 'Those before it stay.', 'all' => 'Every time of it goes.']])
        ->assertJsonPath('participants.*.kind', ['group', 'person'])->assertJsonPath('participants.*.name', ['Riggers', 'Ben Oar'])->json();
    $days = array_column($this->sheet($this->ada, '2026-11-01', '2027-06-01', "&calendar={$this->slip->slug}")->json('items'), 'start');
    expect($days)->toBe(['2026-11-27T10:45', '2026-12-25T10:45', '2027-01-29T10:45', '2027-02-26T10:45', '2027-03-26T10:45']);
    // Those whom the directory knows are replaced; what is not said stays.
    $this->as($this->ada, 'PATCH', "/events/{$event['id']}", ['participants' => [['kind' => 'person', 'id' => $this->ben->id, 'part' => 'optional']]], 1)->assertOk()
        ->assertJsonCount(1, 'participants')->assertJson(['participants' => [['id' => $this->ben->id, 'kind' => 'person', 'name' => 'Ben Oar', 'part' => 'optional', 'answer' => 'accepted']]])->assertJsonPath('repeat.rule', 'FREQ=MONTHLY;BYDAY=-1FR');
});

test('a rule or a participant that cannot be is refused at its field', function (array $part, string $field) {
    $this->as($this->ada, 'POST', '/events', $part + ['calendar' => $this->slip->slug, 'title' => 'Fire drill', 'start' => '2026-11-27T10:45'])->assertUnprocessable()->assertJsonPath('errors.0.field', $field);
    $this->assertDatabaseCount('events', 0);
})->with([
    'no rule at all' => [['repeat' => ['rule' => 'every now and then']], 'repeat.rule'],
    'a rule without end or sense' => [['repeat' => ['rule' => 'FREQ=MONTHLY;BYMONTHDAY=32']], 'repeat.rule'],
    'an end before the start' => [['repeat' => ['rule' => 'FREQ=DAILY', 'until' => '2026-11-20']], 'repeat.until'],
    'two ends' => [['repeat' => ['rule' => 'FREQ=DAILY', 'until' => '2026-12-20', 'count' => 3]], 'repeat.count'],
    'somebody who is not there' => [['participants' => [['kind' => 'person', 'id' => 999999, 'part' => 'required']]], 'participants.0'],
    'a part that is none' => [['participants' => [['kind' => 'person', 'id' => 1, 'part' => 'boss']]], 'participants.0.part'],
]);

test('a repeat is read back in words, with the next days that it falls on', function (string $query, string $words, array $next, bool $more) {
    $this->as($this->ada, 'GET', "/repeat?{$query}")->assertOk()->assertExactJson(['words' => $words, 'next' => $next, 'more' => $more]);
})->with([
    'second Tuesdays' => ['rule=FREQ=MONTHLY;BYDAY=2TU&start=2026-11-10&until=2027-01-31', 'every month on the second Tuesday until 31 January 2027', ['2026-11-10', '2026-12-08', '2027-01-12'], false],
    'last days, picked' => ['unit=month&interval=2&monthBy=last%20day&start=2026-11-30&until=2027-03-31', 'every other month on its last day until 31 March 2027', ['2026-11-30', '2027-01-31', '2027-03-31'], false],
    'weeks, picked' => ['unit=week&interval=1&weekdays[]=TH&weekdays[]=TU&start=2026-11-10&count=3', 'every week on Tuesday and Thursday, 3 times', ['2026-11-10', '2026-11-12', '2026-11-17'], false],
    'without end' => ['rule=FREQ=WEEKLY;INTERVAL=2;BYDAY=TU&start=2026-11-10', 'every other week on Tuesday', ['2026-11-10', '2026-11-24', '2026-12-08', '2026-12-22', '2027-01-05', '2027-01-19'], true],
    'leap days' => ['rule=FREQ=YEARLY&start=2028-02-29&count=3', 'every year, 3 times', ['2028-02-29', '2032-02-29', '2036-02-29'], false],
]);

test('of a repeat that is none it is told at its field', function (string $query, string $field) {
    $this->as($this->ada, 'GET', "/repeat?{$query}")->assertUnprocessable()->assertJsonPath('errors.0.field', $field);
})->with([['rule=NOW&start=2026-11-10', 'rule'], ['rule=FREQ=DAILY&start=soon', 'start'], ['rule=FREQ=DAILY&start=2026-11-10&until=2026-12-01&count=2', 'count']]);

test('what is not understood is told with what to do, and what says no certain time has none', function () {
    ($this->read)($this->ada, 'launch 31 nov 9:00')->assertOk()->assertJsonPath('start', null)
        ->assertJsonPath('doubts', [['kind' => 'date', 'at' => 7, 'text' => '31 nov', 'reason' => 'noSuchDate', 'blocks' => true, 'offers' => ['30 nov']]]);
    ($this->read)($this->ada, 'tour on Asessments fri')->assertJsonPath('doubts.0.kind', 'calendar')->assertJsonPath('doubts.0.offers', ['Assessments'])->assertJsonPath('doubts.0.blocks', false);
    ($this->read)($this->ada, 'drill mon-fri 8:45')->assertJsonPath('span', 'eachDay')->assertJsonPath('repeat.words', 'every day, 5 times')->assertJsonPath('repeat.count', 5);
    ($this->read)($this->ada, 'drill mon-fri 8:45', '&span=oneLong')->assertJsonPath('span', 'oneLong')->assertJsonPath('repeat', null)->assertJsonPath('end', '2026-12-04T09:45');
    ($this->read)($this->ada, 'report due fri by 5pm')->assertJsonPath('start', '2026-11-27T17:00')->assertJsonPath('end', '2026-11-27T17:00');
    $event = $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Report due', 'start' => '2026-11-27T17:00', 'end' => '2026-11-27T17:00'])->assertCreated();
    expect($event->json('end'))->toBe('2026-11-27T17:00');
});

test('the days that go by a name are those of calendars that the writer may read, and a change of one is known at once', function () {
    $until = fn ($person) => ($this->read)($person, 'drill every fri until easter')->json('repeat.until');
    expect($until($this->ada))->toBeNull();
    $event = $this->add($this->slip, $this->ada, title: 'Easter', start: '2027-03-28');
    expect($until($this->ada))->toBe('2027-03-28')->and($until($this->ben))->toBeNull();
    $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['allDay' => true, 'start' => '2027-03-27', 'end' => '2027-03-28'], 1)->assertOk();
    expect($until($this->ada))->toBe('2027-03-27');
    $this->give($this->slip, $this->ben, Level::BusyTimes);
    expect($until($this->ben))->toBeNull();
    $this->give($this->slip, $this->ben, Level::See);
    expect($until($this->ben))->toBe('2027-03-27');
});

test('a new person, place or category is known at once', function () {
    expect(($this->read)($this->ada, 'lunch with Cy Pins')->json('doubts.0.text'))->toBe('Cy Pins');
    $cy = $this->person('Cy Pins');
    ($this->read)($this->ada, 'lunch with Cy Pins')->assertJsonPath('participants.0.id', $cy->id)->assertJsonPath('doubts', []);
    expect(($this->read)($this->ada, 'lunch Gig shed')->json('place'))->toBe('');
    $this->add($this->slip, $this->ada, more: ['place' => 'Gig shed']);
    expect(($this->read)($this->ada, 'lunch Gig shed')->json('place'))->toBe('Gig shed');
});

test('a category never takes an event off the sheet: calendars in view come first, and it is told where it would show', function () {
    $this->add($this->tests, $this->ada, more: ['categories' => ['assessment']]);
    $layer = fn ($calendar, array $conditions = []) => ['name' => $calendar->name, 'takes' => 'chosen', 'calendars' => [$calendar->slug], 'conditions' => $conditions, 'colour' => 'sea', 'mark' => 'disc'];
    $slug = $this->as($this->ada, 'POST', '/overlays', ['name' => 'Slip and visits', 'layers' => [$layer($this->slip), $layer($this->tests, [['about' => 'category', 'names' => ['visit'], 'match' => 'any']])]])->assertCreated()->json('slug');
    $read = fn (string $line, string $more = '') => ($this->read)($this->ada, $line, "&overlay={$slug}{$more}");
    // Where such an event went last would not show it here.
    $read('Knots fri #assessment')->assertJsonPath('calendar', $this->slip->slug)->assertJsonPath('showsOn', [$this->slip->slug]);
    $read('Knots fri #visit')->assertJsonPath('showsOn', [$this->slip->slug, $this->tests->slug]);
    $read('Knots fri #visit', '&hidden[]=0')->assertJsonPath('showsOn', [$this->tests->slug]);
    // What was named holds, and is told not to show.
    $read('Knots fri #assessment on Assessments')->assertJsonPath('calendar', $this->tests->slug)->assertJsonPath('showsOn', [$this->slip->slug]);
    // The form asks the same.
    $shows = fn (array $event) => $this->as($this->ada, 'POST', '/sheet/shows', $event + ['overlay' => $slug, 'title' => 'Knots', 'allDay' => false])->assertOk()->json('on');
    expect($shows(['categories' => ['Assessment']]))->toBe([$this->slip->slug])->and($shows(['categories' => ['VISIT']]))->toBe([$this->slip->slug, $this->tests->slug])
        ->and($shows(['categories' => ['VISIT'], 'hidden' => [0]]))->toBe([$this->tests->slug]);
    // A layer tells what an event has that is begun in it.
    $layers = $this->as($this->ada, 'GET', "/sheet?from=2026-11-23&to=2026-11-30&tz=Europe/London&overlay={$slug}")->json('layers');
    expect(array_column($layers, 'begun'))->toBe([['categories' => [], 'status' => null, 'busy' => null], ['categories' => ['visit'], 'status' => null, 'busy' => null]]);
    $this->as($this->ben, 'POST', '/sheet/shows', ['overlay' => $slug, 'title' => 'Knots', 'allDay' => false])->assertNotFound();
});

test('a room that has a calendar of its own goes there, before the room of another', function () {
    $loft = $this->calendar($this->ada, 'Long loft');
    $box = $this->calendar($this->ada, 'Steam box');
    $this->add($box, $this->ada, title: 'Booking', more: ['place' => 'Steam box', 'categories' => ['booking']]);
    $this->add($loft, $this->ada, title: 'Varnish', more: ['place' => 'Long loft']);
    expect(($this->read)($this->ada, 'Booking fri Long loft #booking')->json('calendar'))->toBe($loft->slug)
        ->and(($this->read)($this->ada, 'Booking fri Steam box')->json('calendar'))->toBe($box->slug)
        ->and(($this->read)($this->ada, 'Booking fri #booking')->json('calendar'))->toBe($box->slug);
});

test('what is only asked is not remembered as done, and the names are kept once for each person', function () {
    $this->withHeader('Idempotency-Key', 'a-key-of-some-length')->as($this->ada, 'POST', '/sheet/shows', ['title' => 'Knots', 'allDay' => false])->assertOk();
    $this->withHeader('Idempotency-Key', 'another-key-of-some-length')->as($this->ada, 'POST', '/line/message', ['text' => 'Knots fri', 'tz' => 'Europe/London'])->assertOk();
    $this->assertDatabaseCount('idempotency_keys', 0);
    $this->withoutHeader('Idempotency-Key');
    config(['cache.default' => 'array']);
    $read = fn () => ($this->read)($this->ada, 'lunch Gig shed')->json('place');
    expect($read())->toBe('');
    DB::enableQueryLog();
    $read();
    $kept = count(DB::getQueryLog());
    $this->add($this->slip, $this->ada, more: ['place' => 'Gig shed']);
    DB::flushQueryLog();
    expect($read())->toBe('Gig shed')->and(count(DB::getQueryLog()))->toBeGreaterThan($kept);
});

test('a message becomes a line, with the names that its reader may know', function () {
    $message = fn ($person, string $text) => $this->as($person, 'POST', '/line/message', ['text' => $text, 'tz' => 'Europe/London']);
    $message($this->ada, "Hi all,\n\nwe will have a mast check on Friday at 14:00 with Ben Oar.\n\nBest,\nMaro")->assertOk()->assertJsonPath('line', 'Mast check on Friday at 14:00 with Ben Oar');
    $message($this->ada, '')->assertUnprocessable()->assertJsonPath('errors.0.field', 'text');
    $message($this->ada, str_repeat('a', 20001))->assertUnprocessable();
});

test('what is typed into a field for a date or an hour is read in the order of the organisation', function () {
    $read = fn (string $kind, string $words) => $this->as($this->ada, 'GET', "/when?tz=Europe/London&kind={$kind}&words=".rawurlencode($words))->assertOk()->json();
    foreach (['wed' => '2026-11-25', '14 mar' => '2027-03-14', '2/12' => '2026-12-02', 'in two weeks' => '2026-12-09', '2026-12-31' => '2026-12-31', 'tomorrow' => '2026-11-26', '31.12.2026' => '2026-12-31'] as $words => $date) {
        expect($read('date', $words))->toBe(['value' => $date, 'instead' => null]);
    }
    expect($read('date', '31 nov'))->toBe(['value' => null, 'instead' => '30 nov'])->and($read('date', 'whenever'))->toBe(['value' => null, 'instead' => null])->and($read('date', '99999-01-01')['value'])->toBeNull();
    foreach (['9.30' => '09:30', '2pm' => '14:00', '9' => '09:00', '3' => '15:00', '0900' => '09:00', 'noon' => '12:00', 'midnight' => '00:00', 'half past two' => '14:30', 'evening' => '18:00', '25:00' => null, 'soon' => null] as $words => $time) {
        expect($read('time', (string) $words)['value'])->toBe($time);
    }
    $this->as($this->ada, 'GET', '/when?tz=Europe/London&kind=week&words=x')->assertUnprocessable()->assertJsonPath('errors.0.field', 'kind');
});

test('places that one may know are offered where a place is typed', function () {
    $secret = $this->calendar($this->ben, 'Dismissals');
    $this->add($secret, $this->ben, more: ['place' => 'Ward seven']);
    $this->add($this->slip, $this->ada, more: ['place' => 'Pontoon']);
    $this->add($this->slip, $this->ada, more: ['place' => 'Quiet room', 'private' => true]);
    expect($this->as($this->ada, 'GET', '/places')->assertOk()->json('places'))->toBe(['Pontoon'])->and($this->as($this->ben, 'GET', '/places')->json('places'))->toBe(['Ward seven']);
});
