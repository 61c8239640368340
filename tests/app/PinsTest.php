<?php

use App\Calendars\OwnCalendar;
use App\Occurrences\VerifyOccurrences;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;

beforeEach(function () {
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->cy = $this->person('Cy Reader');
    // Ada’s own; Ben reads it. The board is Ben’s, and Cy reads that alone.
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->board = $this->calendar($this->ben, 'Board');
    $this->give($this->slip, $this->ben, Level::See);
    $this->give($this->board, $this->cy, Level::See);
    $this->event = $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-10T09:00', more: ['place' => 'Slip 2', 'categories' => ['Launch']]);
    $this->weekly = $this->add($this->slip, $this->ada, title: 'Rowing', start: '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=3');
    $this->pin = fn ($event, $person = null) => $this->as($person ?? $this->ben, 'POST', "/events/{$event->id}/pins", ['calendar' => $this->board->slug]);
    $this->seen = fn ($person, string $more = ''): array => array_map(fn (array $item): string => substr($item['start'], 5, 5).' '.$item['title'].(isset($item['pinned']) ? ', pinned' : ''), $this->sheet($person, '2026-11-01', '2026-12-01', $more)->assertOk()->json('items'));
    $this->sound = fn () => expect(iterator_to_array(app(VerifyOccurrences::class)->differences(), false))->toBe([]);
});

test('a pinned event is one event on several calendars, seen by those who see it only there', function () {
    expect(($this->seen)($this->cy))->toBe([]);
    ($this->pin)($this->event)->assertNoContent();
    ($this->pin)($this->weekly)->assertNoContent();
    expect(($this->seen)($this->cy))->toBe(['11-03 Rowing, pinned', '11-10 Haul out, pinned', '11-10 Rowing, pinned', '11-17 Rowing, pinned'])
        // Who sees both sees it once.
        ->and(($this->seen)($this->ben))->toBe(['11-03 Rowing, pinned', '11-10 Haul out, pinned', '11-10 Rowing, pinned', '11-17 Rowing, pinned'])
        ->and(($this->seen)($this->ben, "&calendar={$this->slip->slug}"))->toBe(['11-03 Rowing', '11-10 Haul out', '11-10 Rowing', '11-17 Rowing']);
    $this->as($this->cy, 'GET', "/events/{$this->event->id}")->assertOk()->assertJsonPath('title', 'Haul out')->assertJsonPath('calendar', $this->board->slug)
        ->assertJsonPath('pinned', true)->assertJsonPath('mayChange', false)->assertJsonPath('pins.0.name', 'Board')->assertJsonPath('pins.0.mayUnpin', false);
    ($this->sound)();
    // A change shows on all.
    $this->as($this->ada, 'PATCH', "/events/{$this->event->id}", ['title' => 'Launch', 'start' => '2026-11-12T09:00'], 1)->assertOk();
    expect(($this->seen)($this->cy))->toContain('11-12 Launch, pinned');
    // It is found there, and it goes out with the board.
    expect($this->as($this->cy, 'GET', '/find?q=launch&tz=Europe/London')->json('events.0.calendar'))->toBe($this->board->slug);
    ($this->sound)();
});

test('a board that shows something by a pin says so in its feed and its mark', function () {
    $this->give($this->board, SubjectKind::Public, Level::See);
    $mark = DB::table('calendars')->where('id', $this->board->id)->value('revision');
    ($this->pin)($this->event)->assertNoContent();
    $pinned = DB::table('calendars')->where('id', $this->board->id)->value('revision');
    $this->as($this->ada, 'PATCH', "/events/{$this->event->id}", ['title' => 'Launch'], 1)->assertOk();
    expect($pinned)->toBeGreaterThan($mark)->and(DB::table('calendars')->where('id', $this->board->id)->value('revision'))->toBeGreaterThan($pinned);
    expect($this->get("/public/{$this->board->slug}.ics")->assertOk()->getContent())->toContain('SUMMARY:Launch');
    $this->as($this->ada, 'DELETE', "/events/{$this->event->id}", [], 2)->assertNoContent();
    expect($this->get("/public/{$this->board->slug}.ics")->getContent())->not->toContain('Launch')->and(($this->seen)($this->cy))->toBe([]);
    $this->as($this->ada, 'POST', "/events/{$this->event->id}/restore")->assertOk();
    expect(($this->seen)($this->cy))->toBe(['11-10 Launch, pinned']);
    ($this->sound)();
});

