<?php

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Notices\AnswerGiven;
use PinnedRota\Core\Notices\ChangeLines;
use PinnedRota\Core\Notices\NoticeItem;
use PinnedRota\Core\Notices\NoticeLine;
use PinnedRota\Core\Notices\NoticeWords;
use PinnedRota\Core\Notices\OccurrenceChange;
use PinnedRota\Core\Notices\Reckoning;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

beforeEach(function () {
    $this->today = LocalDateTime::parse('2026-11-28')->day();
    $this->london = Zone::of('Europe/London');
    /** What is said of series that were and are so, which are on Assessments. */
    $this->said = fn (array $series, ?string $by = null, string $zone = 'Europe/London', int $operation = 1): array => array_map(static fn (NoticeLine $line): string => $line->words, ChangeLines::of(array_map(
        static fn (OccurrenceChange $each): NoticeItem => NoticeItem::of($each, 5, 'Assessments', $operation, $by),
        Reckoning::between($series, LocalDateTime::parse('2026-11-01')->seconds, LocalDateTime::parse('2027-11-01')->seconds),
    ), Zone::of($zone), $this->today));
    $this->oar = new Series(Make::event('Oar test', '2026-12-01T09:00', '2026-12-01T10:00'));
    $this->to = fn (Series $series, string $start, string $end): Series => $series->each(fn (Event $event): Event => $event->with(timing: EventTiming::between(Make::time($start), Make::time($end), $event->timing->recurrence)));
    $this->with = fn (Series $series, mixed ...$contents): Series => $series->each(fn (Event $event): Event => $event->with(contents: $event->contents->with(...$contents)));
});

test('a move is said by what of it is another', function (string $start, string $end, string $said) {
    expect(($this->said)([1 => [$this->oar, ($this->to)($this->oar, $start, $end)]]))->toBe(["Oar test {$said}"]);
})->with([
    'another day' => ['2026-12-03T09:00', '2026-12-03T10:00', 'moved from Tue 1 to Thu 3 December, same time'],
    'another month' => ['2026-11-30T09:00', '2026-11-30T10:00', 'moved from Tue 1 December to Mon 30 November, same time'],
    'another year' => ['2027-01-05T09:00', '2027-01-05T10:00', 'moved from Tue 1 December to Tue 5 January 2027, same time'],
    'another hour' => ['2026-12-01T11:00', '2026-12-01T12:00', 'moved on Tue 1 December from 9:00–10:00 to 11:00–12:00'],
    'longer' => ['2026-12-01T09:00', '2026-12-01T11:30', 'moved on Tue 1 December from 9:00–10:00 to 9:00–11:30'],
    'both' => ['2026-12-02T13:00', '2026-12-02T14:00', 'moved from Tue 1 December, 9:00–10:00 to Wed 2 December, 13:00–14:00'],
    'to whole days' => ['2026-12-02', '2026-12-04', 'moved from Tue 1 December, 9:00–10:00 to Wed 2 – Thu 3 December 2026'],
]);

test('a time is said on the wall of whoever is told, a day the same on each', function () {
    $moved = ($this->to)($this->oar, '2026-12-01T11:00', '2026-12-01T12:00');
    expect(($this->said)([1 => [$this->oar, $moved]], zone: 'America/New_York'))->toBe(['Oar test moved on Tue 1 December from 4:00–5:00 to 6:00–7:00']);
    $day = new Series(Make::event('Open day', '2026-12-05', '2026-12-06'));
    expect(($this->said)([1 => [$day, ($this->to)($day, '2026-12-12', '2026-12-13')]], zone: 'Pacific/Auckland'))->toBe(['Open day moved from Sat 5 to Sat 12 December']);
});

test('what is new, cancelled, gone, or changed otherwise is said, and who did it', function () {
    $loft = ($this->with)($this->oar, place: 'Long loft');
    expect(($this->said)([1 => [null, $loft]], 'Ines Halloran'))->toBe(['Oar test is new: Tue 1 December, 9:00–10:00, Long loft (Ines Halloran)'])
        ->and(($this->said)([1 => [$this->oar, null]]))->toBe(['Oar test, Tue 1 December, 9:00–10:00, was taken off'])
        ->and(($this->said)([1 => [$this->oar, ($this->with)($this->oar, status: Status::Cancelled)]]))->toBe(['Oar test, Tue 1 December, 9:00–10:00, is cancelled'])
        ->and(($this->said)([1 => [$this->oar, $loft]]))->toBe(['Oar test, Tue 1 December, 9:00–10:00, is at Long loft'])
        ->and(($this->said)([1 => [$loft, ($this->with)($loft, title: 'Oar exam', place: 'Slip 2')]]))->toBe(['Oar exam, Tue 1 December, 9:00–10:00, was called “Oar test” and is at Slip 2, no longer at Long loft'])
        ->and(($this->said)([1 => [($this->with)($this->oar, status: Status::Provisional), $this->oar]]))->toBe(['Oar test, Tue 1 December, 9:00–10:00, is confirmed'])
        ->and(($this->said)([1 => [$this->oar, ($this->with)(($this->to)($this->oar, '2026-12-03T09:00', '2026-12-03T10:00'), place: 'Slip 2')]]))->toBe(['Oar test moved from Tue 1 to Thu 3 December, same time; is at Slip 2']);
});

