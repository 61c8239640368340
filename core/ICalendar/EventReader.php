<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Recurrence\StartOfRule;
use PinnedRota\Core\Recurrence\TooMuchWork;
use PinnedRota\Core\Recurrence\WorkBudget;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;

/** Makes an Event of a VEVENT (RFC 5545, 3.6.1), mending what can be mended. */
final class EventReader
{
    private const TITLE_LENGTH = 500;

    private const MOST_DATES = 10_000;

    private const MOST_RULES = 20;

    /** So far from its start what a rule leaves out is left out, and with so many steps at most for a whole file. */
    private const YEARS_LEFT_OUT = 20;

    private const STEPS_LEFT_OUT = 200_000;

    /** A file inside the calendar that is larger than this, in octets as it is written, is left out. */
    private const LARGEST_ATTACHMENT = 100_000;

    private const KNOWN = [
        'UID' => true, 'SUMMARY' => true, 'LOCATION' => true, 'DESCRIPTION' => true, 'DTSTART' => true, 'DTEND' => true, 'DURATION' => true, 'RRULE' => true, 'EXRULE' => true, 'RDATE' => true,
        'EXDATE' => true, 'RECURRENCE-ID' => true, 'URL' => true, 'STATUS' => true,
        'TRANSP' => true, 'CLASS' => true, 'CATEGORIES' => true, 'PRIORITY' => true, 'SEQUENCE' => true, 'DTSTAMP' => true,
        'ATTENDEE' => true, 'ORGANIZER' => true, 'LAST-MODIFIED' => true, 'CREATED' => true,
    ];

    /** Texts of which a file may say more. */
    private const SAID_OF = ['SUMMARY', 'LOCATION', 'DESCRIPTION', 'CATEGORIES'];

    private readonly ParticipantReader $participants;

    private readonly ReminderReader $reminders;

    private readonly RuleReader $rules;

    private readonly WorkBudget $leftOut;

    /** @var array<string, array<string, string>> the members of CATEGORIES by their lower case, by the text: most events have them from another */
    private array $categories = [];

    /** @var array{string, ?int} the moment read last, in UTC seconds, by how it is written: most events of a file were written at one */
    private array $lastMoment = ['', null];

    public function __construct(private readonly Diagnostics $diagnostics, private readonly TimeReader $times)
    {
        $this->participants = new ParticipantReader($diagnostics);
        $this->reminders = new ReminderReader($diagnostics, $times);
        $this->rules = new RuleReader($diagnostics);
        $this->leftOut = new WorkBudget(self::STEPS_LEFT_OUT);
    }

    /** The event, or null (with a diagnostic) where it cannot be read. */
    public function read(Component $component): ?Event
    {
        try {
            return $this->event($component);
        } catch (InvalidTime $problem) {
            $this->diagnostics->add($component->line, 'VEVENT', $problem->getMessage(), Outcome::Refused);

            return null;
        }
    }

    private function event(Component $component): Event
    {
        $startProperty = $component->first('DTSTART') ?? throw new InvalidTime('The event has no DTSTART.');
        $start = $this->times->one($startProperty);
        $wholeDays = $this->isOfWholeDays($component, $start);
        if ($wholeDays) {
            $this->diagnostics->add($startProperty->line, 'DTSTART', 'it lasts from midnight to midnight and says that it is of whole days; it is read as such', Outcome::Mended);
            $start = EventTime::date($start->local);
        }
        $recurrenceId = $this->filled($component, 'RECURRENCE-ID');
        $title = $this->text($component, 'SUMMARY', self::TITLE_LENGTH);
        $contents = $this->contents($component, $title);

        return new Event(
            uid: $this->uid($component, $title, $start),
            timing: $this->timing($component, $start, $recurrenceId === null ? $this->recurrence($component, $start) : new RecurrenceSet, $wholeDays),
            contents: $contents,
            recurrenceId: $recurrenceId === null ? null : $this->times->one($recurrenceId),
            andFollowing: $recurrenceId !== null && $this->holdsForFollowing($recurrenceId),
            organizer: $this->participants->organizer($component),
            participants: $this->participants->participants($component),
            reminders: $this->reminders->reminders($component),
            foreign: new ForeignContent([...$this->extra($component, $start), ...$this->told($component, $contents)], $component->componentsBut('VALARM')),
            sequence: $this->number($component, 'SEQUENCE', 2_000_000_000),
            stamp: $this->stamp($component),
            created: $this->moment($component, 'CREATED'),
            modified: $this->moment($component, 'LAST-MODIFIED'),
        );
    }

