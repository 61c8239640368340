<?php

namespace App\Feeds;

use Illuminate\Support\Carbon;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\CalendarHead;
use PinnedRota\Core\ICalendar\CalendarWriter;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;

/** Why a feed gives nothing any more, told where its readers look: as the one event of an empty calendar. */
enum FeedEnd: string
{
    /** So many days it is told of a feed that was ended; then the address is gone. */
    public const DAYS = 14;

    private const REFRESH_MINUTES = 1440;

    case Revoked = 'This feed was ended by those who look after it.';
    case PublisherGone = 'Whoever published it is no longer here.';
    case PublisherShutOut = 'Whoever published it may no longer see this calendar.';

    case Paused = 'It is paused by those who look after it.';

    private function contents(): EventContents
    {
        return $this === self::Paused
            ? new EventContents('This calendar is not shown at the moment', description: "{$this->value} It comes back here by itself.", busy: false)
            : new EventContents('This calendar is no longer shared here', description: "{$this->value} Ask whoever gave you the address for a new one, and take this one off your list.", busy: false);
    }

    /** @param  Carbon  $today  on which it is told */
    public function document(string $name, Carbon $today): string
    {
        $event = new Event(
            uid: hash('sha256', "{$name}|{$this->name}").'@ended.invalid',
            timing: EventTiming::from(EventTime::date(LocalDateTime::parse($today->toDateString()))),
            contents: $this->contents(),
            stamp: $today->startOfDay()->getTimestamp(),
        );

        return CalendarWriter::text(new CalendarHead($name, refreshMinutes: self::REFRESH_MINUTES), [new Series($event)]);
    }
}
