<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\Zone;

/** A recurrence set as content lines (RRULE, RDATE, EXDATE), one a line: how it is stored. */
final class RecurrenceText
{
    /**
     * Reads what write() wrote.
     *
     * @param  ?Zone  $zone  of the series; its times name it
     */
    public static function read(string $lines, ?Zone $zone = null): RecurrenceSet
    {
        if ($lines === '') {
            return new RecurrenceSet;
        }
        $diagnostics = new Diagnostics;
        $parser = new PropertyParser($diagnostics);
        $times = new TimeReader($diagnostics, Zone::utc());
        if ($zone !== null) {
            $times->know($zone);
        }
        $rules = $extra = $skipped = [];
        foreach (explode("\n", $lines) as $line) {
            $property = $parser->parse(0, $line);
            match ($property?->name) {
                'RRULE' => $rules[] = (new RuleParser)->parse($property->value),
                'RDATE' => array_push($extra, ...$times->extraDates($property, PHP_INT_MAX - 1)),
                'EXDATE' => array_push($skipped, ...$times->all($property, PHP_INT_MAX - 1)),
                default => null,
            };
        }

        return new RecurrenceSet($rules, $extra, $skipped);
    }

    /** The lines, or null where nothing repeats. */
    public static function write(RecurrenceSet $set): ?string
    {
        $text = str_replace("\r\n", "\n", trim(LineWriter::unfolded(static fn (LineWriter $writer) => (new RecurrenceWriter($writer))->write($set))));

        return $text === '' ? null : $text;
    }
}
