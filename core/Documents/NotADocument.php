<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use RuntimeException;

/** What was given cannot be read for dates. */
final class NotADocument extends RuntimeException
{
    public function __construct(public readonly Refusal $refusal)
    {
        parent::__construct($refusal->words());
    }
}