test('a private event does not open by a pin', function () {
    $private = $this->add($this->slip, $this->ada, title: 'Hospital', start: '2026-11-11T09:00', more: ['private' => true, 'place' => 'Ward 7', 'participants' => [new Participant("mailto:{$this->ben->email}")]]);
    ($this->pin)($private)->assertNoContent();
    DB::table('grants')->where('on_id', $this->board->id)->update(['level' => 'manage']);
    expect(($this->seen)($this->cy))->toBe(['11-11 Busy'])->and(($this->seen)($this->ben, "&calendar={$this->board->slug}"))->toBe(['11-11 Hospital, pinned']);
    expect($this->as($this->cy, 'GET', "/events/{$private->id}")->assertOk()->assertJsonPath('title', 'Busy')->assertJsonPath('pins', [])->getContent())->not->toContain('Ward 7');
});

test('who sees busy times by one calendar and all by another sees all, once', function () {
    DB::table('grants')->where('on_id', $this->slip->id)->delete();
    $this->give($this->slip, $this->cy, Level::BusyTimes);
    $this->as($this->ada, 'POST', "/events/{$this->event->id}/pins", ['calendar' => $this->board->slug])->assertUnprocessable();
    $this->give($this->board, $this->ada, Level::Add);
    ($this->pin)($this->event, $this->ada)->assertNoContent();
    expect(array_values(array_filter(($this->seen)($this->cy), fn (string $item): bool => str_starts_with($item, '11-10') && ! str_ends_with($item, 'Busy'))))->toBe(['11-10 Haul out, pinned'])
        ->and(count(array_filter(($this->seen)($this->cy), fn (string $item): bool => $item === '11-10 Busy')))->toBe(1, 'the other one of that day, and not this one again');
});

test('it is pinned by who sees it and may add there, and once', function () {
    ($this->pin)($this->event, $this->cy)->assertNotFound();
    ($this->pin)($this->event)->assertNoContent();
    ($this->pin)($this->event)->assertUnprocessable()->assertJsonPath('errors.0.message', 'It is on Board already.');
    $this->as($this->ada, 'POST', "/events/{$this->event->id}/pins", ['calendar' => $this->slip->slug])->assertUnprocessable();
    $this->as($this->cy, 'POST', "/events/{$this->event->id}/pins", ['calendar' => $this->board->slug])->assertUnprocessable()->assertJsonPath('errors.0.message', 'You may look at this calendar, not add to it.');
    $this->as($this->ben, 'POST', "/events/{$this->event->id}/pins", [])->assertUnprocessable()->assertJsonPath('errors.0.field', 'calendar');
});

test('it is taken off by who pinned it, who may edit there, and who may change the event', function () {
    $off = fn ($person) => $this->as($person, 'DELETE', "/events/{$this->event->id}/pins/".(DB::table('event_pins')->value('id') ?? 0));
    ($this->pin)($this->event)->assertNoContent();
    $off($this->cy)->assertForbidden();
    // Ada does not see the board; the event is hers.
    $off($this->ada)->assertNoContent();
    ($this->pin)($this->event)->assertNoContent();
    $off($this->ben)->assertNoContent();
    $off($this->ben)->assertStatus(409);
    expect(($this->seen)($this->cy))->toBe([])->and(DB::table('event_pins')->count())->toBe(0);
    ($this->sound)();
});

test('pinning and taking off are undone and done again, by who may still add there', function () {
    $everything = fn (): array => [DB::table('event_pins')->get(['event_id', 'calendar_id', 'pinned_by', 'joined'])->all(), DB::table('occurrences')->orderBy('calendar_id')->orderBy('starts_at')->get(['calendar_id', 'event_id', 'starts_at'])->all()];
    $before = $everything();
    $pinned = (int) ($this->pin)($this->weekly)->headers->get('Operation');
    $after = $everything();
    $this->as($this->cy, 'POST', "/operations/{$pinned}/undo")->assertNotFound();
    $this->as($this->ben, 'POST', "/operations/{$pinned}/undo")->assertNoContent();
    expect($everything())->toEqual($before);
    $this->as($this->ben, 'POST', "/operations/{$pinned}/redo")->assertNoContent();
    expect($everything())->toEqual($after);
    $off = (int) $this->as($this->ben, 'DELETE', "/events/{$this->weekly->id}/pins/".DB::table('event_pins')->value('id'))->headers->get('Operation');
    $this->board->update(['archived_at' => now()]);
    $this->as($this->ben, 'POST', "/operations/{$off}/undo")->assertForbidden();
    $this->board->update(['archived_at' => null]);
    $this->as($this->ben, 'POST', "/operations/{$off}/undo")->assertNoContent();
    expect($everything())->toEqual($after);
});

