<?php

use PinnedRota\Core\Access\Access;
use PinnedRota\Core\Access\Asking;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Grant;
use PinnedRota\Core\Access\GroupTree;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\OwnList;
use PinnedRota\Core\Access\Reach;
use PinnedRota\Core\Access\Roster;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Access\Viewer;

$person = fn (int $id): Subject => new Subject(SubjectKind::Person, $id);
$group = fn (int $id): Subject => new Subject(SubjectKind::Group, $id);

test('how far something is shared is told in one line', function (array $grants, string $words) use ($person) {
    $roster = new Roster([new Viewer(1), new Viewer(2, [5]), new Viewer(3, [5]), new Viewer(4)]);
    expect($roster->reach($person(1), $grants)->words())->toBe($words);
})->with([
    'its keeper alone' => [[], '1 person: 1 manages; the public sees nothing'],
    'a group' => [[new Grant(new Subject(SubjectKind::Group, 5), Level::Add)], '3 people: 1 manages, 2 add; the public sees nothing'],
    'everyone and a group' => [
        [new Grant(new Subject(SubjectKind::Everyone), Level::See), new Grant(new Subject(SubjectKind::Group, 5), Level::Change)],
        '4 people: 1 manages, 2 change, 1 sees; the public sees nothing',
    ],
    'the public, who are everybody' => [[new Grant(new Subject(SubjectKind::Public), Level::BusyTimes)], '4 people: 1 manages, 3 see busy times; the public sees busy times'],
    'the public sees' => [[new Grant(new Subject(SubjectKind::Public), Level::See)], '4 people: 1 manages, 3 see; the public sees it'],
]);

test('what reaches nobody says so', function () use ($group) {
    expect((new Roster([new Viewer(1)]))->reach($group(9), [])->words())->toBe('Nobody; the public sees nothing')
        ->and((new Reach([], Level::None))->people())->toBe(0);
});

test('managers are whoever the decision makes one, and a group stands for its people', function () use ($group) {
    $roster = new Roster([new Viewer(1, [7]), new Viewer(2, [7, 8]), new Viewer(3)]);
    expect($roster->managers($group(7), []))->toBe([1, 2])
        ->and($roster->managers($group(9), [new Grant(new Subject(SubjectKind::Person, 3), Level::Manage)]))->toBe([3])
        ->and($roster->managers($group(9), [new Grant(new Subject(SubjectKind::Person, 3), Level::Change)]))->toBe([])
        ->and($roster->people($group(8)))->toBe([2])
        ->and($roster->people(new Subject(SubjectKind::Everyone)))->toBe([1, 2, 3])
        ->and($roster->atLeast(Level::See, $group(8), [new Grant(new Subject(SubjectKind::Person, 3), Level::See)]))->toBe([2, 3]);
});

test('a way through groups is the shortest, and none where there is none', function () {
    $tree = new GroupTree([1 => [2], 2 => [3], 4 => [3], 3 => [1]]);
    expect($tree->path([1], 3))->toBe([1, 2, 3])
        ->and($tree->path([1, 4], 3))->toBe([4, 3])
        ->and($tree->path([3], 3))->toBe([3])
        ->and($tree->path([1], 9))->toBe([])
        ->and($tree->path([], 3))->toBe([]);
});

test('what is on one’s own list', function (Viewer $viewer, array $grants, ?bool $chosen, bool $offered, bool $archived, bool $expected) use ($person) {
    expect(OwnList::has(Access::decide($viewer, $person(1), $grants), $chosen, $offered, $archived))->toBe($expected);
})->with(function () {
    $everyone = fn (Level $level): array => [new Grant(new Subject(SubjectKind::Everyone), $level)];

    return [
        'what one keeps' => [new Viewer(1), [], null, false, false, true],
        'what one keeps and took off' => [new Viewer(1), [], false, true, false, false],
        'what is archived' => [new Viewer(1), [], true, true, true, false],
        'shared by name, though not offered' => [new Viewer(2), [new Grant(new Subject(SubjectKind::Person, 2), Level::BusyTimes)], null, false, false, true],
        'shared through a group' => [new Viewer(2, [5]), [new Grant(new Subject(SubjectKind::Group, 5), Level::See)], null, false, false, true],
        'open to everyone and offered' => [new Viewer(2), $everyone(Level::See), null, true, false, true],
        'open to everyone and not offered' => [new Viewer(2), $everyone(Level::See), null, false, false, false],
        'open to everyone and added' => [new Viewer(2), $everyone(Level::See), true, false, false, true],
        'busy times of everyone' => [new Viewer(2), $everyone(Level::BusyTimes), null, true, false, false],
        'busy times, added' => [new Viewer(2), $everyone(Level::BusyTimes), true, true, false, true],
        'what was withdrawn after it was added' => [new Viewer(2), [], true, true, false, false],
    ];
});

test('who may ask for what', function (Level $has, array $may) {
    expect(array_values(array_filter(Level::cases(), fn (Level $wanted): bool => Asking::may($has, $wanted))))->toBe($may);
})->with([
    [Level::None, []],
    [Level::BusyTimes, [Level::See, Level::Add, Level::Change]],
    [Level::See, [Level::Add, Level::Change]],
    [Level::Change, []],
    [Level::Manage, []],
]);

test('the events of a source and of an archived calendar are read at most', function (Level $level, Level $expected) {
    expect(EventRights::level($level, true, false))->toBe($expected)->and(EventRights::level($level, false, true))->toBe($expected)->and(EventRights::level($level, false, false))->toBe($level);
})->with([[Level::None, Level::None], [Level::BusyTimes, Level::BusyTimes], [Level::See, Level::See], [Level::Change, Level::See], [Level::Manage, Level::See]]);
