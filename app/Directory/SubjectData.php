<?php

namespace App\Directory;

use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

/** Somebody who has access: a person, a group, everyone here, or the public. */
final readonly class SubjectData
{
    public function __construct(
        public SubjectKind $kind,
        public ?int $id,
        public string $name,
    ) {
    }

    public static function of(Subject $subject, SubjectNames $names): self
    {
        return new self($subject->kind, $subject->id, $names->of($subject));
    }
}
