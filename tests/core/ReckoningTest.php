<?php

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Notices\ChangedPart;
use PinnedRota\Core\Notices\OccurrenceChange;
use PinnedRota\Core\Notices\Reckoning;
use PinnedRota\Core\Time\LocalDateTime;
use Tests\Support\Make;

const RECKONED = ['2026-11-02', '2026-11-30'];

/** What became of series, in short: kind, number, when it was and is, and what is another. */
function reckoned(array $series): array
{
    $seconds = fn (string $day): int => LocalDateTime::parse($day)->seconds;
    $when = fn ($occurrence): string => $occurrence === null ? '–' : substr($occurrence->start->local->toMinute(), 5);

    return array_map(static fn (OccurrenceChange $each): string => implode(' ', [
        $each->kind->value, $each->series.($each->seriesBefore === null ? '' : " of {$each->seriesBefore}"), $when($each->before), '→', $when($each->after), ...array_map(fn (ChangedPart $part): string => $part->value, $each->parts),
    ]), Reckoning::between($series, $seconds(RECKONED[0]), $seconds(RECKONED[1])));
}

beforeEach(function () {
    $this->oar = new Series(Make::event('Oar test', '2026-11-10T09:00', '2026-11-10T10:00'));
    $this->weekly = new Series(Make::event('Rowing', '2026-11-03T09:00', '2026-11-03T10:00', 'FREQ=WEEKLY'));
    // An hour long, from another time on.
    $this->put = fn (Series $series, string $start, ?string $title = null): Series => $series->each(fn (Event $event): Event => $event->with(
        timing: EventTiming::between(Make::time($start), Make::time($start)->plusExactSeconds(3600), $event->timing->recurrence),
        contents: $event->contents->with(title: $title),
    ));
});

test('what is the same, or differs in what is of one’s own, did not change', function () {
    $answered = $this->oar->each(fn (Event $event): Event => $event->with(participants: [new Participant('mailto:ada@example.org', answer: ParticipantAnswer::Accepted)]));
    $asked = $this->oar->each(fn (Event $event): Event => $event->with(participants: [new Participant('mailto:Ada@example.org')]));
    expect(reckoned([1 => [$this->oar, $this->oar], 2 => [null, null], 3 => [$asked, $answered], 4 => [$this->weekly, $this->weekly]]))->toBe([]);
});

test('a single event is added, moved, changed, called off, or gone', function () {
    $off = $this->oar->each(fn (Event $event): Event => $event->with(contents: $event->contents->with(status: Status::Cancelled)));
    $inLoft = $this->oar->each(fn (Event $event): Event => $event->with(contents: $event->contents->with(place: 'Long loft'), participants: [new Participant('mailto:ada@example.org', role: ParticipantRole::Responsible)]));
    expect(reckoned([7 => [null, $this->oar]]))->toBe(['added 7 – → 11-10T09:00'])
        ->and(reckoned([7 => [$this->oar, null]]))->toBe(['cancelled 7 11-10T09:00 → –'])
        ->and(reckoned([7 => [$this->oar, $off]]))->toBe(['cancelled 7 11-10T09:00 → 11-10T09:00 state'])
        ->and(reckoned([7 => [$off, $this->oar]]))->toBe(['changed 7 11-10T09:00 → 11-10T09:00 state'])
        ->and(reckoned([7 => [$this->oar, $inLoft]]))->toBe(['changed 7 11-10T09:00 → 11-10T09:00 place people'])
        ->and(reckoned([7 => [$this->oar, ($this->put)($this->oar, '2026-11-12T09:00', 'Oar exam')]]))->toBe(['moved 7 11-10T09:00 → 11-12T09:00 time title']);
});

test('what leaves the window, or comes into it, is told with where it was or went; what stays outside is not', function () {
    $later = ($this->put)($this->oar, '2026-12-17T09:00');
    $nextYear = ($this->put)($this->oar, '2027-06-17T09:00');
    expect(reckoned([1 => [$this->oar, $later]]))->toBe(['moved 1 11-10T09:00 → 12-17T09:00 time'])
        ->and(reckoned([1 => [$later, $this->oar]]))->toBe(['moved 1 12-17T09:00 → 11-10T09:00 time'])
        ->and(reckoned([1 => [$later, null]]))->toBe([])
        // Farther than is looked: it is gone from here.
        ->and(reckoned([1 => [$this->oar, $nextYear]]))->toBe(['cancelled 1 11-10T09:00 → –']);
});

