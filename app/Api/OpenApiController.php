<?php

namespace App\Api;

use Illuminate\Http\Response;

final class OpenApiController
{
    public function __invoke(): Response
    {
        return new Response((string) file_get_contents(base_path('docs/openapi.json')), 200, ['Content-Type' => 'application/json']);
    }
}
