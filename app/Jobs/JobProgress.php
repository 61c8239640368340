<?php

namespace App\Jobs;

use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Facades\DB;

/**
 * How far a job is, and whether it is still wanted. It is written over a connection of its own, since what the job does itself
 * is seen by nobody before it is done.
 */
final class JobProgress
{
    private const CONNECTION = 'beside';

    /** Between two writes, in nanoseconds. */
    private const PAUSE = 300_000_000;

    private int $told = 0;

    public function __construct(private readonly ?int $jobId = null)
    {
    }

    /**
     * Says how much of how much is done.
     *
     * @throws JobCancelled where it is wanted no more
     */
    public function at(int $done, int $total): void
    {
        if ($this->jobId === null || ($done < $total && hrtime(true) - $this->told < self::PAUSE)) {
            return;
        }
        $this->told = hrtime(true);
        self::table()->upsert([['job_id' => $this->jobId, 'done' => $done, 'total' => $total]], ['job_id'], ['done', 'total']);
        $this->demandWanted();
    }

    /** @throws JobCancelled where it is wanted no more */
    public function demandWanted(): void
    {
        if ($this->jobId !== null && self::isCancelled($this->jobId)) {
            throw new JobCancelled;
        }
    }

    public static function cancel(int $jobId): void
    {
        self::table()->upsert([['job_id' => $jobId, 'cancelled' => true]], ['job_id'], ['cancelled']);
    }

    public static function isCancelled(int $jobId): bool
    {
        return (bool) self::table()->where('job_id', $jobId)->value('cancelled');
    }

    /** @return array{int, int} done, of how much; both 0 where nothing is known yet */
    public static function of(int $jobId): array
    {
        $row = self::table()->where('job_id', $jobId)->first();

        return [(int) ($row->done ?? 0), (int) ($row->total ?? 0)];
    }

    public static function forget(int $jobId): void
    {
        self::table()->where('job_id', $jobId)->delete();
    }

    public static function connection(): ConnectionInterface
    {
        return DB::connection(self::CONNECTION);
    }

    private static function table(): \Illuminate\Database\Query\Builder
    {
        return self::connection()->table('job_progress');
    }
}
