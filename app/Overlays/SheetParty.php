<?php

namespace App\Overlays;

use App\Directory\Group;
use App\Directory\GroupMemberships;
use App\Directory\Person;
use App\Rooms\Room;
use PinnedRota\Core\Events\PartyKind;

/** Of whom, or of what, a sheet is: a person, the people of a group, or a room. */
final readonly class SheetParty
{
    /** How it is asked for: its kind and its number. */
    public const PATTERN = '/^(person|group|room):\d{1,18}$/';

    /** @param  array<int, string>  $people  names by id, by name; none of a room */
    private function __construct(public PartyKind $kind, public int $id, public string $name, public array $people)
    {
    }

    /** Whoever has left is on no sheet of a group; a sheet of their own they still have. */
    public static function find(string $told): self
    {
        [$kind, $id] = explode(':', $told);
        $kind = PartyKind::from($kind);
        $found = match ($kind) {
            PartyKind::Person => Person::query()->findOrFail((int) $id),
            PartyKind::Group => Group::query()->findOrFail((int) $id),
            PartyKind::Room => Room::query()->findOrFail((int) $id),
        };
        $people = match ($kind) {
            PartyKind::Person => [$found->id => $found->name],
            PartyKind::Group => Person::query()->whereKey(app(GroupMemberships::class)->peopleIn([$found->id])[$found->id])->where('status', '!=', 'left')->orderBy('name')->pluck('name', 'id')->all(),
            PartyKind::Room => [],
        };

        return new self($kind, $found->id, $found->name, $people);
    }
}
