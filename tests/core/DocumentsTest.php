<?php

use PinnedRota\Core\Documents\Block;
use PinnedRota\Core\Documents\ChosenColumns;
use PinnedRota\Core\Documents\ColumnRole;
use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Documents\DocumentEvents;
use PinnedRota\Core\Documents\ExtractedEvent;
use PinnedRota\Core\Documents\Extraction;
use PinnedRota\Core\Documents\Page;
use PinnedRota\Core\Documents\PlainText;
use PinnedRota\Core\Documents\RowEdit;
use PinnedRota\Core\Documents\SeparatedText;
use PinnedRota\Core\OneLine\Habits;
use PinnedRota\Core\OneLine\Vocabulary;
use PinnedRota\Core\Time\LocalDateTime;

/** Places that the school knows. */
const KNOWN_PLACES = ['Long loft', 'Sail loft', 'Joinery shop', 'Chart room', 'Drawing office', 'Hall', 'Slip 1', 'Slip 2', 'Steam shed', 'Outer island', 'Library'];

/** @return array{kind: string, today: string, order: string, text: string, events: list<string>} */
function documentAt(string $path): array
{
    [$head, $rest] = explode("--- document\n", (string) file_get_contents($path), 2);
    [$text, $events] = explode("--- events\n", $rest, 2);
    preg_match_all('/^(\w+): (.*)$/m', $head, $found);

    return array_combine($found[1], $found[2]) + ['text' => $text, 'events' => array_values(array_filter(explode("\n", $events)))];
}

function extractedFrom(array $document, ?DateOrder $chosen = null): Extraction
{
    $blocks = match ($document['kind']) {
        'csv', => [Block::table(1, SeparatedText::rows($document['text']))],
        'html' => Page::blocks($document['text']),
        default => PlainText::blocks($document['text']),
    };

    return Extraction::of($blocks, new Vocabulary(places: KNOWN_PLACES), new Habits, LocalDateTime::parse($document['today']), LocalDateTime::parse('2026-09-01'), $chosen);
}

/** As the lists of events have it. */
function writtenAs(ExtractedEvent $event): string
{
    $last = $event->end->plusDays(-1);
    $when = match (true) {
        $event->allDay => $event->start->toDate().($last->day() === $event->start->day() ? '' : '..'.$last->toDate()),
        $event->end->day() === $event->start->day() => $event->start->toDate().' '.substr($event->start->toMinute(), 11).'-'.substr($event->end->toMinute(), 11),
        default => str_replace('T', ' ', $event->start->toMinute().'..'.$event->end->toMinute()),
    };

    return "{$when} | ".plainTitle($event->title);
}

/** A title, however its first letter, its marks and its article are written. */
function plainTitle(string $title): string
{
    return trim((string) preg_replace(['/^(?:the|a|an|our)\s/u', '/[^\p{L}\p{N}]+/u'], ['', ' '], mb_strtolower($title)));
}

test('of forty documents and more nearly all events are found, and none is invented', function () {
    $found = $expected = 0;
    $lost = $invented = $misplaced = [];
    $paths = glob(__DIR__.'/../documents/*.txt') ?: [];
    foreach ($paths as $path) {
        $document = documentAt($path);
        $name = basename($path, '.txt');
        $are = array_map(writtenAs(...), extractedFrom($document)->events);
        $wanted = [];
        foreach ($document['events'] as $line) {
            [$when, $title, $place] = array_map(trim(...), explode('|', $line)) + [2 => ''];
            $wanted["{$when} | ".plainTitle($title)] = $place;
        }
        $expected += count($wanted);
        $found += count(array_intersect(array_keys($wanted), $are));
        array_push($lost, ...array_map(static fn (string $each): string => "{$name}: {$each}", array_values(array_diff(array_keys($wanted), $are))));
        array_push($invented, ...array_map(static fn (string $each): string => "{$name}: {$each}", array_values(array_diff($are, array_keys($wanted)))));
    }
    $share = round(100 * $found / $expected, 1);
    fwrite(STDERR, "\n".count($paths)." documents: {$found} of {$expected} events found ({$share} %), ".count($invented)." invented\n".implode("\n", array_map(static fn (string $each): string => "  lost {$each}", $lost)).implode("\n", array_map(static fn (string $each): string => "\n  invented {$each}", $invented))."\n");
    expect(count($paths))->toBeGreaterThanOrEqual(40)->and($invented)->toBe([])->and($found / $expected)->toBeGreaterThanOrEqual(0.95);
});

