<?php

namespace App\Sources;

use App\Access\CurrentViewer;
use App\Jobs\JobOutcome;
use App\Jobs\JobRun;
use App\Jobs\Work;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Pins all of a source to a calendar, or takes it off. */
final class PinSource implements Work
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly SourcePinning $pinning, private readonly PinnableSource $pinnable)
    {
    }

    public function carryOut(JobRun $run): JobOutcome
    {
        return $run->finish(function () use ($run): JobOutcome {
            $person = $this->viewer->person();
            if (isset($run->input['pin'])) {
                $pin = SourcePin::query()->with(['source.calendar', 'calendar'])->find($run->input['pin'])
                    ?? throw new ConflictHttpException('It is not pinned there any more.');
                $this->pinnable->demandUnpin($pin);
                $this->pinning->unpin($pin, $person, $run->progress->at(...));
            } else {
                // What was so when it was asked for may be another by now.
                $target = $this->pinnable->target($run->input['calendar']);
                $pin = $this->pinning->pin($this->pinnable->source($run->input['source']), $target, $person, $run->progress->at(...));
            }

            return new JobOutcome(calendar: $pin->calendar->slug);
        });
    }
}
