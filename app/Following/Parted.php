<?php

namespace App\Following;

/** Who follows an event goes on following what was parted from it. */
final class Parted
{
    public static function follow(Reckoned $reckoned): void
    {
        foreach ($reckoned->parted as $followId => $series) {
            $follow = Follow::query()->find($followId);
            foreach ($follow === null ? [] : $series as $id) {
                Follow::query()->firstOrCreate(['person_id' => $follow->person_id, 'target' => "event {$id}"], ['event_id' => $id] + $follow->only(['kind', 'wanted', 'pace', 'by_mail', 'in_inbox']));
            }
        }
    }
}
