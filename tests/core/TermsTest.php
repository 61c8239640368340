<?php

use PinnedRota\Core\Access\Redaction;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\Events\AskWhen;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\GuestRight;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Events\TravelTime;
use Tests\Support\Make;

test('an event says when it asks, else its calendar does; what is called off asks nobody', function (Status $status, ?AskWhen $says, AskWhen $calendar, bool $asks) {
    $event = AskWhen::put(Make::event(more: ['status' => $status]), $says);
    expect(AskWhen::of($event))->toBe($says)->and(AskWhen::asks($event, $calendar))->toBe($asks);
})->with([
    'settled' => [Status::Confirmed, null, AskWhen::Confirmed, true],
    'settled, whatever it says' => [Status::Confirmed, AskWhen::Confirmed, AskWhen::Provisional, true],
    'not settled' => [Status::Provisional, null, AskWhen::Confirmed, false],
    'not settled, on a calendar that asks' => [Status::Provisional, null, AskWhen::Provisional, true],
    'not settled, and says so' => [Status::Provisional, AskWhen::Provisional, AskWhen::Confirmed, true],
    'not settled, and waits' => [Status::Provisional, AskWhen::Confirmed, AskWhen::Provisional, false],
    'called off' => [Status::Cancelled, AskWhen::Provisional, AskWhen::Provisional, false],
]);

test('what those who are asked may do goes with the event; who may change it sees who is asked', function () {
    $event = GuestRight::put(Make::event(uid: 'g'), [GuestRight::Change, GuestRight::Bring]);
    expect(GuestRight::of($event))->toBe([GuestRight::Bring, GuestRight::Change])
        ->and(GuestRight::See->isGivenBy($event))->toBeTrue()
        ->and(GuestRight::See->isGivenBy(GuestRight::put($event, [GuestRight::Bring])))->toBeFalse()
        ->and(GuestRight::put($event, [])->foreign->properties)->toBe([])
        ->and(GuestRight::of(Make::series(Make::document([new Series($event)]))[0][0]->master))->toBe([GuestRight::Bring, GuestRight::Change]);
});

test('what a file makes up gives nothing', function () {
    $read = static fn (string $value): Event => Make::series("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTAMP:20261101T000000Z\r\nDTSTART:20261102T093000Z\r\nSUMMARY:A\r\n{$value}\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n")[0][0]->master;
    expect(GuestRight::of($read('X-ROTA-GUESTS:EVERYTHING,see')))->toBe([GuestRight::See])
        ->and(AskWhen::of($read('X-ROTA-ASK:NOW')))->toBeNull()
        ->and(TravelTime::of($read('X-ROTA-TRAVEL:half an hour')))->toBeNull()
        ->and(TravelTime::of($read('X-ROTA-TRAVEL:-PT30M')))->toBeNull()
        ->and(TravelTime::of($read('X-ROTA-TRAVEL:P3D')))->toBeNull()
        ->and(TravelTime::of($read('X-ROTA-TRAVEL:PT1H30M')))->toBe(90);
});

test('the way to an event takes minutes, and to whole days none', function () {
    $event = TravelTime::put(Make::event(), 25);
    expect(TravelTime::of($event))->toBe(25)->and(TravelTime::of(TravelTime::put($event, 0)))->toBeNull()->and(TravelTime::of(TravelTime::put($event, null)))->toBeNull()
        ->and(TravelTime::of(TravelTime::put(Make::event(start: '2026-11-02'), 25)))->toBeNull();
});

test('who is only asked is told of themselves, of their groups and of who is responsible, of nobody else', function () {
    $person = static fn (int $id): Participant => Participant::ofPerson($id, "p{$id}@example.org", "P{$id}", ParticipantRole::Required);
    $crew = Participant::ofGroup(7, 'Crew', ParticipantRole::Optional);
    $event = Make::event(more: ['participants' => [$person(1), $person(2), $crew, Participant::ofGroup(8, 'Others', ParticipantRole::Optional), Participant::ofAddress('guest@example.org', 'Guest', ParticipantRole::Required), Participant::ofPerson(3, 'p3@example.org', 'P3', ParticipantRole::Responsible)]]);
    expect(array_map(static fn (Participant $each): string => $each->name, Redaction::othersAsked($event, new Viewer(2, [7]))->participants))->toBe(['P2', 'Crew', 'P3']);
});
