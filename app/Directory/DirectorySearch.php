<?php

namespace App\Directory;

use App\Rooms\Room;
use Illuminate\Support\Collection;
use PinnedRota\Core\Events\PartyKind;

/** Finds people, groups and rooms by words of their name, or of the post of a person. */
final class DirectorySearch
{
    private const MOST = 20;

    private const MOST_ROOMS = 10;

    /**
     * @param  ?PartyKind  $kind  people alone, or groups alone
     * @param  ?list<int>  $people  only these
     * @return list<DirectoryEntryData> at most 20: rooms first, then groups, each by name
     */
    public function find(string $words, bool $rooms, ?PartyKind $kind = null, ?array $people = null): array
    {
        $patterns = array_map(static fn (string $word): string => '%'.addcslashes($word, '%_\\').'%', preg_split('/\s+/', trim($words), -1, PREG_SPLIT_NO_EMPTY) ?: []);
        $called = static function ($query) use ($patterns) {
            foreach ($patterns as $pattern) {
                $query->where('name', 'like', $pattern);
            }

            return $query->orderBy('name');
        };
        $found = [];
        foreach ($rooms ? $called(Room::query())->limit(self::MOST_ROOMS)->get() : [] as $room) {
            $found[] = new DirectoryEntryData(PartyKind::Room, $room->id, $room->name, 'room');
        }
        foreach ($kind === PartyKind::Person ? [] : $called(Group::query()->withCount(['people', 'groups']))->limit(self::MOST)->get() as $group) {
            $count = (int) $group->getAttribute('people_count');
            $found[] = new DirectoryEntryData(PartyKind::Group, $group->id, $group->name, $count === 1 ? '1 person' : "{$count} people", $count === 0 && (int) $group->getAttribute('groups_count') === 0);
        }
        foreach ($kind === PartyKind::Group ? new Collection : Person::searched($words)->where('status', 'active')->orderBy('name')->limit(self::MOST)->when($people !== null, static fn ($query) => $query->whereKey($people))->get() as $person) {
            $found[] = new DirectoryEntryData(PartyKind::Person, $person->id, $person->name, $person->post);
        }

        return array_slice($found, 0, self::MOST);
    }
}
