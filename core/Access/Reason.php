<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** One way by which a viewer holds a level. */
final readonly class Reason
{
    public function __construct(public Level $level, public Subject $subject, public bool $asKeeper)
    {
    }
}
