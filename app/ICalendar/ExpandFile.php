<?php

namespace App\ICalendar;

use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Window;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\Recurrence\RuleExpander;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;
use RuntimeException;

/** Prints each occurrence of a file that overlaps a window, one JSON object a line, by start and then UID. */
final class ExpandFile extends FileCommand
{
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
        $series = $this->collect($this->reader($diagnostics))->series();
        $this->complainOf($diagnostics);
        $window = new Window($from, $to, $zone);
        $rows = [];
        foreach ($series as $each) {
            $occurrences = $each->occurrences($window->axisFrom, $window->axisTo);
            if (count($occurrences) >= RuleExpander::MAX_INSTANCES) {
                $this->complain(sprintf('%s: more than %s times in these days; the first of them are told', $each->uid(), number_format(RuleExpander::MAX_INSTANCES)));
            }
            foreach ($occurrences as $occurrence) {
                if ($window->holds($occurrence->start->kind, $occurrence->startSeconds, $occurrence->endSeconds)) {
                    $rows[] = [$this->instant($occurrence->start, $occurrence->startSeconds, $zone), $each->uid(), $this->row($occurrence, $each->uid(), $zone)];
                }
            }
        }
        usort($rows, fn (array $a, array $b): int => [$a[0], $a[1], $a[2]] <=> [$b[0], $b[1], $b[2]]);
        foreach ($rows as $row) {
            $this->say($row[2]);
        }

        return self::SUCCESS;
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
