<?php

use App\Directory\OwnThings;
use App\Pins\Pin;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;

beforeEach(function () {
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->calendar = $this->calendar($this->ada, 'Rigging loft');
    // The index of words has what is committed alone: these tests commit, and tidy up after themselves.
    $this->settle = function (): void {
        DB::commit();
        DB::beginTransaction();
    };
    $this->find = fn (string $words, $who = null): array => array_column($this->as($who ?? $this->ada, 'GET', '/find?tz=Europe/London&q='.urlencode($words))->assertOk()->json('events'), 'title');
    $this->soon = now()->addDays(10)->format('Y-m-d');
});

afterEach(function () {
    foreach (['outbox', 'event_invitations', 'operation_steps', 'changes', 'overlays', 'operations', 'occurrences', 'events', 'categories', 'grants', 'calendars', 'group_person', 'groups', 'people'] as $table) {
        DB::table($table)->delete();
    }
    ($this->settle)();
});

test('events are found by any of title, place, description, category and people, the best first', function () {
    $this->add($this->calendar, $this->ada, title: 'Splicing test', start: "{$this->soon}T09:00", more: ['place' => 'Long loft']);
    $this->add($this->calendar, $this->ada, title: 'Splicing test, old', start: '2020-01-02T09:00');
    $this->add($this->calendar, $this->ada, title: 'Sweeping', start: "{$this->soon}T12:00", more: ['description' => 'after the splicing test', 'categories' => ['cleaning']]);
    $this->add($this->calendar, $this->ada, title: 'Lunch', start: "{$this->soon}T13:00", more: ['participants' => [new Participant("mailto:{$this->ben->email}")]]);
    ($this->settle)();
    expect(($this->find)('splic test'))->toBe(['Splicing test', 'Splicing test, old', 'Sweeping'])
        ->and(($this->find)('long loft'))->toBe(['Splicing test'])
        ->and(($this->find)('after the splicing'))->toBe(['Sweeping'])
        ->and(($this->find)('cleaning'))->toBe(['Sweeping'])
        ->and(($this->find)('ben oar'))->toBe(['Lunch'])
        ->and(($this->find)('splicing nonsense'))->toBe([])
        ->and(($this->find)('+-*"(< a'))->toBe([]);
});

test('of a series its next time is told, and where it is', function () {
    $this->add($this->calendar, $this->ada, title: 'Rope walk', start: now()->subDays(30)->format('Y-m-d').'T23:30', rule: 'FREQ=DAILY;COUNT=200', zone: 'America/New_York');
    ($this->settle)();
    $found = $this->as($this->ada, 'GET', '/find?tz=Europe/London&q=rope+walk')->assertOk()->json('events.0');
    expect($found['occurrence'])->not->toBeNull()->and($found['date'])->toBeGreaterThanOrEqual(now()->format('Y-m-d'))->and($found['calendar'])->toBe($this->calendar->slug);
});

test('what a level hides is not found, by whatever words', function (Level $level) {
    $this->give($this->calendar, $this->ben, $level);
    $this->add($this->calendar, $this->ada, title: 'Hospital', start: "{$this->soon}T09:00", more: ['private' => true, 'place' => 'Wardroom', 'description' => 'kneecap', 'categories' => ['health'], 'participants' => [new Participant("mailto:{$this->ada->email}")]]);
    $this->add($this->calendar, $this->ada, title: 'Open rehearsal', start: "{$this->soon}T10:00");
    ($this->settle)();
    foreach (['hospital', 'wardroom', 'kneecap', 'health', 'ada quill'] as $words) {
        expect(($this->find)($words, $this->ben))->toBe($level->includes(Level::Change) ? ['Hospital'] : [], $words);
    }
    expect(($this->find)('rehearsal', $this->ben))->toBe($level === Level::BusyTimes ? [] : ['Open rehearsal']);
})->with([[Level::BusyTimes], [Level::See], [Level::Add], [Level::Change]]);

test('a private event is found by its author and who takes part; a deleted one by nobody', function () {
    $this->give($this->calendar, $this->ben, Level::Add);
    $mine = $this->add($this->calendar, $this->ben, title: 'Hospital', start: "{$this->soon}T09:00", more: ['private' => true]);
    $this->add($this->calendar, $this->ada, title: 'Appraisal', start: "{$this->soon}T09:00", more: ['private' => true, 'participants' => [new Participant("mailto:{$this->ben->email}")]]);
    ($this->settle)();
    expect(($this->find)('hospital', $this->ben))->toBe(['Hospital'])->and(($this->find)('appraisal', $this->ben))->toBe(['Appraisal']);
    $mine->delete();
    ($this->settle)();
    expect(($this->find)('hospital', $this->ben))->toBe([]);
});

