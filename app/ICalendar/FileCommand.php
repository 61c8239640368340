<?php

namespace App\ICalendar;

use Closure;
use Illuminate\Console\Command;
use InvalidArgumentException;
use PinnedRota\Core\Events\SeriesCollector;
use PinnedRota\Core\ICalendar\CalendarReader;
use PinnedRota\Core\ICalendar\Diagnostic;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\ICalendar\NotICalendar;
use PinnedRota\Core\Time\Zone;
use RuntimeException;
use Symfony\Component\Console\Output\OutputInterface;

/** A command that works on an iCalendar file: what goes wrong is told on standard error, with exit status 1. */
abstract class FileCommand extends Command
{
    /** @return int the exit status */
    abstract protected function work(): int;

    public function handle(): int
    {
        try {
            return $this->work();
        } catch (NotICalendar|InvalidArgumentException|RuntimeException $problem) {
            $this->complain($problem->getMessage());

            return self::FAILURE;
        }
    }

    protected function reader(Diagnostics $diagnostics): CalendarReader
    {
        return new CalendarReader(InputFile::open((string) $this->argument('file')), $diagnostics, Zone::of((string) config('rota.timezone')));
    }

    protected function collect(CalendarReader $reader, Diagnostics $diagnostics): SeriesCollector
    {
        $collector = new SeriesCollector($diagnostics);
        foreach ($reader->events() as $event) {
            $collector->add($event);
        }

        return $collector;
    }

    protected function complainOf(Diagnostics $diagnostics): void
    {
        array_map(fn (Diagnostic $each) => $this->complain((string) $each), $diagnostics->all());
        if ($diagnostics->total() > count($diagnostics->all())) {
            $this->complain(sprintf('and %d more', $diagnostics->total() - count($diagnostics->all())));
        }
    }

    protected function complain(string $message): void
    {
        $this->output->getErrorStyle()->writeln($message, OutputInterface::OUTPUT_RAW);
    }

    /** Prints what is written to a stream, a part at a time. */
    protected function pass(Closure $write): void
    {
        $stream = fopen('php://temp', 'w+') ?: throw new RuntimeException('No temporary stream could be opened.');
        $write($stream);
        rewind($stream);
        while (! feof($stream)) {
            $this->output->write((string) fread($stream, 65_536), false, OutputInterface::OUTPUT_RAW);
        }
    }

    protected function say(string $line): void
    {
        $this->output->writeln($line, OutputInterface::OUTPUT_RAW);
    }
}
