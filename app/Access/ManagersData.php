<?php

namespace App\Access;

use PinnedRota\Core\Access\Level;

/** Whom to ask about a calendar. */
final readonly class ManagersData
{
    /**
     * @param  list<string>  $names
     * @param  ?Level  $asked  The level that one has asked for
     * @param  bool  $leaves  Whether it was shared with oneself by name
     */
    public function __construct(
        public array $names,
        public ?Level $asked,
        public bool $leaves,
    ) {
    }
}
