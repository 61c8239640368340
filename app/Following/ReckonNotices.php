<?php

namespace App\Following;

use App\Events\EventRecord;
use App\Events\Read\FactsOfEvent;
use App\Events\Read\SeenSeries;
use App\History\RecordOfState;
use Illuminate\Support\Facades\DB;
use LogicException;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\PartyKind;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Notices\AnswerGiven;
use PinnedRota\Core\Notices\FollowedChange;
use PinnedRota\Core\Notices\NoticeItem;
use PinnedRota\Core\Notices\OccurrenceChange;
use PinnedRota\Core\Notices\Pace;
use PinnedRota\Core\Notices\Reckoning;
use PinnedRota\Core\Overlay\EventFacts;
use PinnedRota\Core\Recurrence\TooMuchWork;
use PinnedRota\Core\Recurrence\WorkBudget;
use PinnedRota\Core\Time\CivilDate;
use WeakMap;

/**
 * Works out what those who follow something are to be told of what was done within some batches. What became of a series is reckoned once
 * for all who see the same of it.
 */
final class ReckonNotices
{
    private const AT_ONCE = 200;

    private const BACK_DAYS = 1;

    private const AHEAD_DAYS = 400;

    /** @var array<int, string> names of people */
    private array $names = [];

    /** @var array<string, list<OccurrenceChange>> by what is compared, and how much of it is seen */
    private array $changes = [];

    /** @var array<string, list<AnswerGiven>> likewise */
    private array $answers = [];

    /** @var WeakMap<Event, EventFacts> */
    private readonly WeakMap $facts;

    public function __construct(private readonly StepsOfSeries $steps, private readonly SeenSeries $seen, private readonly FactsOfEvent $factsOf)
    {
        $this->facts = new WeakMap;
    }

    /**
     * @param  int  $after  a batch; what is in later ones is told
     * @param  int  $upTo  the last batch that is
     * @param  ?list<Followed>  $people  those alone; null for all who follow anything or take part
     * @return array<int, Reckoned> by person; those who are told nothing are not in it
     */
    public function within(int $after, int $upTo, Pace $pace, Followers $followers, ?array $people = null): array
    {
        $declared = $people ?? $followers->declared();
        $told = [];
        foreach (array_chunk($this->steps->within($after, $upTo), self::AT_ONCE) as $some) {
            $states = $this->steps->states(array_merge(...$some));
            $categories = RecordOfState::categories(array_merge(...array_values($states)));
            [$this->changes, $this->answers] = [[], []];
            foreach ($some as $together) {
                $sides = [];
                foreach ($together as $each) {
                    $sides[$each->id] = array_map(fn ($state): ?array => $state === null ? null : [$head = RecordOfState::head($state, $categories), $this->seen->load($head)], $states[$each->id]);
                }
                $of = array_values(array_filter(array_merge(...array_map(static fn (SteppedSeries $each): array => $states[$each->id], $together))));
                $concerned = $people ?? [...$declared, ...$followers->involved($of)];
                foreach (array_column(array_map(static fn (Followed $each): array => [$each->person->id, $each], $concerned), 1, 0) as $personId => $followed) {
                    $this->tell($told[$personId] ??= new Reckoned($followed), array_column(array_map(static fn (SteppedSeries $each): array => [$each->id, $each], $together), 1, 0), $sides, $pace);
                }
            }
        }

        return array_filter($told, static fn (Reckoned $each): bool => ! $each->isEmpty() || $each->parted !== []);
    }

