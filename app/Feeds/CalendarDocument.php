<?php

namespace App\Feeds;

use App\Access\Perspective;
use App\Calendars\Calendar;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Pins\Pin;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\ICalendar\CalendarWriter;

/** A calendar as an iCalendar document, as somebody sees it. */
final class CalendarDocument
{
    public function __construct(private readonly SeenSeries $seen)
    {
    }

    /**
     * @param  resource  $stream
     * @param  ?callable(int, int): void  $progress  told how many of how many events were looked at
     */
    public function write(mixed $stream, Calendar $calendar, Perspective $perspective, ?int $refreshMinutes, ?callable $progress = null): void
    {
        $series = [];
        $looked = 0;
        $on = $perspective->on($calendar->id);
        $heads = EventRecord::query()->whereNull('series_id')
            ->where(fn ($query) => $query->where('calendar_id', $calendar->id)->orWhereIn('id', Pin::query()->where('calendar_id', $calendar->id)->select('event_id')))
            ->with(EventRecord::WHOLE)->orderBy('id');
        $count = $progress === null ? 0 : $heads->count();
        foreach ($heads->lazy(500) as $head) {
            if ($progress !== null) {
                $progress(++$looked, $count);
            }
            $seen = $this->seen->of($head, $on);
            if ($seen !== null) {
                $series[] = $seen->each(static fn (Event $event): Event => $event->organizer !== null || $event->participants === [] ? $event : $event->with(organizer: self::author($head)));
            }
        }
        (new CalendarWriter($stream))->write($calendar->name, $series, $calendar->revised_at->getTimestamp(), $refreshMinutes);
    }

    /** Who added an event asks those who take part, unless it says otherwise. */
    private static function author(EventRecord $head): ?Participant
    {
        $person = $head->created_by === null ? null : Person::query()->find($head->created_by);

        return $person === null ? null : new Participant("mailto:{$person->email}", $person->name);
    }
}
