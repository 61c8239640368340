<?php

namespace App\Imports;

use App\Calendars\Calendar;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\ICalendar\FileCommand;
use App\ICalendar\InputFile;
use PinnedRota\Core\ICalendar\Diagnostics;
use RuntimeException;

/** Brings a file into a calendar, as its page does. */
final class ImportFile extends FileCommand
{
    protected $signature = 'rota:import {file : an iCalendar file, or - for standard input}
        {--calendar= : the calendar’s name in addresses}
        {--dry-run : say what would be done, and change nothing}';

    protected $description = 'Brings an iCalendar file into a calendar';

    public function __construct(private readonly Intake $intake)
    {
        parent::__construct();
    }

    protected function work(): int
    {
        $calendar = Calendar::query()->with('source')->where('slug', (string) $this->option('calendar'))->first()
            ?? throw new RuntimeException("There is no calendar “{$this->option('calendar')}”.");
        if ($calendar->isSubscribed()) {
            throw new RuntimeException('The events of this calendar come from outside; nothing is imported into it.');
        }
        $diagnostics = new Diagnostics;
        $plan = $this->intake->plan($calendar, InputFile::open((string) $this->argument('file')), $diagnostics);
        $counts = $plan->counts();
        $this->complainOf($diagnostics);
        if ($plan->isEmpty()) {
            throw new RuntimeException('There are no events to bring in.');
        }
        if (! $this->option('dry-run')) {
            $this->intake->carryOut($calendar, $plan, Actor::nobody(), Cause::Script);
        }
        $this->say(sprintf('%s: %d new, %d changed, %d already there%s', $calendar->name, $counts['added'], $counts['changed'], $counts['unchanged'], $this->option('dry-run') ? ' (nothing was changed)' : ''));

        return self::SUCCESS;
    }
}
