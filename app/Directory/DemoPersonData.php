<?php

namespace App\Directory;

/** Somebody as whom a demo may be entered. */
final readonly class DemoPersonData
{
    public function __construct(
        public string $name,
        public string $email,
        public string $post,
    ) {
    }
}
