<?php

namespace App\Jobs;

/**
 * Whoever carries out a job holds its lock, which the database lets go of by itself when the connection ends. So a job that is
 * said to be running while nobody holds its lock was broken off.
 */
final class JobLock
{
    /** @return bool whether it was free, and is held now */
    public static function take(int $jobId): bool
    {
        return (bool) JobProgress::connection()->selectOne('SELECT GET_LOCK(?, 0) AS held', [self::name($jobId)])->held;
    }

    public static function release(int $jobId): void
    {
        JobProgress::connection()->select('SELECT RELEASE_LOCK(?)', [self::name($jobId)]);
    }

    public static function isHeld(int $jobId): bool
    {
        return ! (bool) JobProgress::connection()->selectOne('SELECT IS_FREE_LOCK(?) AS free', [self::name($jobId)])->free;
    }

    /** Locks are of the whole server: two sites on one must not meet. */
    private static function name(int $jobId): string
    {
        return 'job '.substr(md5(JobProgress::connection()->getDatabaseName()), 0, 12)." {$jobId}";
    }
}
