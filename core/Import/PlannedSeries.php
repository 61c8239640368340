<?php

declare(strict_types=1);

namespace PinnedRota\Core\Import;

use PinnedRota\Core\Events\Series;

/** A series that came in, and what bringing it in would do. */
final readonly class PlannedSeries
{
    public function __construct(public Series $series, public string $fingerprint, public Verdict $verdict)
    {
    }
}
