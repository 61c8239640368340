<?php

namespace App\Live;

use App\Access\CurrentViewer;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

final class LiveController
{
    #[OA\Get(path: '/live', operationId: 'openLive', summary: 'A connection on which changes are told as they come (server-sent events, each a Mark); it ends when what one may see changes, and after an hour.', tags: ['changes'],
        responses: [
            new OA\Response(response: 200, description: 'The connection (text/event-stream)'),
            new OA\Response(response: 204, description: 'Nothing is told here: ask for changes now and then'),
        ])]
    public function open(CurrentViewer $viewer, Channels $channels): Response
    {
        if (config('rota.live.publisher') === null) {
            return new Response(status: 204);
        }

        // nginx takes it from here (deploy/nginx/application.conf): this process is free again.
        return new Response(headers: ['X-Accel-Redirect' => '/live/'.implode(',', $channels->open($viewer->person())), 'Content-Type' => 'text/event-stream']);
    }
}
