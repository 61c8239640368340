<?php

use PinnedRota\Core\ICalendar\Diagnostic;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\LineReader;
use PinnedRota\Core\ICalendar\LineWriter;
use PinnedRota\Core\ICalendar\Outcome;
use PinnedRota\Core\ICalendar\PropertyParser;
use PinnedRota\Core\ICalendar\Text;
use Tests\Support\Make;

/** @return array<int, string> content lines by the line they begin on */
function contentLines(string $text, ?Diagnostics $diagnostics = null): array
{
    return iterator_to_array((new LineReader(Make::stream($text), $diagnostics ?? new Diagnostics))->lines());
}

function line(string $name, string $value, array $parameters = [], int $width = 75): string
{
    $stream = Make::stream('');
    (new LineWriter($stream, $width))->property($name, $value, $parameters);
    rewind($stream);

    return (string) stream_get_contents($stream);
}

test('lines are unfolded and known by the line they begin on', function (string $text, array $expected) {
    expect(contentLines($text))->toBe($expected);
})->with([
    'CRLF' => ["A:1\r\nB:2\r\n", [1 => 'A:1', 2 => 'B:2']],
    'LF, and no end' => ["A:1\nB:2", [1 => 'A:1', 2 => 'B:2']],
    'CR' => ["A:1\rB:2\r", [1 => 'A:1', 2 => 'B:2']],
    'mixed' => ["A:1\r\nB:2\nC:3\rD:4", [1 => 'A:1', 2 => 'B:2', 3 => 'C:3', 4 => 'D:4']],
    'folded by a blank and by a tab' => ["A:1\r\n 2\r\n\t3\r\nB:4", [1 => 'A:123', 4 => 'B:4']],
    'folded in the middle of a blank' => ["A:one\r\n  two", [1 => 'A:one two']],
    'empty lines between' => ["A:1\r\n\r\n\r\nB:2", [1 => 'A:1', 4 => 'B:2']],
    'blanks that fold nothing' => ["   \r\nA:1", [2 => 'A:1']],
    'a byte order mark' => ["\xEF\xBB\xBFA:1", [1 => 'A:1']],
    'nothing' => ['', []],
]);

test('lines are the same wherever a chunk of the stream ends', function (string $end) {
    // Chunks are 64 KiB: the ends of lines come to lie before, on and after their edges.
    for ($shift = -3; $shift <= 3; $shift++) {
        $first = 'A:'.str_repeat('x', 65_536 + $shift - 2 - strlen($end));
        expect(contentLines("{$first}{$end}B:2{$end}C:3"))->toBe([1 => $first, 2 => 'B:2', 3 => 'C:3'], "shift {$shift}");
    }
})->with(["\r\n", "\n", "\r"]);

test('a fold inside a character is joined', function () {
    $word = 'Mårtensö 船';
    for ($cut = 1; $cut < strlen($word); $cut++) {
        expect(contentLines('A:'.substr($word, 0, $cut)."\r\n ".substr($word, $cut)))->toBe([1 => "A:{$word}"]);
    }
});

test('a line that is too long is cut, and the next is read', function () {
    $diagnostics = new Diagnostics;
    $long = 'A:'.str_repeat('x', LineReader::MAX_LENGTH);
    $read = contentLines("{$long}\r\nB:2", $diagnostics);
    expect($read[1] === substr($long, 0, LineReader::MAX_LENGTH))->toBeTrue()->and($read[2])->toBe('B:2')
        ->and((string) $diagnostics->all()[0])->toStartWith('line 1: the line is longer than')->toEndWith('is cut there (mended)')
        ->and(contentLines('A:'.str_repeat('x', LineReader::MAX_LENGTH - 2)."\r\nB:2"))->toHaveCount(2);
});