test('a pinned event is changed on its own calendar alone', function () {
    ($this->pin)($this->event)->assertNoContent();
    DB::table('grants')->where('on_id', $this->board->id)->update(['level' => 'manage']);
    $this->as($this->cy, 'PATCH', "/events/{$this->event->id}", ['title' => 'x'], 1)->assertForbidden()->assertJsonPath('detail', 'This event is pinned here; it is changed on its own calendar.');
    $this->as($this->cy, 'DELETE', "/events/{$this->event->id}", [], 1)->assertForbidden();
    $this->as($this->cy, 'GET', "/events/{$this->event->id}/history")->assertNotFound();
    expect($this->sheet($this->cy, '2026-11-01', '2026-12-01')->json('items.0.hold'))->toBe('pinned');
});

test('moved to the calendar that it is pinned to it is there once, and parted in two it stays pinned', function () {
    ($this->pin)($this->weekly)->assertNoContent();
    $this->as($this->ada, 'PATCH', "/events/{$this->weekly->id}?occurrence=2026-11-10T09:00:00Z&following=1", ['title' => 'Sculling'], 1)->assertOk();
    expect(($this->seen)($this->cy))->toBe(['11-03 Rowing, pinned', '11-10 Sculling, pinned', '11-17 Sculling, pinned']);
    $this->give($this->board, $this->ada, Level::Add);
    $this->as($this->ada, 'PATCH', "/events/{$this->weekly->id}", ['calendar' => $this->board->slug], 2)->assertOk()->assertJsonPath('pins', []);
    expect(($this->seen)($this->cy))->toBe(['11-03 Rowing', '11-10 Sculling, pinned', '11-17 Sculling, pinned']);
    ($this->sound)();
});

test('joining pins an event to one’s own calendar and counts one; leaving undoes it', function () {
    $join = fn ($person, string $method = 'POST') => $this->as($person, $method, "/events/{$this->event->id}/join");
    $join($this->ben)->assertStatus(409);
    $this->as($this->ada, 'PATCH', "/events/{$this->event->id}", ['joinable' => true], 1)->assertOk()->assertJsonPath('joinable', true)->assertJsonPath('joiners', 0);
    $this->give($this->slip, $this->cy, Level::See);
    // It goes to what is theirs from the first day, not to whatever else they keep for themselves.
    $this->calendar($this->ben, 'Diary');
    $join($this->ben)->assertOk()->assertJsonPath('calendar', OwnCalendar::of($this->ben)->slug)->assertJsonPath('name', 'Ben Oar: own calendar');
    $own = $join($this->cy)->assertOk()->assertJsonPath('name', 'Cy Reader: own calendar')->json('calendar');
    $join($this->cy)->assertStatus(409);
    $this->as($this->cy, 'GET', "/events/{$this->event->id}")->assertJsonPath('joiners', 2)->assertJsonPath('joined', true)->assertJsonPath('joinerNames', []);
    $this->as($this->ada, 'GET', "/events/{$this->event->id}")->assertJsonPath('joinerNames', ['Ben Oar', 'Cy Reader'])->assertJsonPath('joined', false);
    expect(($this->seen)($this->cy, "&calendar={$own}"))->toBe(['11-10 Haul out, pinned'])
        // Who joined takes part: by filters, and where it becomes private.
        ->and(($this->seen)($this->ada, "&people[]={$this->cy->id}"))->toBe(['11-10 Haul out']);
    $this->as($this->ada, 'PATCH', "/events/{$this->event->id}", ['private' => true], 2)->assertOk();
    $this->as($this->cy, 'GET', "/events/{$this->event->id}")->assertJsonPath('title', 'Haul out');
    $left = (int) $join($this->cy, 'DELETE')->assertNoContent()->headers->get('Operation');
    $this->as($this->cy, 'GET', "/events/{$this->event->id}")->assertJsonPath('title', 'Busy');
    expect(($this->seen)($this->cy, "&calendar={$own}"))->toBe([]);
    $this->as($this->cy, 'POST', "/operations/{$left}/undo")->assertNoContent();
    $this->as($this->ada, 'GET', "/events/{$this->event->id}")->assertJsonPath('joiners', 2);
    ($this->sound)();
});

