<?php

namespace Tests\Support;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\SeriesCollector;
use PinnedRota\Core\ICalendar\CalendarHead;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\CalendarWriter;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\OtherComponent;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;
use ReflectionMethod;
use ReflectionParameter;

/** Short ways to things that tests need many of. */
final class Make
{
    /** `2026-11-02` is a date; `2026-11-02T09:30` is on the wall of the zone, or floating where that is null. */
    public static function time(string $text, ?string $zone = 'Europe/London'): EventTime
    {
        $local = LocalDateTime::parse($text);

        return match (true) {
            strlen($text) === 10 => EventTime::date($local),
            $zone === null => EventTime::floating($local),
            default => EventTime::zoned($local, Zone::of($zone)),
        };
    }

    /** @param  array<string, mixed>  $more further arguments of the event, of its contents, or its recurrence, end or duration */
    public static function event(string $title = 'Rigging test', string $start = '2026-11-02T09:30', ?string $end = null, ?string $rule = null, ?string $zone = 'Europe/London', string $uid = '', array $more = []): Event
    {
        $from = self::time($start, $zone);
        $recurrence = $more['recurrence'] ?? ($rule === null ? new RecurrenceSet : new RecurrenceSet([(new RuleParser)->parse($rule)]));
        $timing = match (true) {
            isset($more['duration']) => EventTiming::lasting($from, $more['duration'], $recurrence),
            $end === null => EventTiming::between($from, $from->plusExactSeconds(strlen($start) === 10 ? 86400 : 3600), $recurrence),
            default => EventTiming::between($from, self::time($end, $zone), $recurrence),
        };
        $isEvents = array_flip(array_map(static fn (ReflectionParameter $each): string => $each->name, (new ReflectionMethod(Event::class, '__construct'))->getParameters()));

        return new Event(...array_intersect_key($more, $isEvents) + [
            'uid' => $uid === '' ? uniqid('', true) : $uid,
            'timing' => $timing,
            'contents' => new EventContents(...array_diff_key($more, $isEvents, ['recurrence' => true, 'duration' => true]) + ['title' => $title]),
        ]);
    }

    /** @return resource */
    public static function stream(string $text): mixed
    {
        $stream = fopen('php://memory', 'w+');
        fwrite($stream, $text);
        rewind($stream);

        return $stream;
    }

    /** @return array{list<Series>, list<string>} what is in a file, in its order, and what the reader says of it */
    public static function series(string $text, string $zone = 'Europe/London'): array
    {
        $diagnostics = new Diagnostics;
        $collector = new SeriesCollector($diagnostics);
        foreach ((new CalendarReader(self::stream($text), $diagnostics, Zone::of($zone)))->events() as $event) {
            $collector->add($event);
        }

        return [$collector->series(), array_map(strval(...), $diagnostics->all())];
    }

    /**
     * @param  iterable<Series>  $series
     * @param  list<OtherComponent>  $others
     */
    public static function document(iterable $series, CalendarHead $head = new CalendarHead, array $others = []): string
    {
        $stream = self::stream('');
        (new CalendarWriter($stream))->write($head, $series, $others);
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    public static function calendar(string ...$events): string
    {
        return "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Test//EN\r\n".implode('', array_map(
            static fn (string $event): string => "BEGIN:VEVENT\r\n".str_replace("\n", "\r\n", trim($event))."\r\nEND:VEVENT\r\n",
            $events,
        ))."END:VCALENDAR\r\n";
    }
}
