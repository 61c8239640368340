<?php

namespace App\Feeds;

use App\Access\Perspective;
use App\Calendars\Calendar;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Pins\Pin;
use Generator;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\CalendarHead;
use PinnedRota\Core\ICalendar\CalendarWriter;

/** A calendar as an iCalendar document, as somebody sees it. */
final class CalendarDocument
{
    public function __construct(private readonly SeenSeries $seen)
    {
    }

    /**
     * @param  resource  $stream
     * @param  string  $source  the address at which anybody has it anew; none where knowing it is what gives access: a copy is passed on
     * @param  ?callable(int, int): void  $progress  told how many of how many events were looked at
     */
    public function write(mixed $stream, Calendar $calendar, Perspective $perspective, ?int $refreshMinutes, string $source = '', ?callable $progress = null): void
    {
        (new CalendarWriter($stream))->write($this->head($calendar, $perspective, $refreshMinutes, $source), $this->series($calendar, $perspective, $progress));
    }

    /**
     * @param  ?callable(int, int): void  $progress
     * @return Generator<int, Series>
     */
    private function series(Calendar $calendar, Perspective $perspective, ?callable $progress): Generator
    {
        $looked = 0;
        $on = $perspective->on($calendar->id);
        $heads = EventRecord::query()->whereNull('series_id')
            ->where(fn ($query) => $query->where('calendar_id', $calendar->id)->orWhereIn('id', Pin::query()->where('calendar_id', $calendar->id)->select('event_id')))
            ->with(EventRecord::WHOLE);
        $count = $progress === null ? 0 : $heads->count();
        foreach ($heads->lazyById(500) as $head) {
            if ($progress !== null) {
                $progress(++$looked, $count);
            }
            $seen = $this->seen->of($head, $on);
            if ($seen !== null) {
                yield $seen->each(static fn (Event $event): Event => self::complete($event, $head));
            }
        }
    }

    private function head(Calendar $calendar, Perspective $perspective, ?int $refreshMinutes, string $source): CalendarHead
    {
        return new CalendarHead(
            name: $calendar->name,
            uid: sha1("calendar|{$calendar->id}|{$calendar->created_at->getTimestamp()}").'@calendar.invalid',
            modified: $calendar->revised_at->getTimestamp(),
            description: $perspective->eventLevel($calendar->id)->includes(Level::See) ? $calendar->description : '',
            url: url("/calendars/{$calendar->slug}"),
            colour: $calendar->colour->cssName(),
            refreshMinutes: $refreshMinutes,
            source: $source,
        );
    }

    /** With what is said of an event where it says nothing itself. What is blanked says nothing at all. */
    private static function complete(Event $event, EventRecord $head): Event
    {
        return $event->modified === null ? $event : $event->with(
            organizer: $event->organizer !== null || $event->participants === [] ? null : self::author($head),
            created: $event->created ?? $head->created_at->getTimestamp(),
        );
    }

    /** Who added an event asks those who take part, unless it says otherwise. */
    private static function author(EventRecord $head): ?Participant
    {
        $person = $head->created_by === null ? null : Person::query()->find($head->created_by);

        return $person === null ? null : new Participant("mailto:{$person->email}", $person->name);
    }
}
