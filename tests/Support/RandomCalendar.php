<?php

namespace Tests\Support;

use Closure;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Reminder;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\ICalendar\Component;
use PinnedRota\Core\ICalendar\ForeignContent;
use PinnedRota\Core\ICalendar\Property;
use PinnedRota\Core\ICalendar\TextProperties;
use PinnedRota\Core\Recurrence\ExtraDate;
use PinnedRota\Core\Recurrence\RecurrenceSet;
use PinnedRota\Core\Recurrence\RuleParser;
use PinnedRota\Core\Time\Duration;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Observance;
use PinnedRota\Core\Time\Zone;

/** Series at random, with all that an event can have. Seed mt_srand() first. */
final class RandomCalendar
{
    private const ZONES = ['Europe/London', 'America/New_York', 'Australia/Lord_Howe', 'Africa/Casablanca', 'Asia/Kolkata', 'America/Sao_Paulo', 'Asia/Jerusalem', 'UTC', 'Pacific/Apia'];

    private const WORDS = ['Splicing', 'Café, über', 'a; b', "line\none", 'back\\slash', '“quoted”', '船', 'Mårtensö', ':colon', 'a "b" c'];

    /** @return list<Series> */
    public static function series(int $number): array
    {
        $series = [];
        for ($index = 0; $index < $number; $index++) {
            $series[] = self::one("random-{$index}");
        }

        return $series;
    }

    private static function one(string $uid): Series
    {
        $local = LocalDateTime::parse(RandomRule::start(2010, 2030));
        $start = match (mt_rand(0, 5)) {
            0 => EventTime::date($local),
            1 => EventTime::floating($local),
            2 => EventTime::zoned($local, self::described()),
            default => EventTime::zoned($local, self::zone()),
        };
        $allDay = $start->zone === null && mt_rand(0, 1) === 0 && $start->local->secondOfDay() === 0;
        $length = $start->kind->value === 'date' ? mt_rand(1, 4) * 86_400 : mt_rand(0, 200_000);
        $duration = ! $allDay && $start->kind->value !== 'date' && mt_rand(0, 3) === 0 ? new Duration(mt_rand(0, 2), mt_rand(1, 90_000)) : null;
        $end = $duration?->addTo($start) ?? $start->plusExactSeconds($length);
        // A journey: it ends on another wall.
        $end = $start->zone !== null && $duration === null && $length > 0 && mt_rand(0, 4) === 0 ? $end->inZone(self::zone()) : $end;
        $rules = mt_rand(0, 1) === 0 ? [] : [self::rule($start)];
        $extra = $rules === [] || mt_rand(0, 2) > 0 ? [] : [new ExtraDate($start->at($start->local->plusDays(mt_rand(1, 40))))];
        if ($extra !== [] && $start->kind->value !== 'date' && mt_rand(0, 1) === 0) {
            $extra[] = new ExtraDate($begins = $start->at($start->local->plusDays(mt_rand(50, 90))), $begins->plusExactSeconds(7200));
        }
        $skipped = $rules === [] || mt_rand(0, 2) > 0 ? [] : [$start->at($start->local->plusDays(7))];
        $master = self::event($uid, $start, $end, new RecurrenceSet($rules, $extra, $skipped), $duration, null, false);
        $overrides = [];
        if ($rules !== [] && mt_rand(0, 2) === 0) {
            foreach (array_slice($master->timing->recurrence->startsBetween($start, 0, 4_000_000_000), 1, 2) as $id) {
                $moved = $id->at($id->local->plusDays(mt_rand(-1, 2)));
                $overrides[] = self::event($uid, $moved, $moved->plusExactSeconds($start->kind->value === 'date' ? 86_400 : 5400), new RecurrenceSet, null, $id, mt_rand(0, 3) === 0);
            }
        }

        // A file may have the changed times of a series and not the series.
        return $overrides !== [] && mt_rand(0, 9) === 0 ? new Series(null, array_values(array_filter($overrides, static fn (Event $each): bool => ! $each->andFollowing)) ?: $overrides) : new Series($master, $overrides);
    }

    private static function zone(): Zone
    {
        return Zone::of(self::ZONES[array_rand(self::ZONES)]);
    }

    /** A zone that no database has, as a file describes it; two are called the same. */
    private static function described(): Zone
    {
        $ahead = mt_rand(0, 1) * 3600;

        return Zone::embedded('Our yard', [
            new Observance(false, LocalDateTime::of(1970, 10, 25, 3), 9000 + $ahead, 5400 + $ahead, 'YST', (new RuleParser)->parse('FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU')),
            new Observance(true, LocalDateTime::of(1970, 3, 29, 2), 5400 + $ahead, 9000 + $ahead, 'YDT', (new RuleParser)->parse('FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU')),
        ]);
    }

