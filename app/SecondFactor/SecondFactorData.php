<?php

namespace App\SecondFactor;

/** Whether one signs in by a second factor. */
final readonly class SecondFactorData
{
    /**
     * @param  int  $codesLeft  How many recovery codes were not used yet
     * @param  bool  $needed  Whether the organisation asks for one
     */
    public function __construct(
        public bool $on,
        public int $codesLeft,
        public bool $needed,
    ) {
    }
}
