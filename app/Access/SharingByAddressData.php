<?php

namespace App\Access;

/** What became of a list of addresses. */
final readonly class SharingByAddressData
{
    /**
     * @param  list<string>  $given
     * @param  list<string>  $already
     * @param  list<string>  $unknown  Addresses that are nobody's here
     * @param  list<string>  $unread  What is no address
     */
    public function __construct(
        public array $given,
        public array $already,
        public array $unknown,
        public array $unread,
        public SharingData $sharing,
    ) {
    }
}
