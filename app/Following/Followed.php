<?php

namespace App\Following;

use App\Access\AccessibleCalendar;
use App\Access\Perspective;
use App\Directory\Person;
use App\Overlays\DrawnLayers;
use PinnedRota\Core\Overlay\EventFacts;

/** One person with what they follow, and what they see. */
final class Followed
{
    /** @var array<int, string> by calendar */
    private readonly array $levels;

    /**
     * @param  list<Follow>  $follows  what they take part in among them
     * @param  array<string, DrawnLayers>  $layers  of the overlays that they follow, by target
     */
    public function __construct(public readonly Person $person, public readonly Perspective $perspective, public readonly array $follows, private readonly array $layers)
    {
        $this->levels = $perspective->calendars->map(static fn (AccessibleCalendar $each): string => $each->eventLevel()->value)->sortKeys()->all();
    }

    /** Who has the same is told the same, as long as they have nothing to do with it themselves. What is looked through an overlay may be of whoever looks. */
    public function likeness(): string
    {
        return json_encode([
            $this->layers === [] ? null : $this->person->id,
            $this->levels,
            array_map(static fn (Follow $each): array => [$each->target, $each->wanted, $each->pace, $each->by_mail, $each->in_inbox], $this->follows),
        ], JSON_THROW_ON_ERROR);
    }

    /** @return ?list<int> the calendars on which something has to be; null where that is no matter */
    public function scope(Follow $follow): ?array
    {
        return match ($follow->kind) {
            FollowedKind::Calendar, FollowedKind::Category => [(int) $follow->calendar_id],
            FollowedKind::Overlay => ($this->layers[$follow->target] ?? null)?->calendarIds() ?? [],
            default => null,
        };
    }

    /**
     * @param  list<int>  $on
     * @param  ?list<int>  $scope
     * @return list<int> the calendars of a scope, among those on which an event is, that they see; all of them where there is no scope
     */
    public function seenOn(array $on, ?array $scope): array
    {
        return array_values(array_filter($on, fn (int $id): bool => ($scope === null || in_array($id, $scope, true)) && isset($this->levels[$id])));
    }

    /** What they have of the events of a calendar; empty where that is nothing. */
    public function level(int $calendarId): string
    {
        return $this->levels[$calendarId] ?? '';
    }

    /**
     * Whether what is followed has an event that is on its calendars.
     *
     * @param  list<int>  $on  those of them on which it is, which they see
     * @param  callable(): EventFacts  $facts
     */
    public function takes(Follow $follow, array $on, int $series, callable $facts): bool
    {
        return match ($follow->kind) {
            FollowedKind::Calendar => $on !== [],
            FollowedKind::Category => $on !== [] && in_array(mb_strtolower($follow->category->name ?? ''), $facts()->categories, true),
            FollowedKind::Overlay => $this->isInLayers($follow, $on, $facts()),
            FollowedKind::Person => in_array($follow->followed_id, $facts()->takingPart, true),
            FollowedKind::Event => $follow->event_id === $series,
            FollowedKind::Mine => in_array($this->person->id, $facts()->takingPart, true),
        };
    }

    /** @param  list<int>  $on */
    private function isInLayers(Follow $follow, array $on, EventFacts $facts): bool
    {
        $composition = $this->layers[$follow->target]->composition();
        foreach ($on as $id) {
            if ($composition->layersOf($facts->on($id)) !== []) {
                return true;
            }
        }

        return false;
    }
}
