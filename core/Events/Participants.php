<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** Changes of who takes part in an event. */
final class Participants
{
    /**
     * The same with the answer of one of them.
     *
     * @param  list<Participant>  $participants
     * @return list<Participant>
     */
    public static function answered(array $participants, Party $who, ParticipantAnswer $answer): array
    {
        return array_map(static fn (Participant $each): Participant => $who->is($each->party) ? $each->with(answer: $answer) : $each, $participants);
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
        return array_map(static fn (Participant $each): Participant => $each->with(answer: self::find($elsewhere, $each)?->answer), $participants);
    }

    /**
     * Those who are wanted, and of the ones before whom the directory does not know. Who took part already keeps what they
     * answered and what their file says of them.
     *
     * @param  list<Participant>  $before
     * @param  list<Participant>  $wanted
     * @return list<Participant>
     */
    public static function put(array $before, array $wanted): array
    {
        return [
            ...array_map(static fn (Participant $each): Participant => self::known($before, $each), $wanted),
            ...array_values(array_filter($before, static fn (Participant $each): bool => $each->party === null)),
        ];
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
            ...array_values(array_filter($participants, static fn (Participant $each): bool => self::find($gone, $each) === null)),
            ...array_map(static fn (Participant $each): Participant => self::known($participants, $each), $added),
        ];
    }

    /** @param  list<Participant>  $before */
    private static function known(array $before, Participant $wanted): Participant
    {
        return self::find($before, $wanted)?->with(role: $wanted->role) ?? $wanted;
    }

    /** @param  list<Participant>  $participants */
    private static function find(array $participants, Participant $sought): ?Participant
    {
        foreach ($participants as $each) {
            if ($each->is($sought)) {
                return $each;
            }
        }

        return null;
    }
}
