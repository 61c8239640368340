<?php

namespace App\Upkeep;

/** Whether the site can do its work. */
final readonly class HealthData
{
    public function __construct(
        public bool $ok,
        public bool $database,
    ) {
    }
}
