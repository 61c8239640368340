<?php

declare(strict_types=1);

namespace PinnedRota\Core\Sources;

use InvalidArgumentException;

/** An address that may not be fetched; the message may be shown to a person. */
final class UnsafeAddress extends InvalidArgumentException
{
}
