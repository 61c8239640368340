<?php

declare(strict_types=1);

namespace PinnedRota\Core\Recurrence;

use InvalidArgumentException;

/** A recurrence rule that RFC 5545 does not allow; the message may be shown to a person. */
final class InvalidRule extends InvalidArgumentException
{
}
