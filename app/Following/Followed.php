<?php

namespace App\Following;

use App\Access\Perspective;
use App\Directory\Person;
use App\Overlays\DrawnLayers;
use PinnedRota\Core\Overlay\EventFacts;

/** One person with what they follow, and what they see. */
final class Followed
{
    /**
     * @param  list<Follow>  $follows  what they take part in among them
     * @param  array<string, DrawnLayers>  $layers  of the overlays that they follow, by target
     */
    public function __construct(public readonly Person $person, public readonly Perspective $perspective, public readonly array $follows, private readonly array $layers)
    {
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