    private static function rule(EventTime $start): \PinnedRota\Core\Recurrence\Rule
    {
        $text = RandomRule::text(['YEARLY', 'MONTHLY', 'MONTHLY', 'WEEKLY', 'WEEKLY', 'DAILY', 'DAILY', ...($start->kind->value === 'date' ? [] : ['HOURLY'])]);
        if (mt_rand(0, 1) === 0) {
            // What people make, most often.
            $text = ['FREQ=DAILY;INTERVAL=3', 'FREQ=WEEKLY;COUNT=9', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,TH', 'FREQ=MONTHLY;BYMONTHDAY=3,17;COUNT=12', 'FREQ=MONTHLY', 'FREQ=YEARLY;COUNT=4', 'FREQ=DAILY;UNTIL=20281231T230000'][mt_rand(0, 6)];
        }
        if (str_starts_with($text, 'FREQ=MONTHLY') && str_contains($text, 'BYMONTHDAY') && ! str_contains($text, 'BYDAY') && mt_rand(0, 2) === 0) {
            $text = "RSCALE=GREGORIAN;{$text};SKIP=".['BACKWARD', 'FORWARD'][mt_rand(0, 1)];
        }
        if ($start->kind->value === 'date') {
            $text = (string) preg_replace(['/;BY(HOUR|MINUTE|SECOND)=[^;]*/', '/(UNTIL=\d{8})T\d+/'], ['', '$1'], $text);
            // What is left of a BYSETPOS may have nothing to choose from.
            $text = (string) preg_replace('/;BYSETPOS=[^;]*/', '', $text);
        } elseif ($start->zone !== null) {
            $text = (string) preg_replace('/(UNTIL=\d{8}T\d{6})/', '$1Z', $text);
        }

        return (new RuleParser)->parse($text);
    }

    private static function event(string $uid, EventTime $start, EventTime $end, RecurrenceSet $set, ?Duration $duration, ?EventTime $id, bool $following): Event
    {
        $text = static fn (): string => implode(' ', array_map(static fn (): string => self::WORDS[array_rand(self::WORDS)], range(1, mt_rand(1, 12))));

        $contents = self::contents($text);
        $properties = mt_rand(0, 2) === 0 ? [new Property('X-ODD', str_repeat('lång, ', 40), ['X-P' => ['a;b', 'c^d']])] : [];
        if (mt_rand(0, 3) === 0) {
            array_push($properties,
                new Property('CONFERENCE', 'https://example.org/room?a=b;c', ['VALUE' => ['URI'], 'FEATURE' => ['AUDIO', 'VIDEO'], 'LABEL' => ['Room, “two”']]),
                new Property('IMAGE', 'https://example.org/a.png', ['VALUE' => ['URI'], 'DISPLAY' => ['BADGE']]),
            );
        }
        if ($contents->private && mt_rand(0, 1) === 0) {
            $properties[] = new Property('CLASS', 'CONFIDENTIAL');
        }
        foreach (TextProperties::of($contents) as $name => $value) {
            if ($value !== '' && mt_rand(0, 5) === 0) {
                $properties[] = new Property($name, $value, ['LANGUAGE' => ['sv-SE']] + (in_array($name, ['LOCATION', 'DESCRIPTION'], true) ? ['ALTREP' => ['https://example.org/a;b']] : []));
            }
        }

        return new Event(
            uid: $uid,
            timing: $duration === null ? EventTiming::between($start, $end, $set) : EventTiming::lasting($start, $duration, $set),
            contents: $contents,
            sequence: mt_rand(0, 40),
            recurrenceId: $id,
            andFollowing: $following,
            organizer: mt_rand(0, 2) === 0 ? new Participant('mailto:ada@example.org', 'Quill; "Ada"') : null,
            participants: mt_rand(0, 2) === 0 ? [new Participant('mailto:ben@example.org', "Oar,\nBen", role: ParticipantRole::Responsible, parameters: ['DELEGATED-FROM' => ['mailto:a@example.org', 'mailto:b@example.org']])] : [],
            reminders: mt_rand(0, 2) === 0 ? [self::reminder()] : [],
            foreign: new ForeignContent($properties, mt_rand(0, 5) === 0 ? [self::component('X-BOX')] : []),
            stamp: 1_790_000_000 + mt_rand(0, 1_000_000),
            created: mt_rand(0, 1) === 0 ? null : mt_rand(1_500_000_000, 1_790_000_000),
            modified: mt_rand(0, 1) === 0 ? null : mt_rand(1_500_000_000, 1_790_000_000),
        );
    }

    private static function reminder(): Reminder
    {
        $more = ['extra' => [new Property('DESCRIPTION', 'Soon')], 'parameters' => mt_rand(0, 1) === 0 ? [] : ['X-WHY' => ['a;b']], 'components' => mt_rand(0, 1) === 0 ? [] : [self::component('VLOCATION')]];

        return match (mt_rand(0, 2)) {
            0 => new Reminder(new Duration(0, -900), ...$more),
            1 => new Reminder(new Duration(-1, 0), true, null, 'DISPLAY', ...$more),
            default => new Reminder(null, false, EventTime::zoned(LocalDateTime::of(2026, 11, 2, 9), Zone::utc()), 'AUDIO', ...$more),
        };
    }

    private static function component(string $name): Component
    {
        $component = new Component($name, 0);
        $component->addProperty(new Property('UID', 'inside'));
        $component->addProperty(new Property('X-A', 'b\\, c', ['X-P' => ['d']]));

        return $component;
    }

    /** @param  Closure(): string  $text */
    private static function contents(Closure $text): EventContents
    {
        return new EventContents(
            title: mt_rand(0, 19) === 0 ? EventContents::UNTITLED : str_replace("\n", ' ', $text()),
            place: mt_rand(0, 1) === 0 ? '' : str_replace("\n", ' ', $text()),
            description: mt_rand(0, 1) === 0 ? '' : $text(),
            link: mt_rand(0, 3) === 0 ? 'https://example.org/a?b=c,d;e' : '',
            status: Status::cases()[mt_rand(0, 2)],
            busy: mt_rand(0, 1) === 0,
            private: mt_rand(0, 4) === 0,
            categories: mt_rand(0, 1) === 0 ? [] : ['one', 'two, three; four'],
            priority: mt_rand(0, 9),
        );
    }
}
