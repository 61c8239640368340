<?php

use App\Events\EventRecord;
use App\Following\Follow;
use App\Following\Notice;
use App\Following\SendDigests;
use App\Following\TellFollowers;
use App\Outbox\LetterKind;
use App\Outbox\OutboxLetter;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use PinnedRota\Core\Access\Level;
use Tests\Support\SentLetter;

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill');
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->loft = $this->calendar($this->ada, 'Lofts');
    $this->give($this->slip, $this->ben, Level::See);
    $this->give($this->loft, $this->ben, Level::See);
    $this->follow = fn (array $what, array $how = [], $person = null) => $this->as($person ?? $this->ben, 'PUT', '/follows', $what + $how + ['changes' => ['added', 'moved', 'changed', 'cancelled'], 'pace' => 'now', 'byMail' => true, 'inInbox' => true])->assertOk()->json('follows');
    $this->followSlip = fn (array $how = [], $person = null) => ($this->follow)(['kind' => 'calendar', 'calendar' => $this->slip->slug], $how, $person);
    $this->write = fn (array $input = []): int => $this->as($this->ada, 'POST', '/events', $input + ['calendar' => $this->slip->slug, 'title' => 'Oar test', 'start' => '2026-12-01T14:00', 'end' => '2026-12-01T15:00'])->assertCreated()->json('id');
    $this->change = fn (int $id, array $input, string $query = '', $by = null) => $this->as($by ?? $this->ada, 'PATCH', "/events/{$id}{$query}", $input, EventRecord::query()->findOrFail($id)->version)->assertOk();
    /** What is told after so many seconds, and what of it goes out by mail. */
    $this->after = function (int $seconds = 600): array {
        $this->travel($seconds)->seconds();
        app(TellFollowers::class)->run();

        return SentLetter::all();
    };
    $this->inbox = fn ($person = null): array => $this->as($person ?? $this->ben, 'GET', '/notices')->assertOk()->json();
    /** All that is in it, line by line. */
    $this->lines = fn ($person = null): array => array_column(array_merge([], ...array_column(array_reverse(($this->inbox)($person)), 'lines')), 'words');
});

test('who follows a calendar is told once of several edits, in words, by mail and under For you', function () {
    ($this->followSlip)();
    $id = ($this->write)();
    ($this->change)($id, ['start' => '2026-12-03T14:00']);
    expect(($this->after)(590))->toBe([]);
    [$letter] = ($this->after)(20);
    expect($letter->to)->toBe($this->ben->email)->and($letter->subject())->toBe('Oar test is new: Thu 3 December, 14:00–15:00 (Ada Quill)')
        ->and($letter->text())->toContain("Slipway:\n- Oar test is new: Thu 3 December, 14:00–15:00 (Ada Quill)")->and($letter->html())->toContain("event={$id}")->not->toContain('<img');
    expect(($this->lines)())->toBe(['Oar test is new: Thu 3 December, 14:00–15:00 (Ada Quill)']);
    ($this->change)($id, ['start' => '2026-12-01T14:00']);
    [$letter] = ($this->after)();
    expect($letter->subject())->toBe('Oar test moved from Thu 3 to Tue 1 December, same time (Ada Quill)');
    // Nothing is told twice, nor of what did not change for them.
    expect(($this->after)())->toBe([])->and(Notice::query()->count())->toBe(2);
    ($this->change)($id, ['reminders' => [10], 'priority' => 2]);
    expect(($this->after)())->toBe([]);
});

test('what was undone within that time is not told; what is undone later is', function () {
    ($this->followSlip)();
    $id = ($this->write)();
    ($this->after)();
    $operation = ($this->change)($id, ['start' => '2026-12-03T14:00'])->headers->get('Operation');
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertSuccessful();
    expect(($this->after)())->toBe([]);
    $this->as($this->ada, 'POST', "/operations/{$operation}/redo")->assertSuccessful();
    expect(array_map(fn ($letter) => $letter->subject(), ($this->after)()))->toBe(['Oar test moved from Tue 1 to Thu 3 December, same time (Ada Quill)']);
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertSuccessful();
    expect(array_map(fn ($letter) => $letter->subject(), ($this->after)()))->toBe(['Oar test moved from Thu 3 to Tue 1 December, same time (Ada Quill)']);
});