test('words that mean a day say which', function () {
    $this->travelTo('2026-11-25 12:00:00');
    $this->as($this->ada, 'GET', '/find?tz=Europe/London&q=next+tue')->assertJsonPath('events', [])->assertJsonPath('date', '2026-12-01');
    $this->as($this->ada, 'GET', '/find?tz=Europe/London&q=rigging')->assertJsonPath('date', null);
    $this->as($this->ada, 'GET', '/find?tz=Nowhere&q=x')->assertUnprocessable();
});

test('a private event is found by whoever is in a group that takes part, and a pinned one by who sees it there', function () {
    $crew = $this->group('Gig crew', $this->ben);
    $cy = $this->person('Cy Reader');
    $this->give($this->calendar, $this->ben, Level::See);
    $this->give($this->calendar, $cy, Level::See);
    $this->add($this->calendar, $this->ada, title: 'Debrief', start: "{$this->soon}T09:00", more: ['private' => true, 'participants' => [Participant::ofGroup($crew->id, 'Gig crew', ParticipantRole::Required)]]);
    $hidden = $this->calendar($this->ada, 'Hidden');
    $board = $this->calendar($cy, 'Board');
    $pinned = $this->add($hidden, $this->ada, title: 'Regatta supper', start: "{$this->soon}T19:00");
    Pin::query()->insert(['event_id' => $pinned->id, 'calendar_id' => $board->id, 'pinned_by' => $this->ada->id]);
    ($this->settle)();
    expect(($this->find)('debrief', $this->ben))->toBe(['Debrief'])->and(($this->find)('debrief', $cy))->toBe([])
        ->and(($this->find)('regatta', $cy))->toBe(['Regatta supper'])->and(($this->find)('regatta', $this->ben))->toBe([]);
});

test('a private event is found by whoever has joined it', function () {
    $cy = $this->person('Cy Reader');
    $this->give($this->calendar, $this->ben, Level::See);
    $this->give($this->calendar, $cy, Level::See);
    $event = $this->add($this->calendar, $this->ada, title: 'Supper afloat', start: "{$this->soon}T19:00", more: ['private' => true]);
    Pin::query()->insert(['event_id' => $event->id, 'calendar_id' => $this->calendar($this->ben, 'Own')->id, 'pinned_by' => $this->ben->id, 'joined' => true]);
    ($this->settle)();
    expect(($this->find)('afloat', $this->ben))->toBe(['Supper afloat'])->and(($this->find)('afloat', $cy))->toBe([]);
});

test('who is asked to what is on a calendar that they do not see finds it by its words, not by who else is asked', function () {
    OwnThings::of($this->ben);
    $cy = $this->person('Cy Brook');
    $this->give($this->calendar, $cy, Level::See);
    $asked = fn (...$people): array => array_map(static fn ($each): array => ['kind' => 'person', 'id' => $each->id, 'part' => 'required'], $people);
    $this->as($this->ada, 'POST', '/events', ['calendar' => $this->calendar->slug, 'title' => 'Splicing test', 'start' => "{$this->soon}T09:00", 'participants' => $asked($this->ben, $cy)])->assertCreated();
    // Of a series to one time of which they are asked that time.
    $series = $this->as($this->ada, 'POST', '/events', ['calendar' => $this->calendar->slug, 'title' => 'Winch drill', 'start' => '2026-12-01T14:00', 'repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 3]])->assertCreated()->json('id');
    $this->as($this->ada, 'PATCH', "/events/{$series}?occurrence=2026-12-08T14:00:00Z", ['title' => 'Winch exam', 'participants' => $asked($this->ben)], 1)->assertOk();
    ($this->settle)();
    expect(($this->find)('splicing test', $this->ben))->toBe(['Splicing test'])->and(($this->find)('Cy Brook', $this->ben))->toBe([])->and(($this->find)('ben oar', $cy))->toContain('Splicing test')
        ->and(($this->find)('winch exam', $this->ben))->toBe(['Winch exam'])->and(($this->find)('winch drill', $this->ben))->toBe([])
        ->and(($this->find)('splicing test', $this->person('Eve Else')))->toBe([]);
});
