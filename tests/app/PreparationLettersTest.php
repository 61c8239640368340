<?php

use App\Outbox\LetterState;
use App\Outbox\OutboxLetter;
use App\Preparation\TellDueTasks;
use PinnedRota\Core\Access\Level;
use Tests\Support\SentLetter;

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill');
    [$this->ben, $this->cy] = [$this->person('Ben Oar'), $this->person('Cy Brook')];
    $this->slip = $this->calendar($this->ada, 'Slipway');
    foreach ([$this->ben, $this->cy] as $each) {
        $this->give($this->slip, $each, Level::See);
    }
    $this->event = fn (array $tasks, array $input = []): array => $this->as($this->ada, 'POST', '/events', $input + ['calendar' => $this->slip->slug, 'title' => 'Launch', 'start' => '2026-11-10T14:00', 'tasks' => $tasks])->assertCreated()->json();
    $this->task = fn ($doer, string $title = 'Book the slip', int $days = -7): array => ['title' => $title, 'days' => $days, 'doer' => $doer?->id];
    $this->after = function (int $seconds = 600): array {
        $this->travel($seconds)->seconds();

        return array_map(fn (SentLetter $each): string => "{$each->to} {$each->subject()}", SentLetter::all());
    };
});

test('who is to prepare something is told once, of all that is theirs by then', function () {
    $event = ($this->event)([($this->task)($this->ben), ($this->task)($this->cy, 'Paint', -1), ($this->task)(null, 'Nobody')]);
    $this->as($this->ada, 'PATCH', "/events/{$event['id']}", ['tasks' => [...array_map(fn (array $each): array => ['doer' => $each['doer']['id'] ?? null] + $each, $event['tasks']), ($this->task)($this->ben, 'Rollers', -2)]], 1)->assertOk();
    $this->travel(600)->seconds();
    $letters = SentLetter::all();
    usort($letters, fn (SentLetter $a, SentLetter $b): int => $a->to <=> $b->to);
    expect(array_map(fn (SentLetter $each): string => "{$each->to} {$each->subject()}", $letters))->toBe(["{$this->ben->email} You are to prepare this", "{$this->cy->email} You are to prepare this: Paint, by Mon 9 November, for Launch (Tue 10 November)"])
        ->and($letters[0]->text())->toContain("- Book the slip, by Tue 3 November, for Launch (Tue 10 November)\n- Rollers, by Sun 8 November, for Launch (Tue 10 November)\n")->not->toContain('Paint');
    // What they know already is not told again.
    $this->as($this->ada, 'PATCH', "/events/{$event['id']}", ['title' => 'Great launch'], 2)->assertOk();
    expect(($this->after)())->toBe([]);
});

test('what is given to somebody else, taken back, hidden or saved quietly is told to nobody', function (Closure $change) {
    $event = ($this->event)([($this->task)($this->ben)]);
    $change($this, $event);
    expect(array_filter(($this->after)(), fn (string $each): bool => str_contains($each, $this->ben->email)))->toBe([]);
})->with([
    'another does it' => [fn ($test, $event) => $test->as($test->ada, 'PATCH', "/events/{$event['id']}", ['tasks' => [['doer' => $test->cy->id] + $event['tasks'][0]]], 1)->assertOk()],
    'taken back' => [fn ($test, $event) => $test->as($test->ada, 'PATCH', "/events/{$event['id']}", ['tasks' => []], 1)->assertOk()],
    'deleted' => [fn ($test, $event) => $test->as($test->ada, 'DELETE', "/events/{$event['id']}", [], 1)->assertNoContent()],
    'done' => [fn ($test, $event) => $test->as($test->ben, 'PUT', "/events/{$event['id']}/tasks/{$event['tasks'][0]['id']}/done", ['done' => true])->assertNoContent()],
    'busy times alone' => [fn ($test) => $test->give($test->slip, $test->ben, Level::BusyTimes)],
    'they want none' => [fn ($test) => $test->ben->update(['invitations_by_mail' => false])],
]);

test('what one gives oneself, or quietly, is told to nobody', function () {
    ($this->event)([($this->task)($this->ada)]);
    ($this->event)([($this->task)($this->ben)], ['tell' => false]);
    expect(($this->after)())->toBe([]);
});

test('who is responsible hears what is done, and given to others, not what they did themselves', function () {
    $event = ($this->event)([($this->task)($this->ben), ($this->task)(null, 'Paint', -1)], ['participants' => [['kind' => 'person', 'id' => $this->cy->id, 'part' => 'responsible']]]);
    ($this->after)();
    $this->as($this->ben, 'PUT', "/events/{$event['id']}/tasks/{$event['tasks'][0]['id']}/done", ['done' => true])->assertNoContent();
    $this->travel(600)->seconds();
    [$letter] = SentLetter::all();
    expect($letter->to)->toBe($this->cy->email)->and($letter->subject())->toBe('How Launch is prepared, Tue 10 November')->and($letter->text())->toContain("- Book the slip, Ben Oar: done\n- Paint, by Mon 9 November\n");
    $this->give($this->slip, $this->cy, Level::BusyTimes);
    $this->as($this->ben, 'PUT', "/events/{$event['id']}/tasks/{$event['tasks'][0]['id']}/done", ['done' => false])->assertNoContent();
    expect(($this->after)())->toBe([])->and(OutboxLetter::query()->latest('id')->first())->state->toBe(LetterState::Dropped);
});

test('of a series it is told of the time that was prepared', function () {
    $event = ($this->event)([($this->task)($this->ben, 'Book', -1)], ['repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 3]]);
    expect(($this->after)())->toBe(["{$this->ben->email} You are to prepare this: Book, by Mon 9 November, for Launch (Tue 10 November)"]);
    $this->as($this->ben, 'PUT', "/events/{$event['id']}/tasks/{$event['tasks'][0]['id']}/done", ['done' => true, 'occurrence' => '2026-11-17T14:00:00Z'])->assertNoContent();
    expect(($this->after)())->toBe(["{$this->ada->email} How Launch is prepared, Tue 17 November: Book, Ben Oar: done"]);
});

test('each morning it is told what is due by the next day, on the clock of whoever does it, and once', function () {
    $this->ben->update(['timezone' => 'Asia/Tokyo']);
    ($this->event)([($this->task)($this->ben), ($this->task)($this->ben, 'Rollers', -6), ($this->task)($this->ben, 'Later', -1)]);
    ($this->after)();
    $at = function (string $moment): array {
        $this->travelTo($moment);
        app(TellDueTasks::class)->run();
        app(TellDueTasks::class)->run();

        return SentLetter::all();
    };
    expect($at('2026-11-02 21:59:00'))->toBe([]);
    // Seven in the morning of the 3rd in Tokyo.
    $letters = $at('2026-11-02 22:00:00');
    expect($letters)->toHaveCount(1)->and($letters[0]->subject())->toBe('To prepare today and tomorrow')->and($letters[0]->text())->toContain('Book the slip')->toContain('Rollers')->not->toContain('Later')
        ->and($at('2026-11-02 22:30:00'))->toBe([])->and(count($at('2026-11-03 22:00:00')))->toBe(1)->and($at('2026-11-04 22:00:00'))->toBe([]);
});
