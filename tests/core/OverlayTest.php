<?php

use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\AllDayCondition;
use PinnedRota\Core\Overlay\BusyCondition;
use PinnedRota\Core\Overlay\CategoryCondition;
use PinnedRota\Core\Overlay\CategoryMatch;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\ColouredBy;
use PinnedRota\Core\Overlay\Composition;
use PinnedRota\Core\Overlay\Condition;
use PinnedRota\Core\Overlay\EventColours;
use PinnedRota\Core\Overlay\EventFacts;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Grouping;
use PinnedRota\Core\Overlay\Layer;
use PinnedRota\Core\Overlay\Negation;
use PinnedRota\Core\Overlay\Part;
use PinnedRota\Core\Overlay\PeopleCondition;
use PinnedRota\Core\Overlay\StatusCondition;
use PinnedRota\Core\Overlay\WordsCondition;

$visit = fn (string ...$categories): EventFacts => new EventFacts(1, categories: $categories);

test('a condition holds or does not, and of its opposite the other', function (Condition $condition, EventFacts $event, bool $holds) {
    expect($condition->holds($event))->toBe($holds)->and((new Negation($condition))->holds($event))->toBe(! $holds)
        ->and((new Filter([$condition]))->takes($event))->toBe($holds);
})->with([
    'any category, in whatever case' => [new CategoryCondition(['Visit', 'launch']), $visit('safety', 'visit'), true],
    'none of them' => [new CategoryCondition(['launch']), $visit('visit'), false],
    'no categories at all' => [new CategoryCondition(['visit']), $visit(), false],
    'all of them' => [new CategoryCondition(['Visit', 'safety'], CategoryMatch::All), $visit('visit', 'launch', 'safety'), true],
    'not all of them' => [new CategoryCondition(['visit', 'safety'], CategoryMatch::All), $visit('visit'), false],
    'it has none of them' => [new CategoryCondition(['launch'], CategoryMatch::None), $visit('visit'), true],
    'it has one of them' => [new CategoryCondition(['launch', 'visit'], CategoryMatch::None), $visit('visit'), false],
    'a word of several, in whatever case' => [new WordsCondition(['nets', 'Long LOFT']), new EventFacts(1, text: "rigging test\nlong loft\n"), true],
    'no word of them' => [new WordsCondition(['nets', ' ']), new EventFacts(1, text: 'rigging test'), false],
    'responsible' => [new PeopleCondition([4, 7], Part::Responsible), new EventFacts(1, responsible: [7]), true],
    'takes part, but is not responsible' => [new PeopleCondition([7], Part::Responsible), new EventFacts(1, responsible: [4], takingPart: [4, 7]), false],
    'takes part' => [new PeopleCondition([7], Part::TakingPart), new EventFacts(1, takingPart: [7]), true],
    'added by' => [new PeopleCondition([7], Part::Added), new EventFacts(1, addedBy: 7), true],
    'added by nobody who is known' => [new PeopleCondition([7], Part::Added), new EventFacts(1), false],
    'a group without people' => [new PeopleCondition([], Part::TakingPart), new EventFacts(1, takingPart: [7]), false],
    'a status of several' => [new StatusCondition([Status::Provisional, Status::Cancelled]), new EventFacts(1, status: Status::Cancelled), true],
    'another status' => [new StatusCondition([Status::Provisional]), new EventFacts(1), false],
    'all-day' => [new AllDayCondition(true), new EventFacts(1, allDay: true), true],
    'timed' => [new AllDayCondition(false), new EventFacts(1, allDay: true), false],
    'busy' => [new BusyCondition(true), new EventFacts(1), true],
    'free' => [new BusyCondition(false), new EventFacts(1), false],
]);

test('of what is hidden neither a condition nor its opposite takes anything', function (Condition $condition) {
    // As though the hidden event had whatever is asked for.
    $event = new EventFacts(1, true, ['visit'], 'hospital', 7, [7], [7], Status::Provisional);
    expect($condition->holds($event))->toBeNull()->and((new Negation($condition))->holds($event))->toBeNull()
        ->and((new Filter([$condition]))->takes($event))->toBeFalse()->and((new Filter([new Negation($condition)]))->takes($event))->toBeFalse();
})->with([
    [new CategoryCondition(['visit'])], [new CategoryCondition(['visit'], CategoryMatch::All)], [new CategoryCondition(['launch'], CategoryMatch::None)],
    [new WordsCondition(['hospital'])], [new PeopleCondition([7], Part::Added)], [new PeopleCondition([7], Part::TakingPart)], [new StatusCondition([Status::Provisional])],
]);

