<?php

use App\Calendars\OwnCalendar;
use App\Rooms\Room;
use PinnedRota\Core\Access\BusyTimesOfPeople;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;

beforeEach(function () {
    $this->ada = $this->person();
    $this->oda = $this->person('Oda Plane');
    $this->rufus = $this->person('Rufus Rope');
    $this->cy = $this->person('Cy Parent');
    $this->staff = $this->group('Staff', $this->ada, $this->oda, $this->rufus);
    $this->open = $this->calendar($this->ada, 'Workshops');
    $this->hidden = $this->calendar($this->rufus, 'Hidden');
    $this->give($this->open, $this->cy, Level::See);
    $this->with = fn ($person, ParticipantRole $role = ParticipantRole::Required): Participant => Participant::ofPerson($person->id, $person->email, $person->name, $role);
    $this->put = fn ($calendar, string $title, array $participants, array $more = []) => $this->add($calendar, $calendar->is($this->hidden) ? $this->rufus : $this->ada, title: $title, start: '2026-11-10T09:00', more: ['participants' => $participants] + $more);
    /** What stands on the sheet of somebody, as one looks at it. */
    $this->of = fn ($viewer, string $of, string $more = ''): array => collect($this->sheet($viewer, '2026-11-09', '2026-11-16', "&of={$of}{$more}")->assertOk()->json('items'))->map(fn (array $item): string => $item['title'].($item['calendar'] === '' ? ' somewhere' : ''))->sort()->values()->all();
});

test('the sheet of a person has what of them one may read, on whatever calendar, and for colleagues when they are busy besides', function () {
    ($this->put)($this->open, 'Oar test', [($this->with)($this->oda)]);
    ($this->put)($this->open, 'Not hers', [($this->with)($this->rufus)]);
    ($this->put)($this->open, 'Only told of it', [($this->with)($this->oda, ParticipantRole::Informed)]);
    ($this->put)($this->open, 'Declined', [($this->with)($this->oda)->with(answer: ParticipantAnswer::Declined)]);
    ($this->put)($this->hidden, 'Secret plans', [($this->with)($this->oda)]);
    ($this->put)($this->hidden, 'Time left free', [($this->with)($this->oda)], ['busy' => false]);
    ($this->put)($this->open, 'Doctor', [($this->with)($this->oda)], ['private' => true]);
    $this->add(OwnCalendar::of($this->oda), $this->oda, title: 'Dentist', start: '2026-11-11T09:00');
    $person = "person:{$this->oda->id}";
    expect(($this->of)($this->ada, $person))->toBe(['Busy somewhere', 'Busy somewhere', 'Doctor', 'Oar test'])
        // A parent, who has no group in common with her, is told what they may read.
        ->and(($this->of)($this->cy, $person))->toBe(['Oar test'])
        ->and(($this->of)($this->oda, $person))->toBe(['Busy somewhere', 'Busy somewhere', 'Busy somewhere', 'Dentist'])
        ->and(($this->of)($this->person('Coordinator', ['role' => 'coordinator']), $person))->toBe(['Busy somewhere', 'Busy somewhere', 'Busy somewhere', 'Busy somewhere']);
    $sheet = $this->sheet($this->ada, '2026-11-09', '2026-11-16', "&of={$person}")->assertJsonPath('layers.0.name', 'Oda Plane')->assertJsonPath('layers.0.refusal', null)->assertJsonPath('layers.0.target', null);
    $this->sheet($this->ada, '2026-11-09', '2026-11-16', "&of={$person}&group=calendar")->assertOk()->assertJsonPath('rows', [])->assertJsonPath('colours.*.name', ['Workshops']);
    // Nothing hidden is told: no names of calendars, no colours of them, no texts.
    expect($sheet->getContent())->not->toContain('Secret')->not->toContain('Hidden')->not->toContain('Dentist');
    $this->as($this->ada, 'GET', "/ruler?from=2026-11-09&to=2026-11-12&tz=Europe/London&of={$person}")->assertOk()->assertJsonPath('loads', [0, 3, 1]);
    expect($this->as($this->ada, 'GET', "/sheet/since?from=2026-11-09&to=2026-11-12&tz=Europe/London&of={$person}")->assertOk()->json('changes'))->toBe([]);
});

