<?php

namespace App\Feeds;

use App\Access\CurrentViewer;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\CalendarHead;
use PinnedRota\Core\ICalendar\CalendarWriter;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** A single event as a file, to be put into a diary or sent along. */
final class EventFileController
{
    #[OA\Get(path: '/events/{id}/file', operationId: 'getEventFile', summary: 'An event as an iCalendar file, as one sees it; with “occurrence” that one time of it.', tags: ['feeds'],
        parameters: [new OA\PathParameter(name: 'id', schema: new OA\Schema(type: 'integer')), new OA\QueryParameter(name: 'occurrence', required: false, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'The file (RFC 5545)', content: new OA\MediaType(mediaType: 'text/calendar'))])]
    public function show(Request $request, int $id, CurrentViewer $viewer, SeenSeries $seen): StreamedResponse
    {
        $head = EventRecord::query()->whereNull('series_id')->with(EventRecord::WHOLE)->findOrFail($id);
        $series = $seen->of($head, $viewer->perspective()) ?? throw (new ModelNotFoundException)->setModel(EventRecord::class);
        $occurrence = $request->query('occurrence');
        if (is_string($occurrence) && $occurrence !== '') {
            // In a diary one time of a series is an event of its own.
            $time = $seen->time($series, $occurrence);
            $series = new Series($time->event->alone($time)->with(uid: hash('sha256', "single|{$time->event->uid}|{$occurrence}").'@single.invalid'));
        }

        $text = CalendarWriter::text(new CalendarHead, [$series]);

        return response()->streamDownload(static fn () => print $text, "event-{$id}.ics", ['Content-Type' => 'text/calendar; charset=utf-8', 'Cache-Control' => 'private, no-cache']);
    }
}