test('many times of one event are one line, and so are many events to which the same was done', function () {
    $weekly = new Series(Make::event('Rowing', '2026-12-01T09:00', '2026-12-01T10:00', 'FREQ=WEEKLY;COUNT=6'));
    expect(($this->said)([1 => [$weekly, ($this->to)($weekly, '2026-12-02T09:00', '2026-12-02T10:00')]]))->toBe(['Rowing: 6 times were moved by a day, the first on Wed 2 December'])
        ->and(($this->said)([1 => [null, $weekly]]))->toBe(['Rowing: 6 times are new, the first on Tue 1 December']);
    $many = fn (int $count, string $start, string $end): array => array_map(fn (int $each): array => [$this->oar, ($this->to)($this->oar, $start, $end)], array_combine(range(1, $count), range(1, $count)));
    expect(($this->said)($many(12, '2026-12-08T09:00', '2026-12-08T10:00'), 'Ines Halloran'))->toBe(['12 events of Assessments were moved by a week (Ines Halloran)'])
        ->and(($this->said)($many(4, '2026-11-29T09:00', '2026-11-29T10:00')))->toBe(['4 events of Assessments were moved 2 days earlier'])
        ->and(($this->said)($many(4, '2026-12-01T09:30', '2026-12-01T10:30')))->toBe(['4 events of Assessments were moved by 30 minutes'])
        ->and(($this->said)($many(4, '2026-12-01T09:30', '2026-12-01T11:30')))->toBe(['4 events of Assessments were moved'])
        ->and(($this->said)($many(3, '2026-12-08T09:00', '2026-12-08T10:00')))->toHaveCount(3);
});

test('a week is one also over a clock change', function () {
    $weekly = new Series(Make::event('Rowing', '2027-03-22T09:00', '2027-03-22T10:00'));
    $moved = ($this->to)($weekly, '2027-03-29T09:00', '2027-03-29T10:00');
    expect(($this->said)([1 => [$weekly, $moved], 2 => [$weekly, $moved], 3 => [$weekly, $moved], 4 => [$weekly, $moved]]))->toBe(['4 events of Assessments were moved by a week']);
});

test('a line of many names none of them, that of one names its times', function () {
    $items = array_map(static fn (OccurrenceChange $each): NoticeItem => NoticeItem::of($each, 5, 'Assessments', 1, null), Reckoning::between(array_fill(1, 5, [null, $this->oar]), LocalDateTime::parse('2026-11-01')->seconds, LocalDateTime::parse('2027-11-01')->seconds));
    [$line] = ChangeLines::of($items, $this->london, $this->today);
    expect([$line->words, $line->names, $line->series, $line->on])->toBe(['5 events of Assessments are new', false, [1, 2, 3, 4, 5], '2026-12-01']);
    [$one] = ChangeLines::of([$items[0]], $this->london, $this->today);
    expect([$one->names, $one->series, $one->times])->toBe([true, [1], []]);
});

test('answers are told by name, many of them by how many', function () {
    $asked = fn (array $answers): Series => $this->oar->each(fn (Event $event): Event => $event->with(participants: array_map(
        static fn (string $name, ParticipantAnswer $answer): Participant => new Participant("mailto:{$name}@example.org", ucfirst($name), answer: $answer), array_keys($answers), $answers,
    )));
    $before = $asked(['ada' => ParticipantAnswer::Unanswered, 'ben' => ParticipantAnswer::Accepted, 'cy' => ParticipantAnswer::Unanswered, 'di' => ParticipantAnswer::Unanswered]);
    $given = fn (array $answers): array => AnswerGiven::between($before, $asked($answers), fn (Event $event) => $this->oar->occurrences(0, PHP_INT_MAX)[0]);
    $words = new NoticeWords($this->london, $this->today);
    $same = ['ada' => ParticipantAnswer::Unanswered, 'ben' => ParticipantAnswer::Accepted];
    expect($given($same))->toBe([])
        ->and($words->answers($given(['ada' => ParticipantAnswer::Accepted] + $same)))->toBe('Ada comes to Oar test, Tue 1 December, 9:00–10:00')
        ->and($words->answers($given(['ben' => ParticipantAnswer::Declined] + $same)))->toBe('Ben does not come to Oar test, Tue 1 December, 9:00–10:00')
        ->and($words->answers($given(['ada' => ParticipantAnswer::Accepted, 'ben' => ParticipantAnswer::Tentative, 'cy' => ParticipantAnswer::Declined, 'di' => ParticipantAnswer::Declined])))->toBe('4 answers to Oar test, Tue 1 December, 9:00–10:00: 1 comes, 1 perhaps, 2 do not');
});
