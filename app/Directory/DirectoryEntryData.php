<?php

namespace App\Directory;

use PinnedRota\Core\Events\PartyKind;

/** A person, a group or a room that was looked for. */
final readonly class DirectoryEntryData
{
    /** @param  bool  $isEmpty  Whether it is a group in which nobody is, nor any other group */
    public function __construct(
        public PartyKind $kind,
        public int $id,
        public string $name,
        public string $about,
        public bool $isEmpty = false,
    ) {
    }
}
