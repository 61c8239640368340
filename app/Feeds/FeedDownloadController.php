<?php

namespace App\Feeds;

use App\Access\AccessibleCalendar;
use App\Access\AccessReader;
use App\Calendars\Calendar;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\ICalendar\CalendarWriter;
use RuntimeException;

/** Answers a feed link, for anyone who has it, with what its publisher may see at this moment. */
final class FeedDownloadController
{
    private const REFRESH_MINUTES = 60;

    public function __construct(private readonly AccessReader $access, private readonly CalendarDocument $documents)
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
        $stream = fopen('php://temp', 'w+') ?: throw new RuntimeException('No temporary stream could be opened.');
        $this->documents->write($stream, $calendar, $level, $publisherId, self::REFRESH_MINUTES);
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    private function gone(): Response
    {
        return new Response("This feed link is not valid (any more). Ask whoever gave it to you for a new one.\n", 404, ['Content-Type' => 'text/plain; charset=utf-8']);
    }
}
