<?php

namespace App\ICalendar;

use Generator;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Window;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\Recurrence\RuleExpander;
use PinnedRota\Core\Sorting\ExternalSort;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;
use RuntimeException;

/** Prints each occurrence of a file that overlaps a window, one JSON object a line, by start and then UID. */
final class ExpandFile extends FileCommand
{
    private const DAY = 86_400;

    private const YEAR = 366 * self::DAY;

    /** Makes a number of seconds that sorts as text of any moment there is. */
    private const BEFORE = 1_000_000_000_000;

    protected $signature = 'rota:expand {file : an iCalendar file, or - for standard input}
        {--from= : first day or wall time of the window; today where left out}
        {--to= : its end, exclusive; a year later where left out}
        {--tz= : time zone in which the window is meant and times are told}';

    protected $description = 'Lists the occurrences in an iCalendar file';

    protected function work(): int
    {
        $zone = Zone::of((string) ($this->option('tz') ?? config('rota.timezone')));
        $from = LocalDateTime::parse((string) ($this->option('from') ?? now($zone->name)->format('Y-m-d')));
        $to = $this->option('to') === null ? $from->plusDays(365) : LocalDateTime::parse((string) $this->option('to'));
        if ($to->seconds <= $from->seconds) {
            throw new RuntimeException('The window ends before it begins.');
        }
        $diagnostics = new Diagnostics;
        $collector = $this->collect($this->reader($diagnostics), $diagnostics);
        $window = new Window($from, $to, $zone);
        $rows = new ExternalSort;
        foreach ($collector as $series) {
            foreach ($this->occurrences($series, $window) as $occurrence) {
                // Rows of one moment and one UID are in the order of their text.
                $row = $this->row($occurrence, $series->uid(), $zone);
                $rows->add(sprintf('%020d', $this->instant($occurrence->start, $occurrence->startSeconds, $zone) + self::BEFORE)."{$series->uid()}\0{$row}", $row);
            }
        }
        $this->complainOf($diagnostics);
        foreach ($rows as $row) {
            $this->say($row);
        }

        return self::SUCCESS;
    }

    /**
     * A year at a time, or of what repeats within days a day, so that few are held at once.
     *
     * @return Generator<int, Occurrence>
     */
    private function occurrences(Series $series, Window $window): Generator
    {
        $length = $series->master?->timing->recurrence->repeatsWithinDays() === true ? self::DAY : self::YEAR;
        $told = 0;
        for ($from = $window->axisFrom; $from < $window->axisTo; $from += $length) {
            foreach ($series->occurrences($from, min($window->axisTo, $from + $length)) as $occurrence) {
                // What began before this part was told in that before it.
                if (($occurrence->startSeconds < $from && $from !== $window->axisFrom) || ! $window->holds($occurrence->start->kind, $occurrence->startSeconds, $occurrence->endSeconds)) {
                    continue;
                }
                if (++$told > RuleExpander::MAX_INSTANCES) {
                    $this->complain(sprintf('%s: more than %s times in these days; the first of them are told', $series->uid(), number_format(RuleExpander::MAX_INSTANCES)));

                    return;
                }
                yield $occurrence;
            }
        }
    }

    private function row(Occurrence $occurrence, string $uid, Zone $zone): string
    {
        $allDay = $occurrence->start->kind === TimeKind::Date;

        return json_encode([
            'uid' => $uid,
            'recurrenceId' => $occurrence->recurrenceId === null ? null : $this->tell($occurrence->recurrenceId, $occurrence->recurrenceId->indexSeconds(), $zone),
            'start' => $this->tell($occurrence->start, $occurrence->startSeconds, $zone),
            'end' => $this->tell($occurrence->start, $occurrence->endSeconds, $zone),
            'allDay' => $allDay,
            'status' => $occurrence->event->contents->status->value,
            'summary' => $occurrence->event->contents->title,
        ], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }

    private function instant(EventTime $like, int $axis, Zone $zone): int
    {
        return $like->kind === TimeKind::Zoned ? $axis : $zone->toUtc($axis);
    }

    /** A moment of the axis as text: a date, or RFC 3339 with the offset in force in the zone. */
    private function tell(EventTime $like, int $axis, Zone $zone): string
    {
        if ($like->kind === TimeKind::Date) {
            return (new LocalDateTime($axis))->toDate();
        }
        $utc = $this->instant($like, $axis, $zone);
        $offset = $zone->offsetAt($utc);

        return (new LocalDateTime($utc + $offset))->toDateTime().sprintf('%s%02d:%02d', $offset < 0 ? '-' : '+', intdiv(abs($offset), 3600), intdiv(abs($offset) % 3600, 60));
    }
}
