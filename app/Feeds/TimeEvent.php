<?php

namespace App\Feeds;

use App\Overlays\SheetItemData;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Reminder;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** One time of an event, as it is drawn, as an event of its own in a file. */
final class TimeEvent
{
    /**
     * @param  string  $uid  by which it is known there: what is seen elsewhere under another is not given away
     * @param  int  $stamp  when it was written, UTC seconds
     * @param  ?int  $reminderMinutes  so long before it a device reminds; null: not at all
     */
    public static function of(SheetItemData $item, Zone $zone, string $uid, int $stamp, string $notes = '', ?int $reminderMinutes = null): Event
    {
        $time = static fn (string $when): EventTime => $item->allDay ? EventTime::date(LocalDateTime::parse($when)) : EventTime::zoned(LocalDateTime::parse($when), $zone);

        return new Event(
            uid: $uid,
            timing: EventTiming::between($time($item->start), $time($item->end)),
            contents: new EventContents($item->title, $item->place, description: $notes, status: $item->status, categories: $item->categories),
            reminders: $reminderMinutes === null || $item->busyOnly ? [] : [new Reminder(new Duration(0, -60 * $reminderMinutes))],
            stamp: $stamp,
        );
    }
}
