<?php

use App\Access\GrantRecord;
use App\Calendars\Calendar;
use App\Directory\OwnThings;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\DeleteSeries;
use App\Events\Write\OperationKind;
use App\Occurrences\VerifyOccurrences;
use App\Pins\Pin;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;

// Who is asked to an event on a calendar that they do not see.

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill', ['role' => 'administrator']);
    [$this->ben, $this->cy] = [$this->person('Ben Oar'), $this->person('Cy Brook')];
    foreach ([$this->ada, $this->ben, $this->cy] as $each) {
        OwnThings::of($each);
    }
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->own = Calendar::query()->where('own_of', $this->ben->id)->sole();
    $this->named = fn ($person): array => ['kind' => 'person', 'id' => $person->id, 'part' => 'required'];
    $this->asking = fn (array $input = []): int => $this->as($this->ada, 'POST', '/events', $input + ['calendar' => $this->slip->slug, 'title' => 'Oar test', 'start' => '2026-12-01T14:00', 'place' => 'Slip 2', 'participants' => [($this->named)($this->ben)]])->assertCreated()->json('id');
    $this->change = fn (int $id, array $input, string $query = '') => $this->as($this->ada, 'PATCH', "/events/{$id}{$query}", $input, $this->as($this->ada, 'GET', "/events/{$id}")->json('version'))->assertOk();
    $this->titles = fn ($person, string $more = ''): array => array_column($this->sheet($person, '2026-11-30', '2027-01-01', $more)->json('items'), 'title');
    $this->waiting = fn ($person): array => array_column($this->as($person, 'GET', '/waiting')->json('asked'), 'title');
});

test('they see that event: on their own sheet, under For you, and open, and answer to it', function () {
    $id = ($this->asking)();
    expect(($this->titles)($this->ben))->toBe(['Oar test'])->and(($this->waiting)($this->ben))->toBe(['Oar test']);
    $this->as($this->ben, 'GET', "/events/{$id}")->assertOk()->assertJsonPath('title', 'Oar test')->assertJsonPath('place', 'Slip 2')->assertJsonPath('calendar', $this->own->slug)->assertJsonPath('mayChange', false)->assertJsonPath('answer', 'unanswered')->assertJsonPath('pins', []);
    $this->as($this->ben, 'PUT', "/events/{$id}/answer", ['answer' => 'accepted'])->assertNoContent();
    $this->as($this->ada, 'GET', "/events/{$id}")->assertJsonPath('participants.0.answer', 'accepted')->assertJsonPath('pins', []);
    // Nothing else of the calendar.
    $this->as($this->ben, 'GET', "/calendars/{$this->slip->slug}/managers")->assertNotFound();
    $this->as($this->ben, 'PATCH', "/events/{$id}", ['title' => 'Mine'], 1)->assertForbidden();
    expect(iterator_to_array(app(VerifyOccurrences::class)->differences(), false))->toBe([]);
});

test('nobody else sees it by that, whatever they see of their calendar', function () {
    $id = ($this->asking)();
    foreach ([Level::BusyTimes, Level::See, Level::Manage] as $level) {
        $this->give($this->own, $this->cy, $level);
        expect(($this->titles)($this->cy, "&calendar={$this->own->slug}"))->toBe([]);
        $this->as($this->cy, 'GET', "/events/{$id}")->assertNotFound();
    }
    $this->as($this->cy, 'GET', "/calendars/{$this->own->slug}/pins")->assertJson([]);
    $this->as($this->cy, 'GET', '/find?words=Oar+test&tz=Europe/London')->assertJsonMissing(['title' => 'Oar test']);
    $this->as($this->ada, 'GET', "/calendars/{$this->slip->slug}/log")->assertOk();
});

