<?php

namespace App\SecondFactor;

/** What an authenticator takes in. It is told this once. */
final readonly class NewSecondFactorData
{
    /**
     * @param  string  $secret  In Base32, to be typed
     * @param  string  $uri  The same as an address, to be shown as a picture
     */
    public function __construct(
        public string $secret,
        public string $uri,
    ) {
    }
}
