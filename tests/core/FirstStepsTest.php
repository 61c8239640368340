<?php

use PinnedRota\Core\Directory\Role;
use PinnedRota\Core\Organisation\FirstStep;
use PinnedRota\Core\Organisation\FirstSteps;
use PinnedRota\Core\Organisation\FirstStepState;

test('what is there is done, whoever has left it out before; the rest is open in its order', function () {
    $steps = new FirstSteps([FirstStep::Calendar, FirstStep::Groups], [FirstStep::Groups, FirstStep::Name]);
    expect($steps->stateOf(FirstStep::Calendar))->toBe(FirstStepState::Done)
        ->and($steps->stateOf(FirstStep::Groups))->toBe(FirstStepState::Done)
        ->and($steps->stateOf(FirstStep::Name))->toBe(FirstStepState::Skipped)
        ->and($steps->open())->toBe([FirstStep::Dates, FirstStep::Categories, FirstStep::People, FirstStep::Overlay]);
    expect((new FirstSteps(FirstStep::cases(), []))->open())->toBe([]);
});

test('each category to begin with is told apart by its colour', function () {
    $colours = array_map(fn (array $each): string => $each[0]->value, FirstSteps::CATEGORIES);
    expect(array_unique($colours))->toHaveCount(count(FirstSteps::CATEGORIES))->and(array_filter(array_column(FirstSteps::CATEGORIES, 1)))->toHaveCount(1);
});

test('coordinators and administrators keep what is common, members do not', function () {
    expect(array_map(fn (Role $role): bool => $role->keepsCommon(), Role::cases()))->toBe([false, true, true]);
});
