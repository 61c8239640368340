<?php

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\ICalendar\CalendarHead;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostic;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\LineReader;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\ICalendar\RecurrenceText;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

/** @return array{list<Event>, list<string>} the events, and the problems as text */
function read(string $text): array
{
    $diagnostics = new Diagnostics;
    $events = iterator_to_array((new CalendarReader(Make::stream($text), $diagnostics, Zone::of('Europe/London')))->events(), false);

    return [$events, array_map(static fn (Diagnostic $each): string => (string) $each, $diagnostics->all())];
}

function written(Series ...$series): string
{
    return Make::document($series, new CalendarHead('Workshops'));
}

test('an event is read with all that is known of it', function () {
    [[$event], $problems] = read(Make::calendar(<<<'ICS'
        UID:a-1
        DTSTAMP:20260101T000000Z
        DTSTART;TZID=Europe/London:20261102T093000
        DTEND;TZID=Europe/London:20261102T110000
        RRULE:FREQ=WEEKLY;COUNT=4
        EXDATE;TZID=Europe/London:20261109T093000
        SUMMARY:Splicing\, wire\; part 1
        LOCATION:Long loft
        DESCRIPTION:First line\nsecond \\ line
        CATEGORIES:assessment,two\, words
        CATEGORIES:ASSESSMENT
        STATUS:TENTATIVE
        TRANSP:TRANSPARENT
        CLASS:PRIVATE
        PRIORITY:3
        SEQUENCE:7
        URL:https://example.org/a
        X-KEEL;X-P="a:b":kept as it is
        ICS));
    expect($problems)->toBe([])
        ->and($event->uid)->toBe('a-1')->and($event->contents)->title->toBe('Splicing, wire; part 1')->place->toBe('Long loft')
        ->and($event->contents)->description->toBe("First line\nsecond \\ line")->status->toBe(Status::Provisional)
        ->and($event->contents)->busy->toBeFalse()->private->toBeTrue()->priority->toBe(3)->link->toBe('https://example.org/a')
        ->and($event->sequence)->toBe(7)
        ->and($event->contents->categories)->toBe(['assessment', 'two, words'])
        ->and($event->timing->start->zone->name)->toBe('Europe/London')
        ->and($event->timing->lengthSeconds())->toBe(5400)
        ->and($event->timing->recurrence->skippedDates)->toHaveCount(1)
        ->and($event->foreign->properties[0])->name->toBe('X-KEEL')->value->toBe('kept as it is')
        ->and($event->foreign->properties[0]->parameter('X-P'))->toBe('a:b');
});

test('lines are unfolded however they end and wherever they are cut', function (string $end) {
    $text = "\xEF\xBB\xBFBEGIN:VCALENDAR{$end}VERSION:2.0{$end}PRODID:-{$end}BEGIN:VEVENT{$end}UID:1{$end}DTSTAMP:20260101T000000Z{$end}DTSTART:20261102T093000Z{$end}SUMMARY:Caf\xC3{$end} \xA9 on the{$end}\t quay{$end}END:VEVENT{$end}END:VCALENDAR";
    [[$event], $problems] = read($text);
    expect($event->contents->title)->toBe('Café on the quay')->and($problems)->toBe([]);
})->with(["\r\n", "\n", "\r"]);

test('a line that is cut at the edge of what is read at a time is whole', function () {
    $title = str_repeat('é', 40_000);
    $folded = implode("\n ", mb_str_split($title, 30));
    [[$event], $problems] = read(Make::calendar("UID:1\nDTSTAMP:20260101T000000Z\nDTSTART;VALUE=DATE:20261102\nDESCRIPTION:{$folded}"));
    expect($event->contents->description)->toBe($title)->and($problems)->toBe([]);
});

test('what is wrong is mended or refused, with its line', function (string $event, ?string $title, string $problem) {
    [$events, $problems] = read(Make::calendar($event));
    expect($events[0]->contents->title ?? null)->toBe($title)->and(implode("\n", $problems))->toContain($problem);
})->with([
    'no UID' => ["DTSTART:20261102\nSUMMARY:One", 'One', 'line 4: UID: the event has none; one is made from its title and start (mended)'],
    'no start' => ["UID:1\nSUMMARY:One", null, 'line 4: VEVENT: The event has no DTSTART. (refused)'],
    'a start that cannot be' => ["UID:1\nDTSTART:20260230T100000\nSUMMARY:One", null, 'There is no date 2026-02-30'],
    'an end before the start' => ["UID:1\nDTSTART:20261102T100000\nDTEND:20261102T090000\nSUMMARY:One", 'One', 'line 7: DTEND: the end is before the start and is left out (mended)'],
    'a date with a time' => ["UID:1\nDTSTART;VALUE=DATE:20261102\nDTEND:20261103T100000\nSUMMARY:One", 'One', 'start and end are not both dates or both times'],
    'a zone of nowhere' => ["UID:1\nDTSTART;TZID=Nowhere:20261102T100000\nSUMMARY:One", 'One', 'line 6: DTSTART: the time zone “Nowhere” is unknown; Europe/London is taken (mended)'],
    'a rule that cannot be' => ["UID:1\nDTSTART:20261102T100000\nRRULE:FREQ=OFTEN\nSUMMARY:One", 'One', 'line 7: RRULE: A recurrence rule needs a FREQ'],
    'no property at all' => ["UID:1\nDTSTART:20261102T100000\nnonsense\nSUMMARY:One", 'One', 'line 7: this is no property (skipped)'],
    'parameters that cannot be read' => ["UID:1\nDTSTART:20261102T100000\nSUMMARY;X=\"a:One", 'One', 'the parameters cannot be read (mended)'],
    'a title of 10,000 characters' => ["UID:1\nDTSTART:20261102\nSUMMARY:".str_repeat('x', 10_000), str_repeat('x', 500), 'it is longer than 500 characters and is cut'],
    'text that is not UTF-8' => ["UID:1\nDTSTART:20261102\nSUMMARY:Caf\xE9", 'Café', 'line 7: the text is not UTF-8, here and perhaps further down; it is read as Windows-1252 (mended)'],
]);