test('each document tells which of day and month comes first, or that it does not', function () {
    foreach (glob(__DIR__.'/../documents/*.txt') ?: [] as $path) {
        $document = documentAt($path);
        expect(extractedFrom($document)->order)->toBe(['day' => DateOrder::DayFirst, 'month' => DateOrder::MonthFirst, 'asked' => DateOrder::Unknown][$document['order']], basename($path));
    }
});

test('where an event is is told where the document tells it', function () {
    $lost = [];
    foreach (glob(__DIR__.'/../documents/*.txt') ?: [] as $path) {
        $document = documentAt($path);
        $places = [];
        foreach (extractedFrom($document)->events as $event) {
            $places[writtenAs($event)] = plainTitle($event->place);
        }
        foreach ($document['events'] as $line) {
            [$when, $title, $place] = array_map(trim(...), explode('|', $line)) + [2 => ''];
            if ($place !== '' && ($places["{$when} | ".plainTitle($title)] ?? '') !== plainTitle($place)) {
                $lost[] = basename($path, '.txt').": {$line}";
            }
        }
    }
    expect($lost)->toBe([]);
});

test('which comes first in figures', function (string $text, DateOrder $order) {
    expect(DateOrder::of($text))->toBe($order);
})->with([
    'a day that is no month' => ['3/9/2026, 28/9/2026', DateOrder::DayFirst],
    'the same, the other way' => ['3/9/2026, 9/28/2026', DateOrder::MonthFirst],
    'nothing tells' => ['3/9/2026 and 4/10/2026', DateOrder::Unknown],
    'no figures' => ['3 September', DateOrder::DayFirst],
    'the weekday tells' => ['Thursday 3/9/2026', DateOrder::DayFirst],
    'the weekday tells otherwise' => ['Mon 3/9/2026', DateOrder::MonthFirst],
    'a weekday that is of neither tells nothing' => ['Sat 3/9/2026', DateOrder::Unknown],
    'how months are written tells' => ['3/9/2026, September 4, 2026', DateOrder::MonthFirst],
    'the same day and month says nothing' => ['9/9/2026', DateOrder::DayFirst],
    'what is no date says nothing' => ['1/2 hour, 3/4 inch, 13/14 pages', DateOrder::Unknown],
]);

test('signs that part cells are told from the text, and what stands in quotes is one cell', function (string $text, array $rows) {
    expect(SeparatedText::rows($text))->toBe($rows);
})->with([
    'commas' => ["a,b\n\"c, d\",\"e \"\"f\"\"\"\n", [['a', 'b'], ['c, d', 'e "f"']]],
    'semicolons, with commas in numbers' => ["a;b;c\n1,5;2,5;x\n3,5;4,5;y\n", [['a', 'b', 'c'], ['1,5', '2,5', 'x'], ['3,5', '4,5', 'y']]],
    'tabs' => ["a\tb\n1\t2\n", [['a', 'b'], ['1', '2']]],
    'a line within quotes' => ["a,b\n\"one\ntwo\",c\n", [['a', 'b'], ["one\ntwo", 'c']]],
]);

test('what a page spans is in each of its cells, and what leads elsewhere is not read', function () {
    $blocks = Page::blocks('<nav>1 May 2027 Home</nav><table><tr><th colspan="2">A</th><th>B</th></tr><tr><td rowspan="2">1</td><td>2</td><td>3</td></tr><tr><td>4</td><td>5</td></tr></table><script>"2 May 2027 x"</script><p>Tea<br>at 4</p>');
    expect($blocks)->toHaveCount(3)->and($blocks[0]->rows)->toBe([['A', 'A', 'B'], ['1', '2', '3'], ['1', '4', '5']])->and([$blocks[1]->text, $blocks[2]->text])->toBe(['Tea', 'at 4']);
});

test('a page that means harm does none', function (string $html) {
    $before = memory_get_usage();
    $blocks = Page::blocks($html);
    $events = Extraction::of($blocks, new Vocabulary, new Habits, LocalDateTime::parse('2026-09-01'), LocalDateTime::parse('2026-09-01'))->events;
    expect($events)->toBe([])->and(implode('', array_map(static fn (Block $each): string => $each->text, $blocks)))->not->toContain('root:')->and(memory_get_usage() - $before)->toBeLessThan(64 * 1024 * 1024);
})->with([
    'spans without end' => ['<table><tr><td colspan="999999999" rowspan="999999999">x</td></tr></table>'],
    'deep' => [str_repeat('<div>', 5_000).'x'.str_repeat('</div>', 5_000)],
    'entities of entities' => ['<!DOCTYPE html [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]><p>&b;</p>'],
    'a file of the machine' => ['<!DOCTYPE html [<!ENTITY f SYSTEM "file:///etc/passwd">]><p>&f; at the gate</p>'],
    'nothing' => ['<html></html>'],
]);

