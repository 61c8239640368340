<?php

namespace App\Changes;

use App\Calendars\Calendar;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/**
 * One entry of the change counter that open browsers poll. Call it inside the transaction of the change.
 *
 * @property int $id
 * @property ?int $calendar_id
 */
final class Change extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /**
     * The calendar, or events on it, have changed.
     *
     * @param  int  $count  so many events of it
     * @return int the revision that the calendar has now; each of the changes has one of its own, this is the last one's
     */
    public static function of(int $calendarId, int $count = 1): int
    {
        Calendar::withTrashed()->whereKey($calendarId)->update(['revision' => DB::raw("revision + {$count}"), 'revised_at' => now(), 'updated_at' => DB::raw('updated_at')]);
        self::query()->insert(['calendar_id' => $calendarId]);

        return (int) Calendar::withTrashed()->whereKey($calendarId)->value('revision');
    }

    /** Who may see what has changed, or which calendars and overlays there are. */
    public static function ofAccess(): void
    {
        self::query()->insert(['calendar_id' => null]);
    }
}
