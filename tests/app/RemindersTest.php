<?php

use App\Outbox\LetterState;
use App\Outbox\OutboxLetter;
use App\Reminders\DueReminders;
use App\Reminders\OwnReminder;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use Tests\Support\SentLetter;

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill');
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->give($this->slip, $this->ben, Level::See);
    $this->event = $this->add($this->slip, $this->ada, title: 'Oar test', start: '2026-11-03T14:00', more: ['place' => 'Slip 2']);
    $this->remind = fn ($person, int $id, int ...$minutes) => $this->as($person, 'PUT', "/events/{$id}/reminders", ['minutes' => $minutes]);
    /** Subjects of what goes out at a moment. */
    $this->at = function (string $moment): array {
        $this->travelTo($moment);
        app(DueReminders::class)->run();

        return array_map(fn (SentLetter $each): string => "{$each->to} {$each->subject()}", SentLetter::all());
    };
    $this->letter = "{$this->ben->email} Oar test, Tue 3 November 2026, 14:00–15:00";
});

test('somebody is reminded when they want to be, each time once', function () {
    ($this->remind)($this->ben, $this->event->id, 60, 0, 60, 1440)->assertNoContent();
    $this->as($this->ben, 'GET', "/events/{$this->event->id}")->assertJsonPath('ownReminders', [0, 60, 1440]);
    $this->as($this->ada, 'GET', "/events/{$this->event->id}")->assertJsonPath('ownReminders', []);
    expect(($this->at)('2026-11-02 13:59:00'))->toBe([])->and(($this->at)('2026-11-02 14:00:00'))->toBe([$this->letter])->and(($this->at)('2026-11-02 14:01:00'))->toBe([])
        ->and(($this->at)('2026-11-03 13:00:30'))->toBe([$this->letter])->and(($this->at)('2026-11-03 14:00:00'))->toBe([$this->letter])->and(($this->at)('2026-11-03 16:00:00'))->toBe([]);
});

test('where it takes time to get there the reminder comes in time to leave, and says when that is', function () {
    $event = $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Oar test', 'start' => '2026-11-04T14:00', 'travel' => 35])->assertCreated()->assertJsonPath('leave', '2026-11-04T13:25')->json();
    ($this->remind)($this->ben, $event['id'], 0, 10, 1440);
    $letter = "{$this->ben->email} Oar test, Wed 4 November 2026, 14:00–15:00";
    expect(($this->at)('2026-11-03 13:59:00'))->toBe([])->and(($this->at)('2026-11-03 14:00:00'))->toBe([$letter])
        ->and(($this->at)('2026-11-04 13:14:00'))->toBe([])->and(($this->at)('2026-11-04 13:15:00'))->toBe([$letter])->and(($this->at)('2026-11-04 13:24:00'))->toBe([]);
    $this->travelTo('2026-11-04 13:25:10');
    app(DueReminders::class)->run();
    expect($this->as($this->ben, 'GET', '/reminders')->json('0'))->toMatchArray(['title' => 'Oar test', 'leave' => '13:25']);
    $letters = SentLetter::all();
    expect($letters)->toHaveCount(1)->and($letters[0]->text())->toContain('Leave at: 13:25')->and($letters[0]->html())->toContain('Leave at 13:25');
    // The way to what takes a whole day is none.
    $this->as($this->ada, 'PATCH', "/events/{$event['id']}", ['allDay' => true, 'start' => '2026-11-06', 'end' => '2026-11-07'], $event['version'])->assertOk()->assertJsonPath('travel', null)->assertJsonPath('leave', null);
    expect(DB::table('events')->where('id', $event['id'])->value('travel_minutes'))->toBeNull();
});

test('who has the product open is told there, for some minutes, and only of what they see', function () {
    ($this->remind)($this->ben, $this->event->id, 60);
    ($this->at)('2026-11-03 13:00:10');
    $now = fn ($person): array => $this->as($person, 'GET', '/reminders')->assertOk()->json();
    expect($now($this->ada))->toBe([])->and($now($this->ben))->toHaveCount(1)
        ->and($now($this->ben)[0])->toMatchArray(['event' => $this->event->id, 'title' => 'Oar test', 'place' => 'Slip 2', 'start' => '2026-11-03T14:00', 'end' => '2026-11-03T15:00', 'allDay' => false, 'calendar' => $this->slip->slug]);
    $this->give($this->slip, $this->ben, Level::BusyTimes);
    expect($now($this->ben))->toBe([]);
    $this->give($this->slip, $this->ben, Level::See);
    $this->travelTo('2026-11-03 13:10:11');
    expect($now($this->ben))->toBe([]);
});

test('what is taken back reminds no more, and what stays is not sent again', function () {
    ($this->remind)($this->ben, $this->event->id, 60, 1440);
    ($this->at)('2026-11-02 14:00:00');
    ($this->remind)($this->ben, $this->event->id, 1440)->assertNoContent();
    expect(($this->at)('2026-11-03 13:00:00'))->toBe([]);
    ($this->remind)($this->ben, $this->event->id)->assertNoContent();
    expect(OwnReminder::query()->count())->toBe(0);
});

test('what was due before somebody wanted it is not made up for', function () {
    $this->travelTo('2026-11-02 20:00:00');
    ($this->remind)($this->ben, $this->event->id, 1440);
    expect(($this->at)('2026-11-02 20:01:00'))->toBe([]);
});