test('a copy is independent, knows what it is of, and asks nobody', function () {
    $private = ['participants' => [new Participant("mailto:{$this->cy->email}")]];
    $event = $this->add($this->slip, $this->ada, title: 'Survey', start: '2026-11-12T09:00', rule: 'FREQ=WEEKLY;COUNT=3', more: $private);
    $this->as($this->ada, 'PATCH', "/events/{$event->id}?occurrence=2026-11-19T09:00:00Z", ['private' => true, 'title' => 'Secret'], 1)->assertOk();
    $copy = $this->as($this->ben, 'POST', "/events/{$event->id}/copies", ['calendar' => $this->board->slug])->assertCreated()->assertJsonPath('copyOf', ['id' => $event->id, 'title' => 'Survey'])->assertJsonPath('participants', [])->assertJsonPath('mayChange', true);
    // What is hidden from Ben is not copied, neither as it is nor as it was.
    expect(($this->seen)($this->ben, "&calendar={$this->board->slug}"))->toBe(['11-12 Survey', '11-26 Survey']);
    $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['title' => 'Other'], 2)->assertOk();
    $this->as($this->ben, 'GET', "/events/{$copy->json('id')}")->assertJsonPath('title', 'Survey')->assertJsonPath('copyOf.title', 'Other');
    // Who does not see the original learns nothing of it.
    $this->as($this->cy, 'GET', "/events/{$copy->json('id')}")->assertJsonPath('copyOf', null);
    $one = $this->as($this->ben, 'POST', "/events/{$event->id}/copies?occurrence=2026-11-26T09:00:00Z", ['calendar' => $this->board->slug])->assertCreated()->assertJsonPath('repeat', null)->assertJsonPath('start', '2026-11-26T09:00');
    $this->as($this->ben, 'POST', "/operations/{$one->headers->get('Operation')}/undo")->assertNoContent();
    $this->as($this->ben, 'GET', "/events/{$one->json('id')}")->assertNotFound();
    $this->as($this->ben, 'POST', "/events/{$event->id}/copies?occurrence=2026-11-13T09:00:00Z", ['calendar' => $this->board->slug])->assertNotFound();
});

test('whoever is in a group that takes part is involved: they see what is private, and filters find them', function () {
    $crew = $this->group('Gig crew', $this->cy);
    $all = $this->groupOf($crew);
    $this->give($this->slip, $this->cy, Level::See);
    $private = $this->add($this->slip, $this->ada, title: 'Debrief', start: '2026-11-12T09:00', more: ['private' => true, 'participants' => [Participant::ofGroup($all->id, 'All crews', ParticipantRole::Required)]]);
    $seen = fn ($person): array => array_column($this->sheet($person, '2026-11-12', '2026-11-13')->json('items'), 'title');
    expect($seen($this->cy))->toBe(['Debrief'])->and($seen($this->ben))->toBe(['Busy'])
        ->and(($this->seen)($this->ada, "&people[]={$this->cy->id}"))->toBe(['11-12 Debrief'])->and(($this->seen)($this->ada, "&people[]={$this->ben->id}"))->toBe([]);
    $this->as($this->cy, 'GET', "/events/{$private->id}")->assertJsonPath('title', 'Debrief');
    $this->as($this->ben, 'GET', "/events/{$private->id}")->assertJsonPath('title', 'Busy');
    // Each of a group has an answer open, and nobody else.
    expect($this->sheet($this->cy, '2026-11-12', '2026-11-13')->json('items.0.unanswered'))->toBeTrue();
    $this->as($this->ben, 'PUT', "/events/{$private->id}/answer", ['answer' => 'accepted'])->assertForbidden();
    $this->as($this->cy, 'PUT', "/events/{$private->id}/answer", ['answer' => 'accepted'])->assertNoContent();
    expect($this->sheet($this->cy, '2026-11-12', '2026-11-13')->json('items.0.unanswered'))->toBeFalse();
});
