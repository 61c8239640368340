<?php

namespace App\Following;

use App\Access\AccessReader;
use App\Access\Perspective;
use App\Directory\Person;
use App\Events\Read\Scope;
use App\Events\Read\SeenOccurrences;
use App\Outbox\NothingToSend;
use App\Outbox\OutboxLetter;
use App\Outbox\WritesLetters;
use App\Outbox\WrittenLetter;
use App\Participants\AskedEventData;
use App\Participants\AskedEvents;
use App\Preparation\DueTaskData;
use App\Preparation\DueTasks;
use Illuminate\Contracts\View\Factory;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Notices\Pace;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\Part;
use PinnedRota\Core\Overlay\PeopleCondition;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\WhenWords;
use PinnedRota\Core\Time\Zone;

/** The letter of the day, or of the week: what is on for somebody, what changed with what they follow, what waits for their answer, what they have to prepare. */
final class DigestWriter implements WritesLetters
{
    /** So many lines of each are told. */
    private const MOST = 12;

    public function __construct(
        private readonly NoticeLines $lines,
        private readonly AccessReader $access,
        private readonly SeenOccurrences $occurrences,
        private readonly AskedEvents $asked,
        private readonly DueTasks $due,
        private readonly Factory $views,
    ) {
    }

    public function write(OutboxLetter $letter): WrittenLetter
    {
        $person = $letter->person;
        if ($person === null || ! $person->isActive()) {
            throw new NothingToSend('They are no longer active.');
        }
        $pace = Pace::from((string) ($letter->about['pace'] ?? ''));
        if (! Digest::query()->where(['person_id' => $person->id, 'pace' => $pace, 'by_mail' => true])->exists()) {
            throw new NothingToSend('They do not want it any more.');
        }
        $zone = Zone::of($person->timezone);
        $perspective = $this->access->eyesOf($person);
        $day = LocalDateTime::parse((string) ($letter->about['day'] ?? ''));
        $after = $day->plusDays($pace === Pace::Weekly ? 7 : 1);
        $notice = Notice::query()->find((int) ($letter->about['notice'] ?? 0));
        $changes = NoticeWriter::byCalendar($this->lines->seen($notice->lines ?? [], $perspective), $perspective);
        $parts = array_filter([
            'on' => $this->on($person, $perspective, $day, $after, $zone),
            'waiting' => array_map(static fn (AskedEventData $each): string => "{$each->title}, ".self::when($each->start, $each->allDay).($each->by === '' ? '' : ", asked by {$each->by}"), $this->asked->of($perspective, $zone)),
            'due' => array_map(static fn (DueTaskData $each): string => "{$each->title}, by ".self::when($each->due, true).", for {$each->of}", array_values(array_filter($this->due->of($perspective, $day, $after->plusDays(1), $zone), static fn (DueTaskData $each): bool => ! $each->done))),
        ]);
        if ($parts === [] && $changes === []) {
            throw new NothingToSend('There is nothing to tell.');
        }
        $name = $pace === Pace::Weekly ? 'Your week from '.WhenWords::day($day->day(), false) : 'Your '.WhenWords::day($day->day(), false);
        $words = [
            'title' => $name, 'isWeekly' => $pace === Pace::Weekly, 'parts' => array_map(static fn (array $lines): array => [array_slice($lines, 0, self::MOST), max(0, count($lines) - self::MOST)], $parts),
            'calendars' => $changes, 'url' => url('/'), 'waitingUrl' => url('/waiting'), 'stop' => StopLetters::link($person, $pace),
        ];
        $counts = array_filter([
            isset($parts['on']) ? count($parts['on']).' on' : '', $changes === [] ? '' : array_sum(array_map(count(...), $changes)).' changed', isset($parts['waiting']) ? count($parts['waiting']).' to answer' : '', isset($parts['due']) ? count($parts['due']).' to prepare' : '',
        ]);

        return new WrittenLetter(
            address: $person->email, name: $person->name, from: (string) config('mail.from.name'), subject: "{$name}: ".implode(', ', $counts),
            text: $this->views->make('letters.digest-text', $words)->render(), html: $this->views->make('letters.digest', $words)->render(), unsubscribe: $words['stop'],
        );
    }

    /** @return list<string> what they take part in, and what is on their own calendar */
    private function on(Person $person, Perspective $perspective, LocalDateTime $from, LocalDateTime $to, Zone $zone): array
    {
        $own = $perspective->calendars->filter(static fn ($each): bool => $each->calendar->own_of === $person->id)->keys()->all();
        $mine = new Filter([new PeopleCondition([$person->id], Part::TakingPart)]);
        $isWeek = $to->day() - $from->day() > 1;
        $lines = [];
        foreach ($this->occurrences->in($perspective, new Scope($perspective->calendars->keys()->all(), $from, $to, $zone, asked: [$mine])) as $seen) {
            $occurrence = $seen->occurrence;
            if (! $seen->isFull || $occurrence->status === Status::Cancelled || (! in_array($occurrence->calendarId, $own, true) && ! $mine->takes($seen->facts))) {
                continue;
            }
            [$start, $end] = $occurrence->on($zone);
            $clock = $occurrence->kind === TimeKind::Date ? 'all day' : WhenWords::clock($start).'–'.WhenWords::clock($end);
            $lines[$seen->sameness() ?? ''] = ($isWeek ? WhenWords::day(max($start->day(), $from->day()), false).', ' : '')."{$clock}: {$occurrence->title}".($occurrence->place === '' ? '' : ", {$occurrence->place}").($occurrence->status === Status::Provisional ? ' (provisional)' : '');
        }

        return array_values($lines);
    }

    private static function when(string $start, bool $isAllDay): string
    {
        $time = LocalDateTime::parse($start);

        return WhenWords::day($time->day(), false).($isAllDay ? '' : ', '.WhenWords::clock($time));
    }
}
