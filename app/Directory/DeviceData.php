<?php

namespace App\Directory;

/** A browser in which somebody is signed in. */
final readonly class DeviceData
{
    /**
     * @param  string  $id  A digest: the session itself is not told
     * @param  string  $agent  The browser and what it runs on; empty where it does not say
     * @param  bool  $current  Whether it is the one that asks
     */
    public function __construct(
        public string $id,
        public string $agent,
        public string $address,
        public string $seenAt,
        public bool $current,
    ) {
    }
}
