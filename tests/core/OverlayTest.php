<?php

use PinnedRota\Core\Overlay\Composition;
use PinnedRota\Core\Overlay\EventFacts;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Layer;

test('a filter takes events that have any of its categories, in whatever case', function (array $any, ?array $has, bool $taken) {
    expect((new Filter($any))->takes(new EventFacts(1, $has)))->toBe($taken);
})->with([
    'no filter' => [[], ['visit'], true],
    'no filter, hidden contents' => [[], null, true],
    'one of several' => [['Visit', 'launch'], ['safety', 'visit'], true],
    'none' => [['launch'], ['visit'], false],
    'hidden contents match nothing that is asked of them' => [['visit'], null, false],
    'no categories' => [['visit'], [], false],
]);

test('each event is in the first layer that takes it, or in none', function () {
    $overlay = new Composition([
        new Layer([1, 2], new Filter(['assessment'])),
        new Layer([1]),
        new Layer([3], new Filter(['launch'])),
    ]);
    expect($overlay->layerOf(new EventFacts(1, ['assessment'])))->toBe(0)
        ->and($overlay->layerOf(new EventFacts(1, ['visit'])))->toBe(1)
        ->and($overlay->layerOf(new EventFacts(1, null)))->toBe(1)
        ->and($overlay->layerOf(new EventFacts(2, ['visit'])))->toBeNull()
        ->and($overlay->layerOf(new EventFacts(3, ['launch'])))->toBe(2)
        ->and($overlay->layerOf(new EventFacts(4, ['assessment'])))->toBeNull();
});

test('re-ordering layers changes which layer shows an event, never whether it shows', function () {
    mt_srand(7);
    $names = ['a', 'b', 'c', 'd'];
    $some = static fn (array $from): array => array_values(array_filter($from, static fn (): bool => mt_rand(0, 1) === 1));
    for ($round = 0; $round < 300; $round++) {
        $layers = array_map(static fn (): Layer => new Layer($some([1, 2, 3]), new Filter($some($names))), range(1, mt_rand(1, 6)));
        $event = new EventFacts(mt_rand(1, 3), mt_rand(0, 4) === 0 ? null : $some($names));
        $shuffled = $layers;
        shuffle($shuffled);
        $first = (new Composition($layers))->layerOf($event);
        expect((new Composition($shuffled))->layerOf($event) === null)->toBe($first === null);
        foreach ($layers as $index => $layer) {
            expect($first !== null && $index >= $first || (new Composition([$layer]))->layerOf($event) === null)->toBeTrue();
        }
    }
});
