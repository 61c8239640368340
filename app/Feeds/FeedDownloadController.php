<?php

namespace App\Feeds;

use App\Access\AccessibleCalendar;
use App\Access\AccessReader;
use App\Calendars\Calendar;
use App\Events\Event;
use App\Events\EventTranslator;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use PinnedRota\Core\Access\Blanking;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\Event as CoreEvent;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\CalendarWriter;
use RuntimeException;

/** Answers a feed link, for anyone who has it, with what its publisher may see at this moment. */
final class FeedDownloadController
{
    private const REFRESH_MINUTES = 60;

    public function __construct(private readonly AccessReader $access, private readonly EventTranslator $translator)
    {
    }

    public function show(Request $request, string $token): Response
    {
        $feed = Feed::byToken($token)->with(['publisher', 'calendar.source'])->first();
        // A deleted calendar, or one that its publisher may no longer see, is answered like a link that never was.
        $calendar = $feed?->getRelation('calendar');
        if ($feed === null || ! $calendar instanceof Calendar) {
            return $this->gone();
        }
        $accessible = new AccessibleCalendar($calendar, $this->access->calendar($this->access->viewer($feed->publisher), $calendar));
        $level = $accessible->eventLevel();
        if (! $level->includes(Level::BusyTimes)) {
            return $this->gone();
        }
        $level = $feed->detail === 'busy' ? Level::BusyTimes : $level;
        $feed->timestamps = false;
        $feed->update(['last_fetched_at' => now()]);

        $etag = hash('sha256', "{$feed->id}|{$calendar->revision}|{$calendar->version}|{$level->value}|".CalendarWriter::class);
        $response = (new Response)->setEtag($etag)->setLastModified($calendar->revised_at);
        $response->headers->set('Cache-Control', 'private, no-cache');
        if ($response->isNotModified($request)) {
            return $response;
        }
        $response->setContent($this->document($calendar, $level, $feed->created_by));
        $response->headers->add([
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => 'inline; filename="'.$calendar->slug.'.ics"',
        ]);

        return $response;
    }

    private function document(Calendar $calendar, Level $level, int $publisherId): string
    {
        $series = [];
        $heads = Event::query()->where('calendar_id', $calendar->id)->whereNull('series_id')
            ->with(['categories', 'overrides.categories'])->orderBy('id')->lazy(500);
        foreach ($heads as $head) {
            $seen = $this->seen($this->translator->series($head), $level, $head->created_by === $publisherId);
            if ($seen !== null) {
                $series[] = $seen;
            }
        }
        $stream = fopen('php://temp', 'w+') ?: throw new RuntimeException('No temporary stream could be opened.');
        (new CalendarWriter($stream))->write($calendar->name, $series, $calendar->revised_at->getTimestamp(), self::REFRESH_MINUTES);
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    private function seen(Series $series, Level $level, bool $isAuthor): ?Series
    {
        $blank = static fn (CoreEvent $event): ?CoreEvent => Blanking::apply($event, Visibility::of($level, $event->private, $event->busy, $isAuthor));
        $master = $series->master === null ? null : $blank($series->master);
        if ($series->master !== null && $master === null) {
            return null;
        }
        $seen = $master === null ? null : new Series($master);
        $overrides = [];
        foreach ($series->overrides as $override) {
            $shown = $blank($override);
            if ($shown !== null) {
                $overrides[] = $shown;
            } elseif ($seen !== null && $override->recurrenceId !== null) {
                // A changed occurrence that is hidden must not come back at its old time.
                $seen = OccurrenceChanges::skip($seen, $override->recurrenceId);
            }
        }

        return $seen === null && $overrides === [] ? null : new Series($seen?->master, $overrides);
    }

    private function gone(): Response
    {
        return new Response("This feed link is not valid (any more). Ask whoever gave it to you for a new one.\n", 404, ['Content-Type' => 'text/plain; charset=utf-8']);
    }
}
