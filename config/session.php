<?php

return [

    'driver' => 'database',

    'table' => 'sessions',

    'lifetime' => 60 * 24 * 7,

    /* Whoever does not ask to stay signed in is signed out with the browser. */
    'expire_on_close' => true,

    'cookie' => 'rota_session',

    'path' => '/',

    'secure' => env('SESSION_SECURE_COOKIE', false),

    'http_only' => true,

    'same_site' => 'lax',

    'encrypt' => false,

];
