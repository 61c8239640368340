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

    /** The calendar or an event on it has changed. */
    public static function of(int $calendarId): void
    {
        Calendar::withTrashed()->whereKey($calendarId)->update(['revision' => DB::raw('revision + 1'), 'revised_at' => now(), 'updated_at' => DB::raw('updated_at')]);
        self::query()->insert(['calendar_id' => $calendarId]);
    }

    /** Who may see what has changed, or which calendars and overlays there are. */
    public static function ofAccess(): void
    {
        self::query()->insert(['calendar_id' => null]);
    }
}
