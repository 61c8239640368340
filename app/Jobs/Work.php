<?php

namespace App\Jobs;

use Throwable;

/** Does one kind of job: at once where there is little of it, else in the background, for the same person and with the same outcome. */
interface Work
{
    /** @throws Throwable where it cannot be done: then nothing of it is */
    public function carryOut(JobRun $run): JobOutcome;
}
