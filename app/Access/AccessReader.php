<?php

namespace App\Access;

use App\Calendars\Calendar;
use App\Directory\GroupMemberships;
use App\Directory\Person;
use App\Overlays\Overlay;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Access;
use PinnedRota\Core\Access\Decision;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Roster;
use PinnedRota\Core\Access\SubjectKind;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Overlay\Mark;

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
        $chosen = $viewer->personId === null ? collect() : DB::table('calendar_choices')->where('person_id', $viewer->personId)->get()->keyBy('calendar_id');

        return Calendar::query()
            ->with('source')
            ->where(fn ($query) => $query->whereIn('id', $grants->keys())->orWhere(fn ($kept) => $this->keptBy($kept, $viewer)))
            ->orderBy('name')->orderBy('id')
            ->get()
            ->mapWithKeys(fn (Calendar $calendar): array => [$calendar->id => new AccessibleCalendar(
                $calendar,
                Access::decide($viewer, $calendar->keeper(), ($grants[$calendar->id] ?? collect())->map->toGrant()),
                ...self::choice($chosen[$calendar->id] ?? null),
            )])
            ->filter(fn (AccessibleCalendar $each): bool => $each->level()->includes(Level::BusyTimes));
    }

    /**
     * What each of these people has on a calendar.
     *
     * @param  iterable<Person>  $people  with their groups
     * @return array<int, Decision> by the id of the person
     */
    public function decisions(Calendar $calendar, iterable $people): array
    {
        $grants = $this->grants($calendar);

        return array_map(static fn (Viewer $viewer): Decision => Access::decide($viewer, $calendar->keeper(), $grants), $this->viewers($people));
    }

    /**
     * The same as viewer() of several, with the groups read once.
     *
     * @param  iterable<Person>  $people  with their groups
     * @return array<int, Viewer> by the id of the person
     */
    public function viewers(iterable $people): array
    {
        $tree = $this->memberships->tree();
        $viewers = [];
        foreach ($people as $person) {
            $viewers[$person->id] = $person->isActive() ? new Viewer($person->id, $tree->containing($person->groups->modelKeys())) : Viewer::outsider();
        }

        return $viewers;
    }

    /** One calendar as a viewer may use it, at whatever level. Its source must be loaded. */
    public function accessible(Viewer $viewer, Calendar $calendar): AccessibleCalendar
    {
        $chosen = DB::table('calendar_choices')->where('person_id', $viewer->personId)->where('calendar_id', $calendar->id)->first();

        return new AccessibleCalendar($calendar, $this->calendar($viewer, $calendar), ...self::choice($chosen));
    }

    /** @return array{?bool, ?Colour, ?Mark} whether somebody wants it on their list, and how they see it */
    private static function choice(?object $row): array
    {
        return [isset($row->chosen) ? (bool) $row->chosen : null, Colour::tryFrom((string) ($row->colour ?? '')), Mark::tryFrom((string) ($row->mark ?? ''))];
    }

    /** With somebody's own eyes, where no request of theirs is under way: all that they see now. */
    public function eyesOf(Person $person): Perspective
    {
        $viewer = $this->viewer($person);

        return new Perspective($viewer, $this->calendars($viewer));
    }

    /** What a viewer sees of one calendar. Its source must be loaded. */
    public function perspective(Viewer $viewer, Calendar $calendar, ?Level $atMost = null): Perspective
    {
        return new Perspective($viewer, collect([$calendar->id => $this->accessible($viewer, $calendar)]), true, $atMost);
    }

    public function calendar(Viewer $viewer, Calendar $calendar): Decision
    {
        return Access::decide($viewer, $calendar->keeper(), $this->grantsOn('calendar', $calendar->id));
    }

    /** Every active person, with the groups they are in, directly or through another. */
    public function roster(): Roster
    {
        $tree = $this->memberships->tree();
        $direct = $containing = [];
        foreach (DB::table('group_person')->get(['group_id', 'person_id']) as $row) {
            $direct[$row->person_id][] = $row->group_id;
        }
        $viewers = [];
        foreach (Person::query()->where('status', 'active')->orderBy('id')->pluck('id') as $id) {
            $groups = $direct[$id] ?? [];
            $viewers[] = new Viewer($id, $containing[implode(',', $groups)] ??= $tree->containing($groups));
        }

        return new Roster($viewers);
    }

    /** @return list<\PinnedRota\Core\Access\Grant> what is given on a calendar */
    public function grants(Calendar $calendar): array
    {
        return $this->grantsOn('calendar', $calendar->id)->all();
    }

    /** @return list<\PinnedRota\Core\Access\Grant> what is given on an overlay */
    public function overlayGrants(Overlay $overlay): array
    {
        return $this->grantsOn('overlay', $overlay->id)->all();
    }

    /**
     * The calendars and overlays that somebody manages, by kind and id, with their names; not those that are somebody's own.
     *
     * @return array<string, string>
     */
    public function managed(): array
    {
        $roster = $this->roster();
        $grants = GrantRecord::query()->where('level', Level::Manage)->get()->groupBy(fn (GrantRecord $each): string => "{$each->on_kind}:{$each->on_id}");
        $managed = [];
        foreach (['calendar' => Calendar::query()->whereNull('own_of')->get(), 'overlay' => Overlay::query()->whereNull('home_of')->get()] as $kind => $all) {
            foreach ($all as $each) {
                $key = "{$kind}:{$each->id}";
                if ($roster->managers($each->keeper(), ($grants[$key] ?? collect())->map->toGrant()->values()->all()) !== []) {
                    $managed[$key] = $each->name;
                }
            }
        }

        return $managed;
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

    /** @return Collection<int|string, \Illuminate\Database\Eloquent\Collection<int, GrantRecord>> grants that may apply, by what they are on */
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
