<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** Changes of who takes part in an event. */
final class Participants
{
    /**
     * The same with the answer of one of them, who may be one of a group that takes part.
     *
     * @param  list<Participant>  $participants
     * @param  string  $note  what they wrote with it
     * @return list<Participant>
     */
    public static function answered(array $participants, Participant $who, ParticipantAnswer $answer, string $note = ''): array
    {
        if (self::isNewMember($participants, $who)) {
            return [...$participants, $who->with(answer: $answer, note: $note)];
        }

        return array_map(static fn (Participant $each): Participant => $each->is($who) ? $each->with(answer: $answer, note: $note) : $each, $participants);
    }

    /**
     * The same, each with what they answered elsewhere, where they are among those.
     *
     * @param  list<Participant>  $participants
     * @param  list<Participant>  $elsewhere
     * @return list<Participant>
     */
    public static function answeredAs(array $participants, array $elsewhere): array
    {
        $members = array_filter($elsewhere, static fn (Participant $each): bool => self::isNewMember($participants, $each));

        return [...array_map(static fn (Participant $each): Participant => self::answeredLike($each, self::find($elsewhere, $each)), $participants), ...array_values($members)];
    }

    /**
     * Those who are wanted, with who has answered of the groups among them, and of the ones before what is neither in the directory nor has a mail address. Who took part already keeps what
     * they answered and what their file says of them.
     *
     * @param  list<Participant>  $before
     * @param  list<Participant>  $wanted
     * @return list<Participant>
     */
    public static function put(array $before, array $wanted): array
    {
        return [
            ...array_map(static fn (Participant $each): Participant => self::known($before, $each), $wanted),
            ...array_values(array_filter($before, static fn (Participant $each): bool => self::isNewMember($wanted, $each))),
            ...array_values(array_filter($before, static fn (Participant $each): bool => $each->party === null && $each->mailAddress() === '')),
        ];
    }

    /**
     * The same with each of them once: as the first says it.
     *
     * @param  list<Participant>  $participants
     * @return list<Participant>
     */
    public static function distinct(array $participants): array
    {
        $distinct = [];
        foreach ($participants as $each) {
            if (self::find($distinct, $each) === null) {
                $distinct[] = $each;
            }
        }

        return $distinct;
    }

    /**
     * The same with some more and without others; who takes part already gets the part that is given, and keeps their answer.
     *
     * @param  list<Participant>  $participants
     * @param  list<Participant>  $added
     * @param  list<Participant>  $dropped
     * @return list<Participant>
     */
    public static function changed(array $participants, array $added, array $dropped): array
    {
        $gone = [...$dropped, ...$added];

        return [
            ...array_values(array_filter($participants, static fn (Participant $each): bool => self::find($gone, $each) === null && ($each->memberOf === null || self::find($dropped, Participant::standingFor($each->memberOf)) === null))),
            ...array_map(static fn (Participant $each): Participant => self::known($participants, $each), $added),
        ];
    }

    /**
     * Whether somebody is of a group that takes part, and is not among them yet.
     *
     * @param  list<Participant>  $participants
     */
    private static function isNewMember(array $participants, Participant $who): bool
    {
        $group = $who->memberOf;

        return $group !== null && self::find($participants, $who) === null && self::find($participants, Participant::standingFor($group)) !== null;
    }

    private static function answeredLike(Participant $each, ?Participant $other): Participant
    {
        return $other === null ? $each : $each->with(answer: $other->answer, note: $other->note)->waitingSince($other->parameters[Participant::SINCE][0] ?? null);
    }

    /** @param  list<Participant>  $before */
    private static function known(array $before, Participant $wanted): Participant
    {
        return self::find($before, $wanted)?->themselves()->with(role: $wanted->role) ?? $wanted;
    }

    /** @param  list<Participant>  $participants */
    public static function find(array $participants, Participant $sought): ?Participant
    {
        foreach ($participants as $each) {
            if ($each->is($sought)) {
                return $each;
            }
        }

        return null;
    }
}
