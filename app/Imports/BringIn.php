<?php

namespace App\Imports;

use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Jobs\JobOutcome;
use App\Jobs\JobRun;
use App\Jobs\Work;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Documents\DocumentKind;
use PinnedRota\Core\ICalendar\Diagnostics;

/** Brings a file in that was looked at: all of it or nothing. */
final class BringIn implements Work
{
    public function __construct(private readonly CurrentViewer $viewer, private readonly ImportableCalendar $importable, private readonly Intake $intake, private readonly DocumentRows $rows)
    {
    }

    public function carryOut(JobRun $run): JobOutcome
    {
        return $run->finish(function () use ($run): JobOutcome {
            $person = $this->viewer->person();
            $import = Import::query()->where('created_by', $person->id)->lockForUpdate()->findOrFail($run->input['import']);
            $import->demandFile();
            $calendar = $this->importable->named(Calendar::query()->findOrFail($import->calendar_id)->slug);
            // Planned anew: others may have changed the calendar since it was looked at.
            $plan = $import->kind === DocumentKind::Calendar->value
                ? $this->intake->plan($calendar, Storage::readStream((string) $import->path), new Diagnostics)
                : $this->intake->planOf($calendar, $this->rows->of($import)->wanted());
            $operation = $this->intake->carryOut($calendar, $plan, Actor::person($person), Cause::Import, importId: $import->id, progress: $run->progress->at(...));
            Storage::delete((string) $import->path);
            $import->update(['path' => null, 'counts' => $plan->counts(), 'applied_at' => now()]);

            return new JobOutcome(operation: $operation?->id, counts: $plan->counts(), calendar: $calendar->slug);
        });
    }
}
