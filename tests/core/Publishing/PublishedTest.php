<?php

declare(strict_types=1);

use PinnedRota\Core\Access\Redaction;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\IndexedOccurrence;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Publishing\Detail;
use PinnedRota\Core\Time\TimeKind;

function occurrence(): IndexedOccurrence
{
    return new IndexedOccurrence(3, 7, 7, '2026-11-02T09:30', 1000, 2000, TimeKind::Zoned, 'Hospital', 'Ward 7', Status::Provisional, true, true, true, 11, [4, 5], 'secret-uid', true, 3, Colour::Rose);
}

test('each detail tells what it says, and nothing that a lesser one does not', function (Detail $detail, string $title, string $place, array $categories) {
    $told = Redaction::published(occurrence(), $detail);
    expect([$told->title, $told->place, $told->categoryIds])->toBe([$title, $place, $categories])
        ->and([$told->starts, $told->ends, $told->kind, $told->calendarId])->toBe([1000, 2000, TimeKind::Zoned, 3])
        // Of who added it, that it is private, repeats and has people, nothing is told at any.
        ->and([$told->createdBy, $told->private, $told->repeats, $told->hasParticipants])->toBe([null, false, false, false]);
})->with([
    [Detail::BusyTimes, Redaction::TITLE, '', []],
    [Detail::Titles, 'Hospital', '', []],
    [Detail::WithoutPeople, 'Hospital', 'Ward 7', [4, 5]],
    [Detail::Everything, 'Hospital', 'Ward 7', [4, 5]],
]);

test('what is hidden stays hidden, whatever the detail', function (Detail $detail) {
    $told = Redaction::published(Redaction::occurrence(occurrence(), Visibility::BusyOnly) ?? throw new LogicException, $detail);
    expect([$told->title, $told->place, $told->categoryIds, $told->status, $told->colour])->toBe([Redaction::TITLE, '', [], Status::Confirmed, null]);
})->with(Detail::cases());

test('busy times tell neither the state nor the colour', function () {
    $told = Redaction::published(occurrence(), Detail::BusyTimes);
    expect([$told->status, $told->colour])->toBe([Status::Confirmed, null])
        ->and(Redaction::published(occurrence(), Detail::Titles)?->status)->toBe(Status::Provisional);
});

test('names of people are told by the whole alone', function () {
    expect(array_map(fn (Detail $each): bool => $each->tellsWho(), Detail::cases()))->toBe([false, false, false, true]);
});

test('of busy times what leaves the time free is none, and otherwise it is told', function () {
    $free = new IndexedOccurrence(3, 7, 7, null, 1000, 2000, TimeKind::Zoned, 'Open loft', '', Status::Confirmed, false, false, false, null, [], 'uid', false, 3, null);
    expect(Redaction::published($free, Detail::BusyTimes))->toBeNull()
        ->and(Redaction::published($free, Detail::Titles)?->title)->toBe('Open loft');
});
