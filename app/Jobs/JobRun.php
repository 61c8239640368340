<?php

namespace App\Jobs;

use Illuminate\Support\Facades\DB;

/** One carrying-out of a job. */
final class JobRun
{
    private const ATTEMPTS = 3;

    /** @param  array<string, mixed>  $input */
    public function __construct(public readonly array $input, public readonly JobProgress $progress, private readonly ?BackgroundJob $job = null)
    {
    }

    /**
     * Makes the change that the job is. That it is done is written within its transaction, so whoever asks what became of it is
     * told what is so, whenever a worker is ended.
     *
     * @param  callable(): JobOutcome  $change
     */
    public function finish(callable $change): JobOutcome
    {
        return DB::transaction(function () use ($change): JobOutcome {
            $outcome = $change();
            $this->job?->end(JobState::Done, $outcome);

            return $outcome;
        }, $this->job === null ? 1 : self::ATTEMPTS);
    }
}
