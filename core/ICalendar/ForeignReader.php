<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\EventContents;

/** Reads what a VEVENT says that means nothing here and is kept as it stands. */
final readonly class ForeignReader
{
    /** A file inside the calendar that is larger than this, in octets as it is written, is left out. */
    private const LARGEST_ATTACHMENT = 100_000;

    private const KNOWN = [
        'UID' => true, 'SUMMARY' => true, 'LOCATION' => true, 'DESCRIPTION' => true, 'DTSTART' => true, 'DTEND' => true, 'DURATION' => true, 'RRULE' => true,
        'EXRULE' => true, 'RDATE' => true, 'EXDATE' => true, 'RECURRENCE-ID' => true, 'URL' => true, 'STATUS' => true, 'TRANSP' => true, 'CLASS' => true,
        'CATEGORIES' => true, 'PRIORITY' => true, 'SEQUENCE' => true, 'DTSTAMP' => true, 'ATTENDEE' => true, 'ORGANIZER' => true, 'LAST-MODIFIED' => true,
        'CREATED' => true,
    ];

    public function __construct(private Diagnostics $diagnostics)
    {
    }

    /** @param  bool  $hasTimes  whether the event is of times, not of whole days */
    public function read(Component $component, EventContents $contents, bool $hasTimes): ForeignContent
    {
        $of = $component->byName();
        $kept = [];
        foreach (array_diff_key($of, self::KNOWN) as $properties) {
            array_push($kept, ...array_filter($properties, fn (Property $each): bool => $this->isKept($each, $hasTimes)));
        }
        $class = $of['CLASS'][0] ?? null;
        if ($class !== null && ! in_array(strtoupper(trim($class->value)), ['', 'PUBLIC', 'PRIVATE'], true)) {
            $kept[] = $class;
        }
        foreach ($of['RRULE'] ?? [] as $property) {
            if (RuleReader::calendarOf($property) !== 'GREGORIAN') {
                $kept[] = $property;
            }
        }
        foreach (TextProperties::ALL as $name) {
            $parameters = $of[$name][0]->parameters ?? [];
            $value = $parameters === [] ? '' : TextProperties::of($contents)[$name];
            if ($value !== '') {
                // With the text that it is said of: LANGUAGE, ALTREP.
                $kept[] = new Property($name, $value, $parameters);
            }
        }

        return new ForeignContent($kept, $component->componentsBut('VALARM'));
    }

    /** A mark of some program. */
    public static function saysWholeDays(Property $property): bool
    {
        return str_starts_with($property->name, 'X-') && preg_match('/-ALLDAY(EVENT)?$/D', $property->name) === 1 && strtoupper(trim($property->value)) === 'TRUE';
    }

    private function isKept(Property $property, bool $hasTimes): bool
    {
        $value = trim($property->value);
        $problem = match ($property->name) {
            'GEO' => preg_match('/^([+-]?\d{1,3}(?:\.\d+)?);([+-]?\d{1,3}(?:\.\d+)?)$/D', $value, $m) === 1 && abs((float) $m[1]) <= 90 && abs((float) $m[2]) <= 180 ? null : 'it is no latitude and longitude',
            'COLOR' => preg_match('/^[a-z]{3,30}$/Di', $value) === 1 ? null : 'it is no name of a colour',
            'CONFERENCE', 'IMAGE' => $value === '' ? 'it has no address' : null,
            'ATTACH' => $value === '' ? 'it has no address' : (strlen($value) > self::LARGEST_ATTACHMENT ? 'the file inside the calendar is too large' : null),
            'RELATED-TO' => $value === '' ? 'it names no event' : null,
            default => $hasTimes && self::saysWholeDays($property) ? 'it says that the event is of whole days, and it has times' : null,
        };
        if ($problem !== null) {
            $this->diagnostics->add($property->line, $property->name, $problem, Outcome::Skipped);
        }

        return $problem === null;
    }
}
