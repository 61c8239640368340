<?php

namespace App\Directory;

use PinnedRota\Core\Events\PartyKind;

/** A person, a group or a room that was looked for. */
final readonly class DirectoryEntryData
{
    public function __construct(
        public PartyKind $kind,
        public int $id,
        public string $name,
        public string $about,
    ) {
    }
}
