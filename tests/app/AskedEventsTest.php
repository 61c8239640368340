<?php

use App\Changes\AccessMarked;
use Illuminate\Support\Facades\Event as Events;
use Illuminate\Testing\TestResponse;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Status;

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill');
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->give($this->slip, $this->ben, Level::See);
    $this->asks = fn ($person, ParticipantAnswer $answer = ParticipantAnswer::Unanswered): array => ['participants' => [Participant::ofPerson($person->id, $person->email, $person->name, ParticipantRole::Required)->with(answer: $answer)]];
    $this->asked = fn ($person): array => $this->as($person, 'GET', '/waiting')->assertOk()->json('asked');
    $this->titles = fn ($person): array => array_column(($this->asked)($person), 'title');
});

test('what somebody is asked to take part in waits for them until they have answered, the next first', function () {
    $this->add($this->slip, $this->ada, title: 'Regatta', start: '2026-12-05', end: '2026-12-07', more: ($this->asks)($this->ben));
    $haul = $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-03T09:00', end: '2026-11-03T10:30', more: ['place' => 'Slip'] + ($this->asks)($this->ben));
    $this->add($this->slip, $this->ada, title: 'Not theirs', start: '2026-11-03T09:00', more: ($this->asks)($this->ada));
    $this->add($this->slip, $this->ada, title: 'Answered', start: '2026-11-03T09:00', more: ($this->asks)($this->ben, ParticipantAnswer::Declined));
    $asked = ($this->asked)($this->ben);
    expect($asked)->toHaveCount(2)->and($asked[0])->toBe(['id' => $haul->id, 'occurrence' => null, 'title' => 'Haul out', 'place' => 'Slip', 'start' => '2026-11-03T09:00', 'end' => '2026-11-03T10:30', 'allDay' => false, 'times' => 1, 'by' => 'Ada Quill', 'calendar' => ['slug' => $this->slip->slug, 'name' => 'Slipway', 'colour' => $this->slip->colour->value, 'mark' => $this->slip->mark->value], 'provisional' => false, 'places' => null, 'placesTaken' => 0])
        ->and($asked[1])->toMatchArray(['title' => 'Regatta', 'start' => '2026-12-05', 'end' => '2026-12-07', 'allDay' => true]);
    $this->as($this->ben, 'PUT', "/events/{$haul->id}/answer", ['answer' => 'tentative'])->assertNoContent();
    expect(($this->titles)($this->ben))->toBe(['Regatta']);
});

test('of a series it is the next time, and how many there are', function () {
    $series = $this->add($this->slip, $this->ada, title: 'Rowing', start: '2026-10-27T09:00', rule: 'FREQ=WEEKLY;COUNT=5', more: ($this->asks)($this->ben));
    expect(($this->asked)($this->ben))->toHaveCount(1)->and(($this->asked)($this->ben)[0])->toMatchArray(['id' => $series->id, 'start' => '2026-11-03T09:00', 'times' => 4])->and(($this->asked)($this->ben)[0]['occurrence'])->not->toBeNull();
    $this->travelTo('2026-11-24 09:30:00');
    // What goes on can still be come to; what is over cannot.
    expect(($this->asked)($this->ben)[0]['times'])->toBe(1);
    $this->travelTo('2026-11-24 12:00:00');
    expect(($this->asked)($this->ben))->toBe([]);
});

test('times are told on the clock of whoever is asked', function () {
    $this->ben->update(['timezone' => 'Asia/Tokyo']);
    $this->add($this->slip, $this->ada, title: 'Call', start: '2026-11-03T20:00', end: '2026-11-03T21:00', more: ($this->asks)($this->ben));
    expect(($this->asked)($this->ben)[0])->toMatchArray(['start' => '2026-11-04T05:00', 'end' => '2026-11-04T06:00']);
});

