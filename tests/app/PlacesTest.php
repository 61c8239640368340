<?php

use App\Directory\OwnThings;
use App\Invitations\EventInvitation;
use PinnedRota\Core\Access\Level;
use Tests\Support\SentLetter;

// How many may come to an event, and who waits for a place.

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill', ['role' => 'administrator']);
    $this->slip = $this->calendar($this->ada, 'Slipway');
    [$this->ben, $this->cy, $this->dee] = array_map(function (string $name) {
        $person = $this->person($name);
        $this->give($this->slip, $person, Level::See);
        OwnThings::of($person);

        return $person;
    }, ['Ben Oar', 'Cy Brook', 'Dee Winch']);
    $this->named = fn (...$people): array => array_map(static fn ($each): array => is_string($each) ? ['kind' => 'address', 'address' => $each, 'name' => '', 'part' => 'required'] : ['kind' => 'person', 'id' => $each->id, 'part' => 'required'], $people);
    $this->asking = fn (array $people, array $more = []): int => $this->as($this->ada, 'POST', '/events', $more + ['calendar' => $this->slip->slug, 'title' => 'Oar test', 'start' => '2026-12-01T14:00', 'participants' => ($this->named)(...$people), 'places' => 1, 'tell' => false])->assertCreated()->json('id');
    $this->answer = function ($person, int $id, string $answer, array $more = []): void {
        $this->travel(1)->seconds();
        $this->as($person, 'PUT', "/events/{$id}/answer", ['answer' => $answer] + $more)->assertNoContent();
    };
    $this->answers = fn (int $id, string $query = ''): array => array_column($this->as($this->ada, 'GET', "/events/{$id}{$query}")->json('participants'), 'answer', 'name');
    $this->change = fn (int $id, array $input) => $this->as($this->ada, 'PATCH', "/events/{$id}", $input, $this->as($this->ada, 'GET', "/events/{$id}")->json('version'));
    $this->inbox = fn ($person): array => array_merge(...array_map(static fn (array $notice): array => array_column($notice['lines'], 'words'), $this->as($person, 'GET', '/notices')->json()), ...[[]]);
    $this->letters = function (): array {
        $this->travel(11)->seconds();

        return array_map(static fn (SentLetter $each): string => "{$each->to} {$each->subject()}", SentLetter::all());
    };
});

test('who comes when the places are taken waits, sees where they stand, and is told when one is theirs', function () {
    $id = ($this->asking)([$this->ben, $this->cy, $this->dee]);
    ($this->answer)($this->ben, $id, 'accepted');
    ($this->answer)($this->dee, $id, 'accepted');
    ($this->answer)($this->cy, $id, 'accepted');
    $this->as($this->cy, 'GET', "/events/{$id}")->assertJsonPath('answer', 'waiting')->assertJsonPath('waitsAt', 2)->assertJsonPath('places', 1)->assertJsonPath('placesTaken', 1);
    $this->as($this->dee, 'GET', "/events/{$id}")->assertJsonPath('waitsAt', 1);
    // On the screen it is seen: nobody is written to.
    expect(($this->letters)())->toBe([])->and(($this->inbox)($this->dee))->toBe([]);
    ($this->answer)($this->ben, $id, 'declined');
    expect(($this->answers)($id))->toBe(['Ben Oar' => 'declined', 'Cy Brook' => 'waiting', 'Dee Winch' => 'accepted'])
        ->and(($this->letters)())->toBe(["{$this->dee->email} You have a place: Oar test, Tue 1 December, 14:00–15:00"])
        ->and(($this->inbox)($this->dee))->toBe(['You have a place: Oar test, Tue 1 December, 14:00–15:00'])
        ->and(($this->inbox)($this->cy))->toBe([]);
    $this->as($this->cy, 'GET', "/events/{$id}")->assertJsonPath('waitsAt', 1);
});

test('more places, or somebody taken off, let those in who wait; undoing it leaves them in', function (array $input, array $after) {
    $id = ($this->asking)([$this->ben, $this->cy, $this->dee]);
    foreach ([$this->ben, $this->cy, $this->dee] as $each) {
        ($this->answer)($each, $id, 'accepted');
    }
    $operation = ($this->change)($id, isset($input['without']) ? ['participants' => ($this->named)($this->cy, $this->dee)] : $input)->assertOk()->headers->get('Operation');
    expect(($this->answers)($id))->toBe($after);
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect(array_diff_assoc($after, ($this->answers)($id)))->toBe([]);
})->with([
    'two' => [['places' => 2], ['Ben Oar' => 'accepted', 'Cy Brook' => 'accepted', 'Dee Winch' => 'waiting']],
    'no end to them' => [['places' => null], ['Ben Oar' => 'accepted', 'Cy Brook' => 'accepted', 'Dee Winch' => 'accepted']],
    'somebody taken off' => [['without' => 'Ben Oar'], ['Cy Brook' => 'accepted', 'Dee Winch' => 'waiting']],
]);

