<?php

namespace App\Feeds;

use App\Access\AccessReader;
use App\Access\Perspective;
use App\Calendars\Calendar;
use App\Changes\Change;
use App\Pins\Pin;
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
        if ($feed === null) {
            return $this->unknown($request);
        }
        if ($feed->revoked_at?->addDays(FeedEnd::DAYS)->isPast() === true) {
            return new Response("This feed was ended.\n", 410, ['Content-Type' => 'text/plain; charset=utf-8']);
        }
        // A deleted calendar is answered like a link that never was.
        $calendar = $feed->getRelation('calendar');
        if (! $calendar instanceof Calendar) {
            return $this->unknown($request);
        }
        $perspective = $this->access->perspective($this->access->viewer($feed->publisher), $calendar, $feed->detail === 'busy' ? Level::BusyTimes : null);
        $level = $perspective->eventLevel($calendar->id);
        $end = match (true) {
            $feed->revoked_at !== null => FeedEnd::Revoked,
            ! $feed->publisher->isActive() => FeedEnd::PublisherGone,
            ! $level->includes(Level::BusyTimes) => FeedEnd::PublisherShutOut,
            default => null,
        };
        if ($end !== null) {
            return new Response($end->document($calendar->name, now()), 200, ['Content-Type' => 'text/calendar; charset=utf-8', 'Cache-Control' => 'private, no-cache']);
        }
        $feed->timestamps = false;
        $feed->update(['last_fetched_at' => now()]);

        $etag = hash('sha256', "{$feed->id}|{$calendar->revision}|{$calendar->version}|{$level->value}|{$this->pinsMark($calendar)}|".CalendarWriter::class);

        return $this->answer($request, $calendar, $perspective, $etag);
    }

    /** A calendar that is shared with the public, at its own address. */
    public function public(Request $request, string $slug): Response
    {
        $calendar = Calendar::query()->with('source')->where('slug', $slug)->first();
        if ($calendar === null) {
            return $this->unknown($request);
        }
        $perspective = $this->access->perspective(Viewer::outsider(), $calendar);
        $level = $perspective->eventLevel($calendar->id);
        if (! $level->includes(Level::BusyTimes)) {
            return $this->unknown($request);
        }

        return $this->answer($request, $calendar, $perspective, hash('sha256', "public|{$calendar->id}|{$calendar->revision}|{$calendar->version}|{$level->value}|{$this->pinsMark($calendar)}|".CalendarWriter::class), url("/public/{$calendar->slug}.ics"));
    }

    private function answer(Request $request, Calendar $calendar, Perspective $perspective, string $etag, string $source = ''): Response
    {
        $response = (new Response)->setEtag($etag)->setLastModified($calendar->revised_at);
        $response->headers->set('Cache-Control', 'private, no-cache');
        if ($response->isNotModified($request)) {
            return $response;
        }
        $response->setContent($this->document($calendar, $perspective, $source));
        $response->headers->add([
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => 'inline; filename="'.$calendar->slug.'.ics"',
        ]);

        return $response;
    }

    private function document(Calendar $calendar, Perspective $perspective, string $source): string
    {
        $stream = fopen('php://temp', 'w+') ?: throw new RuntimeException('No temporary stream could be opened.');
        $this->documents->write($stream, $calendar, $perspective, self::REFRESH_MINUTES, $source);
        rewind($stream);

        return (string) stream_get_contents($stream);
    }

    /** What others have pinned there shows as far as they may see it: their access is part of what it is. */
    private function pinsMark(Calendar $calendar): int
    {
        return Pin::query()->where('calendar_id', $calendar->id)->exists() ? (int) Change::query()->whereNull('calendar_id')->max('id') : 0;
    }

    /** Calendar programs are told in a line, somebody with a browser on a page with a way on. */
    private function unknown(Request $request): Response
    {
        if (in_array('text/html', $request->getAcceptableContentTypes(), true)) {
            abort(404);
        }

        return new Response("This feed link is not valid (any more). Ask whoever gave it to you for a new one.\n", 404, ['Content-Type' => 'text/plain; charset=utf-8']);
    }
}
