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

/** Makes participants of the people, groups, rooms and mail addresses that an input names. */
#[OA\Schema(schema: 'ParticipantInput', required: ['kind', 'part'], properties: [
    new OA\Property(property: 'kind', type: 'string', enum: ['person', 'group', 'room', 'address']),
    new OA\Property(property: 'id', description: 'Where they are in the directory', type: 'integer'),
    new OA\Property(property: 'address', description: 'The mail address of somebody whom the directory does not know', type: 'string'),
    new OA\Property(property: 'name', description: 'What they are called, where they have no place in the directory', type: 'string', nullable: true),
    new OA\Property(property: 'part', type: 'string', enum: ['responsible', 'required', 'optional', 'informed']),
])]
final class ParticipantsInput
{
    /** Those of the directory. */
    public const KNOWN = ['person', 'group', 'room'];

    public const KINDS = [...self::KNOWN, self::ADDRESS];

    /** Somebody outside, by mail. */
    private const ADDRESS = 'address';

    public const PARTS = ['responsible', 'required', 'optional', 'informed'];

    /**
     * @param  list<Participant>  $before
     * @param  list<array{kind: string, id?: ?int, address?: ?string, name?: ?string, part: string}>  $named
     * @return list<Participant>
     *
     * @throws ValidationException where somebody is not there
     */
    public static function put(array $before, array $named): array
    {
        $ids = static fn (string $kind): array => array_column(array_filter($named, static fn (array $each): bool => $each['kind'] === $kind), 'id');
        $addresses = array_map(mb_strtolower(...), array_filter(array_column($named, 'address'), is_string(...)));
        // Whose address is in the directory is asked as the one they are.
        $people = Person::query()->whereKey($ids('person'))->orWhereIn('email', $addresses)->get()->keyBy('id');
        $byAddress = $people->keyBy(static fn (Person $each): string => mb_strtolower($each->email));
        $groups = Group::query()->whereKey($ids('group'))->pluck('name', 'id');
        $rooms = Room::query()->whereKey($ids('room'))->pluck('name', 'id');
        $wanted = [];
        foreach ($named as $index => $each) {
            $address = mb_strtolower((string) ($each['address'] ?? ''));
            if ($each['kind'] === self::ADDRESS && isset($byAddress[$address])) {
                $each = ['kind' => 'person', 'id' => $byAddress[$address]->id] + $each;
            }
            $id = (int) ($each['id'] ?? 0);
            $role = constant(ParticipantRole::class.'::'.ucfirst($each['part']));
            $wanted[] = match (true) {
                $each['kind'] === self::ADDRESS => Participant::ofAddress($address, trim((string) ($each['name'] ?? '')), $role),
                $each['kind'] === 'person' && $people->has($id) => Participant::ofPerson($id, $people[$id]->email, $people[$id]->name, $role),
                $each['kind'] === 'group' && $groups->has($id) => Participant::ofGroup($id, $groups[$id], $role),
                $each['kind'] === 'room' && $rooms->has($id) => Participant::ofRoom($id, $rooms[$id], $role),
                default => throw ValidationException::withMessages(["participants.{$index}" => 'Somebody here is not there any more.']),
            };
        }

        return Participants::put($before, Participants::distinct($wanted));
    }
}
