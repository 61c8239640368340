<?php

namespace App\Directory;

use Illuminate\Database\Eloquent\ModelNotFoundException;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

/** Finds whom access is given to, or who is to keep something. */
final class Subjects
{
    /**
     * @throws ModelNotFoundException where there is no such group, or no such person who is active
     */
    public static function find(string $kind, ?int $id): Subject
    {
        $found = SubjectKind::from($kind);
        match ($found) {
            SubjectKind::Person => Person::query()->where('status', 'active')->findOrFail($id),
            SubjectKind::Group => Group::query()->findOrFail($id),
            default => null,
        };

        return new Subject($found, in_array($found, [SubjectKind::Person, SubjectKind::Group], true) ? $id : null);
    }
}
