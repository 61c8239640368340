<?php

namespace App\Access;

use App\Calendars\Calendar;
use App\Directory\GroupMemberships;
use App\Directory\Person;
use App\Overlays\Overlay;
use Illuminate\Support\Collection;
use PinnedRota\Core\Access\Access;
use PinnedRota\Core\Access\Decision;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Access\Viewer;

/** Reads what core/Access needs to decide: a bounded number of queries, however many calendars there are. */
final class AccessReader
{
    public function __construct(private readonly GroupMemberships $memberships)
    {
    }

    public function viewer(?Person $person): Viewer
    {
        return $person === null || ! $person->isActive()
            ? Viewer::outsider()
            : new Viewer($person->id, $this->memberships->of($person));
    }

    /**
     * The calendars a viewer sees at all, by id, and at which level.
     *
     * @return Collection<int, AccessibleCalendar>
     */
    public function calendars(Viewer $viewer): Collection
    {
        $grants = $this->grantsFor($viewer, 'calendar');

        return Calendar::query()
            ->with('source')
            ->where(fn ($query) => $query->whereIn('id', $grants->keys())->orWhere(fn ($kept) => $this->keptBy($kept, $viewer)))
            ->orderBy('name')->orderBy('id')
            ->get()
            ->mapWithKeys(fn (Calendar $calendar): array => [$calendar->id => new AccessibleCalendar(
                $calendar,
                Access::decide($viewer, $calendar->keeper(), ($grants[$calendar->id] ?? collect())->map->toGrant()),
            )])
            ->filter(fn (AccessibleCalendar $each): bool => $each->level()->includes(Level::BusyTimes));
    }

    public function calendar(Viewer $viewer, Calendar $calendar): Decision
    {
        return Access::decide($viewer, $calendar->keeper(), $this->grantsOn('calendar', $calendar->id));
    }

    /** @return Collection<int, array{Overlay, Level}> */
    public function overlays(Viewer $viewer): Collection
    {
        $grants = $this->grantsFor($viewer, 'overlay');

        return Overlay::query()
            ->where(fn ($query) => $query->whereIn('id', $grants->keys())->orWhere(fn ($kept) => $this->keptBy($kept, $viewer)))
            ->orderBy('name')->orderBy('id')
            ->get()
            ->map(fn (Overlay $overlay): array => [
                $overlay,
                Access::decide($viewer, $overlay->keeper(), ($grants[$overlay->id] ?? collect())->map->toGrant())->level,
            ]);
    }

    public function overlay(Viewer $viewer, Overlay $overlay): Level
    {
        return Access::decide($viewer, $overlay->keeper(), $this->grantsOn('overlay', $overlay->id))->level;
    }

    /** @return Collection<int, \PinnedRota\Core\Access\Grant> */
    private function grantsOn(string $kind, int $id): Collection
    {
        return GrantRecord::query()->where('on_kind', $kind)->where('on_id', $id)->get()->map->toGrant();
    }

    /** @return Collection<int, Collection<int, GrantRecord>> grants that may apply, by what they are on */
    private function grantsFor(Viewer $viewer, string $kind): Collection
    {
        return GrantRecord::query()->where('on_kind', $kind)
            ->where(function ($query) use ($viewer): void {
                $query->where('subject_kind', SubjectKind::Public->value);
                if ($viewer->personId !== null) {
                    $query->orWhere('subject_kind', SubjectKind::Everyone->value)
                        ->orWhere(fn ($own) => $own->where('subject_kind', SubjectKind::Person->value)->where('subject_id', $viewer->personId))
                        ->orWhere(fn ($groups) => $groups->where('subject_kind', SubjectKind::Group->value)->whereIn('subject_id', $viewer->groupIds));
                }
            })
            ->get()->groupBy('on_id')->toBase();
    }

    private function keptBy(mixed $query, Viewer $viewer): void
    {
        $query->where(fn ($own) => $own->where('keeper_kind', SubjectKind::Person->value)->where('keeper_id', $viewer->personId ?? 0))
            ->orWhere(fn ($groups) => $groups->where('keeper_kind', SubjectKind::Group->value)->whereIn('keeper_id', $viewer->groupIds));
    }
}
