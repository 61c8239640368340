<?php

namespace Database\Seeders\Demo;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Imports\Import;
use App\Imports\ImportPreviews;
use App\Jobs\JobKind;
use App\Jobs\JobProgress;
use App\Jobs\JobRun;
use App\Jobs\JobRunner;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Storage;

/** A table that was brought into a calendar of the demo school, by the way that people do it. */
final class DemoImports
{
    public function __construct(private readonly ImportPreviews $previews, private readonly JobRunner $runner)
    {
    }

    public function lay(Calendar $calendar, Person $by): void
    {
        $guard = Auth::guard('web');
        $guard->setUser($by);
        try {
            Storage::put($path = 'imports/visits-of-next-term', $this->table());
            $import = new Import(['calendar_id' => $calendar->id, 'created_by' => $by->id, 'file_name' => 'visits of next term.csv', 'path' => $path, 'kind' => 'table', 'created_at' => now()]);
            $import->setRelation('calendar', $calendar);
            $this->previews->of($import);
            $this->runner->work(JobKind::Import)->carryOut(new JobRun(['import' => $import->id], new JobProgress));
        } finally {
            $guard->forgetUser();
        }
    }

    private function table(): string
    {
        $day = static fn (int $days): string => Carbon::today('Europe/London')->addDays($days)->format('d/m/Y');

        return "Date;Visit;Time;Where;Notes\n{$day(75)};Ropemakers of Ayle;10:00-12:00;Rigging yard, Ayle;Coach at 9:15\n{$day(82)};Chart printers;14:00-15:30;Norrend;\n{$day(96)};Timber merchant;9:30-11:00;Breck sawmill;Boots needed\n";
    }
}