test('it goes once they are not asked any more, or it asks nobody', function (Closure $off) {
    $id = ($this->asking)();
    $off($this, $id);
    expect(($this->titles)($this->ben))->toBe([])->and(($this->waiting)($this->ben))->toBe([])->and(Pin::query()->count())->toBe(0);
    $this->as($this->ben, 'GET', "/events/{$id}")->assertNotFound();
})->with([
    'taken off' => [fn ($test, $id) => ($test->change)($id, ['participants' => []])],
    'another is asked' => [fn ($test, $id) => ($test->change)($id, ['participants' => [($test->named)($test->ada)]])],
    'provisional' => [fn ($test, $id) => ($test->change)($id, ['status' => 'provisional'])],
]);

test('what is deleted is gone, and back where it is brought back', function () {
    $id = ($this->asking)();
    app(ChangeEvents::class)->carryOut(Actor::person($this->ada), Cause::Screen, OperationKind::Delete, [new DeleteSeries($id)]);
    expect(($this->titles)($this->ben))->toBe([]);
    $this->as($this->ada, 'POST', "/events/{$id}/restore")->assertSuccessful();
    expect(($this->titles)($this->ben))->toBe(['Oar test']);
});

test('undoing and doing again takes it along', function () {
    $id = ($this->asking)();
    $operation = ($this->change)($id, ['participants' => [($this->named)($this->cy)]])->headers->get('Operation');
    expect(($this->titles)($this->ben))->toBe([])->and(($this->titles)($this->cy))->toBe(['Oar test']);
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertSuccessful();
    expect(($this->titles)($this->ben))->toBe(['Oar test'])->and(($this->titles)($this->cy))->toBe([]);
    $this->as($this->ada, 'POST', "/operations/{$operation}/redo")->assertSuccessful();
    expect(($this->titles)($this->ben))->toBe([])->and(($this->titles)($this->cy))->toBe(['Oar test']);
});