test('every condition of a filter must hold, and none take everything', function () use ($visit) {
    $both = new Filter([new CategoryCondition(['visit']), new AllDayCondition(false)]);
    expect($both->takes($visit('visit')))->toBeTrue()
        ->and($both->takes(new EventFacts(1, categories: ['visit'], allDay: true)))->toBeFalse()
        ->and((new Filter)->takes(new EventFacts(1, true)))->toBeTrue()
        ->and(Filter::ofCategories([])->takes(new EventFacts(1, true)))->toBeTrue()
        ->and(Filter::ofCategories(['visit'])->takes(new EventFacts(1, true)))->toBeFalse();
});

test('each event is in the first layer that takes it, or in none', function () {
    $overlay = new Composition([
        new Layer([1, 2], Filter::ofCategories(['assessment'])),
        new Layer([1]),
        new Layer([3], Filter::ofCategories(['launch'])),
    ]);
    $layers = fn (int $calendar, ?string $category): array => $overlay->layersOf(new EventFacts($calendar, $category === null, $category === null ? [] : [$category]));
    expect($layers(1, 'assessment'))->toBe([0])->and($layers(1, 'visit'))->toBe([1])->and($layers(1, null))->toBe([1])
        ->and($layers(2, 'visit'))->toBe([])->and($layers(3, 'launch'))->toBe([2])->and($layers(4, 'assessment'))->toBe([]);
});

test('everything else is what no other layer takes, wherever it stands', function () {
    $layers = [new Layer([1, 2], isRest: true), new Layer([1], Filter::ofCategories(['assessment'])), new Layer([1], Filter::ofCategories(['visit', 'assessment']))];
    foreach ([false, true] as $everyLayer) {
        $overlay = new Composition($layers, $everyLayer);
        expect($overlay->layersOf(new EventFacts(1, categories: ['assessment'])))->toBe($everyLayer ? [1, 2] : [1])
            ->and($overlay->layersOf(new EventFacts(1, categories: ['visit'])))->toBe([2])
            ->and($overlay->layersOf(new EventFacts(1, categories: ['launch'])))->toBe([0])
            ->and($overlay->layersOf(new EventFacts(2, true)))->toBe([0])
            ->and($overlay->layersOf(new EventFacts(3)))->toBe([]);
    }
});

/** @return array{list<Layer>, EventFacts} layers and an event at random */
function composed(): array
{
    $some = static fn (array $from): array => array_values(array_filter($from, static fn (): bool => mt_rand(0, 1) === 1));
    $condition = static function () use ($some): Condition {
        $condition = match (mt_rand(0, 5)) {
            0 => new CategoryCondition($some(['a', 'b', 'c']), CategoryMatch::cases()[mt_rand(0, 2)]),
            1 => new WordsCondition($some(['oar', 'net', 'rope'])),
            2 => new PeopleCondition($some([1, 2, 3]), Part::cases()[mt_rand(0, 2)]),
            3 => new StatusCondition($some(Status::cases())),
            4 => new AllDayCondition(mt_rand(0, 1) === 1),
            default => new BusyCondition(mt_rand(0, 1) === 1),
        };

        return mt_rand(0, 3) === 0 ? new Negation($condition) : $condition;
    };
    $layers = array_map(static fn (): Layer => new Layer($some([1, 2, 3]), new Filter(array_map($condition, array_fill(0, mt_rand(0, 2), 0))), mt_rand(0, 5) === 0), range(1, mt_rand(1, 7)));

    return [$layers, new EventFacts(mt_rand(1, 3), mt_rand(0, 4) === 0, $some(['a', 'b', 'c']), implode(' ', $some(['oar', 'net', 'rope'])), mt_rand(1, 4), $some([1, 2]), $some([1, 2, 3]), Status::cases()[mt_rand(0, 2)], mt_rand(0, 1) === 1, mt_rand(0, 1) === 1)];
}