    /** A property that says something: one without a value is as though it were not there. */
    private function filled(Component $component, string $name): ?Property
    {
        $property = $component->first($name);
        if ($property !== null && trim($property->value) === '') {
            $this->diagnostics->add($property->line, $name, 'it is empty and is left out', Outcome::Mended);

            return null;
        }

        return $property;
    }

    private function contents(Component $component, string $title): EventContents
    {
        return new EventContents(
            // A place is one line: others become a comma.
            place: str_replace("\n", ', ', $this->text($component, 'LOCATION', TextProperties::LENGTHS['place'])),
            description: $this->text($component, 'DESCRIPTION', TextProperties::LENGTHS['description']),
            title: $title === '' ? EventContents::UNTITLED : str_replace("\n", ' ', $title),
            link: $this->link($component),
            status: match ($this->word($component, 'STATUS', ['CONFIRMED', 'TENTATIVE', 'CANCELLED'])) {
                'TENTATIVE' => Status::Provisional,
                'CANCELLED' => Status::Cancelled,
                default => Status::Confirmed,
            },
            busy: $this->word($component, 'TRANSP', ['OPAQUE', 'TRANSPARENT']) !== 'TRANSPARENT',
            // A word that is not known is to be read as PRIVATE (RFC 5545, 3.8.1.3).
            private: ! in_array($this->word($component, 'CLASS', null), ['', 'PUBLIC'], true),
            categories: $this->categories($component),
            priority: $this->number($component, 'PRIORITY', 9),
        );
    }

    private function stamp(Component $component): ?int
    {
        $stamp = $this->moment($component, 'DTSTAMP');
        if ($stamp === null) {
            $this->diagnostics->addOnce($component->line, 'DTSTAMP', 'the event, and perhaps others, does not say when it was written', Outcome::Mended);
        }

        return $stamp;
    }

    /** A moment in UTC, in seconds; null where there is none, or none that can be read. */
    private function moment(Component $component, string $name): ?int
    {
        $value = $component->first($name)->value ?? '';
        if ($value === '' || $value === $this->lastMoment[0]) {
            return $value === '' ? null : $this->lastMoment[1];
        }
        $seconds = null;
        if (preg_match('/^\s*(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z?\s*$/Di', $value, $m) === 1) {
            try {
                $seconds = LocalDateTime::of((int) $m[1], (int) $m[2], (int) $m[3], (int) $m[4], (int) $m[5], (int) $m[6])->seconds;
            } catch (InvalidTime) {
                // It is none, like any other that cannot be read.
            }
        }
        $this->lastMoment = [$value, $seconds];

        return $seconds;
    }

    private function holdsForFollowing(Property $recurrenceId): bool
    {
        $range = strtoupper($recurrenceId->parameter('RANGE') ?? '');
        if ($range !== '' && $range !== 'THISANDFUTURE') {
            $this->diagnostics->add($recurrenceId->line, 'RECURRENCE-ID', "the range “{$range}” is not known; this occurrence alone is changed", Outcome::Mended);
        }

        return $range === 'THISANDFUTURE';
    }

    /**
     * The value in upper case; '' where there is none, or (with a diagnostic) none of those that may be.
     *
     * @param  ?list<string>  $allowed
     */
    private function word(Component $component, string $name, ?array $allowed): string
    {
        $property = $component->first($name);
        $word = strtoupper(trim($property->value ?? ''));
        if ($property !== null && $allowed !== null && ! in_array($word, $allowed, true)) {
            $this->diagnostics->add($property->line, $name, '“'.mb_strimwidth($word, 0, 40, '…').'” is not known and is left out', Outcome::Mended);

            return '';
        }

        return $word;
    }

    private function number(Component $component, string $name, int $most): int
    {
        $property = $component->first($name);
        if ($property === null) {
            return 0;
        }
        $text = trim($property->value);
        if (preg_match('/^\d{1,10}$/D', $text) !== 1 || (int) $text > $most) {
            $this->diagnostics->add($property->line, $name, "it is a number from 0 to {$most}", Outcome::Mended);
        }

        return max(0, min($most, (int) $text));
    }

    /** @return list<Property> what is kept as it stands */
    private function extra(Component $component, EventTime $start): array
    {
        $extra = [];
        foreach ($component->propertiesBut(self::KNOWN) as $property) {
            if ($start->kind !== TimeKind::Date && self::saysWholeDays($property)) {
                $this->diagnostics->add($property->line, $property->name, 'it says that the event is of whole days, and it has times', Outcome::Skipped);

                continue;
            }
            [$problem, $outcome] = $this->doubt($property);
            if ($problem !== null) {
                $this->diagnostics->add($property->line, $property->name, $problem, $outcome);
            }
            if ($problem === null || $outcome !== Outcome::Skipped) {
                $extra[] = $property;
            }
        }
        $class = $component->first('CLASS');
        if ($class !== null && ! in_array(strtoupper(trim($class->value)), ['', 'PUBLIC', 'PRIVATE'], true)) {
            $extra[] = $class;
        }
        foreach ($component->all('RRULE') as $property) {
            if (RuleReader::calendarOf($property) !== 'GREGORIAN') {
                $extra[] = $property;
            }
        }

        return $extra;
    }

