<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use Closure;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\SchoolYear\TeachingDays;
use PinnedRota\Core\SchoolYear\TermWeeks;
use PinnedRota\Core\Time\Zone;

/** A recurrence set as content lines (RRULE, RDATE, EXDATE), one a line: how it is stored, with a line for the weeks of school it is kept to. */
final class RecurrenceText
{
    /** Is in no file: there the days without school are skipped one by one. */
    public const WEEKS = 'X-SCHOOL-WEEKS';

    /**
     * Reads what write() wrote.
     *
     * @param  ?Zone  $zone  of the series; its times name it
     * @param  ?Closure(TermWeeks): TeachingDays  $school  what days of school are; without it there are none to be kept to
     */
    public static function read(string $lines, ?Zone $zone = null, ?Closure $school = null): RecurrenceSet
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
        $weeks = null;
        foreach (explode("\n", $lines) as $line) {
            $property = $parser->parse(0, $line);
            match ($property?->name) {
                'RRULE' => $rules[] = (new RuleParser)->parse($property->value),
                'RDATE' => array_push($extra, ...$times->extraDates($property, PHP_INT_MAX - 1)),
                'EXDATE' => array_push($skipped, ...$times->all($property, PHP_INT_MAX - 1)),
                self::WEEKS => $weeks = TermWeeks::tryFrom($property->value),
                default => null,
            };
        }

        return new RecurrenceSet($rules, $extra, $skipped, $weeks === null || $school === null ? null : $school($weeks));
    }

    /** The lines, or null where nothing repeats. */
    public static function write(RecurrenceSet $set): ?string
    {
        $text = str_replace("\r\n", "\n", trim(LineWriter::unfolded(static fn (LineWriter $writer) => (new RecurrenceWriter($writer))->write($set))));

        if ($text !== '' && $set->within !== null) {
            $text .= "\n".self::WEEKS.":{$set->within->weeks->value}";
        }

        return $text === '' ? null : $text;
    }
}
