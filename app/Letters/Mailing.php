<?php

namespace App\Letters;

/** Whether letters leave this machine. */
final class Mailing
{
    public static function isSetUp(): bool
    {
        return config('mail.default') !== 'log';
    }
}
