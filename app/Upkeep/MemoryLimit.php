<?php

namespace App\Upkeep;

/** The memory_limit of PHP. */
final class MemoryLimit
{
    /** @return int so much of it, in bytes */
    public static function share(float $share): int
    {
        $limit = ini_parse_quantity((string) ini_get('memory_limit'));

        return $limit <= 0 ? PHP_INT_MAX : (int) ($limit * $share);
    }
}
