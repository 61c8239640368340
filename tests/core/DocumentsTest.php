<?php

use PinnedRota\Core\Documents\Block;
use PinnedRota\Core\Documents\DateOrder;
use PinnedRota\Core\Documents\ExtractedEvent;
use PinnedRota\Core\Documents\Extraction;
use PinnedRota\Core\Documents\Page;
use PinnedRota\Core\Documents\PlainText;
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
