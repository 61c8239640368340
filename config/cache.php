<?php

return [

    'default' => 'database',

    'stores' => [
        'database' => ['driver' => 'database', 'table' => 'cache', 'lock_table' => 'cache_locks'],
        'array' => ['driver' => 'array', 'serialize' => false],
    ],

    'prefix' => 'rota',

];
