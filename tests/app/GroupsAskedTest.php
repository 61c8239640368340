<?php

use App\Invitations\EventInvitation;
use App\Outbox\OutboxLetter;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Participant;
use Tests\Support\SentLetter;

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill', ['role' => 'administrator']);
    [$this->ben, $this->cy, $this->dee] = [$this->person('Ben Oar'), $this->person('Cy Brook'), $this->person('Dee Slip')];
    $this->crew = $this->group('Crew', $this->ben, $this->cy);
    $this->slip = $this->calendar($this->ada, 'Slipway');
    foreach ([$this->ben, $this->cy, $this->dee] as $each) {
        $this->give($this->slip, $each, Level::See);
    }
    $this->asking = fn (array $input = []): int => $this->as($this->ada, 'POST', '/events', $input + [
        'calendar' => $this->slip->slug, 'title' => 'Oar test', 'start' => '2026-12-01T14:00', 'participants' => [['kind' => 'group', 'id' => $this->crew->id, 'part' => 'required']],
    ])->assertCreated()->json('id');
    $this->after = function (): array {
        $this->travel(600)->seconds();
        $letters = SentLetter::all();
        usort($letters, fn (SentLetter $a, SentLetter $b): int => $a->to <=> $b->to);

        return $letters;
    };
    $this->waiting = fn ($person): array => array_column($this->as($person, 'GET', '/waiting')->json('asked'), 'title');
    $this->answer = fn ($person, int $id): ?string => $this->as($person, 'GET', "/events/{$id}")->json('answer');
});

test('each of a group is asked, and answers for themselves', function () {
    $id = ($this->asking)();
    expect(($this->waiting)($this->ben))->toBe(['Oar test'])->and(($this->waiting)($this->cy))->toBe(['Oar test'])->and(($this->waiting)($this->dee))->toBe([])
        ->and(array_column(($this->after)(), 'to'))->toBe([$this->ben->email, $this->cy->email]);
    $this->as($this->ben, 'PUT', "/events/{$id}/answer", ['answer' => 'declined', 'note' => 'Away'])->assertNoContent();
    $this->as($this->dee, 'PUT', "/events/{$id}/answer", ['answer' => 'accepted'])->assertForbidden();
    expect(($this->waiting)($this->ben))->toBe([])->and(($this->waiting)($this->cy))->toBe(['Oar test'])->and(($this->answer)($this->ben, $id))->toBe('declined')->and(($this->answer)($this->cy, $id))->toBe('unanswered')->and(($this->answer)($this->dee, $id))->toBeNull();
    $participants = $this->as($this->ada, 'GET', "/events/{$id}")->json('participants');
    expect($participants)->toHaveCount(2)->and($participants[0])->toMatchArray(['kind' => 'group', 'size' => 2, 'memberOf' => null])
        ->and($participants[1])->toMatchArray(['kind' => 'person', 'id' => $this->ben->id, 'answer' => 'declined', 'memberOf' => $this->crew->id, 'note' => 'Away', 'part' => 'required']);
    // An answer is no news to the others of the group.
    expect(($this->after)())->toBe([])->and(OutboxLetter::query()->count())->toBe(2);
    $this->as($this->ben, 'PUT', "/events/{$id}/answer", ['answer' => 'accepted'])->assertNoContent();
    expect(DB::table('event_participants')->where('person_id', $this->ben->id)->count())->toBe(1);
});

test('what they answered stays where the event is changed, and is asked anew where it moves', function () {
    $id = ($this->asking)();
    $this->as($this->ben, 'PUT', "/events/{$id}/answer", ['answer' => 'accepted']);
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['place' => 'Slip 2', 'participants' => [['kind' => 'group', 'id' => $this->crew->id, 'part' => 'required'], ['kind' => 'person', 'id' => $this->dee->id, 'part' => 'optional']]], 1)->assertOk();
    expect(($this->answer)($this->ben, $id))->toBe('accepted');
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['start' => '2026-12-02T14:00'], 2)->assertOk();
    expect(($this->answer)($this->ben, $id))->toBe('unanswered')->and(($this->waiting)($this->ben))->toBe(['Oar test']);
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['participants' => []], 3)->assertOk();
    expect(($this->answer)($this->ben, $id))->toBeNull()->and(DB::table('event_participants')->where('person_id', $this->ben->id)->count())->toBe(0);
});

test('one of them may be asked beside the group, with one answer to both', function () {
    $id = ($this->asking)(['participants' => [['kind' => 'group', 'id' => $this->crew->id, 'part' => 'required'], ['kind' => 'person', 'id' => $this->ben->id, 'part' => 'required']]]);
    expect(array_column(($this->after)(), 'to'))->toBe([$this->ben->email, $this->cy->email]);
    $this->as($this->ben, 'PUT', "/events/{$id}/answer", ['answer' => 'accepted']);
    expect(($this->waiting)($this->ben))->toBe([])->and(DB::table('event_participants')->where('person_id', $this->ben->id)->count())->toBe(1);
});

