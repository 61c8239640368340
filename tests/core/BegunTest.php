<?php

use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\AllDayCondition;
use PinnedRota\Core\Overlay\Begun;
use PinnedRota\Core\Overlay\BusyCondition;
use PinnedRota\Core\Overlay\CategoryCondition;
use PinnedRota\Core\Overlay\CategoryMatch;
use PinnedRota\Core\Overlay\EventFacts;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Negation;
use PinnedRota\Core\Overlay\Part;
use PinnedRota\Core\Overlay\PeopleCondition;
use PinnedRota\Core\Overlay\StatusCondition;
use PinnedRota\Core\Overlay\WordsCondition;

test('an event that is begun in a layer has what the layer asks for', function (array $conditions, array $categories, ?Status $status, ?bool $busy) {
    $begun = (new Filter($conditions))->begun();
    expect([$begun->categories, $begun->status, $begun->busy])->toBe([$categories, $status, $busy]);
})->with([
    'nothing' => [[], [], null, null],
    'one of some categories: the first' => [[new CategoryCondition(['Assessment', 'Visit'])], ['Assessment'], null, null],
    'all of some categories' => [[new CategoryCondition(['Assessment', 'Visit'], CategoryMatch::All)], ['Assessment', 'Visit'], null, null],
    'none of some categories' => [[new CategoryCondition(['Assessment'], CategoryMatch::None)], [], null, null],
    'two conditions' => [[new CategoryCondition(['Assessment']), new CategoryCondition(['Visit', 'Assessment'])], ['Assessment', 'Visit'], null, null],
    'provisional alone' => [[new StatusCondition([Status::Provisional, Status::Cancelled])], [], Status::Provisional, null],
    'confirmed or provisional' => [[new StatusCondition([Status::Provisional, Status::Confirmed])], [], null, null],
    'what leaves the time free' => [[new BusyCondition(false)], [], null, false],
    'what cannot be told beforehand' => [[new WordsCondition(['oar']), new PeopleCondition([1], Part::Responsible), new AllDayCondition(true), new Negation(new CategoryCondition(['Assessment']))], [], null, null],
]);

test('what is begun so, the layer takes', function () {
    foreach ([[new CategoryCondition(['Assessment', 'Visit'], CategoryMatch::All), new StatusCondition([Status::Provisional]), new BusyCondition(false)], [new CategoryCondition(['Öffentlich'])]] as $conditions) {
        $filter = new Filter($conditions);
        $begun = $filter->begun();
        $facts = new EventFacts(0, categories: array_map(mb_strtolower(...), $begun->categories), status: $begun->status ?? Status::Confirmed, busy: $begun->busy ?? true);
        expect($filter->takes($facts->on(7)))->toBeTrue()->and($filter->takes(new EventFacts(7)))->toBeFalse();
    }
    expect((new Filter)->begun())->toEqual(new Begun);
});
