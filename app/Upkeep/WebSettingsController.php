<?php

namespace App\Upkeep;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What the web server and PHP behind it are set to, for rota:doctor alone: its settings are not those of the command line. */
final class WebSettingsController
{
    public function __invoke(Request $request): JsonResponse
    {
        return new JsonResponse(WebSettings::here($request->isSecure()), headers: ['Cache-Control' => 'no-store']);
    }
}
