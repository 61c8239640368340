<?php

return [

    'default' => 'daily',

    'channels' => [
        'daily' => ['driver' => 'daily', 'path' => storage_path('logs/rota.log'), 'level' => env('LOG_LEVEL', 'info'), 'days' => 14],
        // Letters have keys in them.
        'letters' => ['driver' => 'daily', 'path' => storage_path('logs/letters.log'), 'level' => 'debug', 'days' => 14, 'permission' => 0600],
        'emergency' => ['path' => storage_path('logs/rota.log')],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
    ],

];
