<?php

namespace App\Feeds;

use App\Access\CurrentViewer;
use App\Jobs\JobOutcome;
use App\Jobs\JobRun;
use App\Jobs\Work;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use PinnedRota\Core\Access\Level;
use RuntimeException;

/** Writes a calendar into a file, as whoever asked for it sees it. */
final class WriteFile implements Work
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly CalendarDocument $document)
    {
    }

    public function carryOut(JobRun $run): JobOutcome
    {
        $calendar = $this->viewer->calendar($run->input['calendar'], Level::BusyTimes)->calendar;
        $path = JobOutcome::FILES.'/'.Str::uuid()->toString().'.ics';
        $stream = tmpfile() ?: throw new RuntimeException('There is no room for a file.');
        $this->document->write($stream, $calendar, $this->viewer->perspective(), null, progress: $run->progress->at(...));
        rewind($stream);

        return $run->finish(function () use ($path, $stream, $calendar): JobOutcome {
            Storage::put($path, $stream);

            return new JobOutcome(calendar: $calendar->slug, file: $path);
        });
    }
}
