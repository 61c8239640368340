<?php

namespace App\ICalendar;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\SeriesCollector;
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
        $collector = new SeriesCollector($diagnostics);
        $others = new OtherComponents;
        foreach ($reader->contents() as $content) {
            $content instanceof Event ? $collector->add($content) : $others->add($content);
        }
        $this->pass(fn (mixed $stream) => (new CalendarWriter($stream))->write($reader->head(), $collector, $others));
        $this->complainOf($diagnostics);

        return self::SUCCESS;
    }
}
