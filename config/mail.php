<?php

return [

    /* Without a host mail is written to a log of its own: nothing is lost, nothing is sent. */
    'default' => env('MAIL_MAILER', env('MAIL_HOST') === null ? 'log' : 'smtp'),

    'mailers' => [
        'smtp' => [
            'transport' => 'smtp',
            'scheme' => env('MAIL_SCHEME'),
            'host' => env('MAIL_HOST'),
            'port' => env('MAIL_PORT', 587),
            'username' => env('MAIL_USERNAME'),
            'password' => env('MAIL_PASSWORD'),
            'timeout' => 20,
        ],
        'log' => ['transport' => 'log', 'channel' => 'letters'],
        'array' => ['transport' => 'array'],
    ],

    'from' => [
        'address' => env('MAIL_FROM_ADDRESS', 'rota@localhost.localdomain'),
        'name' => env('MAIL_FROM_NAME', 'Pinned Rota'),
    ],

];
