<?php

use App\Outbox\LetterKind;
use App\Outbox\LetterState;
use App\Outbox\Outbox;
use App\Outbox\OutboxLetter;
use Illuminate\Support\Facades\DB;

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill', ['role' => 'administrator']);
    $this->ben = $this->person('Ben Oar');
    $this->put = function (array $columns = [], ?string $slot = null): OutboxLetter {
        app(Outbox::class)->put(LetterKind::Invitation, [['slot' => $slot, 'address' => $this->ben->email, 'person_id' => $this->ben->id]], now()->addMinutes(10));
        $letter = OutboxLetter::query()->latest('id')->firstOrFail();
        $letter->update($columns);

        return $letter;
    };
});

test('administrators see to whom letters went and what became of them, not what they say', function () {
    ($this->put)();
    $failed = ($this->put)(['state' => LetterState::Failed, 'problem' => '550 No such mailbox', 'attempts' => 1]);
    $outside = ($this->put)(['state' => LetterState::Sent, 'sent_at' => now(), 'person_id' => null, 'address' => 'guest@elsewhere.example']);
    $letters = $this->as($this->ada, 'GET', '/outbox')->assertOk()->json();
    expect($letters)->toHaveCount(3)->and($letters[0])->toBe(['id' => $outside->id, 'kind' => 'invitation', 'to' => 'guest@elsewhere.example', 'state' => 'sent', 'at' => '2026-11-02T10:00:00Z', 'due' => null, 'sent' => '2026-11-02T10:00:00Z', 'attempts' => 0, 'problem' => ''])
        ->and($letters[1])->toMatchArray(['to' => 'Ben Oar', 'state' => 'failed', 'problem' => '550 No such mailbox'])->and($letters[2])->toMatchArray(['state' => 'waiting', 'due' => '2026-11-02T10:10:00Z']);
    expect(array_column($this->as($this->ada, 'GET', '/outbox?state=failed')->json(), 'id'))->toBe([$failed->id])
        ->and(array_column($this->as($this->ada, 'GET', "/outbox?before={$failed->id}")->json(), 'state'))->toBe(['waiting']);
    $this->as($this->ada, 'GET', '/outbox?state=lost')->assertUnprocessable();
    $this->as($this->ben, 'GET', '/outbox')->assertForbidden();
});

test('what was given up is tried again by hand, and nothing else is', function () {
    $letter = ($this->put)(['state' => LetterState::Failed, 'attempts' => 6]);
    $this->as($this->ben, 'POST', "/outbox/{$letter->id}/again")->assertForbidden();
    $this->as($this->ada, 'POST', "/outbox/{$letter->id}/again")->assertOk()->assertJsonPath('state', 'waiting')->assertJsonPath('attempts', 0);
    // It is of nothing that there is: the worker has looked at it by now, and says so.
    expect($letter->refresh())->state->toBe(LetterState::Dropped)->problem->toContain('gone');
    $this->as($this->ada, 'POST', "/outbox/{$letter->id}/again")->assertNotFound();
});

test('of a slot one letter waits, at whichever time is sooner; one that is under way is another', function () {
    ($this->put)([], 'a');
    app(Outbox::class)->put(LetterKind::Invitation, [['slot' => 'a', 'address' => $this->ben->email], ['slot' => 'b', 'address' => $this->ben->email]], now()->addMinute());
    app(Outbox::class)->put(LetterKind::Invitation, [['slot' => 'a', 'address' => $this->ben->email]], now()->addHour());
    expect(OutboxLetter::query()->orderBy('id')->get()->map(fn (OutboxLetter $each): array => [$each->slot, $each->due_at->toTimeString()])->all())->toBe([['a', '10:01:00'], ['b', '10:01:00']]);
    OutboxLetter::query()->where('slot', 'a')->update(['slot' => null]);
    app(Outbox::class)->put(LetterKind::Invitation, [['slot' => 'a', 'address' => $this->ben->email]], now()->addHour());
    expect(OutboxLetter::query()->count())->toBe(3);
});

test('two workers at once do not send the same letter', function () {
    $letter = ($this->put)(['due_at' => now(), 'claimed_until' => now()->addMinutes(5)]);
    expect(app(App\Outbox\SendOutbox::class)->run())->toBe(0)->and($letter->refresh()->state)->toBe(LetterState::Waiting);
    $this->travel(301)->seconds();
    app(App\Outbox\SendOutbox::class)->run();
    expect($letter->refresh()->state)->toBe(LetterState::Dropped);
});

test('what was put there within a transaction that does not hold never was', function () {
    try {
        DB::transaction(function (): void {
            ($this->put)();
            throw new RuntimeException('no');
        });
    } catch (RuntimeException) {
    }
    expect(OutboxLetter::query()->count())->toBe(0);
});

test('one says oneself whether invitations come by mail', function () {
    $this->as($this->ben, 'GET', '/session')->assertJsonPath('person.invitationsByMail', true);
    $this->as($this->ben, 'PATCH', '/session/person', ['invitationsByMail' => false])->assertOk()->assertJsonPath('person.invitationsByMail', false);
    expect($this->ben->refresh()->invitations_by_mail)->toBeFalse();
});
