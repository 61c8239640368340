<?php

use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\DeleteSeries;
use App\Events\Write\Commands\SetJoinable;
use App\Events\Write\OperationKind;
use App\Events\Write\SeriesTable;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Participant;

beforeEach(function () {
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->loft = $this->calendar($this->ada, 'Long loft');
    $more = ['categories' => ['Launch', 'Visit'], 'place' => 'Slip 2', 'participants' => [new Participant("mailto:{$this->ben->email}"), new Participant('mailto:guest@example.org')]];
    $this->single = $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-10T09:00', more: $more);
    $this->weekly = $this->add($this->slip, $this->ada, title: 'Rowing', start: '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=8', more: $more);
    $this->as($this->ada, 'PATCH', "/events/{$this->weekly->id}?occurrence=2026-11-24T09:00:00Z", ['title' => 'Rowing, long'], 1)->assertOk();
    $this->travel(1)->hours();
});

test('whatever is done is undone to the byte, the index too, and done again', function (string $method, string $which, string $query, array $body) {
    $event = $this->{$which};
    $before = $this->everything();
    $path = $method === 'POST' ? '/events' : "/events/{$event->id}{$query}";
    if (isset($body['calendar'])) {
        $body['calendar'] = $this->loft->slug;
    }
    $answer = $this->as($this->ada, $method, $path, $body, (int) DB::table('events')->where('id', $event->id)->value('version'))->assertSuccessful();
    $after = $this->everything();
    expect($after)->not->toEqual($before);
    $operation = (int) $answer->headers->get('Operation');
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect($this->everything())->toEqual($before);
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertStatus(409);
    $this->as($this->ada, 'POST', "/operations/{$operation}/redo")->assertNoContent();
    expect($this->everything())->toEqual($after);
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect($this->everything())->toEqual($before);
})->with([
    'added' => ['POST', 'single', '', ['calendar' => 'x', 'title' => 'New', 'start' => '2026-11-12T09:00', 'repeat' => ['rule' => 'FREQ=DAILY', 'count' => 5]]],
    'changed in every field' => ['PATCH', 'single', '', ['title' => 'Other', 'start' => '2026-12-01', 'end' => '2026-12-03', 'allDay' => true, 'place' => '', 'categories' => ['Third'], 'status' => 'provisional', 'busy' => false, 'private' => true, 'participants' => [], 'link' => 'https://example.org', 'description' => 'x']],
    'all that hangs on it' => ['PATCH', 'single', '', ['colour' => 'plum', 'priority' => 2, 'reminders' => [30], 'joinable' => true, 'tasks' => [['title' => 'Cradle', 'days' => -2]]]],
    'a series with dates left out and added' => ['PATCH', 'weekly', '', ['repeat' => ['rule' => 'FREQ=WEEKLY', 'count' => 8, 'skipped' => ['2026-11-10'], 'extra' => ['2026-11-12']]]],
    'moved to another calendar' => ['PATCH', 'single', '', ['calendar' => 'x']],
    'a series moved to another calendar' => ['PATCH', 'weekly', '', ['calendar' => 'x']],
    'a series moved by a day' => ['PATCH', 'weekly', '', ['start' => '2026-11-04T09:00']],
    'a series that repeats no more' => ['PATCH', 'weekly', '', ['repeat' => null]],
    'one time changed' => ['PATCH', 'weekly', '?occurrence=2026-11-10T09:00:00Z', ['title' => 'Just this']],
    'a changed time changed again' => ['PATCH', 'weekly', '?occurrence=2026-11-24T09:00:00Z', ['place' => 'Elsewhere']],
    'this and following' => ['PATCH', 'weekly', '?occurrence=2026-11-17T09:00:00Z&following=1', ['title' => 'From here', 'start' => '2026-11-18T10:00', 'end' => '2026-11-18T11:00']],
    'all from the first on' => ['PATCH', 'weekly', '?occurrence=2026-11-03T09:00:00Z&following=1', ['title' => 'From here']],
    'deleted' => ['DELETE', 'single', '', []],
    'a series deleted' => ['DELETE', 'weekly', '', []],
    'one time deleted' => ['DELETE', 'weekly', '?occurrence=2026-11-10T09:00:00Z', []],
    'a changed time deleted' => ['DELETE', 'weekly', '?occurrence=2026-11-24T09:00:00Z', []],
    'this and following deleted' => ['DELETE', 'weekly', '?occurrence=2026-11-17T09:00:00Z&following=1', []],
]);