test('own changes are not told, those of several are', function () {
    $this->give($this->slip, $this->ben, Level::Change);
    ($this->followSlip)();
    $id = ($this->write)();
    ($this->after)();
    ($this->change)($id, ['place' => 'Slip 2'], by: $this->ben);
    expect(($this->after)())->toBe([]);
    ($this->change)($id, ['place' => 'Slip 3'], by: $this->ben);
    ($this->change)($id, ['start' => '2026-12-02T14:00']);
    expect(($this->after)()[0]->subject())->toBe('Oar test moved from Tue 1 to Wed 2 December, same time; is at Slip 3, no longer at Slip 2 (Ada Quill)');
});

test('who answers has not changed the event', function () {
    $this->give($this->slip, $this->ben, Level::Change);
    ($this->followSlip)();
    $cy = $this->person('Cy Mast');
    $this->give($this->slip, $cy, Level::See);
    $id = $this->as($this->ben, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Mine', 'start' => '2026-12-01T14:00', 'participants' => [['kind' => 'person', 'id' => $cy->id, 'part' => 'required']]])->json('id');
    $this->as($cy, 'PUT', "/events/{$id}/answer", ['answer' => 'accepted'])->assertNoContent();
    ($this->after)();
    // Ben knows what he added himself, and hears what Cy answers, as it is he who asks.
    expect(($this->lines)())->toBe(['Cy Mast comes to Mine, Tue 1 December, 14:00–15:00']);
});

test('one bulk move is one message', function () {
    ($this->followSlip)();
    $ids = array_map(fn (int $day): int => ($this->write)(['title' => "Test {$day}", 'start' => "2026-12-0{$day}T09:00", 'end' => "2026-12-0{$day}T10:00"]), range(1, 6));
    ($this->after)();
    $this->as($this->ada, 'POST', '/bulk', ['events' => array_map(fn (int $id): array => ['id' => $id, 'version' => 1], $ids), 'tz' => 'Europe/London', 'shiftDays' => 7])->assertOk();
    $letters = ($this->after)();
    expect($letters)->toHaveCount(1)->and($letters[0]->subject())->toBe('6 events of Slipway were moved by a week (Ada Quill)')->and(array_slice(($this->lines)(), -1))->toBe(['6 events of Slipway were moved by a week (Ada Quill)']);
});

test('a category, an overlay, a person and an event are followed each', function () {
    $exam = $this->as($this->ada, 'POST', '/categories', ['name' => 'exam', 'calendar' => $this->slip->slug])->json('id');
    ($this->follow)(['kind' => 'category', 'calendar' => $this->slip->slug, 'category' => $exam]);
    $id = ($this->write)();
    expect(($this->after)())->toBe([]);
    // What comes into it is new, what leaves it is gone.
    ($this->change)($id, ['categories' => ['exam']]);
    expect(($this->after)()[0]->subject())->toBe('Oar test is new: Tue 1 December, 14:00–15:00 (Ada Quill)');
    ($this->change)($id, ['categories' => []]);
    expect(($this->after)()[0]->subject())->toBe('Oar test, Tue 1 December, 14:00–15:00, was taken off (Ada Quill)');

    Follow::query()->delete();
    $overlay = $this->as($this->ben, 'POST', '/overlays', ['name' => 'Lofts alone', 'layers' => [['name' => 'Lofts', 'calendars' => [$this->loft->slug], 'colour' => 'sea', 'mark' => 'disc', 'conditions' => [['about' => 'words', 'words' => ['sail']]]]]])->assertCreated()->json('slug');
    ($this->follow)(['kind' => 'overlay', 'overlay' => $overlay]);
    ($this->write)(['calendar' => $this->loft->slug, 'title' => 'Sail repair']);
    ($this->write)(['calendar' => $this->loft->slug, 'title' => 'Rigging']);
    ($this->write)(['title' => 'Sail race']);
    expect(array_map(fn ($letter) => $letter->subject(), ($this->after)()))->toBe(['Sail repair is new: Tue 1 December, 14:00–15:00 (Ada Quill)']);

    Follow::query()->delete();
    $cy = $this->person('Cy Mast');
    ($this->follow)(['kind' => 'person', 'person' => $cy->id]);
    ($this->write)(['title' => 'With Cy', 'participants' => [['kind' => 'person', 'id' => $cy->id, 'part' => 'required']]]);
    ($this->write)(['title' => 'Without']);
    expect(array_map(fn ($letter) => $letter->subject(), array_values(array_filter(($this->after)(), fn ($letter) => $letter->to === $this->ben->email))))->toBe(['With Cy is new: Tue 1 December, 14:00–15:00 (Ada Quill)']);

    Follow::query()->delete();
    ($this->follow)(['kind' => 'event', 'event' => $id]);
    ($this->change)($id, ['start' => '2026-12-02T14:00']);
    ($this->write)(['title' => 'Another']);
    expect(array_map(fn ($letter) => $letter->subject(), ($this->after)()))->toBe(['Oar test moved from Tue 1 to Wed 2 December, same time (Ada Quill)']);
});

test('an event that is followed is muted where its calendar is, and what is parted from it is followed, too', function () {
    ($this->followSlip)();
    $id = ($this->write)(['repeat' => ['rule' => 'FREQ=WEEKLY;COUNT=8']]);
    ($this->after)();
    ($this->follow)(['kind' => 'event', 'event' => $id], ['pace' => 'off']);
    ($this->change)($id, ['place' => 'Slip 2']);
    expect(($this->after)())->toBe([]);
    Follow::query()->where('kind', 'calendar')->delete();
    ($this->follow)(['kind' => 'event', 'event' => $id]);
    ($this->change)($id, ['start' => '2026-12-22T16:00'], '?occurrence=2026-12-22T14:00:00Z&following=1');
    expect(($this->after)())->toHaveCount(1)->and(Follow::query()->where('kind', 'event')->count())->toBe(2);
});

test('only what is wanted is told, where it is wanted', function () {
    ($this->followSlip)(['changes' => ['moved'], 'byMail' => false]);
    $id = ($this->write)();
    ($this->change)($id, ['place' => 'Slip 2']);
    expect(($this->after)())->toBe([])->and(($this->lines)())->toBe([]);
    ($this->change)($id, ['start' => '2026-12-02T14:00']);
    expect(($this->after)())->toBe([])->and(($this->lines)())->toHaveCount(1);
    ($this->followSlip)(['inInbox' => false]);
    ($this->change)($id, ['place' => 'Slip 4']);
    expect(($this->after)())->toHaveCount(1)->and(($this->lines)())->toHaveCount(1);
});

test('what is saved quietly is under For you, and in no letter', function () {
    ($this->followSlip)();
    ($this->write)(['tell' => false]);
    expect(($this->after)())->toBe([])->and(($this->lines)())->toBe(['Oar test is new: Tue 1 December, 14:00–15:00 (Ada Quill)']);
});

test('what is soon is told soon', function () {
    ($this->followSlip)();
    ($this->write)(['start' => '2026-11-02T16:00', 'end' => '2026-11-02T17:00']);
    expect(($this->after)(5))->toBe([])->and(($this->after)(6))->toHaveCount(1);
});

test('who takes part is told under For you without saying so, and by mail where no invitation says it', function () {
    $id = ($this->write)(['participants' => [['kind' => 'person', 'id' => $this->ben->id, 'part' => 'required']]]);
    ($this->after)();
    expect(($this->lines)())->toBe([]);
    ($this->change)($id, ['start' => '2026-12-02T14:00']);
    expect(array_map(fn ($letter) => $letter->subject(), ($this->after)()))->toBe(['Changed: Oar test, Wed 2 December 2026, 14:00–15:00'])->and(($this->lines)())->toBe(['Oar test moved from Tue 1 to Wed 2 December, same time (Ada Quill)']);
    $open = ($this->write)(['title' => 'Open day', 'joinable' => true]);
    $this->as($this->ben, 'POST', "/events/{$open}/join")->assertSuccessful();
    ($this->after)();
    ($this->change)($open, ['start' => '2026-12-04T14:00']);
    expect(array_map(fn ($letter) => $letter->subject(), ($this->after)()))->toBe(['Open day moved from Tue 1 to Fri 4 December, same time (Ada Quill)']);
    // Who has declined is not told any more.
    $this->as($this->ben, 'PUT', "/events/{$id}/answer", ['answer' => 'declined'])->assertNoContent();
    ($this->change)($id, ['place' => 'Slip 9']);
    ($this->after)();
    expect(array_slice(($this->lines)(), -1))->toBe(['Open day moved from Tue 1 to Fri 4 December, same time (Ada Quill)']);
});

test('who is asked on a calendar that they do not see is told of it on their own', function () {
    App\Directory\OwnThings::of($this->ben);
    $hidden = $this->calendar($this->ada, 'Hidden');
    $id = ($this->write)(['calendar' => $hidden->slug, 'participants' => [['kind' => 'person', 'id' => $this->ben->id, 'part' => 'required']]]);
    ($this->write)(['calendar' => $hidden->slug, 'title' => 'Not his']);
    ($this->after)();
    ($this->change)($id, ['start' => '2026-12-02T14:00']);
    ($this->after)();
    [$notice] = ($this->inbox)();
    expect(array_column($notice['lines'], 'words'))->toBe(['Oar test moved from Tue 1 to Wed 2 December, same time (Ada Quill)'])->and($notice['lines'][0]['calendar']['name'])->not->toBe('Hidden')->and($notice['lines'][0]['event'])->toBe($id);
});

test('answers are told to who asks, and to who wants them', function () {
    $cy = $this->person('Cy Mast');
    $this->give($this->slip, $cy, Level::See);
    ($this->followSlip)(['changes' => ['answered']], $cy);
    $id = ($this->write)(['participants' => [['kind' => 'person', 'id' => $this->ben->id, 'part' => 'required']]]);
    ($this->after)();
    $this->as($this->ben, 'PUT', "/events/{$id}/answer", ['answer' => 'accepted'])->assertNoContent();
    $letters = ($this->after)();
    expect(($this->lines)($this->ada))->toBe(['Ben Oar comes to Oar test, Tue 1 December, 14:00–15:00'])->and(array_map(fn ($letter) => [$letter->to, $letter->subject()], $letters))->toBe([[$cy->email, 'Ben Oar comes to Oar test, Tue 1 December, 14:00–15:00']])
        ->and(($this->lines)())->toBe([]);
});

test('what one may not see is in nothing that is told, also where it was lost in between', function () {
    ($this->followSlip)();
    ($this->write)(['private' => true, 'title' => 'Appraisal']);
    expect(($this->after)())->toBe([])->and(($this->lines)())->toBe([]);
    $id = ($this->write)();
    $this->travel(600)->seconds();
    Queue::fake();
    app(TellFollowers::class)->run();
    // Reckoned, and then taken away before the letter goes.
    $this->give($this->slip, $this->ben, Level::BusyTimes);
    expect(SentLetter::all())->toBe([])->and(($this->lines)())->toBe([])->and(OutboxLetter::query()->where('kind', LetterKind::Notice)->sole()->problem)->toBe('There is nothing of it that they see.');
    ($this->change)($id, ['start' => '2026-12-02T14:00']);
    expect(($this->after)())->toBe([])->and(($this->lines)())->toBe([]);
    // What became private is gone to who follows it.
    $this->give($this->slip, $this->ben, Level::See);
    ($this->change)($id, ['private' => true, 'title' => 'Secret test']);
    expect(($this->after)()[0]->subject())->toBe('Oar test, Wed 2 December, 14:00–15:00, was taken off (Ada Quill)');
});

test('what goes to where one does not see it is gone, and not told where to', function () {
    ($this->followSlip)();
    $hidden = $this->calendar($this->ada, 'Hidden');
    $id = ($this->write)();
    ($this->after)();
    ($this->change)($id, ['calendar' => $hidden->slug, 'title' => 'Renamed there']);
    expect(($this->after)()[0]->text())->toContain('Oar test, Tue 1 December, 14:00–15:00, was taken off')->not->toContain('Renamed')->not->toContain('Hidden');
});

test('what was told is read, or not, goes by itself once it is over, and is nobody else’s', function () {
    ($this->followSlip)();
    ($this->write)();
    ($this->after)();
    $unread = fn ($person = null): int => $this->as($person ?? $this->ben, 'GET', '/notices/unread')->json('unread');
    [$notice] = ($this->inbox)();
    expect($unread())->toBe(1)->and($notice['read'])->toBeFalse()->and($unread($this->ada))->toBe(0);
    $this->as($this->ada, 'PUT', "/notices/{$notice['id']}", ['read' => true])->assertNotFound();
    $this->as($this->ben, 'PUT', "/notices/{$notice['id']}", ['read' => true])->assertNoContent();
    expect($unread())->toBe(0)->and(($this->inbox)()[0]['read'])->toBeTrue();
    $this->as($this->ben, 'PUT', "/notices/{$notice['id']}", ['read' => false])->assertNoContent();
    expect($unread())->toBe(1);
    $this->travelTo('2026-12-02 10:00:00');
    expect(($this->inbox)()[0]['read'])->toBeTrue()->and($unread())->toBe(0);
    $this->travelTo('2026-12-20 10:00:00');
    expect(($this->inbox)())->toBe([]);
});

test('a digest tells what changed since the last, what is on, and what waits, once at its hour', function () {
    ($this->followSlip)(['pace' => 'daily']);
    $this->as($this->ben, 'PUT', '/digests/daily', ['hour' => 6, 'byMail' => true])->assertOk();
    $id = ($this->write)(['start' => '2026-11-03T14:00', 'end' => '2026-11-03T15:00', 'participants' => [['kind' => 'person', 'id' => $this->ben->id, 'part' => 'required']]]);
    ($this->after)();
    ($this->change)($id, ['start' => '2026-11-03T16:00']);
    ($this->change)($id, ['place' => 'Slip 2']);
    ($this->after)();
    $at = function (string $moment): array {
        $this->travelTo($moment);
        app(TellFollowers::class)->run();
        app(SendDigests::class)->run();

        return array_values(array_filter(SentLetter::all(), fn ($letter) => $letter->to === $this->ben->email));
    };
    expect($at('2026-11-03 05:59:00'))->toBe([]);
    [$letter] = $at('2026-11-03 06:00:00');
    expect($letter->subject())->toBe('Your Tue 3 November: 1 on, 1 changed, 1 to answer')
        ->and($letter->text())->toContain("Today:\n- 16:00–17:00: Oar test, Slip 2")->toContain("What changed:\n- Oar test is new: Tue 3 November, 16:00–17:00, Slip 2 (Ada Quill)")->toContain("Waiting for your answer:\n- Oar test, Tue 3 November, 16:00, asked by Ada Quill");
    expect($at('2026-11-03 06:01:00'))->toBe([]);
    // A day on which there is nothing to say has no letter.
    $this->as($this->ben, 'PUT', "/events/{$id}/answer", ['answer' => 'accepted'])->assertNoContent();
    expect($at('2026-11-04 06:00:00'))->toBe([]);
});

test('a digest begins with the next, and another hour of the same day is one only where none has come', function () {
    $this->write = fn () => $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Sweeping', 'start' => '2026-12-01T14:00'])->assertCreated();
    ($this->followSlip)(['pace' => 'daily']);
    ($this->write)();
    $come = function (string $moment): int {
        $this->travelTo($moment);
        app(TellFollowers::class)->run();
        app(SendDigests::class)->run();

        return count(SentLetter::all());
    };
    // It was seven already when it was begun.
    expect($come('2026-11-02 10:30:00'))->toBe(0);
    $this->as($this->ben, 'PUT', '/digests/daily', ['hour' => 9, 'byMail' => true])->assertOk();
    expect($come('2026-11-02 10:31:00'))->toBe(0);
    $this->as($this->ben, 'PUT', '/digests/daily', ['hour' => 12, 'byMail' => true])->assertOk();
    expect($come('2026-11-02 12:00:00'))->toBe(1);
    ($this->write)();
    $this->as($this->ben, 'PUT', '/digests/daily', ['hour' => 13, 'byMail' => true])->assertOk();
    expect($come('2026-11-02 13:00:00'))->toBe(0)->and($come('2026-11-03 13:00:00'))->toBe(1);
});

test('a digest over a clock change comes once, with the times of the clock', function () {
    $this->travelTo('2026-10-24 10:00:00');
    ($this->followSlip)(['pace' => 'daily']);
    $this->as($this->ben, 'PUT', '/digests/daily', ['hour' => 1, 'byMail' => true])->assertOk();
    // At one on Sunday the clocks show one for the first time; an hour later they do for the second.
    ($this->write)(['start' => '2026-10-25T09:00', 'end' => '2026-10-25T10:00', 'participants' => [['kind' => 'person', 'id' => $this->ben->id, 'part' => 'required']]]);
    ($this->after)();
    $came = [];
    for ($minute = 0; $minute < 5 * 60; $minute += 10) {
        $this->travelTo(Illuminate\Support\Carbon::parse('2026-10-24 22:30:00 UTC')->addMinutes($minute));
        app(SendDigests::class)->run();
        foreach (SentLetter::all() as $letter) {
            $came[now()->format('H:i')] = $letter->text();
        }
    }
    expect(array_keys($came))->toBe(['00:00'])->and($came['00:00'])->toContain('9:00–10:00: Oar test')->toContain('Oar test is new: Sun 25 October, 9:00–10:00');
});

test('what was told as it happened by mail is not told again in a digest', function () {
    ($this->followSlip)(['pace' => 'weekly']);
    $id = ($this->write)();
    ($this->write)(['title' => 'Sweeping']);
    ($this->follow)(['kind' => 'event', 'event' => $id]);
    ($this->after)();
    $this->travelTo('2026-11-09 07:00:00');
    app(SendDigests::class)->run();
    [$letter] = SentLetter::all();
    expect($letter->subject())->toBe('Your week from Mon 9 November: 1 changed')->and($letter->text())->toContain('Sweeping is new')->not->toContain('Oar test');
});

test('letters are ended by one click and without a session, and what they told is under For you', function () {
    ($this->followSlip)(['inInbox' => false]);
    ($this->write)();
    [$letter] = ($this->after)();
    $link = trim($letter->header('List-Unsubscribe'), '<>');
    expect($letter->header('List-Unsubscribe-Post'))->toBe('List-Unsubscribe=One-Click')->and($letter->text())->toContain($link);
    $path = substr($link, strlen(url('/')));
    $this->app['auth']->forgetGuards();
    // A link that is followed ends nothing, nor does one that somebody made up.
    $this->get($path)->assertOk()->assertSee('Stop them');
    $this->post(str_replace("/{$this->ben->id}/", "/{$this->ada->id}/", $path))->assertForbidden();
    expect(Follow::query()->sole()->by_mail)->toBeTrue();
    $this->post($path, ['List-Unsubscribe' => 'One-Click'])->assertOk()->assertSee('You get no such letters any more');
    $this->post($path, ['List-Unsubscribe' => 'One-Click'])->assertOk();
    ($this->write)(['title' => 'Sweeping']);
    expect(($this->after)())->toBe([])->and(($this->lines)())->toBe(['Sweeping is new: Tue 1 December, 14:00–15:00 (Ada Quill)']);
    $this->post($path, ['letters' => 'again'])->assertOk()->assertSee('Stop them');
    ($this->write)(['title' => 'Tarring']);
    expect(($this->after)())->toHaveCount(1);
});

test('a digest is ended likewise', function () {
    ($this->followSlip)(['pace' => 'daily']);
    ($this->write)();
    ($this->after)();
    $this->travelTo('2026-11-03 07:00:00');
    app(SendDigests::class)->run();
    [$letter] = SentLetter::all();
    $this->post(substr(trim($letter->header('List-Unsubscribe'), '<>'), strlen(url('/'))))->assertOk();
    ($this->write)(['title' => 'Sweeping']);
    ($this->after)();
    $this->travelTo('2026-11-04 07:00:00');
    app(SendDigests::class)->run();
    expect(SentLetter::all())->toBe([])->and(($this->lines)())->toContain('Sweeping is new: Tue 1 December, 14:00–15:00 (Ada Quill)');
});

test('nobody is written to at hours at which they do not want it', function () {
    $this->as($this->ben, 'PATCH', '/session/person', ['quietHours' => 'at night'])->assertUnprocessable();
    $this->as($this->ben, 'PATCH', '/session/person', ['quietHours' => '9-17'])->assertOk();
    ($this->followSlip)();
    ($this->write)();
    expect(($this->after)())->toBe([])->and(($this->lines)())->toHaveCount(1);
    $this->travelTo('2026-11-02 17:00:00');
    expect(SentLetter::all())->toHaveCount(1);
});

test('a worker that is ended in between tells the rest, and nobody twice', function () {
    ($this->followSlip)();
    ($this->followSlip)([], $this->ada);
    $cy = $this->person('Cy Mast');
    $this->give($this->slip, $cy, Level::See);
    ($this->followSlip)([], $cy);
    ($this->write)();
    ($this->after)();
    // As though it had ended before it noted that all of the batch was told, and before the last of them was.
    DB::table('notice_batches')->update(['told_at' => null]);
    Notice::query()->where('person_id', $cy->id)->delete();
    expect(array_map(fn ($letter) => $letter->to, ($this->after)()))->toBe([$cy->email])->and(Notice::query()->count())->toBe(2);
});

test('nobody follows what they do not see, and what one does not see any more has no name', function () {
    $hidden = $this->calendar($this->ada, 'Hidden');
    $this->as($this->ben, 'PUT', '/follows', ['kind' => 'calendar', 'calendar' => $hidden->slug, 'changes' => ['added'], 'pace' => 'now', 'byMail' => true, 'inInbox' => true])->assertNotFound();
    $this->give($hidden, $this->ben, Level::BusyTimes);
    $this->as($this->ben, 'PUT', '/follows', ['kind' => 'calendar', 'calendar' => $hidden->slug, 'changes' => ['added'], 'pace' => 'now', 'byMail' => true, 'inInbox' => true])->assertForbidden();
    $this->give($hidden, $this->ben, Level::See);
    ($this->follow)(['kind' => 'calendar', 'calendar' => $hidden->slug]);
    $this->give($hidden, $this->ben, Level::None);
    $follows = $this->as($this->ben, 'GET', '/follows')->json('follows');
    expect(array_column($follows, 'name'))->toBe(['What you take part in', ''])->and($follows[1]['calendar'])->toBeNull();
    $this->as($this->ada, 'DELETE', "/follows/{$follows[1]['id']}")->assertNotFound();
    $this->as($this->ben, 'DELETE', "/follows/{$follows[1]['id']}")->assertNoContent();
    foreach ([['changes' => []], ['byMail' => false, 'inInbox' => false], ['pace' => 'hourly'], ['changes' => ['eaten']]] as $wrong) {
        $this->as($this->ben, 'PUT', '/follows', $wrong + ['kind' => 'calendar', 'calendar' => $this->slip->slug, 'changes' => ['added'], 'pace' => 'now', 'byMail' => true, 'inInbox' => true])->assertUnprocessable();
    }
});