test('a table says a day of the spreadsheet, an hour of it, and what is no event with its reason', function () {
    $read = extractedFrom(documentAt(__DIR__.'/../documents/with-totals.txt'));
    expect(array_map(static fn ($each): string => "{$each->line} {$each->reason->value}", $read->skipped))->toBe(['1 head', '2 empty', '3 head', '6 empty', '8 total', '9 no date'])
        ->and(array_map(static fn ($each): int => $each->line, $read->events))->toBe([4, 5, 7]);
});

test('a weekday that is none of its date is said, in a table and in a sentence', function () {
    expect(extractedFrom(documentAt(__DIR__.'/../documents/wrong-weekday.txt'))->events[1]->doubts)->toBe(['Thu 24 September 2026 is no Wednesday.'])
        ->and(Extraction::of(PlainText::blocks('The regatta is on Friday 3 October 2026 at 2pm.'), new Vocabulary, new Habits, LocalDateTime::parse('2026-09-01'), LocalDateTime::parse('2026-09-01'))->events[0]->doubts)->toBe(['Sat 3 October 2026 is no Friday.']);
});

test('the same day first or month first, as it is chosen', function () {
    $document = documentAt(__DIR__.'/../documents/either-way.txt');
    expect(array_map(static fn (ExtractedEvent $each): string => $each->start->toDate(), extractedFrom($document, DateOrder::MonthFirst)->events))->toBe(['2026-03-09', '2026-04-09', '2026-08-10']);
});

test('five thousand rows are read without more memory than they are', function () {
    $text = "Date,What\n".implode('', array_map(static fn (int $n): string => date('d/m/Y', strtotime('2026-09-01') + 86_400 * ($n % 300)).",Duty {$n}\n", range(1, 4_999)));
    $read = Extraction::of([Block::table(1, SeparatedText::rows($text))], new Vocabulary, new Habits, LocalDateTime::parse('2026-09-01'), LocalDateTime::parse('2026-09-01'));
    expect($read->events)->toHaveCount(4_999);
});

/** The names by which the rows of a table are known. */
function namesOf(string $csv, ChosenColumns $chosen): array
{
    $read = Extraction::of([Block::table(1, SeparatedText::rows($csv))], new Vocabulary, new Habits, LocalDateTime::parse('2026-09-01'), LocalDateTime::parse('2026-09-01'), columns: static fn (): ChosenColumns => $chosen);

    return DocumentEvents::keys($read->events);
}

test('the key of a row is what stands in the columns that were chosen, however it is written, and nothing else', function () {
    $keys = namesOf("Date,What,Ref,Crew\n2026-09-07,Drill,A1,Keel\n2026-09-08,Tea, a1 ,KEEL\n2026-09-09,Nets,A2,Keel\n2026-09-10,Launch,,\n", $chosen = new ChosenColumns(keys: [2, 3]));
    // The second row says the same as the first, and is the second of it; the last says nothing there.
    expect(array_keys($keys))->toBe([0, 1, 2])->and(array_unique($keys))->toHaveCount(3);
    expect(namesOf("Date,What,REF:,Crew\n2027-09-07,Other drill,A1,Keel\n2026-09-09,Other nets,A2,Keel\n", $chosen))->toBe([$keys[0], $keys[2]]);
    // In a column that is called otherwise it is another key.
    expect(namesOf("Date,What,No,Crew\n2026-09-07,Drill,A1,Keel\n", $chosen))->not->toContain($keys[0]);
});

test('a key says nothing of what a row is, and stays with it when that is put right', function () {
    $read = Extraction::of([Block::table(1, SeparatedText::rows("Date,What,Ref\n2026-09-07,Drill,A1\n"))], new Vocabulary, new Habits, LocalDateTime::parse('2026-09-01'), LocalDateTime::parse('2026-09-01'), columns: static fn (): ChosenColumns => new ChosenColumns(keys: [2]));
    $row = $read->events[0];
    expect($row->title)->toBe('Drill')->and($read->tables[0]->columns[2]->isKey)->toBeTrue();
    foreach ([(new RowEdit(title: 'Tea'))->of($row, LocalDateTime::parse('2026-09-01'), new Habits), $row->doubted('x'), $row->saying(ColumnRole::Category, 'duty'), $row->withField(ColumnRole::Category, 'duty')] as $other) {
        expect($other->key)->toBe($row->key);
    }
});
