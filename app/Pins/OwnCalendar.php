<?php

namespace App\Pins;

use App\Access\GrantRecord;
use App\Calendars\Calendar;
use App\Changes\Change;
use App\Directory\Person;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;

/** The calendar that somebody keeps for themselves alone: where what they join goes, for nobody else to see by that. */
final class OwnCalendar
{
    /** The first that they keep and share with nobody, or one that is made for them. */
    public static function of(Person $person): Calendar
    {
        return self::known($person) ?? DB::transaction(function () use ($person): Calendar {
            $name = mb_strimwidth("{$person->name}: own calendar", 0, 120);
            $calendar = Calendar::query()->create([
                'slug' => Calendar::newSlug($name), 'name' => $name, 'description' => 'What you pin and join.', 'colour' => 'slate', 'mark' => 'disc',
                'timezone' => $person->timezone, 'keeper_kind' => SubjectKind::Person, 'keeper_id' => $person->id,
            ]);
            Change::ofAccess([$person->id]);

            return $calendar->refresh();
        });
    }

    private static function known(Person $person): ?Calendar
    {
        return Calendar::query()->where('keeper_kind', SubjectKind::Person)->where('keeper_id', $person->id)->whereNull('archived_at')->doesntHave('source')
            ->whereNotIn('id', GrantRecord::query()->where('on_kind', 'calendar')->where('level', '!=', Level::None)->select('on_id'))->orderBy('id')->first();
    }
}
