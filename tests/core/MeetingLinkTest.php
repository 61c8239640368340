<?php

use PinnedRota\Core\Events\MeetingLink;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\CalendarHead;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\CalendarWriter;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\ForeignContent;
use PinnedRota\Core\ICalendar\Property;
use PinnedRota\Core\Organisation\MeetingPattern;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

test('an event is given a link, another, and none; what else a file names stays', function () {
    $plain = Make::event('Staff meeting', '2026-12-01T09:00', '2026-12-01T10:00');
    expect(MeetingLink::of($plain))->toBeNull()->and(MeetingLink::put($plain, null))->toBe($plain);
    $event = $plain->with(foreign: new ForeignContent([new Property('CONFERENCE', 'tel:+441234', ['VALUE' => ['URI']]), new Property('X-OTHER', 'kept')]));
    expect(MeetingLink::of($event))->toBeNull();
    $meets = MeetingLink::put($event, 'https://meet.example/one');
    expect(MeetingLink::of($meets))->toBe('https://meet.example/one')->and(MeetingLink::isOwn($meets))->toBeTrue();
    $other = MeetingLink::put($meets, 'https://meet.example/two');
    expect(MeetingLink::of($other))->toBe('https://meet.example/two')->and(array_column($other->foreign->properties, 'value'))->toEqualCanonicalizing(['tel:+441234', 'kept', 'https://meet.example/two']);
    expect(MeetingLink::of(MeetingLink::put($other, null)))->toBeNull()->and(MeetingLink::put($other, null)->foreign->properties)->toHaveCount(2);
});

test('it is written and read as CONFERENCE; one that a file brought is not ours', function () {
    $meets = MeetingLink::put(Make::event('Staff meeting', '2026-12-01T09:00', '2026-12-01T10:00'), 'https://meet.example/one');
    $text = CalendarWriter::text(new CalendarHead, [new Series($meets)]);
    expect(preg_replace('/\r\n /', '', $text))->toContain('CONFERENCE;VALUE=URI;FEATURE=AUDIO,VIDEO;LABEL=Join the meeting:https://meet.example/one');
    [$read] = iterator_to_array(CalendarReader::ofText($text, new Diagnostics, Zone::utc())->events(), false);
    expect(MeetingLink::of($read))->toBe('https://meet.example/one')->and(MeetingLink::isOwn($read))->toBeTrue();
    $foreign = $meets->with(foreign: new ForeignContent([new Property('CONFERENCE', 'https://elsewhere.example/room', ['VALUE' => ['URI'], 'LABEL' => ['Room']])]));
    expect(MeetingLink::isOwn($foreign))->toBeFalse()->and(MeetingLink::of($meets->with(foreign: new ForeignContent([new Property('CONFERENCE', 'javascript:alert(1)', [])]))))->toBeNull();
});

test('a pattern is an address, with a code in it or of a service', function (string $pattern, bool $isValid, bool $isService) {
    expect([MeetingPattern::isValid($pattern), MeetingPattern::isService($pattern)])->toBe([$isValid, $isService]);
})->with([
    ['https://meet.example/{code}', true, false], ['https://meet.example/rooms?name={code}', true, false], ['https://meet.example/new', true, true], ['http://10.0.0.1:8080/make', true, true],
    ['meet.example/{code}', false, false], ['javascript:{code}', false, false], ['https://', false, true], ['https://meet.example/a b', false, true],
]);
