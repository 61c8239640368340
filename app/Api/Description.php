<?php

namespace App\Api;

use OpenApi\Attributes as OA;
use OpenApi\Generator;

/** The OpenAPI description, generated from the attributes in app/. */
#[OA\Info(version: '1.0', title: 'Pinned Rota', description: 'Errors are problem documents (RFC 9457). Times are told on a wall, without offset; the zone stands beside them. Ends are exclusive.')]
#[OA\Server(url: '/api/v1')]
final class Description
{
    public function json(): string
    {
        $openapi = Generator::scan([app_path()], ['version' => '3.0.0']);

        return $openapi === null ? '{}' : $openapi->toJson(JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);
    }
}
