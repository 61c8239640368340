<?php

namespace App\Upkeep;

use App\Upkeep\Checks\CertificateCheck;
use App\Upkeep\Checks\ConfigurationCheck;
use App\Upkeep\Checks\DatabaseCheck;
use App\Upkeep\Checks\FilesCheck;
use App\Upkeep\Checks\OutsideCheck;
use App\Upkeep\Checks\PhpCheck;
use App\Upkeep\Checks\WebCheck;
use App\Upkeep\Checks\WorkersCheck;
use Illuminate\Contracts\Container\Container;

/** Looks an installation over. */
final class Doctor
{
    private const CHECKS = [
        PhpCheck::class, ConfigurationCheck::class, FilesCheck::class, DatabaseCheck::class, WebCheck::class, CertificateCheck::class, WorkersCheck::class, OutsideCheck::class,
    ];

    public function __construct(private readonly Container $container)
    {
    }

    /** @return iterable<Finding> all that is wrong */
    public function findings(): iterable
    {
        foreach (self::CHECKS as $check) {
            yield from $this->container->make($check)->findings();
        }
    }
}
