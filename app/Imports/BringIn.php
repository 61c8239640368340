<?php

namespace App\Imports;

use App\Access\CurrentViewer;
use App\Calendars\Calendar;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Jobs\JobOutcome;
use App\Jobs\JobRun;
use App\Jobs\Work;

/** Brings something in that was looked at: all of it or nothing. */
final class BringIn implements Work
{
    public function __construct(
        private readonly CurrentViewer $viewer,
        private readonly ImportableCalendar $importable,
        private readonly PlanImport $plan,
        private readonly Intake $intake,
        private readonly ImportLines $lines,
        private readonly TableShapes $shapes,
    ) {
    }

    public function carryOut(JobRun $run): JobOutcome
    {
        return $run->finish(function () use ($run): JobOutcome {
            $person = $this->viewer->person();
            $import = Import::query()->where('created_by', $person->id)->lockForUpdate()->findOrFail($run->input['import']);
            $import->demandFile();
            // Planned anew: others may have changed the calendars since it was looked at, and what one may do there.
            $planned = $this->plan->of($import);
            foreach ($planned->calendars as $calendar) {
                $this->importable->named(Calendar::query()->findOrFail($calendar->id)->slug);
            }
            $cause = $planned->document === null ? Cause::Import : Cause::Document;
            $operation = $this->intake->carryOutAll($planned->plans, $planned->calendars, Actor::person($person), $cause, importId: $import->id, progress: $run->progress->at(...));
            if ($planned->document !== null) {
                $this->lines->write($import, $planned->document, $planned);
                $this->shapes->remember($person, $planned->document->tables, $import->options['columns'] ?? [], $import->options['keys'] ?? []);
            }
            $import->update(['counts' => $planned->counts(), 'operation_id' => $operation?->id, 'applied_at' => now()]);

            return new JobOutcome(operation: $operation?->id, counts: $planned->counts(), calendar: $import->calendar->slug);
        });
    }
}
