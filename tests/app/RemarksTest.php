<?php

use App\Directory\OwnThings;
use App\Remarks\Remark;
use App\Remarks\TellRemark;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use Tests\Support\SentLetter;

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill', ['role' => 'administrator']);
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->slip->update(['remarks' => true]);
    [$this->ben, $this->cy, $this->dee] = array_map(function (string $name) {
        $person = $this->person($name);
        OwnThings::of($person);
        $this->give($this->slip, $person, Level::See);

        return $person;
    }, ['Ben Oar', 'Cy Brook', 'Dee Winch']);
    $this->named = fn (...$people): array => array_map(static fn ($each): array => ['kind' => 'person', 'id' => $each->id, 'part' => 'required'], $people);
    $this->asking = fn (array $more = []): int => $this->as($this->ada, 'POST', '/events', $more + ['calendar' => $this->slip->slug, 'title' => 'Oar test', 'start' => '2026-12-01T14:00', 'participants' => ($this->named)($this->ben, $this->cy), 'tell' => false])->assertCreated()->json('id');
    $this->remark = fn ($person, int $id, string $text, array $more = []) => $this->as($person, 'POST', "/events/{$id}/remarks", ['text' => $text] + $more);
    $this->texts = fn ($person, int $id): array => array_column($this->as($person, 'GET', "/events/{$id}/remarks")->assertOk()->json('remarks'), 'text');
    $this->inbox = fn ($person): array => array_merge([], ...array_map(static fn (array $notice): array => array_column($notice['lines'], 'words'), $this->as($person, 'GET', '/notices')->json()));
    $this->letters = function (): array {
        $this->travel(11)->seconds();

        return array_map(static fn (SentLetter $each): string => $each->to, SentLetter::all());
    };
    $this->words = 'Ben Oar on Oar test, Tue 1 December, 14:00–15:00: “Bring gloves”';
});

test('who sees an event remarks on it; those who take part and who asks them are told, and each once', function () {
    $id = ($this->asking)();
    ($this->remark)($this->ben, $id, " Bring\ngloves ")->assertCreated()->assertJsonPath('remarks.0.by', 'Ben Oar')->assertJsonPath('remarks.0.mayDelete', true)->assertJsonPath('remarks.0.occurrence', null);
    expect(($this->texts)($this->dee, $id))->toBe(["Bring\ngloves"])
        ->and(($this->inbox)($this->cy))->toBe([$this->words])->and(($this->inbox)($this->ada))->toBe([$this->words])
        // Not whoever wrote it, nor who only sees the calendar.
        ->and(($this->inbox)($this->ben))->toBe([])->and(($this->inbox)($this->dee))->toBe([]);
    expect(($this->letters)())->toEqualCanonicalizing([$this->ada->email, $this->cy->email])->and(($this->letters)())->toBe([]);
    // Who has remarked on it hears what comes after.
    ($this->remark)($this->dee, $id, 'How many pairs?')->assertCreated();
    ($this->remark)($this->ben, $id, 'Two')->assertCreated();
    expect(($this->inbox)($this->dee))->toBe(['Ben Oar on Oar test, Tue 1 December, 14:00–15:00: “Two”']);
});

test('each may want to hear of none, of this event or of what they take part in', function () {
    $id = ($this->asking)();
    $this->as($this->cy, 'PUT', "/events/{$id}/remarks/muted", ['muted' => true])->assertNoContent();
    $this->as($this->ada, 'PUT', '/follows', ['kind' => 'mine', 'changes' => ['moved'], 'pace' => 'off', 'byMail' => true, 'inInbox' => true])->assertSuccessful();
    ($this->remark)($this->ben, $id, 'Bring gloves');
    expect(($this->inbox)($this->cy))->toBe([])->and(($this->inbox)($this->ada))->toBe([])->and(($this->letters)())->toBe([]);
    $this->as($this->cy, 'GET', "/events/{$id}/remarks")->assertJsonPath('muted', true);
    $this->as($this->cy, 'PUT', "/events/{$id}/remarks/muted", ['muted' => false])->assertNoContent();
    ($this->remark)($this->ben, $id, 'Bring gloves');
    expect(($this->inbox)($this->cy))->toBe([$this->words]);
});

test('what is taken away is told no more: neither under what waits nor by a letter that has not gone', function () {
    $id = ($this->asking)();
    $remark = ($this->remark)($this->ben, $id, 'Bring gloves')->json('remarks.0.id');
    expect(($this->inbox)($this->cy))->toBe([$this->words]);
    $this->as($this->cy, 'DELETE', "/events/{$id}/remarks/{$remark}")->assertForbidden();
    $this->as($this->ben, 'DELETE', "/events/{$id}/remarks/{$remark}")->assertNoContent();
    expect(($this->inbox)($this->cy))->toBe([])->and(($this->letters)())->toBe([])->and(($this->texts)($this->ben, $id))->toBe([]);
    // Who may change the event takes away any.
    $other = ($this->remark)($this->ben, $id, 'Bring boots')->json('remarks.0.id');
    $this->as($this->ada, 'DELETE', "/events/{$id}/remarks/{$other}")->assertNoContent();
    $this->as($this->ada, 'DELETE', "/events/{$id}/remarks/{$other}")->assertNotFound();
});

