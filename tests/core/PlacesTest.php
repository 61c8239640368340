<?php

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\OccurrenceAnswers;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\Places;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use Tests\Support\Make;

const FIRST_ANSWER = 1_795_000_000;

function askedPerson(int $id, ParticipantRole $role = ParticipantRole::Required): Participant
{
    return Participant::ofPerson($id, "p{$id}@example.org", "P{$id}", $role);
}

/** @param  list<Participant>  $participants */
function withPlaces(?int $places, array $participants, ?string $rule = null): Event
{
    return Places::put(Make::event(uid: 'places', rule: $rule, more: ['participants' => $participants]), $places);
}

/** @return array<int, string> by person */
function answersOf(Event $event): array
{
    return array_column(array_map(static fn (Participant $each): array => [$each->party->id, $each->answer->name], $event->participants), 1, 0);
}

function comes(Event $event, int $id, int $at = FIRST_ANSWER, ParticipantAnswer $answer = ParticipantAnswer::Accepted): Event
{
    return Places::givenOut(Places::answered($event, askedPerson($id), $answer, '', $at));
}

test('who comes when all places are taken waits, and gets the place that somebody gives up: first come, first served', function () {
    $event = withPlaces(2, [askedPerson(1, ParticipantRole::Responsible), askedPerson(2), askedPerson(3), askedPerson(4), askedPerson(5)]);
    // In another order than that in which they stand.
    $event = comes(comes(comes(comes($event, 2), 3), 5, FIRST_ANSWER + 1), 4, FIRST_ANSWER + 2);
    expect(answersOf($event))->toBe([1 => 'Accepted', 2 => 'Accepted', 3 => 'Accepted', 4 => 'Waiting', 5 => 'Waiting'])
        ->and(Places::taken($event))->toBe(2)
        ->and([Places::position($event, askedPerson(5)), Places::position($event, askedPerson(4)), Places::position($event, askedPerson(3))])->toBe([1, 2, null]);
    $event = comes($event, 2, FIRST_ANSWER + 3, ParticipantAnswer::Declined);
    expect(answersOf($event))->toBe([1 => 'Accepted', 2 => 'Declined', 3 => 'Accepted', 4 => 'Waiting', 5 => 'Accepted'])->and(Places::position($event, askedPerson(4)))->toBe(1);
    // Who gave it up and wants it back is last.
    $event = comes($event, 2, FIRST_ANSWER + 4);
    expect([Places::position($event, askedPerson(4)), Places::position($event, askedPerson(2))])->toBe([1, 2]);
    // Who waits and says so again stays where they are, and who says no waits no more.
    expect(Places::position(comes($event, 4, FIRST_ANSWER + 9), askedPerson(4)))->toBe(1)
        ->and(answersOf(comes($event, 4, FIRST_ANSWER + 9, ParticipantAnswer::Declined))[4])->toBe('Declined');
});

test('more places are given out, fewer take none from who has one, and no end to them lets all in', function () {
    $event = withPlaces(1, [askedPerson(2), askedPerson(3), askedPerson(4)]);
    foreach ([2, 3, 4] as $after => $id) {
        $event = comes($event, $id, FIRST_ANSWER + $after);
    }
    expect(answersOf(Places::givenOut(Places::put($event, 2))))->toBe([2 => 'Accepted', 3 => 'Accepted', 4 => 'Waiting'])
        ->and(answersOf(Places::givenOut(Places::put($event, null))))->toBe([2 => 'Accepted', 3 => 'Accepted', 4 => 'Accepted']);
    $fewer = Places::givenOut(Places::put(Places::givenOut(Places::put($event, 3)), 1));
    expect(answersOf($fewer))->toBe([2 => 'Accepted', 3 => 'Accepted', 4 => 'Accepted'])->and(Places::taken($fewer))->toBe(3);
    // And nobody gets in before it is below again.
    expect(answersOf(comes(comes($fewer, 2, FIRST_ANSWER + 8, ParticipantAnswer::Declined), 2, FIRST_ANSWER + 9)))->toBe([2 => 'Waiting', 3 => 'Accepted', 4 => 'Accepted']);
});

test('a place is taken by a person who is wanted: not by a room, nor by who is responsible or only told', function () {
    $event = withPlaces(1, [Participant::ofRoom(9, 'Hall', ParticipantRole::Required), askedPerson(2, ParticipantRole::Informed)->with(answer: ParticipantAnswer::Accepted), askedPerson(3), askedPerson(1, ParticipantRole::Responsible)]);
    expect(Places::taken($event))->toBe(0)->and(answersOf(comes($event, 3))[3])->toBe('Accepted');
    $full = comes($event, 3);
    expect(Places::isFullFor($full, askedPerson(4)))->toBeTrue()->and(Places::isFullFor($full, askedPerson(1, ParticipantRole::Responsible)))->toBeFalse()->and(Places::isFullFor($full, askedPerson(3)->with(answer: ParticipantAnswer::Accepted)))->toBeFalse();
});

