<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Reminder;
use PinnedRota\Core\Time\Zone;

/** The reminders of an event, and what its file said that means nothing here, as content lines: how they are stored. */
final class DetailsText
{
    /** The lines, or null where there are none. */
    public static function write(Event $event): ?string
    {
        $text = LineWriter::unfolded(static fn (LineWriter $writer) => (new EventWriter($writer))->details($event));

        return $text === '' ? null : $text;
    }

    /**
     * Reads what write() wrote.
     *
     * @return array{list<Reminder>, ForeignContent, ?int} with when it was made, UTC seconds
     */
    public static function read(string $lines): array
    {
        if ($lines === '') {
            return [[], new ForeignContent, null];
        }
        $text = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-\r\nBEGIN:VEVENT\r\nUID:-\r\nDTSTAMP:20260101T000000Z\r\nDTSTART:20260101T000000Z\r\n{$lines}END:VEVENT\r\nEND:VCALENDAR\r\n";
        foreach (CalendarReader::ofText($text, new Diagnostics, Zone::utc())->events() as $event) {
            return [$event->reminders, $event->foreign, $event->created];
        }

        return [[], new ForeignContent, null];
    }
}
