<?php

namespace App\Calendars;

use App\Access\AccessibleCalendar;
use App\Directory\SubjectNames;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Reason;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

/** Calendars as the API tells them to one viewer. */
final class CalendarJson
{
    /**
     * @param  iterable<AccessibleCalendar>  $calendars
     * @return list<array<string, mixed>>
     */
    public static function many(iterable $calendars): array
    {
        $subjects = [];
        foreach ($calendars as $each) {
            array_push($subjects, $each->calendar->keeper(), ...array_map(fn (Reason $reason): Subject => $reason->subject, $each->decision->reasons));
        }
        $names = new SubjectNames($subjects);
        $list = [];
        foreach ($calendars as $each) {
            $list[] = self::tell($each, $names);
        }

        return $list;
    }

    /** @return array<string, mixed> */
    public static function one(AccessibleCalendar $calendar): array
    {
        return self::many([$calendar])[0];
    }

    /** @return array<string, mixed> */
    private static function tell(AccessibleCalendar $each, SubjectNames $names): array
    {
        $calendar = $each->calendar;

        return [
            'slug' => $calendar->slug,
            'name' => $calendar->name,
            'description' => $each->level()->includes(Level::See) ? $calendar->description : '',
            'colour' => $calendar->colour->value,
            'mark' => $calendar->mark->value,
            'timezone' => $calendar->timezone,
            'keeper' => ['kind' => $calendar->keeper_kind->value, 'id' => $calendar->keeper_id, 'name' => $names->of($calendar->keeper())],
            'level' => $each->level()->value,
            'reasons' => array_map(fn (Reason $reason): string => $reason->asKeeper
                ? 'kept by '.$names->of($reason->subject)
                : match ($reason->subject->kind) {
                    SubjectKind::Everyone => 'open to everyone here',
                    SubjectKind::Public => 'open to the public',
                    default => 'given to '.$names->of($reason->subject),
                }, $each->decision->reasons),
            'mayAdd' => $each->mayAdd(),
            'subscribed' => $calendar->isSubscribed(),
            'onList' => $each->isOnList(),
            'archived' => $calendar->isArchived(),
            'firstDay' => $calendar->first_day,
            'openingView' => $calendar->opening_view,
            'freeCategories' => $calendar->free_categories,
            'offered' => $calendar->offered,
            'version' => $calendar->version,
        ];
    }
}
