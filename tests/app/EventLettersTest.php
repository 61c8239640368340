<?php

use App\Invitations\EventInvitation;
use App\Outbox\LetterState;
use App\Outbox\OutboxLetter;
use App\Outbox\SendOutbox;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Status;
use Symfony\Component\Mailer\Exception\TransportException;
use Tests\Support\SentLetter;

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill');
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->give($this->slip, $this->ben, Level::See);
    $this->asking = fn (array $input = []): int => $this->as($this->ada, 'POST', '/events', $input + [
        'calendar' => $this->slip->slug, 'title' => 'Oar test', 'start' => '2026-12-01T14:00', 'end' => '2026-12-01T15:00', 'place' => 'Slip 2', 'description' => 'Bring gloves.',
        'participants' => [['kind' => 'person', 'id' => $this->ben->id, 'part' => 'required']],
    ])->assertCreated()->json('id');
    $this->change = fn (int $id, array $input, string $query = '') => $this->as($this->ada, 'PATCH', "/events/{$id}{$query}", $input, $this->as($this->ada, 'GET', "/events/{$id}")->json('version'))->assertOk();
    $this->address = fn (string $code): string => str_replace('@', "+{$code}@", config('mail.from.address'));
    /** What goes out after so many seconds. */
    $this->after = function (int $seconds = 600): array {
        $this->travel($seconds)->seconds();

        return SentLetter::all();
    };
});

test('who is asked gets one letter with all that is known by then, and their answers in it', function () {
    $id = ($this->asking)();
    ($this->change)($id, ['title' => 'Oar test, indoors']);
    expect(($this->after)(590))->toBe([]);
    $letters = ($this->after)(20);
    expect($letters)->toHaveCount(1);
    [$letter] = $letters;
    $code = EventInvitation::query()->sole()->code();
    expect($letter->to)->toBe($this->ben->email)->and($letter->subject())->toBe('Asked: Oar test, indoors, Tue 1 December 2026, 14:00–15:00')
        ->and($letter->text())->toContain("Ada Quill asks you to take part:\n\nOar test, indoors\nWhen: Tue 1 December 2026, 14:00–15:00\nWhere: Slip 2\n")->toContain('Bring gloves.')->toContain('I come: '.url("/asked/{$code}?answer=accepted")."\n")
        ->and($letter->html())->toContain("/asked/{$code}?answer=declined")->not->toContain('<img')
        ->and($letter->header('Reply-To'))->toBe(($this->address)($code))->and($letter->header('Auto-Submitted'))->toBe('auto-generated')
        ->and($letter->method())->toBe(['REQUEST', 'REQUEST'])->and($letter->organizer())->toBe(($this->address)($code));
    [$event] = $letter->events();
    expect($event->uid)->toBe(DB::table('events')->where('id', $id)->value('uid'))->and($event->sequence)->toBe(0)->and($event->contents->title)->toBe('Oar test, indoors')
        ->and($event->participants)->toHaveCount(1)->and($event->participants[0]->asked)->toBeTrue();
    // Nobody else is in it, and once it is sent it is.
    expect(SentLetter::all())->toBe([])->and(OutboxLetter::query()->sole()->state)->toBe(LetterState::Sent);
});

