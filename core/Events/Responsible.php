<?php

declare(strict_types=1);

namespace PinnedRota\Core\Events;

/** Who is responsible for an event, among those who take part. */
final class Responsible
{
    /**
     * The participants where these are responsible and nobody else is: who was so before and is no more leaves, who takes
     * part already is so from now on, and everybody else stays as they are.
     *
     * @param  list<Participant>  $participants
     * @param  list<Participant>  $responsible
     * @return list<Participant>
     */
    public static function put(array $participants, array $responsible): array
    {
        $wanted = [];
        foreach ($responsible as $each) {
            $wanted[$each->mailAddress()] = $each;
        }
        $put = [];
        foreach ($participants as $each) {
            $address = $each->mailAddress();
            if (isset($wanted[$address])) {
                $put[] = new Participant($each->address, $each->name, $each->kind, ParticipantRole::Responsible, $each->answer, $each->asked, $each->parameters);
                unset($wanted[$address]);
            } elseif ($each->role !== ParticipantRole::Responsible) {
                $put[] = $each;
            }
        }

        return [...$put, ...array_values($wanted)];
    }
}
