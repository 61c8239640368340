<?php

use App\Directory\Person;

return [

    'defaults' => ['guard' => 'web', 'passwords' => 'people'],

    'guards' => [
        'web' => ['driver' => 'session', 'provider' => 'people'],
    ],

    'providers' => [
        'people' => ['driver' => 'eloquent', 'model' => Person::class],
    ],

    'passwords' => [
        'people' => ['provider' => 'people', 'table' => 'password_reset_tokens', 'expire' => 60, 'throttle' => 60],
    ],

];
