<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\WhenWords;
use PinnedRota\Core\Time\Zone;

/** What became of events, in a line of plain English: “Oar test moved from Tue 1 to Thu 3 December, same time”. */
final class NoticeWords
{
    private const HOUR = 3600;

    /** Of a remark so many characters are told in a line. */
    private const REMARK = 160;

    private const DAY = 86_400;

    private readonly int $year;

    /** @param  int  $today  as CivilDate counts; the year is not told of what is in the same */
    public function __construct(private readonly Zone $zone, int $today)
    {
        [$this->year] = CivilDate::fromDays($today);
    }

    public function one(NoticeItem $item): string
    {
        $shown = $item->shown();

        return match (true) {
            $item->is === null => "{$shown->title}, {$this->when($shown)}, was taken off",
            $item->change === FollowedChange::Cancelled => "{$shown->title}, {$this->when($shown)}, is cancelled",
            $item->was === null => "{$shown->title} is new: {$this->when($shown)}".($shown->place === '' ? '' : ", {$shown->place}"),
            $item->change === FollowedChange::Moved => "{$shown->title} {$this->moved($item->was, $item->is)}".$this->besides($item),
            default => "{$shown->title}, {$this->when($shown)}, ".$this->changed($item),
        }.$this->by($item);
    }

    /** @param  non-empty-list<NoticeItem>  $items  several times of one event, to which the same was done */
    public function times(array $items, NoticeItem $first): string
    {
        $count = count($items);

        return "{$first->shown()->title}: {$count} times ".$this->done($items, $first).", the first on {$this->day($first->shown())}".$this->by($first);
    }

    /**
     * @param  non-empty-list<NoticeItem>  $items  of several events
     * @param  int  $count  how many events
     */
    public function events(array $items, int $count): string
    {
        return "{$count} events of {$items[0]->calendar} ".$this->done($items, $items[0]).$this->by($items[0]);
    }

    /** @param  non-empty-list<AnswerGiven>  $answers  to one time of an event, or all of it */
    public function answers(array $answers): string
    {
        $what = $answers[0]->time->title.', '.$this->when($answers[0]->time);
        if (count($answers) <= 2) {
            return implode('; ', array_map(static fn (AnswerGiven $each): string => "{$each->name} ".match ($each->answer) {
                ParticipantAnswer::Accepted => 'comes', ParticipantAnswer::Declined => 'does not come', ParticipantAnswer::Tentative => 'comes perhaps', ParticipantAnswer::Waiting => 'waits for a place', default => 'has taken back their answer',
            }, $answers))." to {$what}";
        }
        $count = static fn (ParticipantAnswer $answer): int => count(array_filter($answers, static fn (AnswerGiven $each): bool => $each->answer === $answer));
        $counts = array_filter([
            [$count(ParticipantAnswer::Accepted), 'come', 'comes'], [$count(ParticipantAnswer::Tentative), 'perhaps', 'perhaps'], [$count(ParticipantAnswer::Declined), 'do not', 'does not'], [$count(ParticipantAnswer::Waiting), 'wait for a place', 'waits for a place'],
        ], static fn (array $each): bool => $each[0] > 0);

        return count($answers)." answers to {$what}: ".implode(', ', array_map(static fn (array $each): string => "{$each[0]} ".($each[0] === 1 ? $each[2] : $each[1]), $counts));
    }

    /** What somebody remarked, its beginning. */
    public function remark(NoticeTime $time, string $by, string $text): string
    {
        $line = trim((string) preg_replace('/\s+/u', ' ', $text));

        return "{$by} on {$time->title}, {$this->when($time)}: “".mb_strimwidth($line, 0, self::REMARK, '…').'”';
    }

    /** That somebody who waited has a place now. */
    public function place(NoticeTime $time): string
    {
        return "You have a place: {$time->title}, {$this->when($time)}";
    }

    /** @param  int  $at  at which place of those who wait, from 1 */
    public function waits(NoticeTime $time, int $at): string
    {
        return "All places are taken: you wait as number {$at} for {$time->title}, {$this->when($time)}";
    }

    /** @param  non-empty-list<NoticeItem>  $items */
    private function done(array $items, NoticeItem $first): string
    {
        $shifts = array_unique(array_map(fn (NoticeItem $each): ?int => $each->shift($this->zone), $items));

        return match (true) {
            $first->is === null => 'were taken off',
            $first->change === FollowedChange::Cancelled => 'are cancelled',
            $first->change === FollowedChange::Added => 'are new',
            $first->change === FollowedChange::Changed => 'were changed',
            count($shifts) === 1 && $shifts[0] !== null => 'were moved '.self::shift($shifts[0]),
            default => 'were moved',
        };
    }

