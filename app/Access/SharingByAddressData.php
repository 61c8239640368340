<?php

namespace App\Access;

/** What became of a list of addresses. */
final readonly class SharingByAddressData
{
    /**
     * @param  list<string>  $given
     * @param  list<string>  $already
     * @param  list<string>  $unknown
     */
    public function __construct(
        public array $given,
        public array $already,
        public array $unknown,
        public SharingData $sharing,
    ) {
    }
}
