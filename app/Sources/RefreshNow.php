<?php

namespace App\Sources;

use App\Access\CurrentViewer;
use App\Jobs\JobOutcome;
use App\Jobs\JobRun;
use App\Jobs\Work;
use PinnedRota\Core\Access\Level;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** Refreshes a source because somebody asked for it. */
final class RefreshNow implements Work
{
    /** What this depends on failed (RFC 4918, 11.4). */
    private const FAILED_DEPENDENCY = 424;

    public function __construct(private readonly CurrentViewer $viewer, private readonly SourceRefresher $refresher)
    {
    }

    public function carryOut(JobRun $run): JobOutcome
    {
        $source = Source::query()->whereIn('calendar_id', $this->viewer->calendars()->keys())->with('calendar')->findOrFail($run->input['source']);
        $this->viewer->demand($this->viewer->calendars()[$source->calendar_id]->level(), Level::Manage);
        $refresh = $this->refresher->refresh($source, $run->progress->at(...));
        if ($refresh->error !== null) {
            throw new HttpException(self::FAILED_DEPENDENCY, $refresh->error);
        }

        return new JobOutcome(counts: $refresh->counts, calendar: $source->calendar->slug);
    }
}
