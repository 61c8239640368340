<?php

use PinnedRota\Core\Events\EventLink;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantKind;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\SeriesCollector;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\DetailsText;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\OtherComponent;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

const HEAD = "UID:1\nDTSTAMP:20260101T000000Z\nDTSTART;TZID=Europe/London:20261102T093000\n";

/** @return array{list<Series>, list<string>} */
function collected(string $text): array
{
    return Make::series($text);
}

/** @param  list<Series>  $series */
function rewritten(array $series): string
{
    return Make::document($series);
}

/** @return list<string> */
function expanded(array $series, string $from = '2020-01-01', string $to = '2035-01-01'): array
{
    $lines = [];
    foreach ($series as $each) {
        foreach ($each->occurrences(LocalDateTime::parse($from)->seconds, LocalDateTime::parse($to)->seconds) as $occurrence) {
            assert($occurrence instanceof Occurrence);
            $lines[] = "{$each->uid()} {$occurrence->startSeconds} {$occurrence->endSeconds} {$occurrence->recurrenceId?->indexSeconds()} {$occurrence->event->contents->title}";
        }
    }
    sort($lines);

    return $lines;
}

test('people, reminders and all else of an event are read, and survive a round trip', function () {
    [[$series], $problems] = collected(Make::calendar(HEAD.<<<'ICS'
        SUMMARY:Sea trial
        ORGANIZER;CN=Ada Quill:mailto:ada@example.org
        ATTENDEE;CN="Oar, Ben";ROLE=CHAIR;PARTSTAT=ACCEPTED;X-NUM=2:mailto:ben@example.org
        ATTENDEE;CUTYPE=ROOM;ROLE=OPT-PARTICIPANT;PARTSTAT=TENTATIVE;RSVP=TRUE;CN=Long ^'loft^':urn:room:7
        ATTENDEE:eve@example.org
        ATTENDEE;CN=Ada again:MAILTO:BEN@example.org
        ATTACH;FMTTYPE=application/pdf:https://example.org/plan.pdf
        COLOR:teal
        CONFERENCE;VALUE=URI;FEATURE=AUDIO,VIDEO:https://example.org/room
        GEO:54.5;-3.25
        RELATED-TO;RELTYPE=PARENT:other
        X-ODD;X-P="a,b",c:kept
        BEGIN:VALARM
        ACTION:EMAIL
        TRIGGER;RELATED=END:PT15M
        SUMMARY:Soon over
        ATTENDEE:mailto:ben@example.org
        END:VALARM
        BEGIN:VALARM
        ACTION:DISPLAY
        TRIGGER;VALUE=DATE-TIME:20261102T080000Z
        END:VALARM
        BEGIN:VALARM
        ACTION:AUDIO
        TRIGGER:-P1DT2H
        END:VALARM
        BEGIN:X-LOCAL
        X-KEPT:yes
        END:X-LOCAL
        ICS));
    $event = $series->master;
    expect($problems)->toBe(['line 12: ATTENDEE: the address lacks “mailto:” (mended)'])
        ->and($event->organizer)->address->toBe('mailto:ada@example.org')->name->toBe('Ada Quill')
        ->and($event->participants)->toHaveCount(3)
        ->and($event->participants[0])->name->toBe('Oar, Ben')->role->toBe(ParticipantRole::Responsible)->answer->toBe(ParticipantAnswer::Accepted)->parameters->toBe(['X-NUM' => ['2']])
        ->and($event->participants[1])->name->toBe('Long "loft"')->kind->toBe(ParticipantKind::Room)->role->toBe(ParticipantRole::Optional)->asked->toBeTrue()
        ->and($event->participants[2])->address->toBe('mailto:eve@example.org')->answer->toBe(ParticipantAnswer::Unanswered)
        ->and($event->reminders)->toHaveCount(3)
        ->and($event->reminders[0])->fromEnd->toBeTrue()->action->toBe('EMAIL')->extra->toHaveCount(2)
        ->and($event->reminders[1]->at->indexSeconds())->toBe(LocalDateTime::parse('2026-11-02T08:00')->seconds)
        ->and((string) $event->reminders[2]->offset)->toBe('-P1DT7200S')
        ->and(array_map(static fn ($property): string => $property->name, $event->foreign->properties))->toBe(['ATTACH', 'COLOR', 'CONFERENCE', 'GEO', 'RELATED-TO', 'X-ODD'])
        ->and($event->foreign->components[0]->first('X-KEPT')->value)->toBe('yes');
    $text = rewritten([$series]);
    [[$again], $problems] = collected($text);
    expect($problems)->toBe([])->and(rewritten([$again]))->toBe($text)
        ->and($again->master->participants)->toEqual($event->participants)
        ->and($again->master->reminders[2]->offset)->toEqual($event->reminders[2]->offset)
        ->and($text)->toContain('X-ODD;X-P="a,b",c:kept')->toContain("BEGIN:X-LOCAL\r\nX-KEPT:yes\r\nEND:X-LOCAL");
    // How it is stored says the same.
    $stored = DetailsText::read((string) DetailsText::write($event));
    expect($stored[0])->toHaveCount(3)->and($stored[1]->properties)->toHaveCount(count($event->foreign->properties))->and($stored[1]->components)->toHaveCount(1)
        ->and(DetailsText::write(Make::event()))->toBeNull();
});