    /**
     * @param  array<int, SteppedSeries>  $together
     * @param  array<int, array{?array{EventRecord, Series}, ?array{EventRecord, Series}}>  $sides  before and after, by head
     */
    private function tell(Reckoned $reckoned, array $together, array $sides, Pace $pace): void
    {
        $of = $reckoned->of;
        $found = $off = $sooner = [];
        // Nobody is told of what they did themselves.
        $changed = array_filter($together, static fn (SteppedSeries $each): bool => $each->isByOthers($of->person->id));
        $fullness = null;
        foreach ($of->follows as $follow) {
            $isSooner = $pace->isDigest() && $follow->pace === Pace::Now;
            if ($follow->pace !== $pace && $follow->pace !== Pace::Off && ! $isSooner) {
                continue;
            }
            $scope = $of->scope($follow);
            if ($scope !== null && ! $this->touches($sides, $together, $scope)) {
                continue;
            }
            $fullness ??= array_map(fn (SteppedSeries $each): array => array_map(fn (?array $side): string => $side === null ? '' : $this->seen->fullness($side[0], $side[1], $of->perspective), $sides[$each->id]), $together);
            foreach ($changed === [] ? [] : $this->changesIn($of, $changed, $sides, $fullness, $scope) as $change) {
                $taken = $this->taken($of, $follow, $change, $sides, $scope);
                if ($taken === null) {
                    continue;
                }
                $key = self::key($taken);
                if ($follow->pace === Pace::Off) {
                    $off[$key] = true;
                } elseif ($isSooner) {
                    $sooner[$key] = $follow->wants(FollowedChange::of($taken->kind)) && $follow->by_mail || ($sooner[$key] ?? false);
                } elseif ($follow->wants(FollowedChange::of($taken->kind))) {
                    $found[$key] = isset($found[$key]) ? $this->joined($found[$key], $follow) : $this->item($of, $follow, $taken, $together[$taken->series] ?? $together[$taken->seriesBefore ?? $taken->series], $sides, $scope);
                }
                if ($follow->kind === FollowedKind::Event && $taken->seriesBefore === $follow->event_id && $taken->series !== $follow->event_id) {
                    $reckoned->parted[$follow->id] = array_values(array_unique([...$reckoned->parted[$follow->id] ?? [], $taken->series]));
                }
            }
            if ($follow->pace === $pace && $follow->wants(FollowedChange::Answered)) {
                $this->tellAnswers($reckoned, $follow, $together, $sides, $fullness, $scope);
            }
        }
        $reckoned->items += array_diff_key($found, $off, array_filter($sooner));
    }

