<?php

return [

    'default' => 'mariadb',

    'connections' => [
        'mariadb' => [
            'driver' => 'mariadb',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '3306'),
            'database' => env('DB_DATABASE', 'rota'),
            'username' => env('DB_USERNAME', 'rota'),
            'password' => env('DB_PASSWORD', ''),
            'unix_socket' => env('DB_SOCKET', ''),
            'charset' => 'utf8mb4',
            'collation' => 'utf8mb4_unicode_ci',
            'strict' => true,
            'engine' => 'InnoDB',
            'timezone' => '+00:00',
        ],
    ],

    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],

];
