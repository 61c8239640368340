<?php

use App\Events\EventRecord;
use App\Occurrences\OccurrenceHorizon;
use App\Occurrences\RollHorizon;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;

beforeEach(function () {
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->input = fn (array $more = []): array => $more + ['calendar' => $this->slip->slug, 'title' => 'Haul out', 'start' => '2026-11-10T09:00'];
    $this->days = fn (string $from = '2026-11-01', string $to = '2026-12-31'): array => array_map(
        fn (array $item): string => substr($item['start'], 5).' '.$item['title'],
        $this->sheet($this->ada, $from, $to)->assertOk()->json('items'),
    );
});

test('title and start are enough: it lasts an hour on the wall of its calendar', function () {
    $this->as($this->ada, 'POST', '/events', ($this->input)())->assertCreated()
        ->assertJsonPath('end', '2026-11-10T10:00')->assertJsonPath('timezone', 'Europe/London')->assertJsonPath('addedBy', 'Ada Quill')->assertJsonPath('status', 'confirmed');
    expect(($this->days)())->toBe(['11-10T09:00 Haul out']);
});

test('all-day, over days, over midnight, without length', function (array $input, array $expected) {
    $event = $this->as($this->ada, 'POST', '/events', ($this->input)($input))->assertCreated();
    foreach ($expected as $key => $value) {
        expect($event->json($key))->toBe($value);
    }
})->with([
    [['allDay' => true, 'start' => '2026-11-10'], ['start' => '2026-11-10', 'end' => '2026-11-11', 'timezone' => null]],
    [['allDay' => true, 'start' => '2026-11-10', 'end' => '2026-11-13'], ['end' => '2026-11-13']],
    [['start' => '2026-11-10T22:00', 'end' => '2026-11-11T06:00'], ['end' => '2026-11-11T06:00']],
    [['start' => '2026-11-10T12:00', 'end' => '2026-11-10T12:00'], ['end' => '2026-11-10T12:00']],
    [['timezone' => 'America/New_York'], ['timezone' => 'America/New_York']],
]);

test('bad input gets a message at its field and changes nothing', function (array $input, string $field, string $message) {
    $this->as($this->ada, 'POST', '/events', ($this->input)($input))->assertUnprocessable()
        ->assertJsonPath('errors.0.field', $field)->assertJsonPath('errors.0.message', $message);
    expect(EventRecord::query()->count())->toBe(0)->and(DB::table('occurrences')->count())->toBe(0);
})->with([
    'no title' => [['title' => ''], 'title', 'Give the event a title.'],
    'a title of 10,000 characters' => [['title' => str_repeat('x', 10_000)], 'title', 'A title has at most 500 characters.'],
    'end before start' => [['end' => '2026-11-10T08:00'], 'end', 'The end is before the start.'],
    'an all-day event that ends as it begins' => [['allDay' => true, 'start' => '2026-11-10', 'end' => '2026-11-10'], 'end', 'An all-day event lasts a day at least.'],
    'no such day' => [['start' => '2026-02-30T09:00'], 'start', 'There is no date 2026-02-30.'],
    'words for a day' => [['start' => 'tomorrow'], 'start', 'A date is written 2026-11-02, a date and time 2026-11-02T09:30.'],
    'unknown zone' => [['timezone' => 'Atlantis/Capital'], 'timezone', 'No time zone is called “Atlantis/Capital”.'],
    'a script for a link' => [['link' => 'javascript:alert(1)'], 'link', 'A link begins with http:// or https://.'],
    'no such calendar' => [['calendar' => 'nowhere'], 'calendar', 'There is no such calendar for you.'],
    'a repeat that ends before it begins' => [['repeat' => ['rule' => 'FREQ=WEEKLY;BYDAY=TU', 'until' => '2026-11-01']], 'repeat.until', 'The repeat ends before the event starts.'],
    'a repeat on no day' => [['repeat' => ['pick' => ['unit' => 'week', 'interval' => 1, 'weekdays' => [], 'monthBy' => 'date']]], 'repeat.pick.weekdays', 'Choose at least one weekday.'],
    'a repeat by the second' => [['repeat' => ['rule' => 'FREQ=SECONDLY']], 'repeat.rule', 'This repeats more often than a calendar can show: 20,000 times in some four years at most.'],
    'a repeat by the hour without end' => [['repeat' => ['rule' => 'FREQ=HOURLY']], 'repeat.rule', 'This repeats more often than a calendar can show: 20,000 times in some four years at most.'],
    'a day that repeats by many hours' => [['repeat' => ['rule' => 'FREQ=DAILY;BYHOUR=8,9,10,11,12;BYMINUTE=0,10,20,30,40']], 'repeat.rule', 'This repeats more often than a calendar can show: 20,000 times in some four years at most.'],
    'a repeat that is picked and written' => [['repeat' => ['rule' => 'FREQ=DAILY', 'pick' => ['unit' => 'day', 'interval' => 1, 'weekdays' => [], 'monthBy' => 'date']]], 'repeat.pick', 'Pick a repeat or write its rule, not both.'],
    'a row of somebody who is not there' => [['row' => ['by' => 'person', 'from' => '', 'to' => '999999']], 'row', 'Somebody here is not there any more.'],
    'a row of nothing that rows are told apart by' => [['row' => ['by' => 'layer', 'from' => '', 'to' => 'Loft']], 'row.by', 'The selected row.by is invalid.'],
]);

