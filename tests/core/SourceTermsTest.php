<?php

use PinnedRota\Core\Documents\Page;
use PinnedRota\Core\Documents\PageLinks;
use PinnedRota\Core\Documents\Refusal;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\Import\KnownSeries;
use PinnedRota\Core\Import\Plan;
use PinnedRota\Core\Overlay\CategoryCondition;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\WordsCondition;
use PinnedRota\Core\Sources\RefreshGuard;
use PinnedRota\Core\Sources\SourceTerms;
use PinnedRota\Core\Time\Zone;

function outside(string $lines): CalendarReader
{
    return CalendarReader::ofText("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\n".str_replace("\n", "\r\n", $lines)."END:VCALENDAR\r\n", new Diagnostics, Zone::utc());
}

/** @return list<Series> */
function seriesOf(CalendarReader $reader, ?Closure $taken = null): array
{
    return array_map(fn ($planned) => $planned->series, array_values(iterator_to_array(planOf($reader, $taken))));
}

function planOf(CalendarReader $reader, ?Closure $taken = null): Plan
{
    return Plan::compare($reader->events(), new class implements KnownSeries
    {
        public function fingerprints(array $uids): array
        {
            return [];
        }

        public function uids(): iterable
        {
            return ['a', 'b', 'gone'];
        }
    }, isRemoving: true, taken: $taken);
}

const TWO = "BEGIN:VEVENT\nUID:a\nDTSTART:20260907T100000Z\nRRULE:FREQ=WEEKLY\nSUMMARY:Drill\nCATEGORIES:Safety,Boats\nEND:VEVENT\nBEGIN:VEVENT\nUID:a\nRECURRENCE-ID:20260914T100000Z\nDTSTART:20260914T110000Z\nSUMMARY:Drill with the mayor\nCATEGORIES:Safety\nEND:VEVENT\nBEGIN:VEVENT\nUID:b\nDTSTART:20260908T100000Z\nSUMMARY:Tea\nEND:VEVENT\n";

test('a refresh is held back where more than a third would go, or all of it', function (array $counts, bool $holds) {
    expect(RefreshGuard::holds(array_combine(['added', 'changed', 'unchanged', 'removed'], $counts)))->toBe($holds);
})->with([
    'nothing goes' => [[5, 3, 0, 0], false], 'nothing was there' => [[5, 0, 0, 0], false], 'a third' => [[0, 1, 1, 1], false], 'more than a third' => [[0, 0, 3, 2], true],
    'all' => [[0, 0, 0, 1], true], 'all, for as many others' => [[7, 0, 0, 7], true], 'few of many' => [[0, 0, 1000, 500], false], 'one more than that' => [[0, 0, 1000, 501], true],
]);

test('a series is taken where its event or one of its times fits, and whole', function () {
    $words = fn (string $word): array => array_map(fn (Series $each): array => [$each->uid(), count($each->events())], seriesOf(outside(TWO), (new SourceTerms(new Filter([new WordsCondition([$word])])))->of(...)));
    expect($words('mayor'))->toBe([['a', 2]])->and($words('tea'))->toBe([['b', 1]])->and($words('nobody'))->toBe([]);
    expect(seriesOf(outside(TWO), (new SourceTerms(new Filter([new CategoryCondition(['boats'])])))->of(...)))->toHaveCount(1);
    // What is not taken is not there: what came in of it before is to go.
    expect(planOf(outside(TWO), (new SourceTerms(new Filter([new WordsCondition(['tea'])])))->of(...))->missing())->toBe(['a', 'gone']);
});

test('categories are called as ours are, left out or added, and time is taken up or not, at each of its times', function () {
    [$drill, $tea] = seriesOf(outside(TWO), (new SourceTerms(busy: false, categories: ['outside'], renamed: ['safety' => 'drill', 'boats' => '']))->of(...));
    expect($drill->master->contents->categories)->toBe(['drill', 'outside'])->and($drill->overrides[0]->contents->categories)->toBe(['drill', 'outside'])->and($drill->overrides[0]->contents->busy)->toBeFalse()
        ->and($tea->master->contents->categories)->toBe(['outside'])->and($drill->overrides[0]->contents->title)->toBe('Drill with the mayor');
});

test('a digest is of what is said, whatever the order and the stamps, and is another where anything else is', function () {
    $reversed = implode('', array_map(fn (string $each): string => "BEGIN:VEVENT\n{$each}", array_reverse(array_slice(explode("BEGIN:VEVENT\n", TWO), 1))));
    $digest = planOf(outside(TWO))->digest();
    expect(planOf(outside($reversed))->digest())->toBe($digest)->and(planOf(outside(str_replace('UID:', "DTSTAMP:20260101T000000Z\nUID:", TWO)))->digest())->toBe($digest)
        ->and(planOf(outside(str_replace('Tea', 'Teas', TWO)))->digest())->not->toBe($digest)->and(planOf(outside(str_replace('UID:b', 'UID:c', TWO)))->digest())->not->toBe($digest);
});

test('after how long a calendar wants to be asked again it says itself', function (string $says, ?int $minutes) {
    $reader = outside("{$says}\n".TWO);
    iterator_to_array($reader->events());
    expect($reader->head()->askedAfter())->toBe($minutes);
})->with([
    ['REFRESH-INTERVAL;VALUE=DURATION:PT12H', 720], ['X-PUBLISHED-TTL:PT30M', 30], ['REFRESH-INTERVAL;VALUE=DURATION:P1W', 10_080], ['REFRESH-INTERVAL:nonsense', null],
    ['REFRESH-INTERVAL;VALUE=DURATION:-PT5M', null], ['X-NOTHING:1', null],
]);

test('a page leads to pages of its own site, each once', function () {
    $html = '<a href="/a">A</a><a href="/a#part">A again</a><a href="b.html">B</a><a href="https://elsewhere.example/c">C</a><a href="mailto:x@example.org">mail</a><a href="#top">top</a><a href="/plan.pdf">plan</a><a href="https://x.example/dates">itself</a><a href="javascript:alert(1)">no</a><a>none</a>';
    $resolve = fn (string $link): string => str_starts_with($link, 'http') ? $link : 'https://x.example/'.ltrim($link, '/');
    expect(PageLinks::of($html, 'https://x.example/dates', $resolve))->toBe(['https://x.example/a', 'https://x.example/b.html']);
    $many = implode('', array_map(fn (int $n): string => "<a href=\"/p{$n}\">{$n}</a>", range(1, 99)));
    expect(PageLinks::of($many, 'https://x.example/', $resolve))->toHaveCount(PageLinks::MOST)->and(PageLinks::of('', 'https://x.example/', $resolve))->toBe([]);
});

test('why a page has no event is told where it can be', function (string $html, ?Refusal $why) {
    expect(Page::withoutEvents($html))->toBe($why);
})->with([
    'it asks for a password' => ['<title>Welcome</title><form><input name=p type="password"></form>', Refusal::SignIn],
    'it is called so' => ['<title>Log in to the portal</title><p>Name</p>', Refusal::SignIn],
    'it is a program' => ['<div id=app></div><script src=/a.js></script>', Refusal::NeedsScript],
    'it says other things' => ['<script></script><p>'.str_repeat('Boats are built of wood here. ', 20).'</p>', null],
    'it says nothing' => ['<p>Soon.</p>', null],
]);

test('what a page calls itself', function () {
    expect(Page::title("<head><title lang=en>\n What&rsquo;s on\n  here </title>"))->toBe('What’s on here')->and(Page::title('<p>No title</p>'))->toBe('');
});