    /**
     * What the file says of the texts of an event (LANGUAGE, ALTREP), each as a property with the text that it is said of.
     *
     * @return list<Property>
     */
    private function told(Component $component, EventContents $contents): array
    {
        $told = [];
        foreach (self::SAID_OF as $name) {
            $parameters = $component->first($name)->parameters ?? [];
            $value = $parameters === [] ? '' : TextProperties::of($contents)[$name];
            if ($value !== '') {
                $told[] = new Property($name, $value, $parameters);
            }
        }

        return $told;
    }

    /** @return array{?string, Outcome} */
    private function doubt(Property $property): array
    {
        $value = trim($property->value);
        $problem = match ($property->name) {
            'GEO' => preg_match('/^([+-]?\d{1,3}(?:\.\d+)?);([+-]?\d{1,3}(?:\.\d+)?)$/D', $value, $m) === 1 && abs((float) $m[1]) <= 90 && abs((float) $m[2]) <= 180 ? null : 'it is no latitude and longitude',
            'COLOR' => preg_match('/^[a-z]{3,30}$/Di', $value) === 1 ? null : 'it is no name of a colour',
            'CONFERENCE', 'IMAGE' => $value === '' ? 'it has no address' : null,
            'ATTACH' => $value === '' ? 'it has no address' : (strlen($value) > self::LARGEST_ATTACHMENT ? 'the file inside the calendar is too large' : null),
            'RELATED-TO' => $value === '' ? 'it names no event' : null,
            default => null,
        };

        return [$problem, Outcome::Skipped];
    }

    private function uid(Component $component, string $title, EventTime $start): string
    {
        $uid = trim($component->first('UID')?->text() ?? '');
        if ($uid !== '' && strlen($uid) <= 255) {
            return $uid;
        }
        $made = sha1($uid === '' ? $title.'|'.$start->local->toDateTime() : $uid).'@import.invalid';
        $this->diagnostics->add($component->line, 'UID', $uid === '' ? 'the event has none; one is made from its title and start' : 'it is too long and is shortened', Outcome::Mended);

        return $made;
    }

    /** Whether times stand for days: from midnight to midnight, with a mark of some program that says so. */
    private function isOfWholeDays(Component $component, EventTime $start): bool
    {
        if ($start->kind === TimeKind::Date || $start->local->secondOfDay() !== 0) {
            return false;
        }
        foreach ($component->properties() as $property) {
            if (self::saysWholeDays($property)) {
                $end = preg_match('/T(\d{6})/', $component->first('DTEND')->value ?? '', $m) === 1 ? $m[1] : '000000';

                return $end === '000000';
            }
        }

        return false;
    }

    /** A mark of some program. */
    private static function saysWholeDays(Property $property): bool
    {
        return str_starts_with($property->name, 'X-') && preg_match('/-ALLDAY(EVENT)?$/D', $property->name) === 1 && strtoupper(trim($property->value)) === 'TRUE';
    }

    private function timing(Component $component, EventTime $start, RecurrenceSet $recurrence, bool $wholeDays): EventTiming
    {
        $endProperty = $this->filled($component, 'DTEND');
        $durationProperty = $this->filled($component, 'DURATION');
        $end = $endProperty === null ? null : $this->end($endProperty);
        $end = $wholeDays && $end !== null ? EventTime::date($end->local) : $end;
        if ($endProperty !== null && $end !== null) {
            if ($end->kind === TimeKind::Date && $start->kind !== TimeKind::Date || $end->kind !== TimeKind::Date && $start->kind === TimeKind::Date) {
                $this->diagnostics->add($endProperty->line, 'DTEND', 'start and end are not both dates or both times', Outcome::Mended);
                // Of a day that ends at some time all of it is meant.
                $end = $start->kind === TimeKind::Date ? EventTime::date($end->local->plusSeconds(CivilDate::SECONDS_PER_DAY - 1)) : $start->at($end->local);
            }
            if ($end->indexSeconds() > $start->indexSeconds()) {
                return EventTiming::between($start, $end, $recurrence);
            }
            if ($end->indexSeconds() < $start->indexSeconds()) {
                $this->diagnostics->add($endProperty->line, 'DTEND', 'the end is before the start and is left out', Outcome::Mended);
            }
        } elseif ($durationProperty !== null && ($duration = $this->duration($durationProperty)) !== null) {
            if ($start->kind === TimeKind::Date && $duration->seconds !== 0) {
                $this->diagnostics->add($durationProperty->line, 'DURATION', "an event of whole days lasts whole days; “{$durationProperty->value}” is read as {$duration->inDays()}", Outcome::Mended);
                $duration = $duration->inDays();
            }
            $end = $duration->addTo($start);
            if ($end->indexSeconds() > $start->indexSeconds()) {
                return EventTiming::lasting($start, $duration, $recurrence);
            }
            if ($end->indexSeconds() < $start->indexSeconds()) {
                $this->diagnostics->add($durationProperty->line, 'DURATION', 'it is negative and is left out', Outcome::Mended);
            }
        }

        // Without an end, a date lasts its day and a time no time at all (RFC 5545, 3.6.1).
        return EventTiming::between($start, $start->kind === TimeKind::Date ? $start->at($start->local->plusDays(1)) : $start, $recurrence);
    }

