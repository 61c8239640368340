<?php

namespace App\Following;

/** Who follows an event goes on following what was parted from it. */
final class Parted
{
    public static function follow(int $personId, Reckoned $reckoned): void
    {
        foreach ($reckoned->parted as $target => $series) {
            $follow = Follow::query()->where(['person_id' => $personId, 'target' => $target])->first();
            foreach ($follow === null ? [] : array_keys($series) as $id) {
                Follow::query()->firstOrCreate(['person_id' => $personId, 'target' => "event {$id}"], ['event_id' => $id] + $follow->only(['kind', 'wanted', 'pace', 'by_mail', 'in_inbox']));
            }
        }
    }
}
