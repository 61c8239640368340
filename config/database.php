<?php

$mariadb = [
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
    /* One way to the database and back for a question, not two. Values are put in by the driver, which knows the character set. */
    'options' => [PDO::ATTR_EMULATE_PREPARES => true],
];

return [

    'default' => 'mariadb',

    'connections' => [
        'mariadb' => $mariadb,
        /* For what is written and seen whatever becomes of the transaction of the work: see App\Jobs. */
        'beside' => $mariadb,
    ],

    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],

];
