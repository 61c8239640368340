<?php

declare(strict_types=1);

namespace PinnedRota\Core\Directory;

use InvalidArgumentException;

final class InvalidWorkingHours extends InvalidArgumentException
{
}