test('what is odd in an event is told with its line and with what was done', function (string $lines, string $problem) {
    expect(implode("\n", collected(Make::calendar(HEAD.$lines))[1]))->toContain($problem);
})->with([
    'an alarm without a time' => ["BEGIN:VALARM\nACTION:DISPLAY\nEND:VALARM", 'line 8: VALARM: The reminder does not say when. (skipped)'],
    'an alarm without an action' => ["BEGIN:VALARM\nTRIGGER:-PT5M\nEND:VALARM", 'line 8: VALARM: it has no ACTION; DISPLAY is taken (mended)'],
    'an alarm at no time' => ["BEGIN:VALARM\nACTION:DISPLAY\nTRIGGER:soon\nEND:VALARM", 'VALARM: “soon” is no date or time. (skipped)'],
    'somebody without an address' => ['ATTENDEE;CN=Nobody:', 'line 8: ATTENDEE: it has no address (skipped)'],
    'somebody whose address is a name' => ['ATTENDEE:Ada Quill', 'ATTENDEE: the address is no URI (skipped)'],
    'nowhere on earth' => ['GEO:91;0', 'GEO: it is no latitude and longitude (skipped)'],
    'no colour' => ['COLOR:#ff0000', 'COLOR: it is no name of a colour (skipped)'],
    'a large file inside' => ['ATTACH;ENCODING=BASE64;VALUE=BINARY:'.str_repeat('QUJD', 30_000), 'ATTACH: the file inside the calendar is too large (skipped)'],
    'a rule that leaves out' => ["RRULE:FREQ=DAILY;COUNT=9\nEXRULE:FREQ=WEEKLY", 'EXRULE: rules that leave out are no more in the standard; what it leaves out in 20 years is left out one by one (2) (mended)'],
    'a rule that leaves out more than can be worked out' => ["RRULE:FREQ=SECONDLY\nEXRULE:FREQ=SECONDLY", 'EXRULE: it leaves out more times than can be worked out, and is not applied (skipped)'],
    'an unknown state' => ['STATUS:MAYBE', 'STATUS: “MAYBE” is not known and is left out (mended)'],
    'a priority of words' => ['PRIORITY:high', 'PRIORITY: it is a number from 0 to 9 (mended)'],
    'an unknown range' => ['RECURRENCE-ID;TZID=Europe/London;RANGE=THISANDPRIOR:20261102T093000', 'this occurrence alone is changed (mended)'],
    'a link that is none' => ['URL:javascript:alert(1)', 'URL: it is no address of the web and is left out (skipped)'],
    'a period that ends before it begins' => ['RDATE;VALUE=PERIOD:20261105T100000Z/20261105T090000Z', 'RDATE: The end of a period is before its start. (skipped)'],
    'a date that is not said to be one' => ['DTEND:20261103', 'DTEND: a date is given without VALUE=DATE (mended)'],
    'more dates than any event has' => ['EXDATE:'.implode(',', array_fill(0, 10_001, '20261102T093000Z')), 'EXDATE: the event has too many dates; the rest is left out (skipped)'],
    'UNTIL as a date' => ['RRULE:FREQ=DAILY;UNTIL=20261110', 'UNTIL is a date though the event has a time; it is read as the end of that day (mended)'],
    'UNTIL on no clock' => ['RRULE:FREQ=DAILY;UNTIL=20261110T100000', 'UNTIL is not in UTC; it is read in the time zone of the start (mended)'],
    'COUNT and UNTIL' => ['RRULE:FREQ=DAILY;COUNT=3;UNTIL=20261110T100000Z', 'cannot both end a recurrence rule. It is read as FREQ=DAILY;UNTIL=20261110T100000Z (mended)'],
    'an interval of nothing' => ['RRULE:FREQ=DAILY;INTERVAL=0', 'It is read as FREQ=DAILY (mended)'],
    'a numbered day in a week' => ['RRULE:FREQ=WEEKLY;BYDAY=1MO,2TU', 'It is read as FREQ=WEEKLY;BYDAY=MO,TU (mended)'],
    'a part of another calendar' => ['RRULE:RSCALE=GREGORIAN;FREQ=YEARLY;SKIP=SIDEWAYS', 'SKIP cannot be “SIDEWAYS”. It is read as FREQ=YEARLY (mended)'],
    'BYSETPOS alone' => ['RRULE:FREQ=DAILY;BYSETPOS=1', 'BYSETPOS stands without another BY part to choose from (mended)'],
]);