    /** “by a week”, “2 days earlier” */
    private static function shift(int $by): string
    {
        $size = abs($by);
        [$unit, $name] = match (true) {
            $size % (7 * self::DAY) === 0 => [7 * self::DAY, 'week'],
            $size % self::DAY === 0 => [self::DAY, 'day'],
            $size % self::HOUR === 0 => [self::HOUR, 'hour'],
            default => [60, 'minute'],
        };
        $count = intdiv($size, $unit);
        $words = match (true) {
            $count > 1 => "{$count} {$name}s",
            $name === 'hour' => 'an hour',
            default => "a {$name}",
        };

        return $by > 0 ? "by {$words}" : "{$words} earlier";
    }

    private function moved(NoticeTime $was, NoticeTime $is): string
    {
        [$from, $fromEnd, $to, $toEnd] = [$was->start($this->zone), $was->end($this->zone), $is->start($this->zone), $is->end($this->zone)];
        $isTimed = $from->kind !== TimeKind::Date && $to->kind !== TimeKind::Date;
        $sameLength = $toEnd->local->seconds - $to->local->seconds === $fromEnd->local->seconds - $from->local->seconds;
        if ($from->kind === $to->kind && $sameLength && $from->local->secondOfDay() === $to->local->secondOfDay() && self::isShort($to, $toEnd)) {
            return "moved from {$this->dayBefore($from, $to)} to {$this->dayOf($to->local->day())}".($isTimed ? ', same time' : '');
        }
        if ($isTimed && $from->local->day() === $to->local->day() && self::isShort($from, $fromEnd) && self::isShort($to, $toEnd)) {
            $clock = WhenWords::clock(...);

            return "moved on {$this->dayOf($to->local->day())} from {$clock($from->local)}–{$clock($fromEnd->local)} to {$clock($to->local)}–{$clock($toEnd->local)}";
        }

        return "moved from {$this->when($was)} to {$this->when($is)}";
    }

    /** Whether it is on one day, so that its day says when it is. */
    private static function isShort(EventTime $start, EventTime $end): bool
    {
        return max($start->local->seconds, $end->local->seconds - 1) < ($start->local->day() + 1) * self::DAY;
    }

    /** The day from which something moved to another: its month is not told where that is the same. */
    private function dayBefore(EventTime $from, EventTime $to): string
    {
        $day = $this->dayOf($from->local->day());
        [$year, $month] = CivilDate::fromDays($from->local->day());
        [$toYear, $toMonth] = CivilDate::fromDays($to->local->day());

        return $year === $toYear && $month === $toMonth ? implode(' ', array_slice(explode(' ', $day), 0, 2)) : $day;
    }

    private function besides(NoticeItem $item): string
    {
        $parts = array_diff_key(array_column($item->parts, null, 'value'), [ChangedPart::Time->value => true]);
        $words = $parts === [] ? '' : $this->changed($item, array_values($parts));

        return $words === '' ? '' : "; {$words}";
    }

    /** @param  ?list<ChangedPart>  $parts */
    private function changed(NoticeItem $item, ?array $parts = null): string
    {
        $words = array_map(fn (ChangedPart $part): string => match ($part) {
            ChangedPart::Title => 'was called “'.($item->was->title ?? '').'”',
            ChangedPart::Place => match (true) {
                ($item->is->place ?? '') === '' => 'has no place any more',
                ($item->was->place ?? '') === '' => "is at {$item->is?->place}",
                default => "is at {$item->is?->place}, no longer at {$item->was?->place}",
            },
            ChangedPart::Description => 'has another text',
            ChangedPart::Link => 'has another link',
            ChangedPart::Categories => 'has other categories',
            ChangedPart::People => 'is with other people',
            ChangedPart::State => $item->isConfirmed ? 'is confirmed' : ($item->isOff ? 'is cancelled' : 'is provisional'),
            ChangedPart::Time => 'is at another time',
        }, $parts ?? $item->parts);
        $last = array_pop($words);

        return $words === [] ? (string) $last : implode(', ', $words)." and {$last}";
    }

    private function by(NoticeItem $item): string
    {
        return $item->by === null ? '' : " ({$item->by})";
    }

    private function when(NoticeTime $time): string
    {
        [$start, $end] = [$time->start($this->zone), $time->end($this->zone)];
        if ($start->kind === TimeKind::Date && self::isShort($start, $end)) {
            return $this->dayOf($start->local->day());
        }
        if ($start->kind !== TimeKind::Date && self::isShort($start, $end)) {
            $clock = WhenWords::clock(...);

            return $this->dayOf($start->local->day()).', '.$clock($start->local).($end->local->seconds === $start->local->seconds ? '' : "–{$clock($end->local)}");
        }

        return WhenWords::between($start, $end);
    }

    private function day(NoticeTime $time): string
    {
        return $this->dayOf($time->start($this->zone)->local->day());
    }

    private function dayOf(int $day): string
    {
        [$year] = CivilDate::fromDays($day);

        return WhenWords::day($day, $year !== $this->year);
    }
}
