<?php

use PinnedRota\Core\Access\Access;
use PinnedRota\Core\Access\EventRights;
use PinnedRota\Core\Access\Grant;
use PinnedRota\Core\Access\Hold;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Reason;
use PinnedRota\Core\Access\Redaction;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\Access\Visibility;
use Tests\Support\Make;

$person = fn (int $id): Subject => new Subject(SubjectKind::Person, $id);
$group = fn (int $id): Subject => new Subject(SubjectKind::Group, $id);
$grants = fn (): array => [
    new Grant(new Subject(SubjectKind::Public), Level::BusyTimes),
    new Grant(new Subject(SubjectKind::Everyone), Level::See),
    new Grant(new Subject(SubjectKind::Group, 5), Level::Change),
    new Grant(new Subject(SubjectKind::Person, 3), Level::Add),
    new Grant(new Subject(SubjectKind::Person, 4), Level::None),
];

test('the highest level that applies holds, and every reason is told', function (Viewer $viewer, Level $level, int $reasons) use ($person, $grants) {
    $decision = Access::decide($viewer, $person(1), $grants());
    expect($decision->level)->toBe($level)->and($decision->reasons)->toHaveCount($reasons);
})->with([
    'the keeper manages' => [new Viewer(1), Level::Manage, 3],
    'a member' => [new Viewer(2), Level::See, 2],
    'given to the person' => [new Viewer(3), Level::Add, 3],
    'given to a group' => [new Viewer(2, [5]), Level::Change, 3],
    'the group beats the person' => [new Viewer(3, [4, 5]), Level::Change, 4],
    'none takes nothing away' => [new Viewer(4), Level::See, 2],
    'an outsider' => [Viewer::outsider(), Level::BusyTimes, 1],
    'another group' => [new Viewer(2, [6]), Level::See, 2],
]);

test('a group keeps for all who are in it', function () use ($group) {
    expect(Access::decide(new Viewer(9, [7]), $group(7), [])->level)->toBe(Level::Manage)
        ->and(Access::decide(new Viewer(9, [7]), $group(7), [])->reasons[0])->toBeInstanceOf(Reason::class)->asKeeper->toBeTrue()
        ->and(Access::decide(new Viewer(7), $group(7), [])->level)->toBe(Level::None)
        ->and(Access::decide(Viewer::outsider(), $group(7), [])->level)->toBe(Level::None);
});

test('how much of an event is seen', function (Level $level, bool $private, bool $busy, bool $author, Visibility $expected) {
    expect(Visibility::of($level, $private, $busy, $author))->toBe($expected);
})->with([
    'nothing' => [Level::None, false, true, false, Visibility::Hidden],
    'nothing, even of one’s own' => [Level::None, false, true, true, Visibility::Hidden],
    'busy times' => [Level::BusyTimes, false, true, false, Visibility::BusyOnly],
    'busy times of what leaves the time free' => [Level::BusyTimes, false, false, false, Visibility::Hidden],
    'read' => [Level::See, false, true, false, Visibility::Full],
    'private, read' => [Level::See, true, true, false, Visibility::BusyOnly],
    'private, contribute' => [Level::Add, true, true, false, Visibility::BusyOnly],
    'private and free, read' => [Level::See, true, false, false, Visibility::Hidden],
    'private, its author' => [Level::Add, true, true, true, Visibility::Full],
    'private, edit' => [Level::Change, true, true, false, Visibility::Full],
]);

test('what a level lets one do with events', function (Level $level, bool $add, bool $own, bool $others) {
    expect(EventRights::mayAdd($level))->toBe($add)
        ->and(EventRights::mayChange($level, true))->toBe($own)
        ->and(EventRights::mayChange($level, false))->toBe($others);
})->with([
    [Level::None, false, false, false], [Level::BusyTimes, false, false, false], [Level::See, false, false, false],
    [Level::Add, true, true, false], [Level::Change, true, true, true], [Level::Manage, true, true, true],
]);

test('of a blanked event only that and when the time is taken is left', function () {
    $event = Make::event('Hospital', rule: 'FREQ=WEEKLY;COUNT=2', uid: 'secret-uid', more: ['place' => 'Ward 7', 'description' => 'Knee', 'link' => 'https://example.org', 'categories' => ['health'], 'priority' => 1, 'private' => true]);
    $blank = Redaction::event($event, Visibility::BusyOnly);
    $told = strtolower(json_encode($blank, JSON_THROW_ON_ERROR));
    foreach (['hospital', 'ward', 'knee', 'example.org', 'health', 'secret-uid'] as $secret) {
        expect($told)->not->toContain($secret);
    }
    expect($blank->timing->start->equals($event->timing->start))->toBeTrue()->and($blank->timing->recurrence->rules)->toEqual($event->timing->recurrence->rules)
        ->and(Redaction::event($event, Visibility::Hidden))->toBeNull()
        ->and(Redaction::event($event, Visibility::Full))->toBe($event);
});

test('what keeps somebody from changing an event is said, or nothing does', function (Level $level, bool $isAuthor, bool $subscribed, bool $archived, ?Hold $hold) {
    expect(EventRights::hold($level, $isAuthor, $subscribed, $archived))->toBe($hold)
        ->and($hold === null)->toBe(EventRights::mayChange(EventRights::level($level, $subscribed, $archived), $isAuthor));
})->with([
    [Level::Change, false, false, false, null],
    [Level::Add, true, false, false, null],
    [Level::Add, false, false, false, Hold::Level],
    [Level::See, true, false, false, Hold::Level],
    [Level::BusyTimes, true, false, false, Hold::Hidden],
    [Level::Manage, false, true, false, Hold::Outside],
    [Level::Manage, true, false, true, Hold::Archived],
    [Level::BusyTimes, false, true, true, Hold::Hidden],
]);

test('an event is its author’s; what nobody added is nobody’s, an outsider’s neither', function () {
    expect([(new Viewer(3))->isAuthor(3), (new Viewer(3))->isAuthor(4), (new Viewer(3))->isAuthor(null), Viewer::outsider()->isAuthor(null)])->toBe([true, false, false, false]);
});
