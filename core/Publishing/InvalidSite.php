<?php

declare(strict_types=1);

namespace PinnedRota\Core\Publishing;

use InvalidArgumentException;

final class InvalidSite extends InvalidArgumentException
{
    public function __construct(public readonly string $address)
    {
        parent::__construct("“{$address}” is no address of a site, such as https://www.school.example.");
    }
}