    /**
     * Whether any of it is, or was, on calendars.
     *
     * @param  array<int, array{?array{EventRecord, Series}, ?array{EventRecord, Series}}>  $sides
     * @param  array<int, SteppedSeries>  $together
     * @param  list<int>  $scope
     */
    private function touches(array $sides, array $together, array $scope): bool
    {
        foreach (array_intersect_key($sides, $together) as $both) {
            foreach ($both as $side) {
                if ($side !== null && self::on($side[0], $scope) !== []) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @param  ?list<int>  $scope
     * @return list<int> the calendars of a scope on which an event is
     */
    private static function on(EventRecord $head, ?array $scope): array
    {
        $on = [$head->calendar_id, ...$head->pins->pluck('calendar_id')->all()];

        return array_values($scope === null ? $on : array_intersect($on, $scope));
    }

    /**
     * @param  array<int, SteppedSeries>  $together
     * @param  array<int, array{?array{EventRecord, Series}, ?array{EventRecord, Series}}>  $sides
     * @param  array<int, array<int, string>>  $fullness  of both sides, by head
     * @param  ?list<int>  $scope
     * @return list<OccurrenceChange>
     */
    private function changesIn(Followed $of, array $together, array $sides, array $fullness, ?array $scope): array
    {
        $seen = $this->seenIn($of, $together, $sides, $fullness, $scope);
        $key = json_encode($seen, JSON_THROW_ON_ERROR);
        if (! isset($this->changes[$key])) {
            $today = intdiv(now()->getTimestamp(), CivilDate::SECONDS_PER_DAY);
            $series = [];
            foreach ($seen as $id => [$before, $after]) {
                $series[$id] = [$before === '' ? null : $this->seen->inFullBy($sides[$id][0][1] ?? throw new LogicException('What is seen is there.'), $before), $after === '' ? null : $this->seen->inFullBy($sides[$id][1][1] ?? throw new LogicException('What is seen is there.'), $after)];
            }
            try {
                $this->changes[$key] = Reckoning::between($series, ($today - self::BACK_DAYS) * CivilDate::SECONDS_PER_DAY, ($today + self::AHEAD_DAYS) * CivilDate::SECONDS_PER_DAY, self::budget());
            } catch (TooMuchWork) {
                // Of an event each minute nobody is told time by time.
                $this->changes[$key] = [];
            }
        }

        return $this->changes[$key];
    }

    /**
     * How much of each series somebody sees on the calendars of a scope, before and after.
     *
     * @param  array<int, SteppedSeries>  $together
     * @param  array<int, array{?array{EventRecord, Series}, ?array{EventRecord, Series}}>  $sides
     * @param  array<int, array<int, string>>  $fullness
     * @param  ?list<int>  $scope
     * @return array<int, array{string, string}>
     */
    private function seenIn(Followed $of, array $together, array $sides, array $fullness, ?array $scope): array
    {
        $seen = [];
        foreach ($together as $id => $each) {
            $in = fn (int $side): string => $fullness[$id][$side] === '' || $sides[$id][$side] === null || ($scope !== null && $this->seenOn($of, $sides[$id][$side][0], $scope) === []) ? '' : $fullness[$id][$side];
            $seen[$id] = [$in(0), $in(1)];
        }

        return $seen;
    }

    /**
     * @param  ?list<int>  $scope
     * @return list<int> the calendars of it on which somebody sees an event
     */
    private function seenOn(Followed $of, EventRecord $head, ?array $scope): array
    {
        return array_values(array_filter(self::on($head, $scope), static fn (int $id): bool => $of->perspective->calendars->has($id)));
    }

    /**
     * What a change is to a follow: what comes into it is added, what leaves it is gone; null where it is in it neither before nor after.
     *
     * @param  array<int, array{?array{EventRecord, Series}, ?array{EventRecord, Series}}>  $sides
     * @param  ?list<int>  $scope
     */
    private function taken(Followed $of, Follow $follow, OccurrenceChange $change, array $sides, ?array $scope): ?OccurrenceChange
    {
        if ($follow->kind === FollowedKind::Mine && ! self::hasNotDeclined($of, ($change->after ?? $change->before)->event ?? throw new LogicException('A change has a before or an after.'))) {
            return null;
        }
        $was = $this->isTaken($of, $follow, $change->before, $sides[$change->seriesBefore ?? $change->series][0] ?? null, $change->seriesBefore ?? $change->series, $scope);
        $is = $this->isTaken($of, $follow, $change->after, $sides[$change->series][1] ?? null, $change->series, $scope) || ($was && $follow->kind === FollowedKind::Event && $change->after !== null);

        return match (true) {
            ! $was && ! $is => null,
            $was === ($change->before !== null) && $is === ($change->after !== null) => $change,
            $is => OccurrenceChange::in($change),
            default => OccurrenceChange::out($change),
        };
    }

    /**
     * @param  ?array{EventRecord, Series}  $side
     * @param  ?list<int>  $scope
     */
    private function isTaken(Followed $of, Follow $follow, ?Occurrence $occurrence, ?array $side, int $series, ?array $scope): bool
    {
        if ($occurrence === null || $side === null) {
            return false;
        }

        return $of->takes($follow, $this->seenOn($of, $side[0], $scope), $series, fn (): EventFacts => $this->factsOf($side[0], $occurrence->event));
    }

    private static function hasNotDeclined(Followed $of, Event $event): bool
    {
        foreach ($event->participants as $each) {
            if ($each->party?->is(Party::person($of->person->id)) === true && $each->answer === ParticipantAnswer::Declined) {
                return false;
            }
        }

        return true;
    }

    private function factsOf(EventRecord $head, Event $event): EventFacts
    {
        return $this->facts[$event] ??= $this->factsOf->of($head, $event);
    }

    private function joined(FollowedItem $known, Follow $follow): FollowedItem
    {
        $known->inInbox = $known->inInbox || $follow->in_inbox;
        $known->byMail = $known->byMail || ($follow->by_mail && $follow->kind !== FollowedKind::Mine);

        return $known;
    }

    /**
     * @param  array<int, array{?array{EventRecord, Series}, ?array{EventRecord, Series}}>  $sides
     * @param  ?list<int>  $scope
     */
    private function item(Followed $of, Follow $follow, OccurrenceChange $change, SteppedSeries $step, array $sides, ?array $scope): FollowedItem
    {
        $head = ($change->after !== null ? $sides[$change->series][1] : null)[0] ?? $sides[$change->seriesBefore ?? $change->series][0][0] ?? throw new LogicException('A change has a before or an after.');
        $calendar = $of->perspective->calendars[$this->seenOn($of, $head, $scope)[0] ?? 0] ?? null;
        $isWritten = $follow->by_mail && ! $step->isQuiet && ($follow->kind !== FollowedKind::Mine || $this->isNotAsked($of, $change));

        return new FollowedItem(
            NoticeItem::of($change, $calendar->calendar->id ?? $head->calendar_id, $calendar->calendar->name ?? '', $step->operationId, $this->name($step->personId)),
            $follow->in_inbox, $isWritten, $change->after === null ? [$step->firstRow, $step->firstBack] : null,
        );
    }

    /** Who is asked has the letters of that. */
    private function isNotAsked(Followed $of, OccurrenceChange $change): bool
    {
        foreach ([$change->before, $change->after] as $each) {
            foreach ($each->event->participants ?? [] as $participant) {
                if ($participant->party?->is(Party::person($of->person->id)) === true || $participant->party?->kind === PartyKind::Group) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * @param  array<int, SteppedSeries>  $together
     * @param  array<int, array{?array{EventRecord, Series}, ?array{EventRecord, Series}}>  $sides
     * @param  array<int, array<int, string>>  $fullness
     * @param  ?list<int>  $scope
     */
    private function tellAnswers(Reckoned $reckoned, Follow $follow, array $together, array $sides, array $fullness, ?array $scope): void
    {
        $of = $reckoned->of;
        foreach ($this->seenIn($of, $together, $sides, $fullness, $scope) as $id => [$before, $after]) {
            [$was, $is] = $sides[$id];
            if (! $together[$id]->isAnswered || $after === '' || $is === null || ! $this->hearsAnswers($of, $follow, $id, $is, $scope)) {
                continue;
            }
            $given = $this->answers["{$id} {$before} {$after}"] ??= AnswerGiven::between($was === null ? null : $this->seen->inFullBy($was[1], $before), $this->seen->inFullBy($is[1], $after) ?? $is[1], fn (Event $event): ?Occurrence => self::next($is[1], $event));
            $byTime = [];
            foreach ($given as $each) {
                if ($each->personId !== $of->person->id) {
                    $byTime[(string) $each->time->name][] = $each;
                }
            }
            foreach ($byTime as $some) {
                $reckoned->answers[] = new FollowedAnswers($some, $id, $this->seenOn($of, $is[0], $scope)[0] ?? $is[0]->calendar_id, $follow->in_inbox, $follow->by_mail && ! $together[$id]->isQuiet && $follow->kind !== FollowedKind::Mine);
            }
        }
    }

    /**
     * @param  array{EventRecord, Series}  $is
     * @param  ?list<int>  $scope
     */
    private function hearsAnswers(Followed $of, Follow $follow, int $series, array $is, ?array $scope): bool
    {
        $event = $is[1]->events()[0];
        // Of what somebody takes part in those hear of it who ask the others.
        if ($follow->kind === FollowedKind::Mine) {
            return $event->organizer === null ? $is[0]->created_by === $of->person->id : $event->organizer->party?->is(Party::person($of->person->id)) === true;
        }

        return $of->takes($follow, $this->seenOn($of, $is[0], $scope), $series, fn (): EventFacts => $this->factsOf($is[0], $event));
    }

    /** The time that stands for an event: of a series the next. */
    private static function next(Series $series, Event $event): ?Occurrence
    {
        if ($event->recurrenceId !== null) {
            return $series->find($event->recurrenceId);
        }
        $now = now()->getTimestamp();
        [$from, $to] = $event->timing->repeats() ? [$now, $now + self::AHEAD_DAYS * CivilDate::SECONDS_PER_DAY] : [$event->timing->start->indexSeconds() - 1, $event->timing->start->indexSeconds() + 1];
        try {
            foreach ($series->occurrences($from, $to, self::budget()) as $each) {
                if ($each->event === $event || ! $event->timing->repeats()) {
                    return $each;
                }
            }
        } catch (TooMuchWork) {
        }

        return null;
    }

    private function name(?int $personId): ?string
    {
        return $personId === null ? null : $this->names[$personId] ??= (string) DB::table('people')->where('id', $personId)->value('name');
    }

    private static function key(OccurrenceChange $change): string
    {
        return "{$change->series} ".($change->seriesBefore ?? '').' '.($change->before?->recurrenceId?->indexSeconds() ?? '').' '.($change->before->startSeconds ?? '').' '.($change->after?->recurrenceId?->indexSeconds() ?? '').' '.($change->after->startSeconds ?? '');
    }

    private static function budget(): WorkBudget
    {
        return new WorkBudget((int) config('rota.budget.steps'));
    }
}
