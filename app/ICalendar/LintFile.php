<?php

namespace App\ICalendar;

use PinnedRota\Core\ICalendar\Diagnostic;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Sorting\ExternalSort;

/** Prints what is wrong with a file, a line each, and what reading it does about that. */
final class LintFile extends FileCommand
{
    protected $signature = 'rota:lint {file : an iCalendar file, or - for standard input}';

    protected $description = 'Tells what is wrong with an iCalendar file';

    protected function work(): int
    {
        $problems = new ExternalSort;
        $isSound = true;
        $diagnostics = new Diagnostics(0, function (Diagnostic $each) use ($problems, &$isSound): void {
            $problems->add(sprintf('%012d', $each->line), (string) $each);
            $isSound = false;
        });
        try {
            foreach ($this->collect($this->reader($diagnostics), $diagnostics) as $series) {
                // Reading each, and putting it together, is what finds the faults.
            }
        } catch (NotICalendar $problem) {
            $this->say("line 1: {$problem->getMessage()}");

            return self::FAILURE;
        }
        foreach ($problems as $problem) {
            $this->say($problem);
        }

        return $isSound ? self::SUCCESS : self::FAILURE;
    }
}