test('this and following leaves what was before, and takes changed times along', function () {
    $titles = fn (): array => array_map(fn (array $item): string => "{$item['start']} {$item['title']}", array_values(array_filter($this->sheet($this->ada, '2026-11-01', '2027-01-10', "&calendar={$this->slip->slug}")->json('items'), fn (array $item): bool => $item['title'] !== 'Haul out')));
    $answer = $this->as($this->ada, 'PATCH', "/events/{$this->weekly->id}?occurrence=2026-11-17T09:00:00Z&following=1", ['title' => 'Sculling', 'start' => '2026-11-17T10:00', 'end' => '2026-11-17T11:00'], 2)->assertOk();
    expect($answer->json('id'))->not->toBe($this->weekly->id)->and($answer->json('repeat.count'))->toBe(6)
        ->and($titles())->toBe(['2026-11-03T09:00 Rowing', '2026-11-10T09:00 Rowing', '2026-11-17T10:00 Sculling', '2026-11-24T09:00 Rowing, long', '2026-12-01T10:00 Sculling', '2026-12-08T10:00 Sculling', '2026-12-15T10:00 Sculling', '2026-12-22T10:00 Sculling']);
    $this->as($this->ada, 'DELETE', "/events/{$answer->json('id')}?occurrence=2026-12-01T10:00:00Z&following=1", [], 1)->assertNoContent();
    expect($titles())->toBe(['2026-11-03T09:00 Rowing', '2026-11-10T09:00 Rowing', '2026-11-17T10:00 Sculling', '2026-11-24T09:00 Rowing, long']);
});

