<?php

use PinnedRota\Core\Access\Involvement;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\Party;

function toldParticipants(array $participants): array
{
    return array_map(static fn (Participant $each): string => trim("{$each->name} {$each->role->value} {$each->answer->value}"), $participants);
}

beforeEach(function () {
    $this->guest = new Participant('mailto:guest@example.org', 'Guest', answer: ParticipantAnswer::Tentative);
    $this->ada = Participant::ofPerson(1, 'ada@example.org', 'Ada', ParticipantRole::Responsible);
    $this->ben = Participant::ofPerson(2, 'Ben@example.org', 'Ben', ParticipantRole::Optional)->with(answer: ParticipantAnswer::Declined);
    $this->riggers = Participant::ofGroup(7, 'Riggers', ParticipantRole::Required);
    $this->loft = Participant::ofRoom(4, 'Long loft', ParticipantRole::Required);
});

test('who takes part is put anew: those who stay keep their answer, and what has no mail address stays', function () {
    $boat = new Participant('urn:boat:3', 'Gig 3');
    $put = Participants::put([$boat, $this->guest, $this->ada, $this->ben, $this->riggers, $this->loft], [
        // The same person under an address that they have by now.
        Participant::ofPerson(2, 'ben.new@example.org', 'Ben', ParticipantRole::Responsible),
        Participant::ofGroup(8, 'Keel year', ParticipantRole::Optional), Participant::ofRoom(5, 'Slip', ParticipantRole::Required),
    ]);
    expect(toldParticipants($put))->toBe(['Ben CHAIR DECLINED', 'Keel year OPT-PARTICIPANT NEEDS-ACTION', 'Slip REQ-PARTICIPANT ACCEPTED', 'Gig 3 REQ-PARTICIPANT NEEDS-ACTION'])
        ->and($put[0]->address)->toBe('mailto:Ben@example.org')
        ->and(toldParticipants(Participants::put([$this->guest, $this->ada], [Participant::ofAddress('Guest@example.org', 'Gus', ParticipantRole::Optional)])))->toBe(['Guest OPT-PARTICIPANT TENTATIVE'])
        ->and(Participants::put([$this->guest, $this->ada], []))->toBe([]);
});

test('some are added, others dropped, and nobody twice', function () {
    expect(toldParticipants(Participants::changed([$this->ben, $this->guest], [Participant::ofPerson(2, 'ben@example.org', 'Ben', ParticipantRole::Required), $this->loft], [new Participant('MAILTO:GUEST@example.org')])))
        ->toBe(['Ben REQ-PARTICIPANT DECLINED', 'Long loft REQ-PARTICIPANT ACCEPTED'])
        // A room of the same number as a group is another.
        ->and(toldParticipants(Participants::changed([$this->loft], [], [Participant::ofGroup(4, 'Four', ParticipantRole::Required)])))->toBe(['Long loft REQ-PARTICIPANT ACCEPTED']);
});

test('an answer is that of one, and of nobody else', function () {
    expect(toldParticipants(Participants::answered([$this->ada, $this->ben, $this->guest], Participant::standingFor(Party::person(2)), ParticipantAnswer::Accepted)))
        ->toBe(['Ada CHAIR ACCEPTED', 'Ben OPT-PARTICIPANT ACCEPTED', 'Guest REQ-PARTICIPANT TENTATIVE']);
});

test('what stands for a group or a room in a file is read back, and nothing else is taken for one', function (string $address, ?Party $party) {
    expect(Party::ofAddress($address))->toEqual($party);
})->with([
    [Party::group(7)->address(), Party::group(7)], [Party::room(12)->address(), Party::room(12)], ['URN:Pinned-Rota:Room:3', Party::room(3)],
    ['urn:pinned-rota:person:7', null], ['urn:pinned-rota:group:0', null], ['urn:pinned-rota:group:7x', null], ['mailto:ada@example.org', null], ['', null],
]);

test('whoever added an event, takes part, is in a group that does, or has joined has to do with it', function (?int $person, array $groups, bool $involved) {
    $viewer = $person === null ? Viewer::outsider() : new Viewer($person, $groups);
    expect(Involvement::of($viewer, 10, [Party::person(2), Party::group(7), Party::room(9), null], [20]))->toBe($involved);
})->with([
    'author' => [10, [], true], 'takes part' => [2, [], true], 'in a group that does' => [3, [5, 7], true], 'has joined' => [20, [], true],
    'in another group' => [3, [8], false], 'a room is nobody' => [9, [9], false], 'nobody' => [null, [], false],
]);

test('nobody has to do with what nobody added', function () {
    expect(Involvement::of(Viewer::outsider(), null, [], []))->toBeFalse()->and(Involvement::of(new Viewer(1), null, [], []))->toBeFalse();
});

describe('of a group', function () {
    beforeEach(function () {
        $this->cy = Participant::ofMember(3, 'cy@example.org', 'Cy', $this->riggers);
        $this->answered = Participants::answered([$this->ada, $this->riggers], $this->cy, ParticipantAnswer::Declined, 'Away');
    });

    test('each is among those who take part once they have answered, and once only', function () {
        expect(toldParticipants($this->answered))->toBe(['Ada CHAIR ACCEPTED', 'Riggers REQ-PARTICIPANT NEEDS-ACTION', 'Cy REQ-PARTICIPANT DECLINED'])->and($this->answered[2]->note)->toBe('Away')
            ->and(toldParticipants(Participants::answered($this->answered, $this->cy, ParticipantAnswer::Accepted)))->toBe(['Ada CHAIR ACCEPTED', 'Riggers REQ-PARTICIPANT NEEDS-ACTION', 'Cy REQ-PARTICIPANT ACCEPTED']);
    });

    test('nobody is whose group does not take part', function () {
        expect(Participants::answered([$this->ada], $this->cy, ParticipantAnswer::Accepted))->toBe([$this->ada]);
    });

    test('they stay as long as the group does, or they are asked themselves', function () {
        expect(toldParticipants(Participants::put($this->answered, [$this->riggers])))->toBe(['Riggers REQ-PARTICIPANT NEEDS-ACTION', 'Cy REQ-PARTICIPANT DECLINED'])
            ->and(Participants::put($this->answered, [$this->ada]))->toEqual([$this->ada])
            ->and(toldParticipants(Participants::changed($this->answered, [], [$this->riggers])))->toBe(['Ada CHAIR ACCEPTED'])
            ->and(toldParticipants(Participants::changed($this->answered, [$this->loft], [])))->toContain('Cy REQ-PARTICIPANT DECLINED');
        $themselves = Participants::put($this->answered, [Participant::ofPerson(3, 'cy@example.org', 'Cy', ParticipantRole::Optional)]);
        expect(toldParticipants($themselves))->toBe(['Cy OPT-PARTICIPANT DECLINED'])->and($themselves[0]->memberOf)->toBeNull();
    });

    test('what they answered elsewhere is taken along', function () {
        expect(toldParticipants(Participants::answeredAs([$this->ada, $this->riggers], $this->answered)))->toBe(['Ada CHAIR ACCEPTED', 'Riggers REQ-PARTICIPANT NEEDS-ACTION', 'Cy REQ-PARTICIPANT DECLINED'])
            ->and(Participants::answeredAs([$this->ada], $this->answered))->toEqual([$this->ada]);
    });
});

test('each is named once, as the first says it', function () {
    expect(Participants::distinct([$this->guest, Participant::ofAddress('GUEST@example.org', '', ParticipantRole::Optional), $this->ben, $this->loft]))->toEqual([$this->guest, $this->ben, $this->loft]);
});