test('a file that lacks what the RFC asks of a calendar is told so', function () {
    $text = "BEGIN:VCALENDAR\nVERSION:1.0\nBEGIN:VEVENT\nUID:1\nDTSTART:20261102T093000Z\nEND:VEVENT\nEND:VCALENDAR\nSUMMARY:lost\n";
    expect(collected($text)[1])->toBe([
        'line 1: VERSION: version “1.0” is read as though it were 2.0 (mended)',
        'line 1: PRODID: the calendar does not say what program wrote it (mended)',
        'line 3: DTSTAMP: the event, and perhaps others, does not say when it was written (mended)',
        'line 8: this stands outside any calendar (skipped)',
    ]);
});

$yard = <<<'ICS'
    BEGIN:VTIMEZONE
    TZID:Our yard
    BEGIN:STANDARD
    DTSTART:19701025T030000
    RRULE:FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU
    TZOFFSETFROM:+0230
    TZOFFSETTO:+0130
    END:STANDARD
    BEGIN:DAYLIGHT
    DTSTART:19700329T020000
    RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU
    TZOFFSETFROM:+0130
    TZOFFSETTO:+0230
    END:DAYLIGHT
    END:VTIMEZONE

    ICS;
$yardEvent = "BEGIN:VEVENT\nUID:1\nDTSTAMP:20260101T000000Z\nDTSTART;TZID=Our yard:20260301T090000\nRRULE:FREQ=WEEKLY;COUNT=6\nEXDATE;TZID=Our yard:20260308T090000\nSUMMARY:Yard\nEND:VEVENT\n";

test('a zone whose name means nothing is what the file says of it, before the event or after', function (bool $first) use ($yard, $yardEvent) {
    $text = "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:-\n".($first ? $yard.$yardEvent : $yardEvent.$yard)."END:VCALENDAR\n";
    [[$series], $problems] = collected($text);
    $hours = array_map(static fn (Occurrence $each): string => gmdate('m-d H:i', $each->startSeconds), $series->occurrences(0, 2_000_000_000));
    expect($problems)->toBe([])->and($hours)->toBe(['03-01 07:30', '03-15 07:30', '03-22 07:30', '03-29 06:30', '04-05 06:30'])
        ->and($series->master->timing->start->zone->name)->toBe('Our yard')
        // It is found again by its id, and its dates with it.
        ->and(Zone::find($series->master->timing->start->zone->id)->offsetAt(1_790_000_000))->toBe(9000)
        ->and(expanded(collected(rewritten([$series]))[0]))->toBe(expanded([$series]));
})->with([true, false]);

test('a zone that a file describes holds in its calendar alone', function () use ($yard, $yardEvent) {
    $other = "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:-\n".str_replace('UID:1', 'UID:2', $yardEvent)."END:VCALENDAR\n";
    $problems = collected("BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:-\n{$yard}{$yardEvent}END:VCALENDAR\n{$other}")[1];
    expect($problems)->not->toBe([])->and($problems[0])->toContain('the time zone “Our yard” is unknown; Europe/London is taken');
});