test('of a series each time reminds, one that moved at its new time, and none that is skipped', function () {
    $series = $this->add($this->slip, $this->ada, title: 'Rowing', start: '2026-11-03T09:00', rule: 'FREQ=DAILY;COUNT=5');
    ($this->remind)($this->ben, $series->id, 30);
    $this->as($this->ada, 'PATCH', "/events/{$series->id}?occurrence=2026-11-04T09:00:00Z", ['start' => '2026-11-04T12:00'], 1)->assertOk();
    $this->as($this->ada, 'DELETE', "/events/{$series->id}?occurrence=2026-11-05T09:00:00Z", [], 2)->assertNoContent();
    $told = fn (string $moment): array => array_map(fn (string $each): string => substr($each, strpos($each, 'Rowing')), ($this->at)($moment));
    expect($told('2026-11-03 08:30:00'))->toBe(['Rowing, Tue 3 November 2026, 9:00–10:00'])->and($told('2026-11-04 08:30:00'))->toBe([])->and($told('2026-11-04 11:30:00'))->toBe(['Rowing, Wed 4 November 2026, 12:00–13:00'])
        ->and($told('2026-11-05 08:30:00'))->toBe([])->and($told('2026-11-06 08:30:00'))->toHaveCount(1);
});

test('a time that moved after it was reminded of is reminded of again', function () {
    ($this->remind)($this->ben, $this->event->id, 60);
    expect(($this->at)('2026-11-03 13:00:00'))->toHaveCount(1);
    $this->as($this->ada, 'PATCH', "/events/{$this->event->id}", ['start' => '2026-11-03T17:00'], 1)->assertOk();
    expect(($this->at)('2026-11-03 16:00:00'))->toBe(["{$this->ben->email} Oar test, Tue 3 November 2026, 17:00–18:00"]);
});

test('whole days are reminded of on the clock of whoever wants it', function () {
    $this->ben->update(['timezone' => 'Asia/Tokyo']);
    $day = $this->add($this->slip, $this->ada, title: 'Regatta', start: '2026-11-05', end: '2026-11-06');
    ($this->remind)($this->ben, $day->id, 60);
    expect(($this->at)('2026-11-04 13:59:00'))->toBe([])->and(($this->at)('2026-11-04 14:00:00'))->toBe(["{$this->ben->email} Regatta, Thu 5 November 2026"]);
});

test('a late one says so; one of a day ago, or of what is over, is not sent', function () {
    ($this->remind)($this->ben, $this->event->id, 60);
    $this->travelTo('2026-11-03 14:30:00');
    app(DueReminders::class)->run();
    expect(SentLetter::all()[0]->text())->toContain('This reminder is late');
    $other = $this->add($this->slip, $this->ada, title: 'Long ago', start: '2026-11-04T09:00');
    ($this->remind)($this->ben, $other->id, 60);
    expect(($this->at)('2026-11-04 12:00:00'))->toBe([])->and(OutboxLetter::query()->latest('id')->first())->state->toBe(LetterState::Dropped)->problem->toBe('It is over.');
    $third = $this->add($this->slip, $this->ada, title: 'Longer ago', start: '2026-11-05T09:00', end: '2026-11-09T09:00');
    ($this->remind)($this->ben, $third->id, 60);
    expect(($this->at)('2026-11-06 09:00:00'))->toBe([]);
});

test('nobody is reminded of what is off, or what they do not see any more', function (Closure $change) {
    ($this->remind)($this->ben, $this->event->id, 60);
    $change($this);
    expect(($this->at)('2026-11-03 13:00:00'))->toBe([]);
})->with([
    'cancelled' => [fn ($test) => $test->as($test->ada, 'PATCH', "/events/{$test->event->id}", ['status' => 'cancelled'], 1)->assertOk()],
    'deleted' => [fn ($test) => $test->as($test->ada, 'DELETE', "/events/{$test->event->id}", [], 1)->assertNoContent()],
    'private' => [fn ($test) => $test->as($test->ada, 'PATCH', "/events/{$test->event->id}", ['private' => true], 1)->assertOk()],
    'busy times alone' => [fn ($test) => $test->give($test->slip, $test->ben, Level::BusyTimes)],
    'they have left' => [fn ($test) => $test->ben->update(['status' => 'left'])],
]);

test('access that is lost between a reminder and its letter counts', function () {
    ($this->remind)($this->ben, $this->event->id, 60);
    $this->travelTo('2026-11-03 13:00:00');
    config(['queue.default' => 'database']);
    app(DueReminders::class)->run();
    $this->give($this->slip, $this->ben, Level::BusyTimes);
    expect(SentLetter::all())->toBe([])->and(OutboxLetter::query()->sole()->problem)->toContain('do not see it');
});

test('two who look at once send one', function () {
    ($this->remind)($this->ben, $this->event->id, 60);
    $this->travelTo('2026-11-03 13:00:00');
    expect([app(DueReminders::class)->run(), app(DueReminders::class)->run()])->toBe([1, 0])->and(OutboxLetter::query()->count())->toBe(1);
});

test('what cannot be is refused, and who does not see an event has nothing to be reminded of', function () {
    foreach ([['minutes' => [-1]], ['minutes' => [40_321]], ['minutes' => range(1, 11)], ['minutes' => 'soon'], []] as $input) {
        $this->as($this->ben, 'PUT', "/events/{$this->event->id}/reminders", $input)->assertUnprocessable();
    }
    $cy = $this->person('Cy Brook');
    ($this->remind)($cy, $this->event->id, 10)->assertNotFound();
    $this->give($this->slip, $cy, Level::BusyTimes);
    ($this->remind)($cy, $this->event->id, 10)->assertForbidden();
});
