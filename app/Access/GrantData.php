<?php

namespace App\Access;

use App\Directory\SubjectNames;
use PinnedRota\Core\Access\Grant;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;

/** A level that somebody was given. */
final readonly class GrantData
{
    public function __construct(
        public SubjectKind $kind,
        public ?int $id,
        public string $name,
        public Level $level,
    ) {
    }

    public static function of(Grant $grant, SubjectNames $names): self
    {
        return new self($grant->subject->kind, $grant->subject->id, $names->of($grant->subject), $grant->level);
    }
}