test('a group has its people as rows, also who has nothing on; whoever is asked as a group is busy, too', function () {
    ($this->put)($this->open, 'Both', [($this->with)($this->oda), ($this->with)($this->ada, ParticipantRole::Responsible)]);
    ($this->put)($this->hidden, 'Secret plans', [($this->with)($this->oda)]);
    ($this->put)($this->open, 'All of staff', [Participant::ofGroup($this->staff->id, 'Staff', ParticipantRole::Required)]);
    $rows = function ($viewer): array {
        $sheet = $this->sheet($viewer, '2026-11-09', '2026-11-16', "&of=group:{$this->staff->id}&group=person")->assertOk()->json();
        $found = array_fill_keys(array_column($sheet['rows'], 'name'), []);
        foreach ($sheet['items'] as $item) {
            foreach ($item['rows'] as $row) {
                $found[$sheet['rows'][$row]['name']][] = $item['title'];
            }
        }

        return array_map(fn (array $titles): array => collect($titles)->sort()->values()->all(), $found);
    };
    expect($rows($this->ada))->toBe(['Ada Quill' => ['All of staff', 'Both'], 'Oda Plane' => ['All of staff', 'Both', 'Busy'], 'Rufus Rope' => ['All of staff']])
        ->and($rows($this->cy))->toBe(['Ada Quill' => ['All of staff', 'Both'], 'Oda Plane' => ['All of staff', 'Both'], 'Rufus Rope' => ['All of staff']]);
    $this->rufus->update(['status' => 'left']);
    expect(array_keys($rows($this->ada)))->toBe(['Ada Quill', 'Oda Plane']);
});

test('a room has what takes place there, and for everybody when it is taken', function () {
    $room = Room::query()->create(['name' => 'Long loft']);
    $in = Participant::ofRoom($room->id, 'Long loft', ParticipantRole::Required);
    ($this->put)($this->open, 'Lofting', [$in]);
    ($this->put)($this->hidden, 'Secret plans', [$in]);
    ($this->put)($this->open, 'Elsewhere', []);
    expect(($this->of)($this->cy, "room:{$room->id}"))->toBe(['Busy somewhere', 'Lofting'])
        ->and(($this->of)($this->cy, "room:{$room->id}", '&words=lofting'))->toBe(['Lofting']);
    // By person the rows are of who is responsible for it, as anywhere.
    $this->sheet($this->cy, '2026-11-09', '2026-11-16', "&of=room:{$room->id}&group=person")->assertOk()->assertJsonPath('rows.*.name', ['Nobody responsible', 'Hidden from you']);
});

test('a sheet of nobody, or with the eyes of somebody else, is refused', function (string $of, int $status) {
    $this->sheet($this->ada, '2026-11-09', '2026-11-16', '&of='.strtr($of, ['{oda}' => $this->oda->id]))->assertStatus($status);
})->with([['person:999999', 404], ['group:999999', 404], ['room:999999', 404], ['calendar:1', 422], ['person:', 422], ['person:{oda}&as={oda}', 422]]);

test('who is told when somebody is busy', function (Viewer $viewer, bool $keepsCommon, bool $told) {
    expect(BusyTimesOfPeople::areTold($viewer, new Viewer(7, [3, 4]), $keepsCommon))->toBe($told);
})->with([
    'oneself' => [new Viewer(7), false, true],
    'a colleague' => [new Viewer(8, [1, 4]), false, true],
    'somebody else' => [new Viewer(8, [1]), false, false],
    'a coordinator' => [new Viewer(8), true, true],
    'nobody' => [Viewer::outsider(), true, false],
]);
