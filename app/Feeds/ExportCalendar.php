<?php

namespace App\Feeds;

use App\Access\Perspective;
use App\Calendars\Calendar;
use App\ICalendar\FileCommand;
use RuntimeException;

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
        $this->pass(fn (mixed $stream) => $this->documents->write($stream, $calendar, Perspective::whole($calendar), null));

        return self::SUCCESS;
    }
}
