<?php

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Overlay\RowMove;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;

beforeEach(function () {
    $this->event = new Event(
        uid: 'one',
        timing: EventTiming::from(EventTime::floating(LocalDateTime::parse('2026-11-10T09:00'))),
        contents: new EventContents(title: 'Haul out', place: 'Slip 2', categories: ['Launch', 'visit']),
        participants: [
            Participant::ofPerson(4, 'esi@example.org', 'Esi', ParticipantRole::Responsible), Participant::ofPerson(5, 'idris@example.org', 'Idris', ParticipantRole::Responsible),
            Participant::ofPerson(6, 'oda@example.org', 'Oda', ParticipantRole::Optional)->with(answer: ParticipantAnswer::Declined), Participant::ofGroup(4, 'Riggers', ParticipantRole::Optional),
        ],
    );
    $this->people = fn (RowMove $move): array => array_map(static fn (Participant $each): string => "{$each->name} {$each->role->name}", $move->apply($this->event)->participants);
});

test('to another place, and to none', function () {
    expect(RowMove::toPlace('Long loft')->apply($this->event)->contents->place)->toBe('Long loft')
        ->and(RowMove::toPlace(null)->apply($this->event)->contents)->toEqual($this->event->contents->with(place: ''));
});

test('to another category the one it stood in goes, and others stay', function () {
    $categories = fn (string $from, string $to): array => RowMove::toCategory($from, $to)->apply($this->event)->contents->categories;
    expect($categories('launch', 'Assessment'))->toBe(['visit', 'Assessment'])
        ->and($categories('launch', ''))->toBe(['visit'])
        ->and($categories('launch', 'Visit'))->toBe(['Visit'])
        ->and($categories('', 'Assessment'))->toBe(['Launch', 'visit', 'Assessment']);
});

test('to another person they are responsible instead, once, and nobody else is touched', function () {
    $bea = Participant::ofPerson(9, 'bea@example.org', 'Bea', ParticipantRole::Required);
    $oda = Participant::ofPerson(6, 'oda@example.org', 'Oda', ParticipantRole::Required);
    expect(($this->people)(RowMove::toPerson('4', $bea)))->toBe(['Idris Responsible', 'Oda Optional', 'Riggers Optional', 'Bea Responsible'])
        ->and(($this->people)(RowMove::toPerson('4', $oda)))->toBe(['Idris Responsible', 'Riggers Optional', 'Oda Responsible'])
        ->and(RowMove::toPerson('4', $oda)->apply($this->event)->participants[2]->answer)->toBe(ParticipantAnswer::Declined)
        ->and(($this->people)(RowMove::toPerson('4', null)))->toBe(['Idris Responsible', 'Oda Optional', 'Riggers Optional'])
        // Who is not responsible, and the group of the same number, stand in no row of that name.
        ->and(($this->people)(RowMove::toPerson('6', $bea)))->toBe(['Esi Responsible', 'Idris Responsible', 'Oda Optional', 'Riggers Optional', 'Bea Responsible']);
});