    /** Null, with a diagnostic, where it cannot be read: the event is kept without it. */
    private function end(Property $property): ?EventTime
    {
        try {
            return $this->times->one($property);
        } catch (InvalidTime $problem) {
            $this->diagnostics->add($property->line, 'DTEND', "{$problem->getMessage()} The end is left out", Outcome::Skipped);

            return null;
        }
    }

    /** @param  array<string>  $part  a broken number and its unit */
    private static function inSeconds(array $part): string
    {
        return round((float) strtr($part[1], ',', '.') * ['H' => 3600, 'M' => 60, 'S' => 1][strtoupper($part[2])]).'S';
    }

    /** Null, with a diagnostic, where it cannot be read: the event is kept without it. Parts of hours and the like are worked out. */
    private function duration(Property $property): ?Duration
    {
        try {
            return Duration::parse($property->value);
        } catch (InvalidTime $problem) {
            // At most one part of it may be broken; the one that is stands last, so that no other comes after its seconds.
            $mended = (string) preg_replace_callback('/(\d+[.,]\d+)([HMS])$/Di', self::inSeconds(...), trim($property->value));
            $mended = (string) preg_replace('/^([+-]?P)(?=[\d.]+[HS])/i', '$1T', $mended);
            try {
                $duration = Duration::parse($mended);
                $this->diagnostics->add($property->line, 'DURATION', "“{$property->value}” is read as {$duration}", Outcome::Mended);

                return $duration;
            } catch (InvalidTime) {
                $this->diagnostics->add($property->line, 'DURATION', "{$problem->getMessage()} It is left out", Outcome::Skipped);

                return null;
            }
        }
    }

    private function recurrence(Component $component, EventTime $start): RecurrenceSet
    {
        if ($component->first('RRULE') === null && $component->first('RDATE') === null && $component->first('EXDATE') === null) {
            return new RecurrenceSet;
        }
        $rules = $this->rules($component, 'RRULE', $start);
        if (count($rules) === 1 && ! StartOfRule::isProduced($rules[0], $start)) {
            $this->diagnostics->add($component->line, 'RRULE', 'the event starts when its rule has no time; the start is taken to be the first all the same', Outcome::Mended);
        }
        $inZone = static fn (EventTime $time): EventTime => $start->zone === null ? $time : $time->inZone($start->zone);
        $extra = $skipped = [];
        foreach ($component->all('RDATE') as $property) {
            foreach ($this->times->extraDates($property, self::MOST_DATES - count($extra)) as $date) {
                $extra[] = new ExtraDate($inZone($date->start), $date->end === null ? null : $inZone($date->end));
            }
        }
        foreach ($component->all('EXDATE') as $property) {
            foreach ($this->times->all($property, self::MOST_DATES - count($skipped)) as $date) {
                $skipped[] = $inZone($date);
            }
        }

        $skipped = $this->timesOfDays($component, new RecurrenceSet($rules, $extra), $skipped, $start);
        if ($component->first('EXRULE') !== null) {
            $skipped = [...$skipped, ...$this->leftOutByRules($component, new RecurrenceSet($rules, $extra), $start)];
        }

        return new RecurrenceSet($rules, $extra, $skipped);
    }