test('what is not settled, called off, taken away or hidden asks nobody', function (Closure $change) {
    $event = $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-03T09:00', more: ($this->asks)($this->ben));
    expect(($this->titles)($this->ben))->toBe(['Haul out']);
    $change($this, $event);
    expect(($this->titles)($this->ben))->toBe([]);
})->with([
    'provisional' => [fn ($test, $event) => $test->as($test->ada, 'PATCH', "/events/{$event->id}", ['status' => 'provisional'], 1)->assertOk()],
    'cancelled' => [fn ($test, $event) => $test->as($test->ada, 'PATCH', "/events/{$event->id}", ['status' => 'cancelled'], 1)->assertOk()],
    'deleted' => [fn ($test, $event) => $test->as($test->ada, 'DELETE', "/events/{$event->id}", [], 1)->assertSuccessful()],
    'busy times alone' => [fn ($test) => $test->give($test->slip, $test->ben, Level::BusyTimes)],
    'no access' => [fn ($test) => $test->give($test->slip, $test->ben, Level::None)],
    'taken off' => [fn ($test, $event) => $test->as($test->ada, 'PATCH', "/events/{$event->id}", ['participants' => []], 1)->assertOk()],
]);

test('what is confirmed asks from then on, and a private event asks those who take part in it', function () {
    $event = $this->add($this->slip, $this->ada, title: 'Hearing', start: '2026-11-03T09:00', more: ['private' => true, 'status' => Status::Provisional] + ($this->asks)($this->ben));
    expect(($this->titles)($this->ben))->toBe([]);
    $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['status' => 'confirmed'], 1)->assertOk();
    expect(($this->titles)($this->ben))->toBe(['Hearing']);
});

test('those who are asked, or are not any more, are told so at once, and nobody else', function () {
    $told = [];
    Events::listen(AccessMarked::class, function (AccessMarked $marked) use (&$told): void {
        $told = [...$told, ...$marked->people];
    });
    $made = $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Haul out', 'start' => '2026-11-03T09:00', 'participants' => [['kind' => 'person', 'id' => $this->ben->id, 'part' => 'required']]])->assertCreated()->json();
    expect($told)->toBe([$this->ben->id]);
    // Of an event that is changed otherwise it is the events that changed.
    $this->as($this->ada, 'PATCH', "/events/{$made['id']}", ['title' => 'Hauled out'], 1)->assertOk();
    $this->as($this->ben, 'PUT', "/events/{$made['id']}/answer", ['answer' => 'accepted'])->assertNoContent();
    expect($told)->toBe([$this->ben->id]);
    $this->as($this->ada, 'PATCH', "/events/{$made['id']}", ['participants' => []], 2)->assertOk();
    expect($told)->toBe([$this->ben->id, $this->ben->id]);
});

