<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** Writes a VTIMEZONE (RFC 5545, 3.6.5) from the changes of offset in the years that are used. */
final readonly class TimeZoneWriter
{
    public function __construct(private LineWriter $writer)
    {
    }

    /**
     * @param  int  $firstYear  inclusive
     * @param  int  $lastYear  inclusive
     */
    public function write(Zone $zone, int $firstYear, int $lastYear): void
    {
        $from = CivilDate::toDays($firstYear, 1, 1) * CivilDate::SECONDS_PER_DAY;
        $to = CivilDate::toDays($lastYear + 1, 1, 1) * CivilDate::SECONDS_PER_DAY;
        $changes = $zone->changes($from, $to);
        $this->writer->line('BEGIN:VTIMEZONE');
        $this->writer->text('TZID', $zone->name);
        $offset = $zone->offsetAt($from);
        $this->observance('STANDARD', $from + $offset, $offset, $offset, null, []);
        foreach ($this->alike($changes) as $group) {
            $first = $group[0];
            $begins = array_map(static fn (array $change): int => $change['at'] + $change['from'], $group);
            $this->observance($first['daylight'] ? 'DAYLIGHT' : 'STANDARD', $begins[0], $first['from'], $first['to'], $first['abbreviation'], array_slice($begins, 1));
        }
        $this->writer->line('END:VTIMEZONE');
    }

    /**
     * @param  list<array{at: int, from: int, to: int, abbreviation: string, daylight: bool}>  $changes
     * @return list<non-empty-list<array{at: int, from: int, to: int, abbreviation: string, daylight: bool}>>
     */
    private function alike(array $changes): array
    {
        $groups = [];
        foreach ($changes as $change) {
            $groups["{$change['from']} {$change['to']} {$change['abbreviation']}"][] = $change;
        }

        return array_values($groups);
    }

    /** @param  list<int>  $more wall times (in the offset before) of the further changes */
    private function observance(string $name, int $begins, int $from, int $to, ?string $abbreviation, array $more): void
    {
        $this->writer->line("BEGIN:{$name}");
        $this->writer->property('DTSTART', $this->stamp($begins));
        if ($more !== []) {
            $this->writer->property('RDATE', implode(',', array_map($this->stamp(...), $more)));
        }
        if ($abbreviation !== null && preg_match('/^[A-Z]+$/', $abbreviation) === 1) {
            $this->writer->property('TZNAME', $abbreviation);
        }
        $this->writer->property('TZOFFSETFROM', $this->offset($from));
        $this->writer->property('TZOFFSETTO', $this->offset($to));
        $this->writer->line("END:{$name}");
    }

    private function stamp(int $local): string
    {
        return str_replace(['-', ':'], '', (new LocalDateTime($local))->toDateTime());
    }

    private function offset(int $seconds): string
    {
        $size = abs($seconds);
        $text = sprintf('%s%02d%02d', $seconds < 0 ? '-' : '+', intdiv($size, 3600), intdiv($size % 3600, 60));

        return $size % 60 === 0 ? $text : $text.sprintf('%02d', $size % 60);
    }
}