test('of a group each takes a place of their own', function () {
    $group = Participant::ofGroup(7, 'Rigging', ParticipantRole::Optional);
    $event = withPlaces(1, [$group]);
    $event = Places::answered($event, Participant::ofMember(2, 'p2@example.org', 'P2', $group), ParticipantAnswer::Accepted, 'gladly', FIRST_ANSWER);
    $event = Places::answered($event, Participant::ofMember(3, 'p3@example.org', 'P3', $group), ParticipantAnswer::Accepted, 'me, too', FIRST_ANSWER + 1);
    $third = Participants::find($event->participants, Participant::standingFor(Party::person(3)));
    expect($third->answer)->toBe(ParticipantAnswer::Waiting)->and($third->note)->toBe('me, too')->and(Places::position($event, $third))->toBe(1);
});

test('an answer to one time of a series counts for that time, and goes along when the series moves', function () {
    $master = withPlaces(1, [askedPerson(2), askedPerson(3)], 'FREQ=WEEKLY;COUNT=4');
    $series = new Series($master);
    $second = $series->find(RecurrenceId::parse('2026-11-09T09:30:00')) ?? $series->occurrences(0, PHP_INT_MAX)[1];
    $series = OccurrenceAnswers::answered($series, $second, askedPerson(2), ParticipantAnswer::Accepted, '', FIRST_ANSWER);
    $series = OccurrenceAnswers::answered($series, $series->find($second->recurrenceId), askedPerson(3), ParticipantAnswer::Accepted, '', FIRST_ANSWER + 1);
    expect(answersOf($series->find($second->recurrenceId)->event))->toBe([2 => 'Accepted', 3 => 'Waiting'])->and(answersOf($series->master))->toBe([2 => 'Unanswered', 3 => 'Unanswered']);
    // It is nothing but an answer: renamed with its series, and still in its order.
    expect(OccurrenceAnswers::isAll($series->overrides[0], $series->master))->toBeTrue();
    $carried = OccurrenceAnswers::carried($series->overrides[0], $series->master->with(contents: $series->master->contents->with(title: 'Renamed')));
    expect(Places::position($carried, askedPerson(3)))->toBe(1)->and($carried->participants[1]->parameters)->toBe([Participant::SINCE => [$series->overrides[0]->participants[1]->parameters[Participant::SINCE][0]]]);
});

test('who is asked anew waits for nothing', function () {
    $event = comes(comes(withPlaces(1, [askedPerson(2), askedPerson(3)]), 2), 3);
    $anew = $event->participants[1]->unanswered();
    expect($anew->answer)->toBe(ParticipantAnswer::Unanswered)->and($anew->parameters)->toBe([]);
});

test('a file keeps it, and who does not know it takes it for no answer', function () {
    $event = comes(comes(withPlaces(1, [askedPerson(2), askedPerson(3)]), 2), 3);
    $written = Make::document([new Series($event)]);
    expect($written)->toContain('X-ROTA-PLACES:1')->toContain('PARTSTAT=X-WAITING');
    $read = Make::series($written)[0][0]->master;
    expect(Places::of($read))->toBe(1)->and(array_map(static fn (Participant $each): string => $each->answer->name, $read->participants))->toBe(['Accepted', 'Waiting'])
        ->and(Places::waiting($read)[0]->parameters[Participant::SINCE] ?? null)->toBe($event->participants[1]->parameters[Participant::SINCE]);
});

test('what is no number of places is none', function (string $value) {
    $read = Make::series("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTAMP:20261101T000000Z\r\nDTSTART:20261102T093000Z\r\nSUMMARY:A\r\nX-ROTA-PLACES:{$value}\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n")[0][0]->master;
    expect(Places::of($read))->toBeNull();
})->with(['0', '-3', 'many', '10001', '2.5', '']);

test('whatever is answered in whatever order: nobody waits where a place is free, and no more come than may', function (int $seed) {
    $random = new Random\Randomizer(new Random\Engine\Mt19937($seed));
    $event = withPlaces($random->getInt(1, 4), array_map(askedPerson(...), range(1, 8)));
    $since = [];
    for ($step = 0; $step < 120; $step++) {
        $id = $random->getInt(1, 8);
        $before = answersOf($event);
        if ($random->getInt(0, 9) === 0) {
            // More places only: fewer take none away, and so more may come than there are.
            $event = Places::givenOut(Places::put($event, Places::of($event) + $random->getInt(0, 1)));
        } else {
            $answer = $random->pickArrayKeys(['Accepted' => 1, 'Declined' => 1, 'Tentative' => 1], 1)[0];
            $event = comes($event, $id, FIRST_ANSWER + $step, constant(ParticipantAnswer::class."::{$answer}"));
            if ($answer === 'Accepted' && ! in_array($before[$id], ['Accepted', 'Waiting'], true)) {
                $since[$id] = $step;
            }
        }
        $waiting = array_keys(answersOf($event), 'Waiting', true);
        expect(Places::taken($event))->toBeLessThanOrEqual(Places::of($event));
        if ($waiting !== []) {
            expect(Places::taken($event))->toBe(Places::of($event));
            usort($waiting, static fn (int $a, int $b): int => $since[$a] <=> $since[$b]);
            expect(array_map(static fn (Participant $each): int => $each->party->id, Places::waiting($event)))->toBe($waiting);
        }
    }
})->with(range(1, 12));
