<?php

namespace App\Feeds;

use App\Access\AccessReader;
use App\Calendars\Calendar;
use App\Directory\Person;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Viewer;
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
        $accessible = $this->access->accessible($this->access->viewer($feed->publisher), $calendar);
        $level = $accessible->eventLevel();
        if (! $level->includes(Level::BusyTimes)) {
            return $this->gone();
        }
        $level = $feed->detail === 'busy' ? Level::BusyTimes : $level;
        $feed->timestamps = false;
        $feed->update(['last_fetched_at' => now()]);

        $etag = hash('sha256', "{$feed->id}|{$calendar->revision}|{$calendar->version}|{$level->value}|".CalendarWriter::class);

        return $this->answer($request, $calendar, $level, $etag, $feed->publisher);
    }

    /** A calendar that is shared with the public, at its own address. */
    public function public(Request $request, string $slug): Response
    {
        $calendar = Calendar::query()->with('source')->where('slug', $slug)->first();
        $level = $calendar === null ? Level::None : $this->access->accessible(Viewer::outsider(), $calendar)->eventLevel();
        if ($calendar === null || ! $level->includes(Level::BusyTimes)) {
            return $this->gone();
        }

        return $this->answer($request, $calendar, $level, hash('sha256', "public|{$calendar->id}|{$calendar->revision}|{$calendar->version}|{$level->value}|".CalendarWriter::class), null);
    }

    private function answer(Request $request, Calendar $calendar, Level $level, string $etag, ?Person $publisher): Response
    {
        $response = (new Response)->setEtag($etag)->setLastModified($calendar->revised_at);
        $response->headers->set('Cache-Control', 'private, no-cache');
        if ($response->isNotModified($request)) {
            return $response;
        }
        $response->setContent($this->document($calendar, $level, $publisher));
        $response->headers->add([
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => 'inline; filename="'.$calendar->slug.'.ics"',
        ]);

        return $response;
    }

    private function document(Calendar $calendar, Level $level, ?Person $publisher): string
    {
        $stream = fopen('php://temp', 'w+') ?: throw new RuntimeException('No temporary stream could be opened.');
        $this->documents->write($stream, $calendar, $level, $publisher, self::REFRESH_MINUTES);
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    private function gone(): Response
    {
        return new Response("This feed link is not valid (any more). Ask whoever gave it to you for a new one.\n", 404, ['Content-Type' => 'text/plain; charset=utf-8']);
    }
}
