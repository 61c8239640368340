<?php

namespace App\Events\Read;

use App\Directory\GroupMemberships;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\IndexedOccurrence;
use PinnedRota\Core\Events\ParticipantRole;

/** Reads what filters ask of events beyond what is drawn of them: descriptions and people, where one asks at all. */
final class FactsReader
{
    public function __construct(private readonly GroupMemberships $memberships)
    {
    }

    /** @param  list<IndexedOccurrence>  $found */
    public function read(array $found, bool $asksText, bool $asksPeople): KnownFacts
    {
        return new KnownFacts($asksText, $asksText ? $this->descriptions($found) : [], $asksPeople ? $this->people($found) : [], $asksPeople ? $this->joined($found) : []);
    }

    /**
     * @param  list<IndexedOccurrence>  $found
     * @return array<int, string> by event
     */
    private function descriptions(array $found): array
    {
        $ids = array_unique(array_map(static fn (IndexedOccurrence $each): int => $each->eventId, $found));

        return DB::table('events')->whereIntegerInRaw('id', $ids)->where('description', '!=', '')->pluck('description', 'id')->all();
    }

    /**
     * @param  list<IndexedOccurrence>  $found
     * @return array<int, list<int>> who has joined, by series
     */
    private function joined(array $found): array
    {
        $pins = DB::table('event_pins')->where('joined', true)->whereNotNull('pinned_by')->whereIntegerInRaw('event_id', array_unique(array_map(static fn (IndexedOccurrence $each): int => $each->seriesId, $found)))->get(['event_id', 'pinned_by']);

        return $pins->groupBy('event_id')->map(static fn ($some): array => $some->pluck('pinned_by')->all())->all();
    }

    /**
     * @param  list<IndexedOccurrence>  $found
     * @return array<int, array{list<int>, list<int>}> who is responsible and who takes part, by event
     */
    private function people(array $found): array
    {
        $ids = array_unique(array_map(static fn (IndexedOccurrence $each): int => $each->eventId, array_filter($found, static fn (IndexedOccurrence $each): bool => $each->hasParticipants)));
        $rows = DB::table('event_participants')->whereIntegerInRaw('event_id', $ids)->where('organizer', false)->where('role', '!=', ParticipantRole::Informed->value)
            ->where(fn ($query) => $query->whereNotNull('person_id')->orWhereNotNull('group_id'))->get(['event_id', 'person_id', 'group_id', 'role']);
        $groups = array_values(array_unique($rows->pluck('group_id')->filter()->all()));
        $within = $groups === [] ? [] : $this->memberships->peopleIn($groups);
        $people = [];
        foreach ($rows as $row) {
            $people[$row->event_id] ??= [[], []];
            if ($row->person_id === null) {
                array_push($people[$row->event_id][1], ...$within[$row->group_id] ?? []);
            } else {
                $people[$row->event_id][1][] = $row->person_id;
                if ($row->role === ParticipantRole::Responsible->value) {
                    $people[$row->event_id][0][] = $row->person_id;
                }
            }
        }

        return $people;
    }
}
