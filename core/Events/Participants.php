<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** Who takes part in an event, of those that the directory knows and of others. */
final class Participants
{
    /** What stands for a group or a room in a file: they have no mail address of their own. */
    private const URN = ['group' => 'urn:pinned-rota:group:', 'room' => 'urn:pinned-rota:room:'];

    public static function ofGroup(int $id, string $name, ParticipantRole $role): Participant
    {
        return new Participant(self::URN['group'].$id, $name, ParticipantKind::Group, $role);
    }

    /** A room need not be asked. */
    public static function ofRoom(int $id, string $name, ParticipantRole $role): Participant
    {
        return new Participant(self::URN['room'].$id, $name, ParticipantKind::Room, $role, ParticipantAnswer::Accepted);
    }

    /** The id of the group that a participant is; null where it is none. */
    public static function groupId(Participant $participant): ?int
    {
        return self::id($participant, 'group');
    }

    /** The id of the room that a participant is; null where it is none. */
    public static function roomId(Participant $participant): ?int
    {
        return self::id($participant, 'room');
    }

    /** By what a group goes where participants are asked for by their addresses; in lower case. */
    public static function groupAddress(int $id): string
    {
        return self::URN['group'].$id;
    }

    /** By what a participant goes there: its mail address, or that of a group; empty where it has neither. */
    public static function indexAddress(Participant $participant): string
    {
        $group = self::groupId($participant);

        return $group === null ? $participant->mailAddress() : self::groupAddress($group);
    }

    private static function id(Participant $participant, string $kind): ?int
    {
        return str_starts_with($participant->address, self::URN[$kind]) ? (int) substr($participant->address, strlen(self::URN[$kind])) : null;
    }

    /**
     * The same with the answer of whoever has a mail address.
     *
     * @param  list<Participant>  $participants
     * @return list<Participant>
     */
    public static function answered(array $participants, string $address, ParticipantAnswer $answer): array
    {
        return array_map(static fn (Participant $each): Participant => strcasecmp($each->mailAddress(), $address) === 0
            ? new Participant($each->address, $each->name, $each->kind, $each->role, $answer, $each->asked, $each->parameters)
            : $each, $participants);
    }

    /**
     * Those who are wanted, and of the ones before whom the directory does not know. Who took part already keeps what they
     * answered and what their file says of them.
     *
     * @param  list<Participant>  $before
     * @param  list<Participant>  $wanted
     * @param  list<string>  $known  mail addresses that the directory knows, in lower case
     * @return list<Participant>
     */
    public static function put(array $before, array $wanted, array $known): array
    {
        $byAddress = [];
        $kept = [];
        foreach ($before as $each) {
            $byAddress[mb_strtolower($each->address)] = $each;
            if (self::groupId($each) === null && self::roomId($each) === null && ! in_array($each->mailAddress(), $known, true)) {
                $kept[] = $each;
            }
        }
        $put = [];
        foreach ($wanted as $each) {
            $old = $byAddress[mb_strtolower($each->address)] ?? null;
            $put[] = $old === null ? $each : new Participant($old->address, $old->name, $old->kind, $each->role, $old->answer, $old->asked, $old->parameters);
        }

        return [...$put, ...$kept];
    }
}
