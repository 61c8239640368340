<?php

/** Reads iCalendar from standard input with sabre/vobject and prints what it finds of each event: see read_ics.py. */

use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\Reader;
use Sabre\VObject\Recur\RRuleIterator;

require __DIR__.'/../../vendor/autoload.php';
error_reporting(E_ALL & ~E_DEPRECATED);
date_default_timezone_set('UTC');
const MOST = 8;

function times(VEvent $event, DateTimeImmutable $start, bool $isDate): array
{
    // It takes the rule or the extra dates, never both, knows no SKIP, and looks for ever where a rule of many parts has no time.
    if (! isset($event->RRULE) || isset($event->RDATE) || isset($event->EXDATE) || preg_match('/SKIP|BYSETPOS|BYMONTH=|BYHOUR|BYYEARDAY|BYWEEKNO|\d[A-Z]|-/', (string) $event->RRULE) === 1) {
        return [];
    }
    $found = [];
    $iterator = new RRuleIterator($event->RRULE->getParts(), $start);
    for (; $iterator->valid() && count($found) < MOST; $iterator->next()) {
        $found[] = $iterator->current()->format($isDate ? 'Y-m-d' : 'Y-m-d\TH:i:s');
    }

    return $found;
}

$calendar = Reader::read((string) stream_get_contents(STDIN));
assert($calendar instanceof VCalendar);
$lines = [];
foreach ($calendar->select('VEVENT') as $event) {
    $isDate = ! $event->DTSTART->hasTime();
    $start = $event->DTSTART->getDateTime();
    $instant = static fn ($property): string => $isDate || $property->isFloating() ? '' : (string) $property->getDateTime()->getTimestamp();
    $lines[] = [
        (string) $event->UID, trim((string) $event->SUMMARY), $start->format($isDate ? 'Y-m-d' : 'Y-m-d\TH:i:s'), $instant($event->DTSTART),
        isset($event->DTEND) ? $instant($event->DTEND) : '', times($event, $start, $isDate),
    ];
}
echo json_encode($lines);