test('a zone is taken from what the file says of it where its name means nothing', function () {
    $zone = "BEGIN:VTIMEZONE\r\nTZID:Our yard\r\nX-LIC-LOCATION:America/New_York\r\nEND:VTIMEZONE\r\n";
    $text = str_replace("BEGIN:VEVENT\r\n", $zone."BEGIN:VEVENT\r\n", Make::calendar("UID:1\nDTSTAMP:20260101T000000Z\nDTSTART;TZID=Our yard:20261102T100000"));
    [[$event], $problems] = read($text);
    expect($event->timing->start->zone->name)->toBe('America/New_York')->and($problems)->toBe([]);
});

test('what is no calendar is told so', function (string $text) {
    expect(fn () => read($text))->toThrow(NotICalendar::class, 'no line BEGIN:VCALENDAR');
})->with(['', 'hello', '<!doctype html><title>Sign in</title>', "\0\0\0", "BEGIN:VEVENT\r\nEND:VEVENT\r\n"]);

test('odd files end in a result within bounds', function (string $text, int $events) {
    expect(count(read($text)[0]))->toBe($events);
})->with([
    'cut off' => [substr(Make::calendar("UID:1\nDTSTART:20261102\nSUMMARY:One"), 0, -30), 1],
    'nested 10,000 deep' => ["BEGIN:VCALENDAR\r\n".str_repeat("BEGIN:VEVENT\r\n", 10_000).str_repeat("END:VEVENT\r\n", 10_000)."END:VCALENDAR\r\n", 0],
    'ends without beginnings' => ["BEGIN:VCALENDAR\r\nEND:VEVENT\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n", 0],
    'a line longer than allowed' => [Make::calendar("UID:1\nDTSTART:20261102\nDESCRIPTION:".str_repeat('x', LineReader::MAX_LENGTH + 10)), 1],
    'two calendars in one file' => [Make::calendar("UID:1\nDTSTART:20261102").Make::calendar("UID:2\nDTSTART:20261102"), 2],
    'tasks and notes' => ["BEGIN:VCALENDAR\r\nBEGIN:VTODO\r\nUID:1\r\nEND:VTODO\r\nEND:VCALENDAR\r\n", 0],
]);

test('links that could run a script are not taken', function () {
    [[$event]] = read(Make::calendar("UID:1\nDTSTART:20261102\nURL:javascript:alert(1)"));
    expect($event->contents->link)->toBe('');
});

test('what is written is folded at 75 octets without cutting a character, and reads the same', function () {
    $event = Make::event(title: str_repeat('Mårtensö, ', 30), end: '2026-11-02T11:00', rule: 'FREQ=WEEKLY;COUNT=9', uid: 'x', more: ['description' => "one\ntwo; three\\four", 'categories' => ['a,b', 'c'], 'private' => true]);
    $text = written(new Series($event));
    foreach (explode("\r\n", $text) as $line) {
        expect(strlen($line))->toBeLessThanOrEqual(75)->and(mb_check_encoding($line, 'UTF-8'))->toBeTrue();
    }
    [[$again], $problems] = read($text);
    expect($problems)->toBe([])->and($again->contents->title)->toBe(trim($event->contents->title))->and($again->contents->description)->toBe($event->contents->description)
        ->and($again->contents->categories)->toBe($event->contents->categories)->and($again->contents->private)->toBeTrue()
        ->and((string) $again->timing->recurrence->rules[0])->toBe('FREQ=WEEKLY;COUNT=9')
        ->and($again->timing->end->equals($event->timing->end))->toBeTrue();
});

test('the same data gives the same octets, in whatever order it comes', function () {
    $one = new Series(Make::event(uid: 'one'));
    $two = new Series(Make::event(uid: 'two', zone: 'America/New_York'));
    expect(written($one, $two))->toBe(written($two, $one));
});

test('time zones are written for what is used and no more', function () {
    $text = written(new Series(Make::event(uid: 'one')), new Series(Make::event(uid: 'two', start: '2026-11-02')), new Series(Make::event(uid: 'three', zone: 'UTC')));
    expect(substr_count($text, 'BEGIN:VTIMEZONE'))->toBe(1)
        ->and($text)->toContain("TZID:Europe/London\r\n")->toContain('DTSTART;TZID=Europe/London:20261102T093000')
        ->toContain('DTSTART;VALUE=DATE:20261102')->toContain('DTSTART:20261102T093000Z')
        ->toContain("TZOFFSETFROM:+0100\r\nTZOFFSETTO:+0000");
});

test('a recurrence set comes back from how it is stored', function () {
    $set = Make::event(rule: 'FREQ=WEEKLY;UNTIL=20261224T000000Z')->timing->recurrence;
    $lines = RecurrenceText::write(new PinnedRota\Core\Recurrence\RecurrenceSet($set->rules, [new ExtraDate(Make::time('2026-11-05'))], [Make::time('2026-11-09T09:30', 'America/New_York')]));
    $again = RecurrenceText::read((string) $lines);
    expect($again->extraDates[0]->start->kind)->toBe(TimeKind::Date)->and($again->skippedDates[0]->zone->name)->toBe('America/New_York')
        ->and(RecurrenceText::write($again))->toBe($lines)
        ->and(RecurrenceText::write(new PinnedRota\Core\Recurrence\RecurrenceSet))->toBeNull();
});
