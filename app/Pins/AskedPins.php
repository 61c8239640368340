<?php

namespace App\Pins;

use App\Access\AccessReader;
use App\Calendars\Calendar;
use App\Directory\GroupMemberships;
use App\Directory\Person;
use App\Participants\AsksEarly;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Status;

/**
 * On whose own calendars a series shows because they are asked to it, themselves or as one of a group, and do not see the calendar that it is on.
 * It is worked out from who is asked, whenever that may be another.
 */
final class AskedPins
{
    public function __construct(private readonly AccessReader $access, private readonly GroupMemberships $memberships)
    {
    }

    /**
     * @param  list<int>  $seriesIds
     * @return array<int, array<int, int>> by series, of those for which it is another than it is: the person by their own calendar
     */
    public function differing(array $seriesIds): array
    {
        $there = $wanted = array_fill_keys($seriesIds, []);
        $kept = [];
        foreach (DB::table('event_pins')->whereIntegerInRaw('event_id', $seriesIds)->get(['event_id', 'calendar_id', 'pinned_by', 'asked']) as $pin) {
            $pin->asked ? $there[$pin->event_id][$pin->calendar_id] = (int) $pin->pinned_by : $kept[$pin->event_id][$pin->calendar_id] = true;
        }
        foreach ($this->people($seriesIds) as $calendarId => $series) {
            $own = $this->unseeing($calendarId, array_values(array_unique(array_merge(...array_values($series)))));
            foreach ($series as $id => $people) {
                // What somebody keeps there themselves is as they keep it.
                $wanted[$id] = array_diff_key(array_flip(array_intersect_key($own, array_flip($people))), $kept[$id] ?? []);
            }
        }
        foreach ($there as $id => $pins) {
            ksort($pins);
            ksort($wanted[$id]);
            if ($pins === $wanted[$id]) {
                unset($wanted[$id]);
            }
        }

        return $wanted;
    }

    /**
     * Who is asked to series that ask anybody: what is settled, or asks before it is, and comes from nowhere else.
     *
     * @param  list<int>  $seriesIds
     * @return array<int, array<int, list<int>>> ids of people by calendar and series
     */
    private function people(array $seriesIds): array
    {
        $times = DB::table('events')->whereIntegerInRaw('series_id', $seriesIds)->where('has_participants', true)->pluck('id')->all();
        $rows = DB::table('event_participants as p')->join('events as e', 'e.id', '=', 'p.event_id')->join('events as head', 'head.id', '=', DB::raw('COALESCE(e.series_id, e.id)'))
            ->whereIntegerInRaw('p.event_id', [...$seriesIds, ...$times])->whereNull('head.deleted_at')->join('calendars as c', 'c.id', '=', 'head.calendar_id')->where(static fn ($asks) => $asks->where('head.status', '!=', Status::Provisional->value)->orWhereRaw(AsksEarly::sql('head', 'c')))->whereNull('head.import_id')->whereNull('head.fingerprint')
            ->where('p.organizer', false)->where(static fn ($whom) => $whom->whereNotNull('p.person_id')->orWhereNotNull('p.group_id'))
            ->get(['head.id', 'head.calendar_id', 'p.person_id', 'p.group_id', 'p.member_of']);
        $groups = $rows->pluck('group_id')->filter()->unique()->map(intval(...))->values()->all();
        $members = $groups === [] ? [] : $this->memberships->peopleIn($groups);
        $people = [];
        foreach ($rows as $row) {
            foreach ($row->group_id === null ? ($row->member_of === null ? [(int) $row->person_id] : []) : $members[$row->group_id] as $id) {
                $people[$row->calendar_id][$row->id][] = $id;
            }
        }

        return $people;
    }

    /**
     * @param  list<int>  $ids  of people
     * @return array<int, int> the own calendars of those of them who do not see a calendar, by person
     */
    private function unseeing(int $calendarId, array $ids): array
    {
        $calendar = Calendar::query()->with('source')->find($calendarId);
        if ($calendar === null) {
            return [];
        }
        $decisions = $this->access->decisions($calendar, Person::query()->whereIntegerInRaw('id', $ids)->where('status', 'active')->with('groups:id')->get());
        $unseeing = array_keys(array_filter($decisions, static fn ($decision): bool => ! $decision->level->includes(Level::See)));

        return $unseeing === [] ? [] : Calendar::query()->whereIn('own_of', $unseeing)->whereNull('archived_at')->pluck('id', 'own_of')->map(intval(...))->all();
    }
}
