<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;

/** Makes an Event of a VEVENT (RFC 5545, 3.6.1), mending what can be mended. */
final class EventReader
{
    private const TITLE_LENGTH = 500;

    private const STATES = ['CONFIRMED' => Status::Confirmed, 'TENTATIVE' => Status::Provisional, 'CANCELLED' => Status::Cancelled];

    private readonly ParticipantReader $participants;

    private readonly ReminderReader $reminders;

    private readonly TimingReader $timing;

    private readonly ForeignReader $foreign;

    /** @var array<string, array<string, string>> the members of CATEGORIES by their lower case, by the text: most events have them from another */
    private array $categories = [];

    /** @var array{string, ?int} the moment read last, in UTC seconds, by how it is written: most events of a file were written at one */
    private array $lastMoment = ['', null];

    public function __construct(private readonly Diagnostics $diagnostics, private readonly TimeReader $times)
    {
        $this->participants = new ParticipantReader($diagnostics);
        $this->reminders = new ReminderReader($diagnostics, $times);
        $this->timing = new TimingReader($diagnostics, $times);
        $this->foreign = new ForeignReader($diagnostics);
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
        $of = $component->byName();
        $recurrenceId = isset($of['RECURRENCE-ID']) ? $this->timing->filled($of['RECURRENCE-ID'][0]) : null;
        $timing = $this->timing->read($component, $recurrenceId !== null);
        $title = isset($of['SUMMARY']) ? $this->text($of['SUMMARY'][0], self::TITLE_LENGTH) : '';
        $contents = $this->contents($of, $title);

        return new Event(
            uid: $this->uid($component, $of['UID'][0] ?? null, $title, $timing->start),
            timing: $timing,
            contents: $contents,
            recurrenceId: $recurrenceId === null ? null : $this->times->one($recurrenceId),
            andFollowing: $recurrenceId !== null && $this->holdsForFollowing($recurrenceId),
            organizer: isset($of['ORGANIZER']) ? $this->participants->organizer($component) : null,
            participants: isset($of['ATTENDEE']) ? $this->participants->participants($component) : [],
            reminders: $component->components() === [] ? [] : $this->reminders->reminders($component),
            foreign: $this->foreign->read($component, $contents, ! $timing->isAllDay()),
            sequence: isset($of['SEQUENCE']) ? $this->number($of['SEQUENCE'][0], 2_000_000_000) : 0,
            stamp: $this->stamp($component, $of['DTSTAMP'][0] ?? null),
            created: isset($of['CREATED']) ? $this->moment($of['CREATED'][0]) : null,
            modified: isset($of['LAST-MODIFIED']) ? $this->moment($of['LAST-MODIFIED'][0]) : null,
        );
    }

    /** @param  array<string, non-empty-list<Property>>  $of  the properties by name */
    private function contents(array $of, string $title): EventContents
    {
        return new EventContents(
            title: $title === '' ? EventContents::UNTITLED : str_replace("\n", ' ', $title),
            // A place is one line: others become a comma.
            place: isset($of['LOCATION']) ? str_replace("\n", ', ', $this->text($of['LOCATION'][0], TextProperties::LENGTHS['place'])) : '',
            description: isset($of['DESCRIPTION']) ? $this->text($of['DESCRIPTION'][0], TextProperties::LENGTHS['description']) : '',
            link: isset($of['URL']) ? $this->link($of['URL'][0]) : '',
            status: isset($of['STATUS']) ? self::STATES[$this->word($of['STATUS'][0], self::STATES)] ?? Status::Confirmed : Status::Confirmed,
            busy: ! isset($of['TRANSP']) || $this->word($of['TRANSP'][0], ['OPAQUE' => true, 'TRANSPARENT' => true]) !== 'TRANSPARENT',
            // A word that is not known is to be read as PRIVATE (RFC 5545, 3.8.1.3).
            private: isset($of['CLASS']) && ! in_array(strtoupper(trim($of['CLASS'][0]->value)), ['', 'PUBLIC'], true),
            categories: isset($of['CATEGORIES']) ? $this->categories($of['CATEGORIES']) : [],
            priority: isset($of['PRIORITY']) ? $this->number($of['PRIORITY'][0], 9) : 0,
        );
    }

    private function stamp(Component $component, ?Property $property): ?int
    {
        $stamp = $property === null ? null : $this->moment($property);
        if ($stamp === null) {
            $this->diagnostics->addOnce($component->line, 'DTSTAMP', 'the event, and perhaps others, does not say when it was written', Outcome::Mended);
        }

        return $stamp;
    }

    /** A moment in UTC, in seconds; null where it cannot be read. */
    private function moment(Property $property): ?int
    {
        if ($property->value === $this->lastMoment[0]) {
            return $this->lastMoment[1];
        }
        $seconds = null;
        if (preg_match('/^\s*(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z?\s*$/Di', $property->value, $m) === 1) {
            try {
                $seconds = LocalDateTime::of((int) $m[1], (int) $m[2], (int) $m[3], (int) $m[4], (int) $m[5], (int) $m[6])->seconds;
            } catch (InvalidTime) {
                // It is none, like any other that cannot be read.
            }
        }
        $this->lastMoment = [$property->value, $seconds];

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
     * The value in upper case; '' (with a diagnostic) where it is none of those that may be.
     *
     * @param  array<string, mixed>  $allowed  as keys
     */
    private function word(Property $property, array $allowed): string
    {
        $word = strtoupper(trim($property->value));
        if (isset($allowed[$word])) {
            return $word;
        }
        $this->diagnostics->add($property->line, $property->name, '“'.mb_strimwidth($word, 0, 40, '…').'” is not known and is left out', Outcome::Mended);

        return '';
    }

    private function number(Property $property, int $most): int
    {
        $text = trim($property->value);
        if (preg_match('/^\d{1,10}$/D', $text) !== 1 || (int) $text > $most) {
            $this->diagnostics->add($property->line, $property->name, "it is a number from 0 to {$most}", Outcome::Mended);
        }

        return max(0, min($most, (int) $text));
    }

    private function uid(Component $component, ?Property $property, string $title, EventTime $start): string
    {
        $uid = $property === null ? '' : trim($property->text());
        if ($uid !== '' && strlen($uid) <= 255) {
            return $uid;
        }
        $made = sha1($uid === '' ? $title.'|'.$start->local->toDateTime() : $uid).'@import.invalid';
        $this->diagnostics->add($component->line, 'UID', $uid === '' ? 'the event has none; one is made from its title and start' : 'it is too long and is shortened', Outcome::Mended);

        return $made;
    }

    private function text(Property $property, int $longest): string
    {
        $text = trim($property->text());
        if (strlen($text) > $longest && mb_strlen($text) > $longest) {
            $this->diagnostics->add($property->line, $property->name, "it is longer than {$longest} characters and is cut", Outcome::Mended);

            return mb_substr($text, 0, $longest);
        }

        return $text;
    }

    private function link(Property $property): string
    {
        $link = trim($property->value);
        // Only what a browser may open safely: a script in a link would run in the reader's name.
        if (preg_match('#^https?://\S{1,1990}$#Di', $link) === 1) {
            return $link;
        }
        if ($link !== '') {
            $this->diagnostics->add($property->line, 'URL', 'it is no address of the web and is left out', Outcome::Skipped);
        }

        return '';
    }

    /**
     * @param  non-empty-list<Property>  $properties
     * @return list<string>
     */
    private function categories(array $properties): array
    {
        $categories = [];
        foreach ($properties as $property) {
            $categories += $this->categories[$property->value] ?? $this->members($property->value);
        }

        return array_slice(array_values($categories), 0, 50);
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
