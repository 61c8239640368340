<?php

namespace App\Following;

use App\Events\EventRecord;
use App\Events\Read\FactsOfEvent;
use App\Events\Read\SeenSeries;
use App\Events\Read\StandingTime;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Notices\AnswerGiven;
use PinnedRota\Core\Notices\OccurrenceChange;
use PinnedRota\Core\Notices\Reckoning;
use PinnedRota\Core\Overlay\EventFacts;
use PinnedRota\Core\Recurrence\TooMuchWork;
use PinnedRota\Core\Recurrence\WorkBudget;
use PinnedRota\Core\Time\CivilDate;
use WeakMap;

/** What became of series, and what was answered to them: reckoned once for all who see the same of them. */
final class SeenChanges
{
    private const BACK_DAYS = 1;

    private const AHEAD_DAYS = 400;

    /** @var array<string, list<OccurrenceChange>> by what is compared, and how much of it is seen */
    private array $changes = [];

    /** @var array<string, list<AnswerGiven>> likewise */
    private array $answers = [];

    /** @var array<string, array<int, array{string, string}>> how much of series is seen, by the levels on their calendars */
    private array $fullness = [];

    /** @var WeakMap<Event, EventFacts> */
    private readonly WeakMap $facts;

    public function __construct(private readonly SeenSeries $seen, private readonly FactsOfEvent $factsOf)
    {
        $this->facts = new WeakMap;
    }

    /** Begins with others: what is known of those before is no longer asked for. */
    public function forget(): void
    {
        [$this->changes, $this->answers, $this->fullness] = [[], [], []];
    }

    /**
     * How much somebody sees of each side of series.
     *
     * @return array<int, array{string, string}> by head, as SeenSeries::fullness() tells it
     */
    public function fullness(Followed $of, ChangedTogether $together): array
    {
        $told = fn (?array $side): string => $side === null ? '' : $this->seen->fullness($side[0], $side[1], $of->perspective);
        $all = static fn (): array => array_map(static fn (array $both): array => [$told($both[0]), $told($both[1])], $together->sides);
        if (in_array($of->person->id, $together->apart, true)) {
            return $all();
        }
        // Whoever has nothing to do with it sees by their level what all of that level see.
        $levels = array_map(static fn (array $both): array => array_map(static fn (array $ids): array => array_map(static fn (int $id): string => $of->level($id), $ids), $both), $together->calendars);

        return $this->fullness[json_encode($levels, JSON_THROW_ON_ERROR)] ??= $all();
    }

    /**
     * @param  array<int, array{string, string}>  $seen  how much is seen of each side, by head
     * @return list<OccurrenceChange>
     */
    public function of(ChangedTogether $together, array $seen): array
    {
        return $this->changes[json_encode($seen, JSON_THROW_ON_ERROR)] ??= $this->between($together, $seen);
    }

    /**
     * @param  array{string, string}  $seen  how much is seen of each side of the series
     * @return list<AnswerGiven>
     */
    public function answers(ChangedTogether $together, int $id, array $seen): array
    {
        $series = $this->side($together, $id, 1, $seen[1]);

        return $series === null ? [] : $this->answers["{$id} {$seen[0]} {$seen[1]}"] ??= AnswerGiven::between($this->side($together, $id, 0, $seen[0]), $series, static fn (Event $event): ?Occurrence => StandingTime::of($series, $event));
    }

    public function facts(EventRecord $head, Event $event): EventFacts
    {
        return $this->facts[$event] ??= $this->factsOf->of($head, $event);
    }

    /**
     * @param  array<int, array{string, string}>  $seen
     * @return list<OccurrenceChange>
     */
    private function between(ChangedTogether $together, array $seen): array
    {
        $today = intdiv(now()->getTimestamp(), CivilDate::SECONDS_PER_DAY);
        $series = [];
        foreach ($seen as $id => [$before, $after]) {
            $series[$id] = [$this->side($together, $id, 0, $before), $this->side($together, $id, 1, $after)];
        }
        try {
            return Reckoning::between($series, ($today - self::BACK_DAYS) * CivilDate::SECONDS_PER_DAY, ($today + self::AHEAD_DAYS) * CivilDate::SECONDS_PER_DAY, self::budget());
        } catch (TooMuchWork) {
            // Of an event each minute nobody is told time by time.
            return [];
        }
    }

    private function side(ChangedTogether $together, int $id, int $side, string $fullness): ?Series
    {
        $whole = $together->sides[$id][$side][1] ?? null;

        return $whole === null ? null : $this->seen->inFullBy($whole, $fullness);
    }

    private static function budget(): WorkBudget
    {
        return new WorkBudget((int) config('rota.budget.steps'));
    }
}
