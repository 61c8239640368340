<?php

namespace App\Following;

use Illuminate\Support\Facades\DB;
use LogicException;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\PartyKind;
use PinnedRota\Core\Notices\FollowedChange;
use PinnedRota\Core\Notices\NoticeItem;
use PinnedRota\Core\Notices\OccurrenceChange;
use PinnedRota\Core\Notices\Pace;
use PinnedRota\Core\Overlay\EventFacts;

/** What of changes one person is told, by what they follow and what they see. */
final class TakenChanges
{
    /** @var array<int, string> names of people */
    private array $names = [];

    /** @var array<string, array<string, FollowedItem>> what calendars and categories take, by what is seen */
    private array $shared = [];

    public function __construct(private readonly SeenChanges $changes)
    {
    }

    /** Begins with others: what is known of those before is no longer asked for. */
    public function forget(): void
    {
        $this->changes->forget();
        $this->shared = [];
    }

    public function of(Followed $of, ChangedTogether $together, Pace $pace): Reckoned
    {
        $reckoned = new Reckoned;
        $found = $off = $sooner = [];
        $fullness = null;
        // Nobody is told of what they did themselves.
        $others = array_filter($together->steps, static fn (SteppedSeries $each): bool => $each->isByOthers($of->person->id));
        foreach ($of->follows as $follow) {
            $isSooner = $pace->isDigest() && $follow->pace === Pace::Now;
            $scope = $of->scope($follow);
            if (($follow->pace !== $pace && $follow->pace !== Pace::Off && ! $isSooner) || ! self::mayConcern($of, $follow, $together, $scope)) {
                continue;
            }
            $fullness ??= $this->changes->fullness($of, $together);
            $seen = $this->seenIn($of, $together, $fullness, $scope);
            $taken = $others === [] ? [] : $this->takenBy($of, $follow, $together, array_intersect_key($seen, $others), $scope);
            $wanted = array_filter($taken, static fn (FollowedItem $each): bool => $follow->wants($each->item->change));
            if ($follow->pace === Pace::Off) {
                $off += $taken;
            } elseif ($isSooner) {
                $sooner += $follow->by_mail ? $wanted : [];
            } else {
                foreach ($wanted as $key => $each) {
                    $found[$key] = isset($found[$key]) ? $found[$key]->and($each) : $each;
                }
            }
            if ($follow->kind === FollowedKind::Event) {
                $reckoned->parted += self::parted($follow, $taken);
            }
            if ($follow->pace === $pace && $follow->wants(FollowedChange::Answered)) {
                $this->tellAnswers($reckoned, $of, $follow, $together, $seen, $scope);
            }
        }
        $reckoned->items = array_diff_key($found, $off, $sooner);

        return $reckoned;
    }

    /**
     * Whether what is followed can have to do with changes: no more than that is asked of most of them.
     *
     * @param  ?list<int>  $scope
     */
    private static function mayConcern(Followed $of, Follow $follow, ChangedTogether $together, ?array $scope): bool
    {
        return match ($follow->kind) {
            FollowedKind::Calendar, FollowedKind::Category, FollowedKind::Overlay => $together->touches($scope ?? []),
            FollowedKind::Person => in_array($follow->followed_id, $together->apart, true),
            FollowedKind::Event => isset($together->steps[$follow->event_id]),
            FollowedKind::Mine => in_array($of->person->id, $together->apart, true),
        };
    }

    /**
     * The changes that a follow takes. What is on calendars is the same for all who see the same of it and have nothing to do with it.
     *
     * @param  array<int, array{string, string}>  $seen
     * @param  ?list<int>  $scope
     * @return array<string, FollowedItem> by what is changed
     */
    private function takenBy(Followed $of, Follow $follow, ChangedTogether $together, array $seen, ?array $scope): array
    {
        $isShared = in_array($follow->kind, [FollowedKind::Calendar, FollowedKind::Category], true) && ! in_array($of->person->id, $together->apart, true);
        $key = $isShared ? "{$follow->target} {$follow->by_mail} {$follow->in_inbox} ".json_encode($seen, JSON_THROW_ON_ERROR) : '';

        return $isShared ? $this->shared[$key] ??= $this->take($of, $follow, $together, $seen, $scope) : $this->take($of, $follow, $together, $seen, $scope);
    }

    /**
     * @param  array<int, array{string, string}>  $seen
     * @param  ?list<int>  $scope
     * @return array<string, FollowedItem>
     */
    private function take(Followed $of, Follow $follow, ChangedTogether $together, array $seen, ?array $scope): array
    {
        $items = [];
        foreach ($this->changes->of($together, $seen) as $change) {
            $taken = $this->taken($of, $follow, $change, $together, $scope);
            if ($taken !== null) {
                $items[self::key($taken)] = $this->item($of, $follow, $taken, $together, $scope);
            }
        }

        return $items;
    }

    /**
     * @param  array<string, FollowedItem>  $taken
     * @return array<string, array<int, true>> the series that were parted from an event that is followed, by target
     */
    private static function parted(Follow $follow, array $taken): array
    {
        $series = array_unique(array_map(static fn (FollowedItem $each): int => $each->item->series, array_filter($taken, static fn (FollowedItem $each): bool => $each->item->is !== null)));
        $others = array_diff($series, [$follow->event_id]);

        return $others === [] ? [] : [$follow->target => array_fill_keys($others, true)];
    }