test('who asks, and whoever does something themselves, is not told of it', function () {
    $this->give($this->slip, $this->ben, Level::Change);
    $id = $this->as($this->ben, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Mine', 'start' => '2026-12-01T14:00', 'participants' => [['kind' => 'person', 'id' => $this->ben->id, 'part' => 'required'], ['kind' => 'person', 'id' => $this->ada->id, 'part' => 'required']]])->json('id');
    expect(array_column(($this->after)(), 'to'))->toBe([$this->ada->email]);
    $this->as($this->ada, 'PUT', "/events/{$id}/answer", ['answer' => 'declined'])->assertNoContent();
    expect(($this->after)())->toBe([]);
});

test('several changes are one letter, which says what it was, and asks anew only where it moved', function () {
    $id = ($this->asking)();
    ($this->after)();
    $this->as($this->ben, 'PUT', "/events/{$id}/answer", ['answer' => 'accepted']);
    ($this->change)($id, ['place' => 'Slip 3']);
    [$letter] = ($this->after)();
    expect($letter->subject())->toStartWith('Changed: Oar test')->and($letter->text())->toContain('It was at “Slip 2”.')->not->toContain('at another time')
        ->and($letter->events()[0]->sequence)->toBe(0)->and($letter->events()[0]->participants[0]->answer->value)->toBe('ACCEPTED');
    ($this->change)($id, ['start' => '2026-12-02T14:00']);
    ($this->change)($id, ['start' => '2026-12-03T14:00']);
    $letters = ($this->after)();
    expect($letters)->toHaveCount(1)->and($letters[0]->text())->toContain('It was Tue 1 December 2026, 14:00–15:00.')->toContain('As it is at another time, please answer again:')
        ->and($letters[0]->events()[0]->sequence)->toBe(1)->and($letters[0]->events()[0]->participants[0]->answer->value)->toBe('NEEDS-ACTION');
});

test('what is dragged is told once it can no longer be undone at once', function () {
    $id = ($this->asking)();
    ($this->after)();
    ($this->change)($id, ['start' => '2026-12-03T14:00', 'soon' => true]);
    expect(($this->after)(5))->toBe([])->and(($this->after)(6)[0]->subject())->toBe('Changed: Oar test, Thu 3 December 2026, 14:00–15:00');
    // Undone within that time, it is not told at all.
    $operation = ($this->change)($id, ['start' => '2026-12-04T14:00', 'soon' => true])->headers->get('Operation');
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertSuccessful();
    expect(($this->after)(11))->toBe([])->and(($this->after)())->toBe([]);
});

test('what was undone, or is as they know it, is not told', function () {
    $id = ($this->asking)();
    ($this->after)();
    $operation = ($this->change)($id, ['start' => '2026-12-03T14:00'])->headers->get('Operation');
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertSuccessful();
    expect(($this->after)())->toBe([])->and(OutboxLetter::query()->latest('id')->first()->problem)->toBe('Nothing they know of is another.');
    ($this->change)($id, ['categories' => [], 'reminders' => [10], 'priority' => 3]);
    expect(($this->after)())->toBe([]);
});

test('it is called off for whoever is taken off, and for all where it is deleted or cancelled', function (Closure $off) {
    $id = ($this->asking)();
    ($this->after)();
    $off($this, $id);
    [$letter] = ($this->after)();
    expect($letter->subject())->toBe('Called off: Oar test, Tue 1 December 2026, 14:00–15:00')->and($letter->method())->toBe(['CANCEL', 'CANCEL'])
        ->and($letter->events()[0]->sequence)->toBe(1)->and($letter->events()[0]->contents->status)->toBe(Status::Cancelled)->and($letter->text())->not->toContain('/asked/');
    expect(($this->after)())->toBe([]);
})->with([
    'taken off' => [fn ($test, $id) => ($test->change)($id, ['participants' => []])],
    'cancelled' => [fn ($test, $id) => ($test->change)($id, ['status' => 'cancelled'])],
    'deleted' => [fn ($test, $id) => $test->as($test->ada, 'DELETE', "/events/{$id}", [], 1)->assertNoContent()],
    'never added' => [fn ($test, $id) => $test->as($test->ada, 'POST', '/operations/'.DB::table('operations')->max('id').'/undo')->assertSuccessful()],
]);

test('who was never told is not told that it is off', function () {
    $id = ($this->asking)();
    $this->as($this->ada, 'DELETE', "/events/{$id}", [], 1)->assertNoContent();
    expect(($this->after)())->toBe([]);
});

test('what is provisional asks nobody until it is confirmed', function () {
    $id = ($this->asking)(['status' => 'provisional']);
    expect(($this->after)())->toBe([]);
    ($this->change)($id, ['status' => 'confirmed']);
    expect(array_map(fn (SentLetter $each): string => $each->subject(), ($this->after)()))->toBe(['Asked: Oar test, Tue 1 December 2026, 14:00–15:00']);
});

test('one time of a series is told by itself, and one that is called off, too', function () {
    $id = ($this->asking)(['repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 4]]);
    [$letter] = ($this->after)();
    expect($letter->text())->toContain('When: every week on Tuesday')->and($letter->events())->toHaveCount(1);
    ($this->change)($id, ['start' => '2026-12-09T14:00'], '?occurrence=2026-12-08T14:00:00Z');
    [$moved] = ($this->after)();
    expect($moved->method())->toBe(['REQUEST', 'REQUEST'])->and($moved->events())->toHaveCount(1)->and($moved->events()[0]->recurrenceId?->local->toMinute())->toBe('2026-12-08T14:00')
        ->and($moved->events()[0]->sequence)->toBe(1)->and($moved->text())->toContain('Wed 9 December')->toContain('It was Tue 8 December');
    $this->as($this->ada, 'DELETE', "/events/{$id}?occurrence=2026-12-15T14:00:00Z", [], 2)->assertNoContent();
    [$off] = ($this->after)();
    expect($off->method())->toBe(['CANCEL', 'CANCEL'])->and($off->events())->toHaveCount(1)->and($off->events()[0]->recurrenceId?->local->toMinute())->toBe('2026-12-15T14:00')->and($off->events()[0]->sequence)->toBe(2);
});

test('from a time on it is a series of its own', function () {
    $id = ($this->asking)(['repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 4]]);
    ($this->after)();
    ($this->change)($id, ['start' => '2026-12-15T16:00'], '?occurrence=2026-12-15T14:00:00Z&following=1');
    $letters = ($this->after)();
    $subjects = array_map(fn (SentLetter $each): string => explode(':', $each->subject())[0], $letters);
    sort($subjects);
    expect($subjects)->toBe(['Asked', 'Changed'])->and($letters[0]->events()[0]->uid)->not->toBe($letters[1]->events()[0]->uid);
});

test('what is saved quietly is told by nobody, and later is in what is told then', function () {
    $id = ($this->asking)();
    ($this->after)();
    ($this->change)($id, ['place' => 'Slip 5', 'tell' => false]);
    expect(($this->after)())->toBe([]);
    ($this->change)($id, ['title' => 'Oar trial', 'tell' => true]);
    [$letter] = ($this->after)();
    expect($letter->text())->toContain('It was called “Oar test”.')->toContain('It was at “Slip 2”.');
    $this->as($this->ada, 'DELETE', "/events/{$id}?tell=0", [], 3)->assertNoContent();
    expect(($this->after)())->toBe([]);
});

test('what is near at hand is told after ten seconds', function () {
    ($this->asking)(['start' => '2026-11-02T15:00', 'end' => '2026-11-02T16:00']);
    expect(($this->after)(9))->toBe([])->and(($this->after)(2))->toHaveCount(1);
});

test('at quiet hours what can wait does, on the clock of whoever it is for', function () {
    config(['rota.letters.quiet' => '22-7']);
    $this->ben->update(['timezone' => 'Asia/Tokyo']);
    // 21:50 in Tokyo.
    $this->travelTo('2026-11-02 12:50:00');
    ($this->asking)();
    expect(($this->after)(600))->toBe([])->and(OutboxLetter::query()->sole())->state->toBe(LetterState::Waiting)->attempts->toBe(0)->problem->toBe('Nobody is written to at this hour.')
        ->and(($this->after)(9 * 3600 - 60))->toBe([])->and(($this->after)(60))->toHaveCount(1);
    // What is within a day does not wait.
    $this->travelTo('2026-11-03 14:00:00');
    ($this->asking)(['title' => 'Tomorrow', 'start' => '2026-11-04T09:00', 'end' => '2026-11-04T10:00']);
    expect(($this->after)(11))->toHaveCount(1);
});

test('who does not want letters, or has left, gets none', function (array $columns) {
    $this->ben->update($columns);
    ($this->asking)();
    expect(($this->after)())->toBe([])->and(OutboxLetter::query()->sole()->state)->toBe(LetterState::Dropped);
})->with([[['invitations_by_mail' => false]], [['status' => 'left']]]);

test('what came in by a file is told by whoever sent that', function () {
    $this->add($this->slip, $this->ada, title: 'Elsewhere', start: '2026-12-01T09:00', more: ['organizer' => new Participant('mailto:guest@example.org'), 'participants' => [Participant::ofPerson($this->ben->id, $this->ben->email, 'Ben', ParticipantRole::Required)]]);
    $id = DB::table('events')->value('id');
    ($this->change)($id, ['title' => 'Other']);
    expect(($this->after)())->toBe([]);
});

describe('where letters do not go', function () {
    /** A mail server that answers so, and what it took. */
    beforeEach(function () {
        $this->server = function (Closure $answer): void {
            $transport = Mockery::mock(Symfony\Component\Mailer\Transport\TransportInterface::class);
            $transport->shouldReceive('send')->andReturnUsing($answer);
            Mail::purge('array');
            Mail::extend('array', fn () => $transport);
        };
    });

    test('they are tried again, ever later, and given up where it can be seen', function () {
        ($this->asking)();
        $this->travel(600)->seconds();
        ($this->server)(fn () => throw new TransportException('The mail server is away', 421));
        foreach ([1, 5, 30, 120, 480] as $minutes) {
            expect(app(SendOutbox::class)->run())->toBe(0)->and(OutboxLetter::query()->sole())->state->toBe(LetterState::Waiting)->problem->toBe('The mail server is away');
            $this->travel($minutes * 60 - 1)->seconds();
            app(SendOutbox::class)->run();
            $this->travel(1)->seconds();
        }
        app(SendOutbox::class)->run();
        expect(OutboxLetter::query()->sole())->state->toBe(LetterState::Failed)->attempts->toBe(6);
    });

    test('what will never be taken is given up at once', function () {
        ($this->asking)();
        $this->travel(600)->seconds();
        ($this->server)(fn () => throw new TransportException('550 No such mailbox', 550));
        app(SendOutbox::class)->run();
        expect(OutboxLetter::query()->sole())->state->toBe(LetterState::Failed)->and(EventInvitation::query()->sole()->told)->toBeNull();
    });

    test('a letter that went while its worker ended is sent once more under the same name, and no more', function () {
        ($this->asking)();
        $this->travel(600)->seconds();
        $took = [];
        ($this->server)(function ($message) use (&$took): void {
            $took[] = $message->getHeaders()->get('Message-ID')->getBodyAsString();
            if (count($took) === 1) {
                // As a worker that is killed: nothing after this is done.
                throw new Error('killed');
            }
        });
        try {
            app(SendOutbox::class)->run();
        } catch (Error) {
        }
        OutboxLetter::query()->update(['state' => LetterState::Waiting, 'claimed_until' => now()->addMinutes(5)]);
        app(SendOutbox::class)->run();
        expect($took)->toHaveCount(1);
        $this->travel(301)->seconds();
        app(SendOutbox::class)->run();
        app(SendOutbox::class)->run();
        expect($took)->toHaveCount(2)->and($took[0])->toBe($took[1])->and(OutboxLetter::query()->sole()->state)->toBe(LetterState::Sent);
    });

    test('nobody gets more than so many within an hour; the rest comes later', function () {
        config(['rota.letters.per_hour' => 2]);
        foreach (['One', 'Two', 'Three'] as $title) {
            ($this->asking)(['title' => $title]);
        }
        expect(($this->after)())->toHaveCount(2)->and(($this->after)(60))->toBe([])->and(($this->after)(3600))->toHaveCount(1);
    });
});
