<?php

namespace App\Calendars;

use App\Changes\Change;
use App\Directory\Person;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\SubjectKind;

/** The calendar that everybody has for themselves from the first day: what they keep, pin and join, seen by nobody else until they share it. */
final class OwnCalendar
{
    /** Theirs; made where there is none any more. */
    public static function of(Person $person): Calendar
    {
        return self::known($person) ?? DB::transaction(static function () use ($person): Calendar {
            // One after the other: two clicks make one.
            Person::query()->lockForUpdate()->findOrFail($person->id);
            $known = self::known($person);
            if ($known !== null) {
                return $known;
            }
            Calendar::withTrashed()->where('own_of', $person->id)->update(['own_of' => null]);
            $name = mb_strimwidth("{$person->name}: own calendar", 0, 120);
            $calendar = Calendar::query()->create([
                'slug' => Calendar::newSlug($name), 'name' => $name, 'description' => 'What you keep, pin and join.', 'colour' => 'slate', 'mark' => 'disc',
                'timezone' => $person->timezone, 'keeper_kind' => SubjectKind::Person, 'keeper_id' => $person->id, 'own_of' => $person->id,
            ]);
            Change::ofAccess([$person->id]);

            return $calendar->refresh();
        });
    }

    /** One that was handed over, archived or deleted is none any more. */
    private static function known(Person $person): ?Calendar
    {
        return Calendar::query()->where('own_of', $person->id)->where('keeper_kind', SubjectKind::Person)->where('keeper_id', $person->id)->whereNull('archived_at')->first();
    }
}
