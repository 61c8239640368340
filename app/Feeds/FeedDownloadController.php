<?php

namespace App\Feeds;

use App\Access\AccessibleCalendar;
use App\Access\AccessReader;
use App\Access\Perspective;
use App\Calendars\Calendar;
use App\Changes\Change;
use App\Pins\Pin;
use App\Publishing\Kept\Keeping;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\ICalendar\CalendarWriter;
use RuntimeException;

/** Answers a feed link, for anyone who has it, with what its publisher may see at this moment. */
final class FeedDownloadController
{
    private const REFRESH_MINUTES = 60;

    public function __construct(private readonly AccessReader $access, private readonly CalendarDocument $documents, private readonly TimesDocument $times)
    {
    }

    public function show(Request $request, string $token): Response
    {
        $feed = Feed::byToken($token)->with(['publisher', 'calendar.source', 'overlay'])->first();
        if ($feed === null) {
            return $this->unknown($request);
        }
        if ($feed->revoked_at?->addDays(FeedEnd::DAYS)->isPast() === true) {
            return new Response("This feed was ended.\n", 410, ['Content-Type' => 'text/plain; charset=utf-8']);
        }
        // What was deleted is answered like a link that never was.
        if ($feed->isOrphaned()) {
            return $this->unknown($request);
        }
        $perspective = $this->perspective($feed);
        $end = match (true) {
            $feed->revoked_at !== null => FeedEnd::Revoked,
            ! $feed->publisher->isActive() => FeedEnd::PublisherGone,
            $perspective === null => FeedEnd::PublisherShutOut,
            default => null,
        };
        if ($end !== null) {
            return new Response($end->document($feed->subjectName(), now()), 200, ['Content-Type' => 'text/calendar; charset=utf-8', 'Cache-Control' => 'private, no-cache']);
        }
        $feed->timestamps = false;
        $feed->update(['last_fetched_at' => now(), 'fetched_by' => ProgramKind::of((string) $request->userAgent())->value]);
        (new Keeping(Carbon::now(TimesDocument::zone($feed)->name)->addDay()->startOfDay()->getTimestamp(), "feed {$feed->id}"))->for($request);
        if ($feed->calendar !== null && $feed->isWhole()) {
            $level = $perspective->eventLevel($feed->calendar->id);

            return $this->answer($request, $feed->calendar, $perspective, hash('sha256', "{$feed->id}|{$feed->calendar->revision}|{$feed->calendar->version}|{$level->value}|{$this->pinsMark($feed->calendar)}|".CalendarWriter::class));
        }

        return $this->timeByTime($request, $feed, $perspective);
    }

    /** What its maker sees of it at this moment; null where that is nothing. */
    private function perspective(Feed $feed): ?Perspective
    {
        $viewer = $this->access->viewer($feed->publisher);
        $atMost = $feed->detail === 'busy' ? Level::BusyTimes : null;
        if ($feed->calendar !== null) {
            $perspective = $this->access->perspective($viewer, $feed->calendar, $atMost);

            return $perspective->eventLevel($feed->calendar->id)->includes(Level::BusyTimes) ? $perspective : null;
        }
        if ($feed->overlay !== null && ! $this->access->overlay($viewer, $feed->overlay)->includes(Level::See)) {
            return null;
        }
        // What is somebody's own goes along with what they have made for themselves alone.
        $calendars = $this->access->calendars($viewer)->filter(static fn (AccessibleCalendar $each): bool => $feed->personal || $each->calendar->own_of === null);

        return new Perspective($viewer, $calendars, true, $atMost);
    }

    /** Any change may be one of what it tells, and each day begins a new window. */
    private function timeByTime(Request $request, Feed $feed, Perspective $perspective): Response
    {
        $today = Carbon::now(TimesDocument::zone($feed)->name);
        $response = (new Response)->setEtag(hash('sha256', "{$feed->id}|{$feed->version}|{$today->toDateString()}|".(int) Change::query()->max('id').'|'.CalendarWriter::class));
        $response->headers->set('Cache-Control', 'private, no-cache');
        if ($response->isNotModified($request)) {
            return $response;
        }
        $response->setContent($this->times->text($feed, $perspective, $today));
        $response->headers->set('Content-Type', 'text/calendar; charset=utf-8');

        return $response;
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

        (new Keeping(now()->addDay()->startOfDay()->getTimestamp(), ''))->for($request);

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