test('an operation is undone by who did it, while they may, and where nobody changed it since', function () {
    $this->give($this->slip, $this->ben, Level::Change);
    $operation = (int) $this->as($this->ben, 'PATCH', "/events/{$this->single->id}", ['title' => 'By Ben'], 1)->headers->get('Operation');
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNotFound();
    $later = (int) $this->as($this->ada, 'PATCH', "/events/{$this->single->id}", ['place' => 'Quay'], 2)->headers->get('Operation');
    $this->as($this->ben, 'POST', "/operations/{$operation}/undo")->assertStatus(409)->assertJsonPath('title', '“By Ben” was changed since. Nothing was undone; see its history.');
    $this->as($this->ada, 'POST', "/operations/{$later}/undo")->assertNoContent();
    // Undone, it is a version of its own: nobody goes on from what is no more.
    $this->as($this->ben, 'PATCH', "/events/{$this->single->id}", ['title' => 'Late'], 3)->assertStatus(412);
    DB::table('grants')->update(['level' => 'see']);
    $this->as($this->ben, 'POST', "/operations/{$operation}/undo")->assertForbidden();
    expect(DB::table('events')->where('id', $this->single->id)->value('title'))->toBe('By Ben');
    // As it is again what Ben left, he can take it back.
    DB::table('grants')->update(['level' => 'change']);
    $this->as($this->ben, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect(DB::table('events')->where('id', $this->single->id)->value('title'))->toBe('Haul out');
});

test('the history says who, when, what before and after, and puts an earlier state back', function () {
    $this->as($this->ada, 'PATCH', "/events/{$this->single->id}", ['title' => 'Launch', 'start' => '2026-11-11T10:00', 'end' => '2026-11-11T11:00'], 1)->assertOk();
    $this->as($this->ada, 'PATCH', "/events/{$this->single->id}", ['categories' => []], 2)->assertOk();
    $history = $this->as($this->ada, 'GET', "/events/{$this->single->id}/history")->assertOk()->assertJsonPath('0.by', 'Ada Quill')->assertJsonPath('0.kind', 'change')
        ->assertJsonPath('0.changes', [['of' => null, 'field' => 'categories', 'before' => 'Launch, Visit', 'after' => '']])->json();
    expect(array_column($history[1]['changes'], 'after', 'field'))->toBe(['title' => 'Launch', 'starts' => '2026-11-11 10:00', 'ends' => '2026-11-11 11:00']);
    $this->as($this->ada, 'POST', "/events/{$this->single->id}/history/{$history[1]['operation']}/restore")->assertNoContent();
    $this->as($this->ada, 'GET', "/events/{$this->single->id}")->assertJsonPath('title', 'Haul out')->assertJsonPath('categories', ['Launch', 'Visit'])->assertJsonPath('start', '2026-11-10T09:00');
    $this->as($this->ada, 'GET', "/events/{$this->single->id}/history")->assertJsonPath('0.kind', 'restore')->assertJsonPath('3.kind', 'add')->assertJsonCount(4);
    $this->as($this->ada, 'GET', "/events/{$this->weekly->id}/history")->assertJsonPath('0.changes.0', ['of' => '2026-11-24', 'field' => 'title', 'before' => 'Rowing', 'after' => 'Rowing, long']);
});

test('what was written on a calendar that one may not edit is not in the history that one reads', function () {
    $this->as($this->ada, 'PATCH', "/events/{$this->single->id}", ['description' => 'kneecap'], 1)->assertOk();
    $this->as($this->ada, 'PATCH', "/events/{$this->single->id}", ['calendar' => $this->loft->slug, 'description' => ''], 2)->assertOk();
    $this->give($this->loft, $this->ben, Level::Change);
    $answer = $this->as($this->ben, 'GET', "/events/{$this->single->id}/history")->assertOk()->assertJsonPath('0.changes', [])->assertJsonPath('0.restorable', false);
    expect($answer->getContent())->not->toContain('kneecap');
    $this->as($this->ben, 'POST', "/events/{$this->single->id}/history/{$answer->json('0.operation')}/restore")->assertStatus(409);
});

test('what was deleted is listed for 90 days and comes back', function () {
    $this->as($this->ada, 'DELETE', "/events/{$this->single->id}", [], 1)->assertNoContent();
    $this->as($this->ada, 'GET', "/calendars/{$this->slip->slug}/deleted")->assertOk()->assertJsonPath('0.title', 'Haul out')->assertJsonPath('0.by', 'Ada Quill')->assertJsonCount(1);
    $this->as($this->ada, 'POST', "/events/{$this->single->id}/restore")->assertOk();
    $this->as($this->ada, 'GET', "/calendars/{$this->slip->slug}/deleted")->assertExactJson([]);
    $this->as($this->ada, 'DELETE', "/events/{$this->single->id}", [], 2)->assertNoContent();
    $this->travel(91)->days();
    $this->as($this->ada, 'GET', "/calendars/{$this->slip->slug}/deleted")->assertExactJson([]);
});

test('several steps are undone one after the other, and done again', function () {
    $states = [$this->everything()];
    $operations = [];
    foreach ([['title' => 'One'], ['title' => 'Two', 'place' => 'Quay'], ['start' => '2026-11-12T09:00']] as $index => $change) {
        $operations[] = (int) $this->as($this->ada, 'PATCH', "/events/{$this->single->id}", $change, $index + 1)->assertOk()->headers->get('Operation');
        $states[] = $this->everything();
    }
    foreach ([2, 1, 0] as $step) {
        $this->as($this->ada, 'POST', "/operations/{$operations[$step]}/undo")->assertNoContent();
        expect($this->everything())->toEqual($states[$step]);
    }
    foreach ([0, 1, 2] as $step) {
        $this->as($this->ada, 'POST', "/operations/{$operations[$step]}/redo")->assertNoContent();
        expect($this->everything())->toEqual($states[$step + 1]);
    }
});

test('what is refused leaves no operation behind, and what failed half-way nothing at all', function () {
    $count = DB::table('operations')->count();
    $before = $this->everything();
    $this->as($this->ada, 'PATCH', "/events/{$this->single->id}", ['title' => ''], 1)->assertUnprocessable();
    $this->as($this->ada, 'PATCH', "/events/{$this->single->id}", ['title' => 'Late'], 7)->assertStatus(412);
    $this->as($this->ben, 'PATCH', "/events/{$this->single->id}", ['title' => 'Not his'], 1)->assertNotFound();
    $this->as($this->ada, 'PATCH', "/events/{$this->weekly->id}?occurrence=2026-11-10T09:00:00Z", ['calendar' => $this->loft->slug], 2)->assertUnprocessable();
    $this->as($this->ada, 'PATCH', "/events/{$this->single->id}?occurrence=2026-11-10T09:00:00Z&following=1", ['title' => 'No series'], 1)->assertNotFound();
    $breaks = new class($this->single->id) implements Command
    {
        public function __construct(private readonly int $id)
        {
        }

        public function seriesId(): int
        {
            return $this->id;
        }

        public function apply(SeriesTable $table, Actor $actor): int
        {
            throw new RuntimeException('The worker was killed.');
        }
    };
    expect(fn () => app(ChangeEvents::class)->carryOut(Actor::person($this->ada), Cause::Screen, OperationKind::Change, [new SetJoinable($this->single->id, true), new DeleteSeries($this->weekly->id), $breaks]))->toThrow(RuntimeException::class);
    expect($this->everything())->toEqual($before)->and(DB::table('operations')->count())->toBe($count);
});

test('a category that was deleted since is left out when an earlier state comes back', function () {
    $this->as($this->ada, 'PATCH', "/events/{$this->single->id}", ['categories' => []], 1)->assertOk();
    DB::table('categories')->where('name', 'Visit')->delete();
    $operation = $this->as($this->ada, 'GET', "/events/{$this->single->id}/history")->json('0.operation');
    $this->as($this->ada, 'POST', "/events/{$this->single->id}/history/{$operation}/restore")->assertNoContent();
    $this->as($this->ada, 'GET', "/events/{$this->single->id}")->assertJsonPath('categories', ['Launch']);
});

test('others see at once what is undone, and a contributor has the history of their own events', function () {
    $this->give($this->slip, $this->ben, Level::Add);
    $answer = $this->as($this->ben, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'His own', 'start' => '2026-11-12T09:00'])->assertCreated();
    $id = $answer->json('id');
    $this->as($this->ben, 'GET', "/events/{$id}/history")->assertOk()->assertJsonPath('0.kind', 'add')->assertJsonPath('0.restorable', false);
    $this->as($this->ben, 'GET', "/events/{$this->single->id}/history")->assertForbidden();
    $marks = fn (): array => $this->as($this->ada, 'GET', '/changes')->json('marks');
    $before = $marks();
    $this->as($this->ben, 'POST', "/operations/{$answer->headers->get('Operation')}/undo")->assertNoContent();
    expect($marks())->toHaveCount(count($before) + 1);
    $this->as($this->ada, 'GET', "/events/{$id}")->assertNotFound();
    $this->as($this->ben, 'POST', "/operations/{$answer->headers->get('Operation')}/redo")->assertNoContent();
    $this->as($this->ada, 'GET', "/events/{$id}")->assertOk()->assertJsonPath('title', 'His own');
});