describe('an answer', function () {
    beforeEach(function () {
        $this->series = $this->add($this->slip, $this->ada, title: 'Rowing', start: '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=4', more: ($this->asks)($this->ben));
        $this->times = fn (): array => array_column($this->sheet($this->ben, '2026-11-01', '2026-12-10', "&calendar={$this->slip->slug}")->assertOk()->json('items'), 'occurrence', 'start');
        $this->answer = fn (array $with): TestResponse => $this->as($this->ben, 'PUT', "/events/{$this->series->id}/answer", $with);
        /** What Ben has answered, by the start of each time. */
        $this->answers = fn (): array => array_map(fn (string $occurrence): string => $this->as($this->ada, 'GET', "/events/{$this->series->id}?occurrence={$occurrence}")->assertOk()->json('participants.0.answer'), ($this->times)());
    });

    test('to one time is of that time alone, is no change of the event, and can be thought about again', function () {
        $second = ($this->times)()['2026-11-10T09:00'];
        ($this->answer)(['answer' => 'accepted'])->assertNoContent();
        ($this->answer)(['answer' => 'declined', 'occurrence' => $second])->assertNoContent();
        expect(($this->answers)())->toBe(['2026-11-03T09:00' => 'accepted', '2026-11-10T09:00' => 'declined', '2026-11-17T09:00' => 'accepted', '2026-11-24T09:00' => 'accepted']);
        $this->as($this->ada, 'GET', "/events/{$this->series->id}?occurrence={$second}")->assertJsonPath('version', 1)->assertJsonPath('title', 'Rowing');
        ($this->answer)(['answer' => 'tentative', 'occurrence' => $second])->assertNoContent();
        expect(($this->answers)()['2026-11-10T09:00'])->toBe('tentative');
        // To all of it, it is of that time, too.
        ($this->answer)(['answer' => 'declined'])->assertNoContent();
        expect(array_unique(array_values(($this->answers)())))->toBe(['declined']);
    });

    test('to one of the times leaves the others to be answered', function () {
        ($this->answer)(['answer' => 'declined', 'occurrence' => ($this->times)()['2026-11-03T09:00']])->assertNoContent();
        expect(($this->asked)($this->ben)[0])->toMatchArray(['start' => '2026-11-10T09:00', 'times' => 3]);
    });

    test('goes on with the series: what is changed of all of it holds where one was answered to, too', function () {
        ($this->answer)(['answer' => 'declined', 'occurrence' => ($this->times)()['2026-11-10T09:00']])->assertNoContent();
        $this->as($this->ada, 'PATCH', "/events/{$this->series->id}", ['title' => 'Rowing, all boats'], 1)->assertOk();
        expect(array_unique(array_column($this->sheet($this->ben, '2026-11-01', '2026-12-10', "&calendar={$this->slip->slug}")->json('items'), 'title')))->toBe(['Rowing, all boats'])->and(($this->answers)()['2026-11-10T09:00'])->toBe('declined');
    });

    test('is asked for anew where the event is moved, and is back where that is undone', function () {
        ($this->answer)(['answer' => 'accepted'])->assertNoContent();
        $moved = $this->as($this->ada, 'PATCH', "/events/{$this->series->id}", ['start' => '2026-11-03T10:00', 'end' => '2026-11-03T11:00'], 1)->assertOk();
        expect(array_unique(array_values(($this->answers)())))->toBe(['unanswered'])->and(($this->titles)($this->ben))->toBe(['Rowing']);
        $this->as($this->ada, 'POST', '/operations/'.$moved->headers->get('Operation').'/undo')->assertSuccessful();
        expect(array_unique(array_values(($this->answers)())))->toBe(['accepted'])->and(($this->titles)($this->ben))->toBe([]);
    });

    test('is refused of a time that there is not, of whoever is not asked, and of what is hidden', function () {
        ($this->answer)(['answer' => 'declined', 'occurrence' => '2026-11-04T09:00:00Z'])->assertNotFound();
        ($this->answer)(['answer' => 'perhaps'])->assertStatus(422);
        $second = ($this->times)()['2026-11-10T09:00'];
        $cy = $this->person('Cy Oar');
        $this->as($cy, 'PUT', "/events/{$this->series->id}/answer", ['answer' => 'accepted', 'occurrence' => $second])->assertNotFound();
        $this->give($this->slip, $cy, Level::See);
        $this->as($cy, 'PUT', "/events/{$this->series->id}/answer", ['answer' => 'accepted', 'occurrence' => $second])->assertForbidden();
        $this->give($this->slip, $this->ben, Level::BusyTimes);
        ($this->answer)(['answer' => 'accepted', 'occurrence' => $second])->assertForbidden();
    });
});

test('whoever asks is told who does not see the calendar', function () {
    [$busy, $none, $left] = [$this->person('Cy Busy'), $this->person('Di None'), $this->person('Eve Left', ['status' => 'left'])];
    $this->give($this->slip, $busy, Level::BusyTimes);
    $fay = $this->person('Fay Rigger');
    $group = $this->group('Riggers', $fay);
    $this->give($this->slip, $group, Level::See);
    $ask = fn ($person, array $ids) => $this->as($person, 'GET', "/calendars/{$this->slip->slug}/unseeing?".http_build_query(['people' => $ids]));
    expect($ask($this->ada, [$none->id, $this->ben->id, $busy->id, $left->id, $fay->id, $this->ada->id])->assertOk()->json())->toBe([['id' => $busy->id, 'name' => 'Cy Busy'], ['id' => $none->id, 'name' => 'Di None']]);
    // It says something of others: who only reads is not told it.
    $ask($this->ben, [$none->id])->assertForbidden();
    $ask($none, [$this->ben->id])->assertNotFound();
    $ask($this->ada, range(1, 201))->assertStatus(422);
    $ask($this->ada, [])->assertStatus(422);
});
