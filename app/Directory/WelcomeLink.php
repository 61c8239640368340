<?php

namespace App\Directory;

use Illuminate\Auth\Passwords\PasswordBroker;
use Illuminate\Support\Facades\Password;

/** Secret links by which a person sets a password: the first one, or a new one for one that is forgotten. */
final class WelcomeLink
{
    /** @param  string  $path  where the person is taken afterwards */
    public static function to(Person $person, string $path = '/'): string
    {
        return url('/password').'?'.http_build_query([
            'email' => $person->email,
            'token' => self::broker($person)->createToken($person),
            'to' => $path,
        ]);
    }

    /** A first link holds longer than one for a forgotten password. */
    public static function broker(Person $person): PasswordBroker
    {
        /** @var PasswordBroker */
        return Password::broker($person->hasComeIn() ? 'people' : 'newcomers');
    }
}