test('who lost sight of the event before they were told is not told', function () {
    $id = ($this->asking)(['participants' => []]);
    ($this->remark)($this->cy, $id, 'First');
    ($this->remark)($this->ben, $id, 'Bring gloves');
    $this->give($this->slip, $this->cy, Level::BusyTimes);
    expect(($this->inbox)($this->cy))->toBe([])->and(array_values(array_filter(($this->letters)(), fn (string $to): bool => $to === $this->cy->email)))->toBe([]);
});

test('who is asked without seeing its calendar remarks, too, and is told', function () {
    $this->give($this->slip, $this->cy, Level::None);
    $id = ($this->asking)();
    ($this->remark)($this->cy, $id, 'Where is it?')->assertCreated();
    ($this->remark)($this->ben, $id, 'Bring gloves')->assertCreated();
    expect(($this->inbox)($this->cy))->toBe([$this->words])->and(($this->texts)($this->cy, $id))->toHaveCount(2);
});

test('where its calendar takes none there are none', function () {
    $id = ($this->asking)();
    $this->as($this->ben, 'GET', "/events/{$id}")->assertJsonPath('remarks', true);
    $this->as($this->ada, 'PATCH', "/calendars/{$this->slip->slug}", ['remarks' => false], 1)->assertOk()->assertJsonPath('remarks', false);
    $this->as($this->ben, 'GET', "/events/{$id}")->assertJsonPath('remarks', null);
    ($this->remark)($this->ben, $id, 'Bring gloves')->assertForbidden();
    $this->as($this->ben, 'GET', "/events/{$id}/remarks")->assertForbidden();
});

test('a remark on one time of a series is on that time, stays with what is parted from it, and of a hidden time nothing is told', function () {
    $id = ($this->asking)(['repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 4]]);
    ($this->remark)($this->ben, $id, 'Bring gloves', ['occurrence' => '2026-12-08T14:00:00Z'])->assertCreated()->assertJsonPath('remarks.0.on', '2026-12-08');
    expect(($this->inbox)($this->cy))->toBe(['Ben Oar on Oar test, Tue 8 December, 14:00–15:00: “Bring gloves”']);
    ($this->remark)($this->ben, $id, 'Never', ['occurrence' => '2026-12-09T14:00:00Z'])->assertNotFound();
    $this->as($this->ada, 'PATCH', "/events/{$id}?occurrence=2026-12-08T14:00:00Z", ['private' => true, 'participants' => []], 1)->assertOk();
    expect(($this->texts)($this->dee, $id))->toBe([])->and(($this->texts)($this->ada, $id))->toBe(['Bring gloves']);
    $parted = $this->as($this->ada, 'PATCH', "/events/{$id}?occurrence=2026-12-08T14:00:00Z&following=1", ['title' => 'Late test'], 2)->assertOk()->json('id');
    expect($parted)->not->toBe($id)->and(($this->texts)($this->ada, $parted))->toBe(['Bring gloves']);
});

test('what is no remark is refused in words, and what is written is not markup', function (mixed $text, string $says) {
    $id = ($this->asking)();
    $this->as($this->ben, 'POST', "/events/{$id}/remarks", ['text' => $text])->assertStatus(422)->assertJsonPath('errors.0.message', $says);
    expect(Remark::query()->count())->toBe(0);
    ($this->remark)($this->ben, $id, '<b>Bring gloves</b>');
    $this->travel(11)->seconds();
    $letter = array_values(array_filter(SentLetter::all(), fn (SentLetter $each): bool => $each->to === $this->cy->email))[0];
    expect($letter->html())->toContain('&lt;b&gt;Bring gloves')->not->toContain('<b>Bring gloves');
})->with([['', 'Write something first.'], ['   ', 'Write something first.'], [str_repeat('a', 2001), 'A remark has at most 2,000 characters.'], [['a'], 'The text field must be a string.']]);

test('a worker that is ended while it tells of a remark tells nobody, and the next one all', function () {
    $id = ($this->asking)();
    $remark = Remark::query()->create(['event_id' => $id, 'recurrence_id' => '', 'person_id' => $this->ben->id, 'text' => 'Bring gloves']);
    DB::listen(function ($query): void {
        if (str_contains($query->sql, 'insert into `notices`')) {
            DB::getEventDispatcher()->forget(Illuminate\Database\Events\QueryExecuted::class);
            throw new RuntimeException('Ended.');
        }
    });
    expect(fn () => app()->call([new TellRemark($remark->id), 'handle']))->toThrow(RuntimeException::class);
    expect(($this->inbox)($this->cy))->toBe([])->and(DB::table('notice_batches')->count())->toBe(0);
    app()->call([new TellRemark($remark->id), 'handle']);
    expect(($this->inbox)($this->cy))->toBe([$this->words]);
});
