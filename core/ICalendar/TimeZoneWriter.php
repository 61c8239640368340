<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Observance;
use PinnedRota\Core\Time\Zone;

/**
 * Writes a VTIMEZONE (RFC 5545, 3.6.5): the changes of offset in the years that are used, and for series that go on
 * the yearly rules that the zone goes on by. A zone that came described is written as it was.
 */
final readonly class TimeZoneWriter
{
    public function __construct(private LineWriter $writer)
    {
    }

    /**
     * @param  int  $firstYear  inclusive
     * @param  ?int  $lastYear  inclusive; null where something goes on for ever
     */
    public function write(Zone $zone, int $firstYear, ?int $lastYear, ?string $name = null): void
    {
        $this->writer->line('BEGIN:VTIMEZONE');
        $this->writer->text('TZID', $name ?? $zone->name);
        $observances = $zone->observances();
        foreach ($observances === [] ? $this->observancesOf($zone, $firstYear - 1, $lastYear === null ? null : $lastYear + 1) : $observances as $observance) {
            $this->observance($observance);
        }
        $this->writer->line('END:VTIMEZONE');
    }

    /** @return list<Observance> */
    private function observancesOf(Zone $zone, int $firstYear, ?int $lastYear): array
    {
        $from = self::newYear($firstYear);
        $yearly = $lastYear === null ? YearlyChange::of($zone, $firstYear) : [];
        $to = $lastYear === null ? self::newYear(max($firstYear, YearlyChange::YEARS[0])) : self::newYear($lastYear + 1);
        $offset = $zone->offsetAt($from);
        $observances = [new Observance(false, new LocalDateTime($from + $offset), $offset, $offset)];
        $groups = [];
        foreach ($zone->changes($from, $to) as $change) {
            $ruled = array_filter($yearly, static fn (YearlyChange $each): bool => $each->covers($change));
            if ($ruled === []) {
                $groups["{$change['from']} {$change['to']} {$change['abbreviation']} {$change['daylight']}"][] = $change;
            }
        }
        foreach ($groups as $group) {
            $begins = array_map(static fn (array $change): LocalDateTime => new LocalDateTime($change['at'] + $change['from']), $group);
            $observances[] = $this->made($group[0], array_shift($begins), null, $begins);
        }
        foreach ($yearly as $each) {
            $observances[] = $this->made($each->first, new LocalDateTime($each->first['at'] + $each->first['from']), $each->rule, []);
        }

        return $observances;
    }

    /**
     * @param  array{at: int, from: int, to: int, abbreviation: string, daylight: bool}  $change
     * @param  list<LocalDateTime>  $more
     */
    private function made(array $change, LocalDateTime $onset, ?Rule $rule, array $more): Observance
    {
        return new Observance($change['daylight'], $onset, $change['from'], $change['to'], preg_match('/^[A-Z]+$/', $change['abbreviation']) === 1 ? $change['abbreviation'] : '', $rule, $more);
    }

    private function observance(Observance $observance): void
    {
        $name = $observance->daylight ? 'DAYLIGHT' : 'STANDARD';
        $this->writer->line("BEGIN:{$name}");
        $this->writer->property('DTSTART', $observance->onset->toBasicDateTime());
        if ($observance->rule !== null) {
            $this->writer->property('RRULE', (string) $observance->rule);
        }
        // A line for each, the first among them: some readers take one value of a line, and DTSTART only where it is alone.
        $dates = $observance->extra === [] ? [] : [$observance->onset, ...$observance->extra];
        foreach (array_unique(array_map(static fn (LocalDateTime $each): string => $each->toBasicDateTime(), $dates)) as $date) {
            $this->writer->property('RDATE', $date);
        }
        if ($observance->abbreviation !== '') {
            $this->writer->property('TZNAME', $observance->abbreviation);
        }
        $this->writer->property('TZOFFSETFROM', $this->offset($observance->from));
        $this->writer->property('TZOFFSETTO', $this->offset($observance->to));
        $this->writer->line("END:{$name}");
    }

    private function offset(int $seconds): string
    {
        $size = abs($seconds);
        $text = sprintf('%s%02d%02d', $seconds < 0 ? '-' : '+', intdiv($size, 3600), intdiv($size % 3600, 60));

        return $size % 60 === 0 ? $text : $text.sprintf('%02d', $size % 60);
    }

    private static function newYear(int $year): int
    {
        return CivilDate::toDays($year, 1, 1) * CivilDate::SECONDS_PER_DAY;
    }
}
