<?php

namespace App\Frames;

use Illuminate\Http\Response;

/** The application within a frame on another site: on those that administrators name, and on no other. */
final class FramePageController
{
    public function __construct(private readonly FrameSites $sites)
    {
    }

    public function show(string $key): Response
    {
        $frame = $this->sites->find($key) ?? abort(404);

        return new Response(view('application', ['frame' => $frame->key]), 200, ['Content-Security-Policy' => "frame-ancestors 'self' ".implode(' ', $this->sites->all()), 'X-Robots-Tag' => 'noindex']);
    }
}
