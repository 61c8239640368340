<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

use InvalidArgumentException;

/** A date, time, duration or zone that cannot be; the message may be shown to a person. */
final class InvalidTime extends InvalidArgumentException
{
}
