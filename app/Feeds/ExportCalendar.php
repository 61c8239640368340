<?php

namespace App\Feeds;

use App\Calendars\Calendar;
use App\ICalendar\FileCommand;
use PinnedRota\Core\Access\Level;
use RuntimeException;
use Symfony\Component\Console\Output\OutputInterface;

/** Prints a calendar as iCalendar, with all that is on it. */
final class ExportCalendar extends FileCommand
{
    protected $signature = 'rota:export {calendar : the calendar’s name in addresses}';

    protected $description = 'Prints a calendar as iCalendar';

    public function __construct(private readonly CalendarDocument $documents)
    {
        parent::__construct();
    }

    protected function work(): int
    {
        $calendar = Calendar::query()->where('slug', (string) $this->argument('calendar'))->first()
            ?? throw new RuntimeException("There is no calendar “{$this->argument('calendar')}”.");
        $stream = fopen('php://temp', 'w+') ?: throw new RuntimeException('No temporary stream could be opened.');
        $this->documents->write($stream, $calendar, Level::Manage, null, null);
        rewind($stream);
        while (! feof($stream)) {
            $this->output->write((string) fread($stream, 65_536), false, OutputInterface::OUTPUT_RAW);
        }

        return self::SUCCESS;
    }
}