test('a described zone is the one of the IANA database that it names and agrees with', function (string $name, string $offset, string $expected) use ($yard) {
    $zone = strtr($yard, array_combine(['Our yard', '+0230', '+0130', '030000', '020000'], [$name, ...explode(' ', $offset)]));
    $event = str_replace('Our yard', $name, "BEGIN:VEVENT\nUID:1\nDTSTAMP:20260101T000000Z\nDTSTART;TZID=\"Our yard\":20260301T090000\nEND:VEVENT\n");
    [[$series]] = collected("BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:-\n{$zone}{$event}END:VCALENDAR\n");
    expect($series->master->timing->start->zone->id)->toStartWith($expected);
})->with([
    'by its city' => ['(UTC+01:00) Amsterdam, Berlin, Bern', '+0200 +0100 030000 020000', 'Europe/Amsterdam'],
    'by the zone of the calendar' => ['Customized', '+0100 +0000 020000 010000', 'Europe/London'],
    'by neither, though a city stands in its name' => ['Berlin yard', '+0230 +0130 030000 020000', 'vtimezone:Berlin yard'],
    'by a path before its name' => ['/example.org/20260101_1/Europe/Paris', '+0230 +0130 030000 020000', 'Europe/Paris'],
]);

test('a changed occurrence that is named by its day alone belongs to that day', function () {
    [[$series]] = collected(Make::calendar(HEAD."RRULE:FREQ=DAILY;COUNT=3\nSUMMARY:Each", "UID:1\nDTSTAMP:20260101T000000Z\nRECURRENCE-ID;VALUE=DATE:20261103\nDTSTART;TZID=Europe/London:20261103T140000\nSUMMARY:Moved"));
    expect(array_map(static fn (Occurrence $each): string => gmdate('d H:i', $each->startSeconds), $series->occurrences(0, 2_000_000_000)))->toBe(['02 09:30', '03 14:00', '04 09:30']);
});

/** What a calendar is written anew with all that it holds. */
function writtenWhole(string $text): string
{
    $reader = new CalendarReader(Make::stream($text), new Diagnostics, Zone::of('Europe/London'));
    $collector = new SeriesCollector;
    $others = [];
    foreach ($reader->contents() as $content) {
        if ($content instanceof OtherComponent) {
            $others[] = $content;
        } else {
            $collector->add($content);
        }
    }

    return str_replace(["\r\n ", "\r\n"], ['', "\n"], Make::document($collector, $reader->head(), $others));
}

