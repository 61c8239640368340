<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\TimeKind;

/** Makes an Event of a VEVENT (RFC 5545, 3.6.1), mending what can be mended. */
final readonly class EventReader
{
    private const TITLE_LENGTH = 500;

    private const PLACE_LENGTH = 500;

    private const TEXT_LENGTH = 60_000;

    private const KNOWN = [
        'UID', 'SUMMARY', 'DTSTART', 'DTEND', 'DURATION', 'RRULE', 'RDATE', 'EXDATE', 'RECURRENCE-ID', 'LOCATION',
        'DESCRIPTION', 'URL', 'STATUS', 'TRANSP', 'CLASS', 'CATEGORIES', 'PRIORITY', 'SEQUENCE', 'DTSTAMP',
    ];

    public function __construct(private Diagnostics $diagnostics, private TimeReader $times)
    {
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
        [$end, $duration] = $this->end($component, $start);
        $recurrenceId = $component->first('RECURRENCE-ID');
        $title = $this->text($component, 'SUMMARY', self::TITLE_LENGTH);

        return new Event(
            uid: $this->uid($component, $title, $start),
            title: $title === '' ? 'Untitled' : str_replace("\n", ' ', $title),
            start: $start,
            end: $end,
            recurrence: $recurrenceId === null ? $this->recurrence($component) : new RecurrenceSet,
            duration: $duration,
            recurrenceId: $recurrenceId === null ? null : $this->times->one($recurrenceId),
            place: str_replace("\n", ', ', $this->text($component, 'LOCATION', self::PLACE_LENGTH)),
            description: $this->text($component, 'DESCRIPTION', self::TEXT_LENGTH),
            link: $this->link($component),
            status: match (strtoupper($component->first('STATUS')->value ?? '')) {
                'TENTATIVE' => Status::Provisional,
                'CANCELLED' => Status::Cancelled,
                default => Status::Confirmed,
            },
            busy: strtoupper($component->first('TRANSP')->value ?? '') !== 'TRANSPARENT',
            private: in_array(strtoupper($component->first('CLASS')->value ?? ''), ['PRIVATE', 'CONFIDENTIAL'], true),
            categories: $this->categories($component),
            priority: max(0, min(9, (int) ($component->first('PRIORITY')->value ?? 0))),
            sequence: max(0, min(2_000_000_000, (int) ($component->first('SEQUENCE')->value ?? 0))),
            extra: array_values(array_filter(
                $component->properties(),
                static fn (Property $property): bool => ! in_array($property->name, self::KNOWN, true),
            )),
        );
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

    /** @return array{EventTime, ?Duration} */
    private function end(Component $component, EventTime $start): array
    {
        $endProperty = $component->first('DTEND');
        $durationProperty = $component->first('DURATION');
        if ($endProperty !== null) {
            $end = $this->times->one($endProperty);
            if ($end->kind === TimeKind::Date && $start->kind !== TimeKind::Date || $end->kind !== TimeKind::Date && $start->kind === TimeKind::Date) {
                $this->diagnostics->add($endProperty->line, 'DTEND', 'start and end are not both dates or both times', Outcome::Mended);
                $end = $start->at($end->local);
            }
            $end = $start->zone === null ? $end : $end->inZone($start->zone);
            if ($end->indexSeconds() > $start->indexSeconds()) {
                return [$end, null];
            }
            if ($end->indexSeconds() < $start->indexSeconds()) {
                $this->diagnostics->add($endProperty->line, 'DTEND', 'the end is before the start and is left out', Outcome::Mended);
            }
        } elseif ($durationProperty !== null) {
            $duration = Duration::parse($durationProperty->value);
            $end = $duration->addTo($start);
            if ($end->indexSeconds() > $start->indexSeconds()) {
                return [$end, $duration];
            }
            if ($end->indexSeconds() < $start->indexSeconds()) {
                $this->diagnostics->add($durationProperty->line, 'DURATION', 'it is negative and is left out', Outcome::Mended);
            }
        }

        // Without an end, a date lasts its day and a time no time at all (RFC 5545, 3.6.1).
        return [$start->kind === TimeKind::Date ? $start->at($start->local->plusDays(1)) : $start, null];
    }

    private function recurrence(Component $component): RecurrenceSet
    {
        $rules = [];
        foreach ($component->all('RRULE') as $property) {
            try {
                $rules[] = (new RuleParser)->parse($property->value);
            } catch (InvalidRule $problem) {
                $this->diagnostics->add($property->line, 'RRULE', $problem->getMessage(), Outcome::Skipped);
            }
        }
        $dates = fn (string $name): array => array_merge(...array_map($this->times->all(...), $component->all($name)) ?: [[]]);

        return new RecurrenceSet($rules, $dates('RDATE'), $dates('EXDATE'));
    }

    private function text(Component $component, string $name, int $longest): string
    {
        $property = $component->first($name);
        $text = trim($property?->text() ?? '');
        if ($property !== null && mb_strlen($text) > $longest) {
            $this->diagnostics->add($property->line, $name, "it is longer than {$longest} characters and is cut", Outcome::Mended);

            return mb_substr($text, 0, $longest);
        }

        return $text;
    }

    private function link(Component $component): string
    {
        $link = trim($component->first('URL')->value ?? '');

        // Only what a browser may open safely: a script in a link would run in the reader's name.
        return preg_match('#^https?://\S{1,2000}$#Di', $link) === 1 ? $link : '';
    }

    /** @return list<string> */
    private function categories(Component $component): array
    {
        $categories = [];
        foreach ($component->all('CATEGORIES') as $property) {
            foreach (Text::members($property->value) as $name) {
                $categories[mb_strtolower($name)] ??= mb_substr($name, 0, 80);
            }
        }

        return array_slice(array_values($categories), 0, 50);
    }
}