    /**
     * How much of each series somebody sees on the calendars of a scope, before and after.
     *
     * @param  array<int, array{string, string}>  $fullness
     * @param  ?list<int>  $scope
     * @return array<int, array{string, string}>
     */
    private function seenIn(Followed $of, ChangedTogether $together, array $fullness, ?array $scope): array
    {
        if ($scope === null) {
            return $fullness;
        }
        $seen = [];
        foreach ($together->sides as $id => $both) {
            $in = static fn (int $side): string => $both[$side] === null || $of->seenOn($together->calendars[$id][$side], $scope) === [] ? '' : $fullness[$id][$side];
            $seen[$id] = [$in(0), $in(1)];
        }

        return $seen;
    }

    /**
     * What a change is to a follow: what comes into it is added, what leaves it is gone; null where it is in it neither before nor after.
     *
     * @param  ?list<int>  $scope
     */
    private function taken(Followed $of, Follow $follow, OccurrenceChange $change, ChangedTogether $together, ?array $scope): ?OccurrenceChange
    {
        if ($follow->kind === FollowedKind::Mine && self::hasDeclined($of, ($change->after ?? $change->before)->event ?? throw new LogicException('A change has a before or an after.'))) {
            return null;
        }
        $before = $change->seriesBefore ?? $change->series;
        $was = $change->before !== null && $this->isTaken($of, $follow, $change->before->event, $together, $before, 0, $scope);
        $is = ($change->after !== null && $this->isTaken($of, $follow, $change->after->event, $together, $change->series, 1, $scope)) || ($was && $follow->kind === FollowedKind::Event && $change->after !== null);

        return match (true) {
            ! $was && ! $is => null,
            $was === ($change->before !== null) && $is === ($change->after !== null) => $change,
            $is => OccurrenceChange::in($change),
            default => OccurrenceChange::out($change),
        };
    }

    /**
     * @param  int  $side  0 before, 1 after
     * @param  ?list<int>  $scope
     */
    private function isTaken(Followed $of, Follow $follow, Event $event, ChangedTogether $together, int $series, int $side, ?array $scope): bool
    {
        $head = $together->sides[$series][$side][0] ?? null;

        return $head !== null && $of->takes($follow, $of->seenOn($together->calendars[$series][$side], $scope), $series, fn (): EventFacts => $this->changes->facts($head, $event));
    }

    private static function hasDeclined(Followed $of, Event $event): bool
    {
        foreach ($event->participants as $each) {
            if ($each->answer === ParticipantAnswer::Declined && $each->party?->is(Party::person($of->person->id)) === true) {
                return true;
            }
        }

        return false;
    }

    /** @param  ?list<int>  $scope */
    private function item(Followed $of, Follow $follow, OccurrenceChange $change, ChangedTogether $together, ?array $scope): FollowedItem
    {
        $step = $together->step($change->series, $change->seriesBefore);
        $on = $change->after !== null ? $together->calendars[$change->series][1] : $together->calendars[$change->seriesBefore ?? $change->series][0];
        $id = $of->seenOn($on, $scope)[0] ?? $on[0];
        $isWritten = $follow->by_mail && ! $step->isQuiet && ($follow->kind !== FollowedKind::Mine || self::isNotAsked($of, $change));

        return new FollowedItem(
            NoticeItem::of($change, $id, $of->perspective->calendars[$id]->calendar->name ?? '', $step->operationId, $this->name($step->personId)),
            $follow->in_inbox, $isWritten, $change->after === null ? [$step->firstRow, $step->firstBack] : null,
        );
    }

    /** Who is asked has the letters of that. */
    private static function isNotAsked(Followed $of, OccurrenceChange $change): bool
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
     * @param  array<int, array{string, string}>  $seen
     * @param  ?list<int>  $scope
     */
    private function tellAnswers(Reckoned $reckoned, Followed $of, Follow $follow, ChangedTogether $together, array $seen, ?array $scope): void
    {
        foreach ($seen as $id => $both) {
            if (! $together->steps[$id]->isAnswered || $both[1] === '' || ! $this->hearsAnswers($of, $follow, $together, $id, $scope)) {
                continue;
            }
            $on = $together->calendars[$id][1];
            $byTime = [];
            foreach ($this->changes->answers($together, $id, $both) as $each) {
                if ($each->personId !== $of->person->id) {
                    $byTime[(string) $each->time->name][] = $each;
                }
            }
            foreach ($byTime as $some) {
                $reckoned->answers[] = new FollowedAnswers($some, $id, $of->seenOn($on, $scope)[0] ?? $on[0], $follow->in_inbox, $follow->by_mail && ! $together->steps[$id]->isQuiet && $follow->kind !== FollowedKind::Mine);
            }
        }
    }

    /** @param  ?list<int>  $scope */
    private function hearsAnswers(Followed $of, Follow $follow, ChangedTogether $together, int $id, ?array $scope): bool
    {
        [$head, $series] = $together->sides[$id][1] ?? throw new LogicException('What is seen is there.');
        $event = $series->events()[0];
        // Of what somebody takes part in those hear of it who ask the others.
        if ($follow->kind === FollowedKind::Mine) {
            return $event->organizer === null ? $head->created_by === $of->person->id : $event->organizer->party?->is(Party::person($of->person->id)) === true;
        }

        return $this->isTaken($of, $follow, $event, $together, $id, 1, $scope);
    }

    private function name(?int $personId): ?string
    {
        return $personId === null ? null : $this->names[$personId] ??= (string) DB::table('people')->where('id', $personId)->value('name');
    }

    private static function key(OccurrenceChange $change): string
    {
        return "{$change->series} ".($change->seriesBefore ?? '').' '.($change->before?->recurrenceId?->indexSeconds() ?? '').' '.($change->before->startSeconds ?? '').' '.($change->after?->recurrenceId?->indexSeconds() ?? '').' '.($change->after->startSeconds ?? '');
    }
}
