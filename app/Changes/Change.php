<?php

namespace App\Changes;

use App\Calendars\Calendar;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * One entry of what open browsers are told of: that events of a calendar have changed, or what somebody may see. Call it
 * inside the transaction of the change.
 *
 * @property int $id
 * @property string $mark
 * @property ?int $calendar_id
 * @property ?int $person_id
 * @property ?string $first_day
 * @property ?string $last_day
 */
final class Change extends Model
{
    private const AT_ONCE = 500;

    public $timestamps = false;

    protected $guarded = [];

    /**
     * The calendar, or events on it, have changed.
     *
     * @param  int  $count  so many events of it
     * @param  ?Days  $days  that are touched; null: any
     * @return int the revision that the calendar has now; each of the changes has one of its own, this is the last one's
     */
    public static function of(int $calendarId, int $count = 1, ?Days $days = null): int
    {
        Calendar::withTrashed()->whereKey($calendarId)->update(['revision' => DB::raw("revision + {$count}"), 'revised_at' => now(), 'updated_at' => DB::raw('updated_at')]);
        $calendar = Calendar::withTrashed()->whereKey($calendarId)->toBase()->first(['slug', 'revision']);
        $mark = self::mark();
        self::query()->insert(['created_at' => now(), 'mark' => $mark, 'calendar_id' => $calendarId, 'first_day' => $days?->first, 'last_day' => $days?->last]);
        event(new EventsMarked($calendarId, new MarkData($mark, $calendar?->slug, $days?->first, $days?->last)));

        return (int) $calendar?->revision;
    }

    /**
     * What these people may see has changed, or which calendars and overlays they have.
     *
     * @param  list<int>  $people  by id
     */
    public static function ofAccess(array $people): void
    {
        $mark = self::mark();
        $people = array_values(array_unique($people));
        foreach (array_chunk($people, self::AT_ONCE) as $some) {
            self::query()->insert(array_map(static fn (int $person): array => ['created_at' => now(), 'mark' => $mark, 'person_id' => $person], $some));
        }
        event(new AccessMarked(MarkData::ofAccess($mark), $people));
    }

    /** What everybody chooses from has changed: groups, rooms, categories of all. Nobody may see less by it. */
    public static function ofLists(): void
    {
        $mark = self::mark();
        self::query()->insert(['created_at' => now(), 'mark' => $mark]);
        event(new ListsMarked(MarkData::ofAccess($mark)));
    }

    private static function mark(): string
    {
        return Str::random(16);
    }
}
