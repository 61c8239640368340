<?php

namespace App\ICalendar;

use PinnedRota\Core\ICalendar\CalendarWriter;
use PinnedRota\Core\ICalendar\Diagnostics;

/** Reads a file and prints it in strict form; expanding that gives what expanding the original gave. */
final class RewriteFile extends FileCommand
{
    protected $signature = 'rota:rewrite {file : an iCalendar file, or - for standard input}';

    protected $description = 'Prints an iCalendar file in strict form';

    protected function work(): int
    {
        $diagnostics = new Diagnostics;
        $reader = $this->reader($diagnostics);
        $series = $this->collect($reader)->series();
        $this->complainOf($diagnostics);
        $this->pass(fn (mixed $stream) => (new CalendarWriter($stream))->write($reader->name() ?? '', $series, null, null, $reader->kept()));

        return self::SUCCESS;
    }
}
