<?php

declare(strict_types=1);

namespace PinnedRota\Core\Directory;

/** A person as a table names them. */
final readonly class PersonRow
{
    /** @param  list<string>  $groups  names */
    public function __construct(
        public string $name,
        public string $address,
        public string $post = '',
        public string $timezone = '',
        public array $groups = [],
    ) {
    }
}
