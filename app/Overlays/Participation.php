<?php

namespace App\Overlays;

use App\Access\Sight;
use App\Directory\Group;
use App\Directory\Person;
use App\Events\IndexedOccurrence;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Participants;

/** Of the events of a window: who is responsible, and what the viewer has to do with them. */
final readonly class Participation
{
    /**
     * @param  array<int, list<string>>  $responsible  names, by event
     * @param  array<int, bool>  $own  whether the viewer has answered, of those in which they take part
     * @param  array<int, true>  $joined  the series that the viewer has joined
     */
    private function __construct(private array $responsible, private array $own, private array $joined)
    {
    }

    /** @param  list<IndexedOccurrence>  $found */
    public static function read(array $found, Sight $sight): self
    {
        $ids = array_values(array_unique(array_map(static fn (IndexedOccurrence $each): int => $each->eventId, array_filter($found, static fn (IndexedOccurrence $each): bool => $each->hasParticipants))));
        $address = mb_strtolower($sight->address);
        $groups = array_map(Participants::groupAddress(...), $sight->groupIds);
        $rows = $ids === [] ? collect() : DB::table('event_participants')->whereIntegerInRaw('event_id', $ids)
            ->where(fn ($query) => $query->where('role', ParticipantRole::Responsible->value)->orWhereIn('address', [$address, ...$groups]))->get();
        $people = $rows->isEmpty() ? collect() : Person::atAddresses($rows->pluck('address'));
        $names = $people->map(static fn (Person $person): string => $person->name)->merge(self::groupNames($rows->pluck('address')));
        $responsible = $own = [];
        foreach ($rows as $row) {
            if ($row->role === ParticipantRole::Responsible->value) {
                $responsible[$row->event_id][] = $names[$row->address] ?? $row->address;
            }
            // A group is asked as such: nobody in it has an answer to give for it.
            if (in_array($row->address, $groups, true)) {
                $own[$row->event_id] ??= true;
            }
            if ($row->address === $address) {
                $own[$row->event_id] = $row->answer !== ParticipantAnswer::Unanswered->value || $row->role === ParticipantRole::Responsible->value;
            }
        }

        $joined = DB::table('event_pins')->where('pinned_by', $sight->personId)->where('joined', true)->pluck('event_id')->all();

        return new self($responsible, $own, array_fill_keys($joined, true));
    }

    /**
     * @param  Collection<int, string>  $addresses
     * @return Collection<string, string> names of the groups among them
     */
    private static function groupNames(Collection $addresses): Collection
    {
        $ids = $addresses->unique()->map(static fn (string $address): ?int => Participants::groupId(new Participant($address)))->filter()->values();

        return $ids->isEmpty() ? collect() : Group::query()->whereKey($ids)->pluck('name', 'id')->mapWithKeys(static fn (string $name, int $id): array => [Participants::groupAddress($id) => $name]);
    }

    public function takesPart(IndexedOccurrence $occurrence): bool
    {
        return isset($this->own[$occurrence->eventId]) || isset($this->joined[$occurrence->seriesId]);
    }

    /** Whether the viewer is asked to take part and has not said whether they will. */
    public function isUnanswered(int $eventId): bool
    {
        return ($this->own[$eventId] ?? true) === false;
    }

    /** @return list<string> names */
    public function responsible(int $eventId): array
    {
        return $this->responsible[$eventId] ?? [];
    }
}
