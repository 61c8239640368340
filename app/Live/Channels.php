<?php

namespace App\Live;

use App\Access\AccessReader;
use App\Directory\Person;
use Illuminate\Support\Facades\DB;

/** To what somebody listens: a channel for each calendar they see, one of their own, and everybody's. */
final class Channels
{
    public const EVERYBODY = 'everybody';

    /** A connection listens to 255 channels at most. */
    private const MOST_CALENDARS = 200;

    public function __construct(private readonly AccessReader $access)
    {
    }

    public static function ofCalendar(int $id): string
    {
        return "calendar-{$id}";
    }

    public static function ofPerson(int $id): string
    {
        return "person-{$id}";
    }

    /**
     * Those of a connection that is opened now. Whoever sees more calendars than it has channels for is told of all of them on
     * their own.
     *
     * @return list<string>
     */
    public function open(Person $person): array
    {
        $calendars = $this->access->calendars($this->access->viewer($person))->keys()->all();
        $own = [self::ofPerson($person->id), self::EVERYBODY];
        if (count($calendars) <= self::MOST_CALENDARS) {
            return [...$own, ...array_map(self::ofCalendar(...), $calendars)];
        }
        DB::transaction(function () use ($person, $calendars): void {
            DB::table('live_viewers')->where('person_id', $person->id)->delete();
            DB::table('live_viewers')->insert(array_map(static fn (int $calendar): array => ['calendar_id' => $calendar, 'person_id' => $person->id], $calendars));
        });

        return $own;
    }

    /** @return list<string> on which a change of a calendar is told */
    public function tellingOf(int $calendarId): array
    {
        return [self::ofCalendar($calendarId), ...DB::table('live_viewers')->where('calendar_id', $calendarId)->pluck('person_id')->map(self::ofPerson(...))->all()];
    }
}