    /**
     * A day that is left out of an event that has a time means all of it on that day; others read it as its midnight (RFC 5545,
     * 3.8.5.1 wants a time), so the times are named.
     *
     * @param  list<EventTime>  $skipped
     * @return list<EventTime>
     */
    private function timesOfDays(Component $component, RecurrenceSet $set, array $skipped, EventTime $start): array
    {
        $days = $start->kind === TimeKind::Date ? [] : array_filter($skipped, static fn (EventTime $each): bool => $each->kind === TimeKind::Date);
        if ($days === []) {
            return $skipped;
        }
        $named = array_fill_keys(array_map(static fn (EventTime $each): int => $each->local->day(), $days), true);
        try {
            $times = $set->startsBetween($start, (min(array_keys($named)) - 1) * CivilDate::SECONDS_PER_DAY, (max(array_keys($named)) + 2) * CivilDate::SECONDS_PER_DAY, $this->leftOut);
        } catch (TooMuchWork) {
            return $skipped;
        }
        $times = array_values(array_filter($times, static fn (EventTime $each): bool => isset($named[$each->local->day()])));
        $this->diagnostics->addOnce($component->line, 'EXDATE', 'an event that has a time leaves out days; what of it is on them is left out', Outcome::Mended);

        return [...array_values(array_filter($skipped, static fn (EventTime $each): bool => $each->kind !== TimeKind::Date)), ...array_slice($times, 0, self::MOST_DATES)];
    }

    /**
     * The times that EXRULE (RFC 2445, 4.8.5.2) leaves out, one by one: the standard has it no more, so that other programs would show what it
     * leaves out, and a rule that is parted or moved would leave out other times.
     *
     * @return list<EventTime>
     */
    private function leftOutByRules(Component $component, RecurrenceSet $set, EventTime $start): array
    {
        $property = $component->first('EXRULE');
        $from = $start->indexSeconds();
        $to = $from + self::YEARS_LEFT_OUT * 366 * CivilDate::SECONDS_PER_DAY;
        try {
            $leftOut = (new RecurrenceSet($this->rules($component, 'EXRULE', $start)))->startsBetween($start, $from, $to, $this->leftOut);
            $known = array_fill_keys(array_map(static fn (EventTime $each): int => $each->indexSeconds(), $leftOut), true);
            $dates = array_values(array_filter($set->startsBetween($start, $from, $to, $this->leftOut), static fn (EventTime $each): bool => isset($known[$each->indexSeconds()])));
        } catch (TooMuchWork) {
            $dates = null;
        }
        if ($dates === null || count($dates) > self::MOST_DATES) {
            $this->diagnostics->add($property->line ?? 0, 'EXRULE', 'it leaves out more times than can be worked out, and is not applied', Outcome::Skipped);

            return [];
        }
        $this->diagnostics->add($property->line ?? 0, 'EXRULE', sprintf('rules that leave out are no more in the standard; what it leaves out in %d years is left out one by one (%d)', self::YEARS_LEFT_OUT, count($dates)), Outcome::Mended);

        return $dates;
    }

    /** @return list<Rule> */
    private function rules(Component $component, string $name, EventTime $start): array
    {
        return array_values(array_filter(array_map(fn (Property $each): ?Rule => $this->rules->read($each, $start), array_slice($component->all($name), 0, self::MOST_RULES))));
    }

    private function text(Component $component, string $name, int $longest): string
    {
        $property = $component->first($name);
        if ($property === null) {
            return '';
        }
        $text = trim($property->text());
        if (strlen($text) > $longest && mb_strlen($text) > $longest) {
            $this->diagnostics->add($property->line, $name, "it is longer than {$longest} characters and is cut", Outcome::Mended);

            return mb_substr($text, 0, $longest);
        }

        return $text;
    }

    private function link(Component $component): string
    {
        $property = $component->first('URL');
        $link = trim($property->value ?? '');
        // Only what a browser may open safely: a script in a link would run in the reader's name.
        if (preg_match('#^https?://\S{1,1990}$#Di', $link) === 1) {
            return $link;
        }
        if ($property !== null && $link !== '') {
            $this->diagnostics->add($property->line, 'URL', 'it is no address of the web and is left out', Outcome::Skipped);
        }

        return '';
    }

    /** @return list<string> */
    private function categories(Component $component): array
    {
        $categories = [];
        foreach ($component->all('CATEGORIES') as $property) {
            $categories += $this->categories[$property->value] ?? $this->members($property->value);
        }

        return $categories === [] ? [] : array_slice(array_values($categories), 0, 50);
    }

    /** @return array<string, string> */
    private function members(string $text): array
    {
        $members = [];
        foreach (Text::members($text) as $name) {
            $members[mb_strtolower($name)] ??= mb_substr($name, 0, 80);
        }
        if (count($this->categories) < 500 && strlen($text) < 500) {
            $this->categories[$text] = $members;
        }

        return $members;
    }
}