test('of a series each answers for one time, too', function () {
    $id = ($this->asking)(['repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 3]]);
    $this->as($this->ben, 'PUT', "/events/{$id}/answer", ['answer' => 'declined', 'occurrence' => '2026-12-08T14:00:00Z'])->assertNoContent();
    expect($this->as($this->ben, 'GET', "/events/{$id}?occurrence=2026-12-08T14:00:00Z")->json('answer'))->toBe('declined')->and(($this->waiting)($this->ben))->toBe(['Oar test']);
    // Such a time goes on with its series.
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['title' => 'Oar trial'], 1)->assertOk();
    expect($this->as($this->ben, 'GET', "/events/{$id}?occurrence=2026-12-08T14:00:00Z")->json())->toMatchArray(['title' => 'Oar trial', 'answer' => 'declined'])
        ->and($this->as($this->cy, 'GET', "/events/{$id}?occurrence=2026-12-08T14:00:00Z")->json('answer'))->toBe('unanswered');
});

test('whoever comes into the group later is asked, too, and whoever leaves it no longer', function () {
    $id = ($this->asking)();
    $past = $this->add($this->slip, $this->ada, title: 'Over', start: '2026-10-01T09:00', more: ['participants' => [Participant::ofGroup($this->crew->id, 'Crew', PinnedRota\Core\Events\ParticipantRole::Required)]]);
    ($this->after)();
    $this->as($this->ada, 'PUT', "/groups/{$this->crew->id}/members", ['kind' => 'person', 'id' => $this->dee->id, 'member' => true])->assertSuccessful();
    expect(($this->waiting)($this->dee))->toBe(['Oar test']);
    $letters = ($this->after)();
    expect(array_column($letters, 'to'))->toBe([$this->dee->email])->and($letters[0]->subject())->toStartWith('Asked: Oar test')->and(EventInvitation::query()->where('event_id', $past->id)->count())->toBe(0);
    $this->as($this->ben, 'PUT', "/events/{$id}/answer", ['answer' => 'accepted']);
    $this->as($this->ada, 'PUT', "/groups/{$this->crew->id}/members", ['kind' => 'person', 'id' => $this->ben->id, 'member' => false])->assertSuccessful();
    $letters = ($this->after)();
    expect(array_column($letters, 'to'))->toBe([$this->ben->email])->and($letters[0]->method())->toBe(['CANCEL', 'CANCEL'])->and(DB::table('event_participants')->where('person_id', $this->ben->id)->count())->toBe(0)
        ->and(($this->waiting)($this->ben))->toBe([]);
});

test('so are those of groups within the group', function () {
    $all = $this->groupOf($this->crew);
    ($this->asking)(['participants' => [['kind' => 'group', 'id' => $all->id, 'part' => 'optional']]]);
    expect(array_column(($this->after)(), 'to'))->toBe([$this->ben->email, $this->cy->email]);
    $this->as($this->ada, 'PUT', "/groups/{$this->crew->id}/members", ['kind' => 'person', 'id' => $this->dee->id, 'member' => true])->assertSuccessful();
    expect(array_column(($this->after)(), 'to'))->toBe([$this->dee->email])->and(($this->waiting)($this->dee))->toBe(['Oar test']);
});

test('who is only told of it has nothing to answer', function () {
    $id = ($this->asking)(['participants' => [['kind' => 'group', 'id' => $this->crew->id, 'part' => 'informed']]]);
    expect(($this->waiting)($this->ben))->toBe([])->and(($this->answer)($this->ben, $id))->toBeNull()->and(($this->after)())->toHaveCount(2);
});

test('those are asked again who have not answered, and not within the hour', function () {
    $id = ($this->asking)(['participants' => [['kind' => 'group', 'id' => $this->crew->id, 'part' => 'required'], ['kind' => 'person', 'id' => $this->dee->id, 'part' => 'informed'], ['kind' => 'address', 'address' => 'a@elsewhere.example', 'part' => 'optional']]]);
    ($this->after)();
    $this->as($this->ben, 'PUT', "/events/{$id}/answer", ['answer' => 'declined'])->assertNoContent();
    $this->as($this->ada, 'POST', "/events/{$id}/asked-again")->assertOk()->assertJsonPath('asked', 0);
    $this->travel(2)->hours();
    $this->as($this->ada, 'POST', "/events/{$id}/asked-again")->assertJsonPath('asked', 2);
    $letters = ($this->after)();
    expect(array_column($letters, 'to'))->toBe(['a@elsewhere.example', $this->cy->email])->and($letters[0]->subject())->toStartWith('Please answer: Oar test')->and($letters[0]->method())->toBe(['REQUEST', 'REQUEST'])->and($letters[0]->events()[0]->sequence)->toBe(0);
    $this->as($this->ada, 'POST', "/events/{$id}/asked-again")->assertJsonPath('asked', 0);
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['status' => 'provisional', 'tell' => false], 1)->assertOk();
    $this->as($this->ada, 'POST', "/events/{$id}/asked-again")->assertUnprocessable();
});

test('two hundred are asked at once, and each answers by their own letter', function () {
    $people = collect(range(1, 200))->map(fn (int $n) => $this->person("Pupil {$n}", ['password' => null]));
    $year = $this->group('Year 10', ...$people->all());
    $id = ($this->asking)(['participants' => [['kind' => 'group', 'id' => $year->id, 'part' => 'required']]]);
    $letters = ($this->after)();
    expect($letters)->toHaveCount(200)->and(array_unique(array_map(fn (SentLetter $each): string => $each->organizer(), $letters)))->toHaveCount(200);
    foreach (EventInvitation::query()->get() as $index => $invitation) {
        $this->post('/asked/'.$invitation->code(), ['answer' => ['accepted', 'tentative', 'declined'][$index % 3]])->assertRedirect();
    }
    $participants = collect($this->as($this->ada, 'GET', "/events/{$id}")->json('participants'));
    expect($participants)->toHaveCount(201)->and($participants->countBy('answer')->all())->toBe(['unanswered' => 1, 'accepted' => 67, 'tentative' => 67, 'declined' => 66])->and($participants[0]['size'])->toBe(200);
});
