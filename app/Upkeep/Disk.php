<?php

namespace App\Upkeep;

/** The room where an instance keeps its files. */
final class Disk
{
    /** In bytes: a few of the largest files that are taken. */
    public const LEAST = 200 * 1024 * 1024;

    /** @return float bytes; 0 where it is not known */
    public static function free(): float
    {
        return (float) @disk_free_space(storage_path());
    }

    public static function hasRoom(): bool
    {
        return self::free() >= self::LEAST;
    }
}