test('a weekly series repeats, and is told in words', function () {
    $this->as($this->ada, 'POST', '/events', ($this->input)(['repeat' => ['rule' => 'FREQ=WEEKLY;BYDAY=TU,TH', 'until' => '2026-11-19']]))->assertCreated()
        ->assertJsonPath('repeat.words', 'every week on Tuesday and Thursday until 19 November 2026')->assertJsonPath('repeat.rule', 'FREQ=WEEKLY;BYDAY=TU,TH');
    expect(($this->days)())->toBe(['11-10T09:00 Haul out', '11-12T09:00 Haul out', '11-17T09:00 Haul out', '11-19T09:00 Haul out']);
});

describe('of a series', function () {
    beforeEach(function () {
        $this->event = $this->add($this->slip, $this->ada, title: 'Rowing', start: '2026-11-10T09:00', rule: 'FREQ=WEEKLY;COUNT=4;BYDAY=TU');
        $this->id = '2026-11-17T09:00:00Z';
    });

    test('one occurrence is moved and renamed; the others stay', function () {
        $this->as($this->ada, 'PATCH', "/events/{$this->event->id}?occurrence={$this->id}", ['title' => 'Rowing, late', 'start' => '2026-11-18T11:00'], 1)->assertOk()->assertJsonPath('end', '2026-11-18T12:00');
        expect(($this->days)())->toBe(['11-10T09:00 Rowing', '11-18T11:00 Rowing, late', '11-24T09:00 Rowing', '12-01T09:00 Rowing']);
        $this->as($this->ada, 'GET', "/events/{$this->event->id}?occurrence={$this->id}")->assertJsonPath('title', 'Rowing, late')->assertJsonPath('occurrence', $this->id);
        $this->as($this->ada, 'GET', "/events/{$this->event->id}")->assertJsonPath('title', 'Rowing');
    });

    test('one occurrence is deleted and comes back', function () {
        $this->as($this->ada, 'DELETE', "/events/{$this->event->id}?occurrence={$this->id}", [], 1)->assertNoContent();
        expect(($this->days)())->toBe(['11-10T09:00 Rowing', '11-24T09:00 Rowing', '12-01T09:00 Rowing']);
        $this->as($this->ada, 'POST', "/events/{$this->event->id}/restore?occurrence={$this->id}")->assertOk();
        expect(($this->days)())->toHaveCount(4);
    });

    test('all of it is moved by days: its weekday and its changed occurrence go along', function () {
        $this->as($this->ada, 'PATCH', "/events/{$this->event->id}?occurrence={$this->id}", ['title' => 'Rowing, changed'], 1)->assertOk();
        $this->as($this->ada, 'PATCH', "/events/{$this->event->id}", ['start' => '2026-11-12T10:00'], 2)->assertOk()->assertJsonPath('repeat.words', 'every week on Thursday, 4 times');
        expect(($this->days)())->toBe(['11-12T10:00 Rowing', '11-17T09:00 Rowing, changed', '11-26T10:00 Rowing', '12-03T10:00 Rowing']);
    });

    test('a rule that fixes its days is not moved to others by stealth', function () {
        $drill = $this->add($this->slip, $this->ada, title: 'Drill', start: '2026-11-10T09:00', rule: 'FREQ=MONTHLY;BYDAY=2TU');
        $this->as($this->ada, 'PATCH', "/events/{$drill->id}", ['start' => '2026-11-11T09:00'], 1)->assertUnprocessable()->assertJsonPath('errors.0.field', 'start');
        $this->as($this->ada, 'PATCH', "/events/{$drill->id}", ['start' => '2026-11-10T15:00', 'title' => 'Late drill'], 1)->assertOk()->assertJsonPath('repeat.words', 'every month on the second Tuesday');
    });

    test('an occurrence that there is not is not found', function () {
        $this->as($this->ada, 'PATCH', "/events/{$this->event->id}?occurrence=2026-11-18T09:00:00Z", ['title' => 'x'], 1)->assertNotFound();
        $this->as($this->ada, 'PATCH', "/events/{$this->event->id}?occurrence=soon", ['title' => 'x'], 1)->assertUnprocessable();
    });

    test('beyond the horizon of the index the core answers, and rolling it changes nothing that is seen', function () {
        $daily = $this->add($this->slip, $this->ada, title: 'Daily', start: '2000-01-01T08:00', rule: 'FREQ=DAILY');
        $windows = ['2001-05-01' => '2001-05-04', '2026-11-30' => '2026-12-03', '2044-02-27' => '2044-03-02'];
        $horizon = OccurrenceHorizon::current();
        $edge = gmdate('Y-m-d', $horizon->to - 2 * 86400);
        $windows[$edge] = gmdate('Y-m-d', $horizon->to + 3 * 86400);
        $seen = fn (): array => array_map(fn (string $from, string $to): array => ($this->days)($from, $to), array_keys($windows), $windows);
        $before = $seen();
        expect(array_map(fn (array $days): int => count(preg_grep('/Daily/', $days)), $before))->toBe([3, 3, 4, 5]);
        $this->travel(40)->days();
        expect(app(RollHorizon::class)->roll())->toBe(40)->and(OccurrenceHorizon::current()->to)->toBe($horizon->to + 40 * 86400);
        expect($seen())->toBe($before);
    });
});