test('of a series each time has its own places', function () {
    $id = ($this->asking)([$this->ben, $this->cy], ['repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 3]]);
    $time = '2026-12-08T14:00:00Z';
    ($this->answer)($this->ben, $id, 'accepted', ['occurrence' => $time]);
    ($this->answer)($this->cy, $id, 'accepted');
    expect(($this->answers)($id, "?occurrence={$time}"))->toBe(['Ben Oar' => 'accepted', 'Cy Brook' => 'waiting'])->and(($this->answers)($id))->toBe(['Ben Oar' => 'unanswered', 'Cy Brook' => 'accepted']);
    ($this->answer)($this->ben, $id, 'declined', ['occurrence' => $time]);
    expect(($this->answers)($id, "?occurrence={$time}"))->toBe(['Ben Oar' => 'declined', 'Cy Brook' => 'accepted'])
        ->and(($this->inbox)($this->cy))->toBe(['You have a place: Oar test, Tue 8 December, 14:00–15:00']);
});

test('whoever is outside reads on the page that they wait, and hears by mail when a place is theirs', function () {
    $id = ($this->asking)([$this->ben, 'guest@elsewhere.example'], ['tell' => true]);
    ($this->answer)($this->ben, $id, 'accepted');
    $this->travel(600)->seconds();
    SentLetter::all();
    $page = '/asked/'.EventInvitation::query()->whereNull('person_id')->sole()->code();
    auth()->forgetGuards();
    $this->get($page)->assertSee('1 of 1 taken')->assertSee('who comes waits for one');
    $this->post($page, ['answer' => 'accepted'])->assertRedirect();
    $this->get($page)->assertSee('You wait as number 1');
    // Who answers by mail has not seen that.
    expect(($this->letters)())->toBe(['guest@elsewhere.example All places are taken: Oar test, Tue 1 December 2026, 14:00–15:00']);
    ($this->answer)($this->ben, $id, 'declined');
    expect(($this->letters)())->toBe(['guest@elsewhere.example You have a place: Oar test, Tue 1 December 2026, 14:00–15:00'])->and(($this->answers)($id)['guest@elsewhere.example'])->toBe('accepted');
});

test('two who answer at once do not both get the last place', function () {
    $id = ($this->asking)([$this->ben, $this->cy]);
    // Both had read the event while a place was free.
    $version = $this->as($this->ben, 'GET', "/events/{$id}")->json('version');
    ($this->answer)($this->cy, $id, 'accepted');
    ($this->answer)($this->ben, $id, 'accepted');
    expect(($this->answers)($id))->toBe(['Ben Oar' => 'waiting', 'Cy Brook' => 'accepted'])->and($this->as($this->ben, 'GET', "/events/{$id}")->json('version'))->toBe($version);
});

test('what was asked of those who wait for an answer says how many places there are', function () {
    $id = ($this->asking)([$this->ben, $this->cy], ['places' => 2]);
    ($this->answer)($this->ben, $id, 'accepted');
    expect($this->as($this->cy, 'GET', '/waiting')->json('asked.0'))->toMatchArray(['id' => $id, 'places' => 2, 'placesTaken' => 1, 'provisional' => false]);
});

test('an impossible number of places is refused, and nothing changes', function (mixed $places, string $says) {
    $id = ($this->asking)([$this->ben]);
    ($this->change)($id, ['places' => $places])->assertStatus(422)->assertJsonPath('errors.0.message', $says);
    $this->as($this->ada, 'GET', "/events/{$id}")->assertJsonPath('places', 1);
})->with([[0, 'There are from 1 to 10,000 places; leave it empty where there is no end to them.'], [10_001, 'There are from 1 to 10,000 places; leave it empty where there is no end to them.'], ['some', 'The places field must be an integer.']]);

test('undoing what came before an answer of one of a group leaves that answer', function () {
    $crew = $this->group('Crew', $this->ben, $this->cy);
    $id = $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Oar test', 'start' => '2026-12-01T14:00', 'participants' => [['kind' => 'group', 'id' => $crew->id, 'part' => 'required']]])->assertCreated()->json('id');
    $operation = ($this->change)($id, ['title' => 'Oars'])->assertOk()->headers->get('Operation');
    ($this->answer)($this->ben, $id, 'accepted');
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect(($this->answers)($id))->toBe(['Crew' => 'unanswered', 'Ben Oar' => 'accepted']);
});
