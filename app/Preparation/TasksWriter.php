<?php

namespace App\Preparation;

use App\Access\AccessReader;
use App\Access\Perspective;
use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Outbox\LetterKind;
use App\Outbox\NothingToSend;
use App\Outbox\OutboxLetter;
use App\Outbox\WritesLetters;
use App\Outbox\WrittenLetter;
use Illuminate\Contracts\View\Factory;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\WhenWords;
use PinnedRota\Core\Time\Zone;

/** The letters about what is to be prepared: to who is to do it, that they are or that it is due; to who is responsible, how it stands. */
final class TasksWriter implements WritesLetters
{
    private const AHEAD_DAYS = 366;

    public function __construct(private readonly DueTasks $due, private readonly AccessReader $access, private readonly SeenSeries $seen, private readonly Factory $views)
    {
    }

    public function write(OutboxLetter $letter): WrittenLetter
    {
        $person = $letter->person;
        if ($person === null || ! $person->isActive()) {
            throw new NothingToSend('They are no longer active.');
        }
        if (! $person->invitations_by_mail) {
            throw new NothingToSend('They do not want letters about events.');
        }
        $perspective = $this->access->eyesOf($person);
        [$title, $lines] = match ($letter->kind) {
            LetterKind::TasksDue => ['To prepare today and tomorrow', $this->lines($this->open($perspective, $person, 2))],
            LetterKind::TasksAssigned => ['You are to prepare this', $this->lines($this->first(array_filter($this->open($perspective, $person, self::AHEAD_DAYS), static fn (DueTaskData $each): bool => $each->event === ($letter->about['series'] ?? 0))))],
            default => $this->state($letter, $perspective),
        };
        if ($lines === []) {
            throw new NothingToSend('There is nothing of it that they see.');
        }
        $words = ['title' => $title, 'lines' => $lines, 'url' => url('/')];

        return new WrittenLetter(
            address: $person->email, name: $person->name, from: (string) config('mail.from.name'), subject: count($lines) === 1 ? "{$title}: {$lines[0]}" : $title,
            text: $this->views->make('letters.tasks-text', $words)->render(), html: $this->views->make('letters.tasks', $words)->render(),
        );
    }

    /** @return list<DueTaskData> what somebody has to do from today on and has not done */
    private function open(Perspective $perspective, Person $person, int $days): array
    {
        $zone = Zone::of($person->timezone);
        $today = LocalDateTime::midnight((new LocalDateTime($zone->toLocal(now()->getTimestamp())))->day());

        return array_values(array_filter($this->due->of($perspective, $today, $today->plusDays($days), $zone), static fn (DueTaskData $each): bool => ! $each->done));
    }

    /**
     * @param  array<DueTaskData>  $tasks
     * @return list<DueTaskData> of each the first time
     */
    private function first(array $tasks): array
    {
        $first = [];
        foreach ($tasks as $each) {
            $first[$each->id] ??= $each;
        }

        return array_values($first);
    }

    /**
     * @param  list<DueTaskData>  $tasks
     * @return list<string>
     */
    private function lines(array $tasks): array
    {
        $day = static fn (string $date): string => WhenWords::day(LocalDateTime::parse($date)->day(), false);

        return array_map(static fn (DueTaskData $each): string => "{$each->title}, by {$day($each->due)}, for {$each->of} ({$day($each->on)})", $tasks);
    }

    /** @return array{string, list<string>} */
    private function state(OutboxLetter $letter, Perspective $perspective): array
    {
        $head = EventRecord::query()->whereNull('series_id')->with(EventRecord::WHOLE)->find((int) ($letter->about['series'] ?? 0));
        if ($head === null || $this->seen->asSuch($head, $perspective) !== Visibility::Full) {
            throw new NothingToSend('It is gone, or they do not see it.');
        }
        $series = $this->seen->load($head);
        $time = (string) ($letter->about['time'] ?? '');
        $start = ($time === '' ? $series->events()[0]->timing->start : $series->find(RecurrenceId::parse($time))?->start) ?? throw new NothingToSend('The time that it was about is gone.');
        $lines = array_map(static fn (TaskData $each): string => $each->title.($each->doer === null ? '' : ", {$each->doer->name}").($each->done ? ': done' : ', by '.WhenWords::day(LocalDateTime::parse($each->due)->day(), false)), TaskData::ofEvent($head, $time, $start->local));

        return ["How {$head->title} is prepared, ".WhenWords::day($start->local->day(), false), $lines];
    }
}
