<?php

namespace App\Sources;

use App\Jobs\JobOutcome;
use App\Jobs\JobRun;
use App\Jobs\Work;
use PinnedRota\Core\Sources\RefreshState;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** Refreshes a source because somebody asked for it, or takes in what was held back. */
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
        $refresh = isset($run->input['held']) ? $this->refresher->takeHeld($source, $this->held($source, $run->input['held']), $run->progress->at(...))
            : $this->refresher->refresh($source, $run->progress->at(...), $run->input['anyway'] ?? false);
        if ($refresh->error !== null) {
            throw new HttpException(self::FAILED_DEPENDENCY, $refresh->error);
        }
        if ($refresh->state === RefreshState::Held) {
            throw new ConflictHttpException("The far side has {$refresh->counted()['removed']} events no more: that waits for your word.");
        }

        return new JobOutcome(counts: $refresh->counts, calendar: $source->calendar->slug);
    }

    /** @throws ConflictHttpException */
    private function held(Source $source, int $id): Refresh
    {
        return $source->refreshes()->whereKey($id)->where('state', RefreshState::Held)->first() ?? throw new ConflictHttpException('This is decided already.');
    }
}
