<?php

use PinnedRota\Core\Access\GroupTree;

// Keel year is in Students; Riggers and Students are in School; School is in Town.
$tree = fn (): GroupTree => new GroupTree([1 => [2], 2 => [3], 4 => [3], 3 => [9]]);

test('who is in a group is in every group that has it', function (array $groups, array $expected) use ($tree) {
    expect($tree()->containing($groups))->toBe($expected);
})->with([
    'through two' => [[1], [1, 2, 3, 9]],
    'at the top' => [[9], [9]],
    'by two ways, once' => [[1, 4], [1, 2, 3, 4, 9]],
    'in nothing else' => [[7], [7]],
    'in none' => [[], []],
]);

test('a group cannot come to be within itself', function (int $group, int $member, bool $cycle) use ($tree) {
    expect($tree()->wouldCycle($group, $member))->toBe($cycle);
})->with([
    'in itself' => [2, 2, true],
    'the one it is in' => [1, 2, true],
    'one far above it' => [1, 9, true],
    'one below it' => [9, 1, false],
    'a stranger' => [1, 7, false],
    'a sibling' => [4, 2, false],
]);

test('a cycle that is there all the same ends', function () {
    expect((new GroupTree([1 => [2], 2 => [1]]))->containing([1]))->toBe([1, 2]);
});