test('at random: each event is in one layer or none, re-ordering changes which, never whether', function () {
    mt_srand(7);
    $shown = 0;
    for ($round = 0; $round < 2000; $round++) {
        [$layers, $event] = composed();
        $found = (new Composition($layers))->layersOf($event);
        $every = (new Composition($layers, true))->layersOf($event);
        $shuffled = $layers;
        shuffle($shuffled);
        expect(count($found))->toBeLessThanOrEqual(1)
            ->and((new Composition($shuffled))->layersOf($event) === [])->toBe($found === [])
            ->and($every === [])->toBe($found === [])->and(array_slice($every, 0, 1))->toBe($found);
        foreach ($layers as $index => $layer) {
            $takes = in_array($event->calendarId, $layer->calendarIds, true) && $layer->filter->takes($event);
            // What is shown in it takes it; what takes it before the one that shows it is for everything else.
            expect(in_array($index, $found, true) && ! $takes)->toBeFalse()
                ->and($takes && ! $layer->isRest && $found !== [] && $index < $found[0] && ! $layers[$found[0]]->isRest)->toBeFalse();
        }
        $shown += count($found);
    }
    expect($shown)->toBeGreaterThan(400)->toBeLessThan(1800);
});

test('an event stands in each row of what rows are told apart by; what is hidden stands apart', function (Grouping $by, EventFacts $event, array $rows) {
    expect($by->rowsOf($event, 3))->toBe($rows);
})->with([
    'its layer' => [Grouping::Layer, new EventFacts(1, responsible: [7]), ['3']],
    'its calendar' => [Grouping::Calendar, new EventFacts(12), ['12']],
    'everybody responsible' => [Grouping::Person, new EventFacts(1, responsible: [7, 4, 7]), ['7', '4']],
    'nobody responsible' => [Grouping::Person, new EventFacts(1, takingPart: [7]), [Grouping::NONE]],
    'a place in whatever case' => [Grouping::Place, new EventFacts(1, place: ' Long LOFT '), ['long loft']],
    'no place' => [Grouping::Place, new EventFacts(1), [Grouping::NONE]],
    'each category' => [Grouping::Category, new EventFacts(1, categories: ['visit', 'launch']), ['visit', 'launch']],
    'a hidden place' => [Grouping::Place, new EventFacts(1, true, place: 'Ward 7'), [Grouping::HIDDEN]],
    'hidden people' => [Grouping::Person, new EventFacts(1, true, responsible: [7]), [Grouping::HIDDEN]],
    'hidden categories' => [Grouping::Category, new EventFacts(1, true, ['health']), [Grouping::HIDDEN]],
    'the calendar of what is hidden' => [Grouping::Calendar, new EventFacts(12, true), ['12']],
    'the layer of what is hidden' => [Grouping::Layer, new EventFacts(12, true), ['3']],
]);

test('the colour of an event stands for what the sheet asks; what has nothing of it, or hides it, has none', function (ColouredBy $by, EventFacts $event, ?Colour $colour, array $given) {
    $colours = new EventColours($by, ['launch' => Colour::Rose, 'visit' => Colour::Moss], [12 => Colour::Plum]);
    expect($colours->of($event))->toBe($colour)->and($colours->given())->toBe($given);
})->with([
    'layers need none' => [ColouredBy::Layer, new EventFacts(12, categories: ['launch']), null, []],
    'the first category that has one' => [ColouredBy::Category, new EventFacts(12, categories: ['tide', 'visit', 'launch']), Colour::Moss, ['visit' => Colour::Moss]],
    'a category without one' => [ColouredBy::Category, new EventFacts(12, categories: ['tide']), null, []],
    'a hidden category' => [ColouredBy::Category, new EventFacts(12, true, ['launch']), null, []],
    'the calendar, also of what is hidden' => [ColouredBy::Calendar, new EventFacts(12, true), Colour::Plum, [12 => Colour::Plum]],
    'a calendar that is not known' => [ColouredBy::Calendar, new EventFacts(13), null, []],
    'the first who is responsible' => [ColouredBy::Person, new EventFacts(1, responsible: [13, 4], takingPart: [13, 4, 2]), Colour::Plum, [13 => Colour::Plum]],
    'nobody responsible' => [ColouredBy::Person, new EventFacts(1, takingPart: [3]), null, []],
    'somebody hidden' => [ColouredBy::Person, new EventFacts(1, true, responsible: [3]), null, []],
]);

test('whoever has a colour has it whoever else there is', function () {
    $colourOf = function (int $person, int ...$before): ?Colour {
        $colours = new EventColours(ColouredBy::Person);
        array_map(fn (int $each) => $colours->of(new EventFacts(1, responsible: [$each])), $before);

        return $colours->of(new EventFacts(1, responsible: [$person]));
    };
    foreach (range(1, 25) as $person) {
        expect($colourOf($person, 3, 8, 40))->toBe($colourOf($person))->not->toBeNull();
    }
});