test('what means nothing here survives, word for word', function () {
    $text = str_replace("\n", "\r\n", <<<'ICS'
        BEGIN:VCALENDAR
        VERSION:2.0
        PRODID:-//Of somebody//EN
        CALSCALE:GREGORIAN
        X-WR-CALNAME:Rowing
        NAME;LANGUAGE=en:Rowing
        NAME;LANGUAGE=fr:Aviron
        CATEGORIES:water,boats
        CATEGORIES;LANGUAGE=fr:eau
        COLOR:teal
        SOURCE;VALUE=URI:https://example.org/rowing.ics
        BEGIN:VTODO
        UID:paint
        DTSTAMP:20260101T000000Z
        DUE;TZID=Somewhere:20260601T090000
        SUMMARY:Paint the hull
        BEGIN:VALARM
        ACTION:DISPLAY
        TRIGGER;TZID=Somewhere:20260531T090000
        END:VALARM
        END:VTODO
        BEGIN:VEVENT
        UID:a
        DTSTAMP:20260101T000000Z
        CREATED:20251201T090000Z
        LAST-MODIFIED:20251202T090000Z
        DTSTART;TZID=Europe/London:20260302T090000
        DTEND;TZID=Europe/Oslo:20260302T120000
        SUMMARY;LANGUAGE=fr:Aviron
        LOCATION;LANGUAGE=fr;ALTREP="https://example.org/a;b":Le quai
        STATUS:CONFIRMED
        TRANSP:OPAQUE
        CLASS:CONFIDENTIAL
        SEQUENCE:3
        CONFERENCE;VALUE=URI;FEATURE=AUDIO,VIDEO;LABEL="Room two, above":https://example.org/room
        BEGIN:VALARM
        ACTION:DISPLAY
        TRIGGER;RELATED=END;X-WHY=tide:-PT900S
        DESCRIPTION:Soon
        BEGIN:VLOCATION
        UID:pier
        NAME:The pier
        END:VLOCATION
        END:VALARM
        END:VEVENT
        BEGIN:VJOURNAL
        UID:log
        DTSTAMP:20260101T000000Z
        SUMMARY:Of the day
        END:VJOURNAL
        BEGIN:VFREEBUSY
        UID:free
        DTSTAMP:20260101T000000Z
        FREEBUSY:20260101T090000Z/PT1H
        END:VFREEBUSY
        BEGIN:VAVAILABILITY
        UID:open
        DTSTAMP:20260101T000000Z
        BEGIN:AVAILABLE
        UID:mornings
        DTSTART;TZID=Europe/London:20260105T080000
        DURATION:PT4H
        RRULE:FREQ=WEEKLY
        END:AVAILABLE
        END:VAVAILABILITY
        BEGIN:VTIMEZONE
        TZID:Somewhere
        BEGIN:STANDARD
        DTSTART:19700101T000000
        TZOFFSETFROM:+0130
        TZOFFSETTO:+0130
        END:STANDARD
        END:VTIMEZONE
        END:VCALENDAR

        ICS);
    $written = writtenWhole($text);
    // Its zones are described before what names them; all else is there to the letter.
    foreach (['VEVENT', 'VTODO', 'VJOURNAL', 'VFREEBUSY', 'VAVAILABILITY'] as $component) {
        preg_match("/BEGIN:{$component}\n.*END:{$component}\n/s", str_replace("\r\n", "\n", $text), $before);
        preg_match("/BEGIN:{$component}\n.*END:{$component}\n/s", $written, $after);
        expect($after[0] ?? '')->toBe($before[0]);
    }
    expect($written)->toContain("X-WR-CALNAME:Rowing\nNAME;LANGUAGE=en:Rowing\nNAME;LANGUAGE=fr:Aviron\nCATEGORIES:water,boats\nCATEGORIES;LANGUAGE=fr:eau\nCOLOR:teal\nSOURCE;VALUE=URI:https://example.org/rowing.ics\n")
        ->and(substr_count($written, 'NAME:Rowing'))->toBe(1)
        ->and($written)->toContain('TZID:Somewhere', 'TZID:Europe/London', 'TZID:Europe/Oslo')
        ->and(writtenWhole(str_replace("\n", "\r\n", $written)))->toBe($written);
});

test('what was said of a text is said no more once the text is another', function () {
    [[$series]] = collected(Make::calendar(HEAD."SUMMARY;LANGUAGE=fr:Aviron\nLOCATION;LANGUAGE=fr:Le quai"));
    $event = $series->master;
    $changed = $event->with(contents: $event->contents->with(title: 'Rowing'));
    [, $foreign] = DetailsText::read((string) DetailsText::write($changed));
    expect(rewritten([new Series($changed)]))->toContain("SUMMARY:Rowing\r\n", "LOCATION;LANGUAGE=fr:Le quai\r\n")
        ->and(array_map(static fn ($each): string => $each->name, $foreign->properties))->toBe(['LOCATION']);
});

test('what a file names to be opened is an address that may be', function () {
    [[$series]] = collected(Make::calendar(HEAD."SUMMARY:Talk\nCONFERENCE;VALUE=URI;LABEL=Room two:https://example.org/room\nCONFERENCE;VALUE=URI:tel:+44-20-0000\nCONFERENCE:javascript:alert(1)\nIMAGE;VALUE=URI:https://example.org/boat.png\nIMAGE;ENCODING=BASE64;VALUE=BINARY:AAAA\nATTACH;FILENAME=Sheet.pdf:https://example.org/sheet\nATTACH:data:text/html,x"));
    expect(array_map(static fn (EventLink $each): array => [$each->kind, $each->address, $each->label], EventLink::of($series->master->foreign)))->toBe([
        ['conference', 'https://example.org/room', 'Room two'], ['conference', 'tel:+44-20-0000', 'tel:+44-20-0000'],
        ['image', 'https://example.org/boat.png', 'https://example.org/boat.png'], ['document', 'https://example.org/sheet', 'Sheet.pdf'],
    ]);
});
