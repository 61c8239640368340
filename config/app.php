<?php

return [

    'name' => 'Pinned Rota',

    'env' => env('APP_ENV', 'production'),

    'debug' => (bool) env('APP_DEBUG', false),

    'url' => env('APP_URL', 'http://127.0.0.1:8080'),

    // UTC inside; people and calendars have zones of their own.
    'timezone' => 'UTC',

    'locale' => 'en',

    'cipher' => 'AES-256-CBC',

    'key' => env('APP_KEY'),

];
