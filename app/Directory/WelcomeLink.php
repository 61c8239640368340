<?php

namespace App\Directory;

use Illuminate\Auth\Passwords\PasswordBroker;
use Illuminate\Support\Facades\Password;

/** Secret links by which a person sets a password: the first one, or a new one for one that is forgotten. */
final class WelcomeLink
{
    /**
     * The link of an invitation or, for whoever has come in already, one to set a new password.
     *
     * @param  string  $path  where the person is taken afterwards
     */
    public static function to(Person $person, string $path = '/'): string
    {
        return self::by(self::broker($person->hasComeIn() ? 'people' : 'newcomers'), $person, $path);
    }

    /** A link that was asked for by whoever knows the address: it holds for an hour, and leaves an invitation as it is. */
    public static function askedFor(Person $person): string
    {
        return self::by(self::broker('people'), $person, '/');
    }

    public static function holds(Person $person, string $token): bool
    {
        return self::broker('people')->tokenExists($person, $token) || (! $person->hasComeIn() && self::broker('newcomers')->tokenExists($person, $token));
    }

    /** Ends every link of a person: where they have set a password, by whatever way. */
    public static function end(Person $person): void
    {
        foreach (['people', 'newcomers'] as $name) {
            self::broker($name)->deleteToken($person);
        }
    }

    private static function by(PasswordBroker $broker, Person $person, string $path): string
    {
        return url('/password').'?'.http_build_query(['email' => $person->email, 'token' => $broker->createToken($person), 'to' => $path]);
    }

    private static function broker(string $name): PasswordBroker
    {
        /** @var PasswordBroker */
        return Password::broker($name);
    }
}
