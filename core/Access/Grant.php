<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** A level given to a subject. */
final readonly class Grant
{
    public function __construct(public Subject $subject, public Level $level)
    {
    }
}
