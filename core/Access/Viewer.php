<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** Who looks: a person with the groups that person is in, or an outsider. */
final readonly class Viewer
{
    /** @param  list<int>  $groupIds every group the person belongs to */
    public function __construct(public ?int $personId, public array $groupIds = [])
    {
    }

    public static function outsider(): self
    {
        return new self(null);
    }

    /** Whether they are who added an event; what nobody added is nobody's. */
    public function isAuthor(?int $createdBy): bool
    {
        return $createdBy !== null && $createdBy === $this->personId;
    }

    /** Whether what holds for the subject holds for this viewer. */
    public function is(Subject $subject): bool
    {
        return match ($subject->kind) {
            SubjectKind::Person => $this->personId !== null && $subject->id === $this->personId,
            SubjectKind::Group => $this->personId !== null && in_array($subject->id, $this->groupIds, true),
            SubjectKind::Everyone => $this->personId !== null,
            SubjectKind::Public => true,
        };
    }
}
