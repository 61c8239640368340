<?php

namespace App\ICalendar;

use PinnedRota\Core\ICalendar\Diagnostic;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;

/** Prints what is wrong with a file, a line each, and what reading it does about that. */
final class LintFile extends FileCommand
{
    private const MOST = 100_000;

    protected $signature = 'rota:lint {file : an iCalendar file, or - for standard input}';

    protected $description = 'Tells what is wrong with an iCalendar file';

    protected function work(): int
    {
        $diagnostics = new Diagnostics(self::MOST);
        try {
            foreach ($this->reader($diagnostics)->events() as $event) {
                // Reading each is what finds the faults.
            }
        } catch (NotICalendar $problem) {
            $this->say("line 1: {$problem->getMessage()}");

            return self::FAILURE;
        }
        $problems = $diagnostics->all();
        usort($problems, fn (Diagnostic $a, Diagnostic $b): int => $a->line <=> $b->line);
        array_map(fn (Diagnostic $each) => $this->say((string) $each), $problems);

        return $problems === [] ? self::SUCCESS : self::FAILURE;
    }
}
