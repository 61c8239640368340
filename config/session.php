<?php

return [

    'driver' => 'database',

    'table' => 'sessions',

    'lifetime' => 60 * 24 * 7,

    'cookie' => 'rota_session',

    'path' => '/',

    'secure' => env('SESSION_SECURE_COOKIE', false),

    'http_only' => true,

    'same_site' => 'lax',

    'encrypt' => false,

];
