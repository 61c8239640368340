<?php

namespace App\SecondFactor;

/** Codes to come in by once each, without the authenticator. They are told this once. */
final readonly class RecoveryCodesData
{
    /** @param  list<string>  $codes */
    public function __construct(
        public array $codes,
    ) {
    }
}