test('of a series they see the times to which they are asked', function () {
    $id = ($this->asking)(['repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 3]]);
    ($this->change)($id, ['participants' => [], 'title' => 'Others alone'], '?occurrence=2026-12-08T14:00:00Z');
    expect(($this->titles)($this->ben))->toBe(['Oar test', 'Oar test']);
    $this->as($this->ben, 'GET', "/events/{$id}?occurrence=2026-12-08T14:00:00Z")->assertNotFound();
    // Or to one of them alone.
    ($this->change)($id, ['participants' => []]);
    ($this->change)($id, ['participants' => [($this->named)($this->ben)], 'title' => 'That one'], '?occurrence=2026-12-15T14:00:00Z');
    expect(($this->titles)($this->ben))->toBe(['That one']);
    $this->as($this->ben, 'GET', "/events/{$id}?occurrence=2026-12-01T14:00:00Z")->assertNotFound();
});

test('what is private is open to who is asked', function () {
    $id = ($this->asking)(['private' => true]);
    expect(($this->titles)($this->ben))->toBe(['Oar test']);
    $this->as($this->ben, 'GET', "/events/{$id}")->assertJsonPath('place', 'Slip 2');
});

test('who sees busy times alone sees what they are asked to; who sees the calendar sees it once, there', function (Level $level, string $where) {
    $this->give($this->slip, $this->ben, $level);
    $id = ($this->asking)();
    expect(($this->titles)($this->ben))->toBe(['Oar test']);
    $this->as($this->ben, 'GET', "/events/{$id}")->assertJsonPath('title', 'Oar test');
    expect(Pin::query()->where('asked', true)->count())->toBe($where === 'own' ? 1 : 0);
})->with([[Level::BusyTimes, 'own'], [Level::See, 'there'], [Level::Change, 'there']]);

test('each of a group sees it, whoever comes into it later, too, and whoever leaves it no longer', function () {
    $crew = $this->group('Crew', $this->ben);
    ($this->asking)(['participants' => [['kind' => 'group', 'id' => $crew->id, 'part' => 'required']]]);
    expect(($this->titles)($this->ben))->toBe(['Oar test'])->and(($this->titles)($this->cy))->toBe([]);
    $this->as($this->ada, 'PUT', "/groups/{$crew->id}/members", ['kind' => 'person', 'id' => $this->cy->id, 'member' => true])->assertSuccessful();
    $this->as($this->ada, 'PUT', "/groups/{$crew->id}/members", ['kind' => 'person', 'id' => $this->ben->id, 'member' => false])->assertSuccessful();
    expect(($this->titles)($this->ben))->toBe([])->and(($this->titles)($this->cy))->toBe(['Oar test'])->and(iterator_to_array(app(VerifyOccurrences::class)->differences(), false))->toBe([]);
});

test('what somebody keeps on their own stays theirs', function () {
    $this->give($this->slip, $this->ben, Level::See);
    $id = ($this->asking)();
    $this->as($this->ben, 'POST', "/events/{$id}/pins", ['calendar' => $this->own->slug])->assertNoContent();
    ($this->change)($id, ['title' => 'Oar trial']);
    expect(Pin::query()->sole())->asked->toBeFalse()->calendar_id->toBe($this->own->id);
});

test('what came in by a file puts itself on nobody’s calendar', function () {
    $event = $this->add($this->slip, $this->ada, title: 'Elsewhere', start: '2026-12-01T09:00', more: ['participants' => [Participant::ofPerson($this->ben->id, $this->ben->email, 'Ben', ParticipantRole::Required)]]);
    expect(Pin::query()->count())->toBe(1);
    $event->update(['fingerprint' => 'f']);
    ($this->change)($event->id, ['title' => 'Other']);
    expect(Pin::query()->count())->toBe(0);
});

test('what becomes of their access is made up for each night', function () {
    $this->give($this->slip, $this->ben, Level::See);
    $id = ($this->asking)(['repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 3]]);
    ($this->asking)(['start' => '2026-10-01T09:00']);
    GrantRecord::query()->where('on_kind', 'calendar')->where('on_id', $this->slip->id)->delete();
    expect(($this->titles)($this->ben))->toBe([]);
    $this->artisan('rota:show-asked')->expectsOutput('1 events shown to those who are asked to them')->assertExitCode(0);
    expect(($this->titles)($this->ben))->toBe(['Oar test', 'Oar test', 'Oar test'])->and(Pin::query()->sole()->event_id)->toBe($id);
    $this->give($this->slip, $this->ben, Level::See);
    $this->artisan('rota:show-asked')->assertExitCode(0);
    expect(Pin::query()->count())->toBe(0)->and(($this->titles)($this->ben))->toBe(['Oar test', 'Oar test', 'Oar test']);
    $this->artisan('rota:show-asked')->expectsOutput('0 events shown to those who are asked to them');
});

test('neither a filter nor the sheet of somebody tells who else is asked', function () {
    ($this->asking)(['participants' => [($this->named)($this->ben), ($this->named)($this->cy)]]);
    $kept = fn ($person, $of): string => $this->as($person, 'POST', '/overlays', ['name' => uniqid('With '), 'layers' => [[
        'name' => 'With', 'colour' => 'sea', 'mark' => 'disc', 'takes' => 'all', 'calendars' => [], 'conditions' => [['about' => 'people', 'not' => false, 'who' => [['kind' => 'person', 'id' => $of->id]], 'part' => 'taking part']],
    ]]])->assertCreated()->json('slug');
    expect(($this->titles)($this->ben, '&overlay='.$kept($this->ben, $this->ben)))->toBe(['Oar test'])->and(($this->titles)($this->ben, '&overlay='.$kept($this->ben, $this->cy)))->toBe([])
        ->and(($this->titles)($this->ben, "&of=person:{$this->ben->id}"))->toBe(['Oar test'])->and(($this->titles)($this->ben, "&of=person:{$this->cy->id}"))->toBe([]);
    $this->give($this->slip, $this->ben, Level::See);
    expect(($this->titles)($this->ben, "&of=person:{$this->cy->id}"))->toBe(['Oar test']);
});