test('of a series each time is told on its own: one that is skipped, one that is put elsewhere, all of them', function () {
    $one = OccurrenceChanges::one($this->weekly, ($this->put)(new Series(OccurrenceChanges::single($this->weekly->find(Make::time('2026-11-10T09:00')))), '2026-11-11T09:00')->master);
    expect(reckoned([1 => [$this->weekly, OccurrenceChanges::skip($this->weekly, Make::time('2026-11-17T09:00'))]]))->toBe(['cancelled 1 11-17T09:00 → –'])
        ->and(reckoned([1 => [$this->weekly, $one]]))->toBe(['moved 1 11-10T09:00 → 11-11T09:00 time'])
        ->and(reckoned([1 => [$one, $this->weekly]]))->toBe(['moved 1 11-11T09:00 → 11-10T09:00 time'])
        ->and(reckoned([1 => [$this->weekly, OccurrenceChanges::all($this->weekly, ($this->put)($this->weekly, '2026-11-04T14:00')->master)]]))->toBe([
            'moved 1 11-03T09:00 → 11-04T14:00 time', 'moved 1 11-10T09:00 → 11-11T14:00 time', 'moved 1 11-17T09:00 → 11-18T14:00 time', 'moved 1 11-24T09:00 → 11-25T14:00 time',
        ]);
});

test('a series that is parted goes on as the same: who moves this and all that follow moves those', function () {
    $occurrence = Make::time('2026-11-17T09:00');
    $from = OccurrenceChanges::from($this->weekly->master, $this->weekly->find($occurrence), $occurrence);
    [$first, $second] = OccurrenceChanges::following($this->weekly, $occurrence, ($this->put)(new Series($from), '2026-11-17T14:00')->master, 'another');
    expect(reckoned([1 => [$this->weekly, $first], 2 => [null, $second]]))->toBe(['moved 2 of 1 11-17T09:00 → 11-17T14:00 time', 'moved 2 of 1 11-24T09:00 → 11-24T14:00 time'])
        // Another event on the same day is another.
        ->and(reckoned([1 => [$this->oar, null], 2 => [null, ($this->put)($this->oar, '2026-11-10T14:00', 'Mast test')]]))->toBe(['cancelled 1 11-10T09:00 → –', 'added 2 – → 11-10T14:00']);
});

test('at random: each time that was and each that is counts once, and putting it back changes nothing', function () {
    mt_srand(15);
    for ($turn = 0; $turn < 120; $turn++) {
        $start = sprintf('2026-11-%02dT%02d:00', mt_rand(2, 20), mt_rand(8, 15));
        $before = mt_rand(0, 1) === 0 ? ($this->put)($this->weekly, $start) : ($this->put)($this->oar, $start);
        $after = match (mt_rand(0, 3)) {
            0 => null,
            1 => ($this->put)($before, sprintf('2026-11-%02dT%02d:00', mt_rand(2, 20), mt_rand(8, 15)), 'Other'),
            2 => $before->master->timing->repeats() ? OccurrenceChanges::skip($before, Make::time($start)) : $before,
            default => $before,
        };
        [$from, $to] = array_map(fn (string $day): int => LocalDateTime::parse($day)->seconds, RECKONED);
        $changes = Reckoning::between([1 => [$before, $after]], $from, $to);
        $names = fn (string $side): array => array_map(fn (OccurrenceChange $each): int => $each->{$side}->startSeconds, array_filter($changes, fn (OccurrenceChange $each): bool => $each->{$side} !== null));
        foreach (['before', 'after'] as $side) {
            expect($names($side))->toBe(array_unique($names($side)));
        }
        $gained = count(array_filter($changes, fn ($each) => $each->before === null)) - count(array_filter($changes, fn ($each) => $each->after === null));
        $inWindow = fn (?Series $series): int => count(array_filter($series?->occurrences($from, $to) ?? []));
        // What crosses the edge of the window has both sides.
        $crossing = array_sum(array_map(fn (OccurrenceChange $each): int => $each->before === null || $each->after === null ? 0 : (int) ($each->after->startSeconds >= $from && $each->after->startSeconds < $to) - (int) ($each->before->startSeconds >= $from && $each->before->startSeconds < $to), $changes));
        expect($inWindow($after) - $inWindow($before))->toBe($gained + $crossing)
            ->and(Reckoning::between([1 => [$before, $before]], $from, $to))->toBe([])
            ->and(Reckoning::between([1 => [$after, $after]], $from, $to))->toBe([]);
    }
});
