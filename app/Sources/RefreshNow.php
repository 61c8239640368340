<?php

namespace App\Sources;

use App\Jobs\JobOutcome;
use App\Jobs\JobRun;
use App\Jobs\Work;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** Refreshes a source because somebody asked for it. */
final class RefreshNow implements Work
{
    /** What this depends on failed (RFC 4918, 11.4). */
    private const FAILED_DEPENDENCY = 424;

    public function __construct(private readonly ManagedSource $sources, private readonly SourceRefresher $refresher)
    {
    }

    public function carryOut(JobRun $run): JobOutcome
    {
        $source = $this->sources->find($run->input['source']);
        $refresh = $this->refresher->refresh($source, $run->progress->at(...));
        if ($refresh->error !== null) {
            throw new HttpException(self::FAILED_DEPENDENCY, $refresh->error);
        }

        return new JobOutcome(counts: $refresh->counts, calendar: $source->calendar->slug);
    }
}
