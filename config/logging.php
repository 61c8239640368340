<?php

return [

    'default' => 'daily',

    'channels' => [
        'daily' => ['driver' => 'daily', 'path' => storage_path('logs/rota.log'), 'level' => env('LOG_LEVEL', 'info'), 'days' => 14],
        'emergency' => ['path' => storage_path('logs/rota.log')],
        'null' => ['driver' => 'monolog', 'handler' => Monolog\Handler\NullHandler::class],
    ],

];
