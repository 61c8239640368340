<?php

namespace App\Participants;

use App\Directory\Group;
use App\Directory\Person;
use App\Rooms\Room;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\PartyKind;

/** Makes participants of the people, groups and rooms that an input names. */
#[OA\Schema(schema: 'ParticipantInput', required: ['kind', 'id', 'part'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: PartyKind::class),
    new OA\Property(property: 'id', type: 'integer'),
    new OA\Property(property: 'part', type: 'string', enum: ['responsible', 'required', 'optional', 'informed']),
])]
final class ParticipantsInput
{
    public const KINDS = ['person', 'group', 'room'];

    public const PARTS = ['responsible', 'required', 'optional', 'informed'];

    /**
     * @param  list<Participant>  $before
     * @param  list<array{kind: string, id: int, part: string}>  $named
     * @return list<Participant>
     *
     * @throws ValidationException where somebody is not there
     */
    public static function put(array $before, array $named): array
    {
        $ids = static fn (string $kind): array => array_column(array_filter($named, static fn (array $each): bool => $each['kind'] === $kind), 'id');
        $people = Person::query()->whereKey($ids('person'))->get()->keyBy('id');
        $groups = Group::query()->whereKey($ids('group'))->pluck('name', 'id');
        $rooms = Room::query()->whereKey($ids('room'))->pluck('name', 'id');
        $wanted = [];
        foreach ($named as $index => $each) {
            $role = constant(ParticipantRole::class.'::'.ucfirst($each['part']));
            $wanted[] = match (true) {
                $each['kind'] === 'person' && $people->has($each['id']) => Participant::ofPerson($people[$each['id']]->id, $people[$each['id']]->email, $people[$each['id']]->name, $role),
                $each['kind'] === 'group' && $groups->has($each['id']) => Participant::ofGroup((int) $each['id'], $groups[$each['id']], $role),
                $each['kind'] === 'room' && $rooms->has($each['id']) => Participant::ofRoom((int) $each['id'], $rooms[$each['id']], $role),
                default => throw ValidationException::withMessages(["participants.{$index}" => 'Somebody here is not there any more.']),
            };
        }

        return Participants::put($before, $wanted);
    }
}
