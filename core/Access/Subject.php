<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** One whom access is given to, or who keeps a calendar. */
final readonly class Subject
{
    /** @param  ?int  $id of the person or group; null for everyone and the public */
    public function __construct(public SubjectKind $kind, public ?int $id = null)
    {
    }
}