test('whoever is asked says whether they come; the event stays the version it was, and is unanswered no more', function () {
    $this->give($this->slip, $this->ben, Level::See);
    $item = fn (): array => collect($this->sheet($this->ben, '2026-11-01', '2026-12-01', "&calendar={$this->slip->slug}")->json('items'))->firstWhere('title', 'Haul out');
    expect($item()['unanswered'])->toBeTrue();
    $this->as($this->ben, 'PUT', "/events/{$this->single->id}/answer", ['answer' => 'tentative'])->assertNoContent();
    expect($item()['unanswered'])->toBeFalse();
    $this->as($this->ada, 'GET', "/events/{$this->single->id}")->assertJsonPath('version', 1)->assertJsonPath('participants.0.answer', 'tentative')->assertJsonPath('participants.1.answer', 'unanswered');
    $this->as($this->ben, 'PUT', "/events/{$this->weekly->id}/answer", ['answer' => 'declined'])->assertNoContent();
    expect(DB::table('event_participants')->where('person_id', $this->ben->id)->pluck('answer')->unique()->sort()->values()->all())->toBe(['DECLINED', 'TENTATIVE']);
    $this->as($this->ben, 'PUT', "/events/{$this->single->id}/answer", ['answer' => 'perhaps'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'answer');
    $this->as($this->ada, 'PUT', "/events/{$this->single->id}/answer", ['answer' => 'accepted'])->assertForbidden();
});

test('an event whose UID lives again is not restored over it, and both are told', function () {
    $calendar = $this->calendar($this->ada, 'Fixtures');
    $gone = $this->add($calendar, $this->ada, title: 'Gig race', start: '2026-11-10T09:00', uid: 'one@example.org');
    $this->as($this->ada, 'DELETE', "/events/{$gone->id}", [], 1)->assertNoContent();
    $there = $this->add($calendar, $this->ada, title: 'Gig race, moved', start: '2026-11-17T09:00', uid: 'one@example.org');
    $this->as($this->ada, 'POST', "/events/{$gone->id}/restore")->assertConflict()->assertJsonPath('detail', '“Gig race, moved” is on that calendar already, under the same UID: as it came in by a file or from outside.')
        ->assertJsonPath('current.*.id', [$gone->id, $there->id])->assertJsonPath('current.*.title', ['Gig race', 'Gig race, moved']);
    $this->as($this->ada, 'DELETE', "/events/{$there->id}", [], 1)->assertNoContent();
    $this->as($this->ada, 'POST', "/events/{$gone->id}/restore")->assertOk();
});
