<?php

namespace App\Feeds;

use App\Access\CurrentViewer;
use Illuminate\Support\Carbon;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Access\Level;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What somebody sees through an overlay, as a file. */
final class SheetFileController
{
    #[OA\Get(path: '/overlays/{slug}/file', operationId: 'getOverlayFile', summary: 'What one sees through an overlay, time by time, as an iCalendar file: a year back and two on.', tags: ['feeds'],
        parameters: [new OA\PathParameter(name: 'slug', schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'The file (RFC 5545)', content: new OA\MediaType(mediaType: 'text/calendar'))])]
    public function overlay(string $slug, CurrentViewer $viewer, TimesDocument $times): StreamedResponse
    {
        $person = $viewer->person();
        $feed = (new Feed(['detail' => 'full', 'personal' => true, 'created_by' => $person->id]))->setRelations(['calendar' => null, 'overlay' => $viewer->overlay($slug, Level::See), 'publisher' => $person]);
        $text = $times->text($feed, $viewer->perspective(), Carbon::now(TimesDocument::zone($feed)->name));

        return response()->streamDownload(static fn () => print $text, "{$slug}.ics", ['Content-Type' => 'text/calendar; charset=utf-8', 'Cache-Control' => 'private, no-cache']);
    }
}
