<?php

namespace App\Jobs;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Has a worker of the queue carry out a job. That it may come more than once does no harm: the runner does it once. */
final class RunJob implements ShouldQueue
{
    use Queueable;

    /** The runner counts itself. */
    public int $tries = 0;

    /** In seconds: what takes longer is ended, and begun again. */
    public int $timeout = 1800;

    /** Until it is asked again whether one of the person's jobs has ended, in seconds. */
    private const PAUSE = 2;

    public function __construct(public readonly int $jobId)
    {
    }

    public static function of(BackgroundJob $job): void
    {
        self::dispatch($job->id)->onQueue($job->kind->queue())->afterCommit();
    }

    public function handle(JobRunner $runner): void
    {
        if (! $runner->run($this->jobId)) {
            $this->release(self::PAUSE);
        }
    }
}
