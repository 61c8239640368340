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
        /* For the first password of somebody who was invited: minutes of 14 days. */
        'newcomers' => ['provider' => 'people', 'table' => 'invitation_tokens', 'expire' => 60 * 24 * 14, 'throttle' => 0],
    ],

];