test('a property is parted into name, parameters and value', function (string $text, ?string $name, string $value, array $parameters) {
    $property = (new PropertyParser(new Diagnostics))->parse(1, $text);
    expect($property?->name)->toBe($name);
    if ($name !== null) {
        expect($property->value)->toBe($value)->and($property->parameters)->toBe($parameters);
    }
})->with([
    'plain' => ['SUMMARY:One', 'SUMMARY', 'One', []],
    'in small letters' => ['summary:One', 'SUMMARY', 'One', []],
    'a colon in the value' => ['URL:https://example.org/a:b', 'URL', 'https://example.org/a:b', []],
    'a semicolon in the value' => ['GEO:1;2', 'GEO', '1;2', []],
    'nothing after the colon' => ['SUMMARY:', 'SUMMARY', '', []],
    'a parameter' => ['DTSTART;TZID=Europe/London:20261102T093000', 'DTSTART', '20261102T093000', ['TZID' => ['Europe/London']]],
    'a quoted parameter' => ['ATTENDEE;CN="Oar; Ben: him":mailto:b@example.org', 'ATTENDEE', 'mailto:b@example.org', ['CN' => ['Oar; Ben: him']]],
    'several values' => ['X;A=1,"2,3",4:v', 'X', 'v', ['A' => ['1', '2,3', '4']]],
    'several parameters, in small letters' => ['X;a=1;b=2:v', 'X', 'v', ['A' => ['1'], 'B' => ['2']]],
    'RFC 6868' => ["X;A=a^nb^^c^'d:v", 'X', 'v', ['A' => ["a\nb^c\"d"]]],
    'an empty parameter' => ['X;A=:v', 'X', 'v', ['A' => ['']]],
    'blanks where none belong' => ['X ; A=1:v', 'X', 'v', ['A' => ['1']]],
    'a parameter without a value' => ['X;A:v', 'X', 'v', []],
    'a quote that does not end' => ['X;A="b:v', 'X', 'v', []],
    'no colon' => ['SUMMARY', null, '', []],
    'no name' => [':value', null, '', []],
    'a name that is none' => ['SUM MARY:x', null, '', []],
    'no value after parameters' => ['X;A=1', null, '', []],
]);

test('a property is written as it is read', function (string $name, string $value, array $parameters, string $written) {
    expect(line($name, $value, $parameters, PHP_INT_MAX))->toBe("{$written}\r\n");
    $again = (new PropertyParser(new Diagnostics))->parse(1, $written);
    expect($again->value)->toBe($value)->and($again->parameters)->toBe(array_map(static fn ($each): array => (array) $each, $parameters));
})->with([
    ['X', 'v', [], 'X:v'],
    ['X', 'v', ['A' => '1'], 'X;A=1:v'],
    ['X', 'v', ['A' => ['1', '2;3']], 'X;A=1,"2;3":v'],
    ['X', 'v', ['A' => 'say "so"'], "X;A=say ^'so^':v"],
    ['X', 'v', ['A' => "two\nlines ^"], 'X;A=two^nlines ^^:v'],
]);

test('lines are folded at 75 octets and no character is cut', function (int $length) {
    $value = str_repeat('é', $length);
    $written = line('X', $value);
    foreach (explode("\r\n", rtrim($written, "\r\n")) as $index => $physical) {
        expect(strlen($physical))->toBeLessThanOrEqual(75)->and(mb_check_encoding($physical, 'UTF-8'))->toBeTrue()
            ->and($index === 0 || $physical[0] === ' ')->toBeTrue();
    }
    expect(contentLines($written))->toBe([1 => "X:{$value}"]);
})->with([1, 36, 37, 38, 73, 74, 75, 500]);

test('text is escaped and comes back', function (string $text, string $escaped) {
    expect(Text::escape($text))->toBe($escaped)->and(Text::unescape($escaped))->toBe($text);
})->with([
    ['plain', 'plain'], ['a, b; c', 'a\\, b\\; c'], ["two\nlines", 'two\\nlines'], ['back\\slash', 'back\\\\slash'], ['\\n is no line', '\\\\n is no line'], ['', ''],
]);

test('escapes that programs write though the RFC has none are undone, others stand', function () {
    expect(Text::unescape('a\\Nb\\:c\\"d\\x'))->toBe("a\nb:c\"d\\x")
        ->and(Text::escape("a\r\nb\rc\x07"))->toBe('a\\nb\\nc')
        ->and(Text::members('one, two\\, three,,four\\\\,five'))->toBe(['one', 'two, three', 'four\\', 'five']);
});

test('diagnostics are told worst first, counted beyond what is kept, and a fault that runs through a file once', function () {
    $diagnostics = new Diagnostics(3);
    $diagnostics->add(9, 'A', 'mended late', Outcome::Mended);
    $diagnostics->add(3, 'B', 'skipped', Outcome::Skipped);
    $diagnostics->addOnce(4, 'C', 'again and again', Outcome::Refused);
    $diagnostics->addOnce(5, 'C', 'again and again', Outcome::Refused);
    $diagnostics->add(1, 'D', 'one too many', Outcome::Mended);
    expect($diagnostics->total())->toBe(4)
        ->and(array_map(static fn (Diagnostic $each): int => $each->line, $diagnostics->all()))->toBe([9, 3, 4])
        ->and(array_map(static fn (Diagnostic $each): int => $each->line, $diagnostics->worstFirst()))->toBe([4, 3, 9])
        ->and((string) $diagnostics->all()[1])->toBe('line 3: B: skipped (skipped)');
});