test('an event moves to another calendar and stays the same event', function () {
    $event = $this->add($this->slip, $this->ada, more: ['categories' => ['own word']]);
    $boat = $this->calendar($this->ada, 'Safety boat');
    $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['calendar' => $boat->slug], 1)->assertOk()->assertJsonPath('calendar', $boat->slug)->assertJsonPath('categories', ['own word'])->assertJsonPath('id', $event->id);
    expect($this->sheet($this->ada, '2026-11-01', '2026-11-30')->json('items.0.calendar'))->toBe($boat->slug)
        ->and($this->sheet($this->ada, '2026-11-01', '2026-11-30')->json('items'))->toHaveCount(1);
});

test('an event is deleted and comes back with its occurrences', function () {
    $event = $this->add($this->slip, $this->ada, rule: 'FREQ=WEEKLY;COUNT=3');
    $before = ($this->days)();
    $this->as($this->ada, 'DELETE', "/events/{$event->id}", [], 1)->assertNoContent();
    expect(($this->days)())->toBe([]);
    $this->as($this->ada, 'GET', "/events/{$event->id}")->assertNotFound();
    $this->as($this->ada, 'POST', "/events/{$event->id}/restore")->assertOk();
    expect(($this->days)())->toBe($before);
});

test('of two who change an event at once the second sees what the first did', function () {
    $event = $this->add($this->slip, $this->ada);
    $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['place' => 'Pontoon'], 1)->assertOk();
    $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['place' => 'Boat hall'], 1)->assertStatus(412)->assertJsonPath('current.place', 'Pontoon')->assertJsonPath('current.version', 2);
    $this->as($this->ada, 'DELETE', "/events/{$event->id}", [], 1)->assertStatus(412);
    expect(EventRecord::query()->find($event->id)->place)->toBe('Pontoon');
});

test('times are told on the reader’s wall; all-day events never shift', function () {
    $this->add($this->slip, $this->ada, title: 'Late', start: '2026-11-10T23:30');
    $this->add($this->slip, $this->ada, title: 'Closed', start: '2026-11-11');
    $this->add($this->slip, $this->ada, title: 'Anywhere', start: '2026-11-11T08:00', zone: null);
    $seen = fn (string $zone): array => collect($this->sheet($this->ada, '2026-11-11', '2026-11-12', '', $zone)->json('items'))->pluck('start', 'title')->sortKeys()->all();
    expect($seen('Europe/London'))->toBe(['Anywhere' => '2026-11-11T08:00', 'Closed' => '2026-11-11', 'Late' => '2026-11-10T23:30'])
        ->and($seen('Asia/Tokyo'))->toBe(['Anywhere' => '2026-11-11T08:00', 'Closed' => '2026-11-11', 'Late' => '2026-11-11T08:30'])
        ->and($seen('America/Los_Angeles'))->toBe(['Anywhere' => '2026-11-11T08:00', 'Closed' => '2026-11-11']);
});

test('a contributor changes what is their own and nothing else', function () {
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Add);
    $own = $this->as($ben, 'POST', '/events', ($this->input)(['title' => 'Mine']))->assertCreated()->json('id');
    $others = $this->add($this->slip, $this->ada)->id;
    $this->as($ben, 'PATCH', "/events/{$own}", ['title' => 'Mine, still'], 1)->assertOk();
    $this->as($ben, 'PATCH', "/events/{$others}", ['title' => 'Yours'], 1)->assertForbidden();
    $this->as($ben, 'DELETE', "/events/{$others}", [], 1)->assertForbidden();
});

test('a repeat by the hour that ends, or leaves most hours out, is kept', function (string $rule) {
    $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Watch', 'start' => '2026-11-10T09:00', 'repeat' => ['rule' => $rule]])->assertCreated();
})->with(['FREQ=HOURLY;INTERVAL=4', 'FREQ=DAILY;BYHOUR=8,12,16,20']);
