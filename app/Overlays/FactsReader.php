<?php

namespace App\Overlays;

use App\Directory\GroupMemberships;
use App\Directory\Person;
use App\Events\IndexedOccurrence;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Participants;

/** Reads what filters ask of events beyond what is drawn of them: descriptions and people, where some layer asks at all. */
final class FactsReader
{
    public function __construct(private readonly GroupMemberships $memberships)
    {
    }

    /**
     * @param  list<IndexedOccurrence>  $found
     * @param  list<DrawnLayer>  $layers
     * @param  bool  $asksText  whether something else asks for words
     * @param  bool  $asksPeople  whether something else asks for people
     */
    public function read(array $found, array $layers, bool $asksText = false, bool $asksPeople = false): KnownFacts
    {
        foreach ($layers as $layer) {
            $asksText = $asksText || $layer->asksText;
            $asksPeople = $asksPeople || $layer->asksPeople;
        }
        $ids = $asksText ? array_values(array_unique(array_map(static fn (IndexedOccurrence $each): int => $each->eventId, $found))) : [];

        $withPeople = array_values(array_unique(array_map(static fn (IndexedOccurrence $each): int => $each->eventId, array_filter($found, static fn (IndexedOccurrence $each): bool => $each->hasParticipants))));

        return new KnownFacts($asksText, $asksText ? $this->descriptions($ids) : [], $asksPeople ? $this->people($withPeople) : [], $asksPeople ? $this->joined($found) : []);
    }

    /**
     * @param  list<int>  $ids
     * @return array<int, string>
     */
    private function descriptions(array $ids): array
    {
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
     * @param  list<int>  $ids
     * @return array<int, array{list<int>, list<int>}> who is responsible and who takes part, by event
     */
    private function people(array $ids): array
    {
        $rows = DB::table('event_participants')->whereIntegerInRaw('event_id', $ids)->where('role', '!=', ParticipantRole::Informed->value)->get();
        $people = Person::atAddresses($rows->pluck('address'));
        $groups = $rows->pluck('address')->unique()->map(static fn (string $address): ?int => Participants::groupId(new Participant($address)))->filter()->values()->all();
        $within = $groups === [] ? [] : $this->memberships->peopleIn($groups);
        $found = [];
        foreach ($rows as $row) {
            foreach ($within[Participants::groupId(new Participant($row->address)) ?? 0] ?? [] as $member) {
                $found[$row->event_id] ??= [[], []];
                $found[$row->event_id][1][] = $member;
            }
            $id = $people[$row->address]->id ?? null;
            if ($id !== null) {
                $found[$row->event_id] ??= [[], []];
                $found[$row->event_id][1][] = $id;
                if ($row->role === ParticipantRole::Responsible->value) {
                    $found[$row->event_id][0][] = $id;
                }
            }
        }

        return $found;
    }
}
