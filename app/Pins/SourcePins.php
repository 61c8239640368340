<?php

namespace App\Pins;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** On which further calendars series show because all of the source that they come from does. */
final class SourcePins
{
    /**
     * @param  list<int>  $seriesIds
     * @return list<array{event_id: int, calendar_id: int, pinned_by: ?int, source_pin_id: int}> the pins that are still to be laid
     */
    public static function missing(array $seriesIds): array
    {
        return DB::table('source_pins as all')->join('sources as s', 's.id', '=', 'all.source_id')->join('events as e', 'e.calendar_id', '=', 's.calendar_id')
            ->whereIntegerInRaw('e.id', $seriesIds)->whereNull('e.series_id')->whereNull('e.deleted_at')
            // What somebody has pinned there themselves is as they have it.
            ->whereNotExists(static fn (Builder $there) => $there->from('event_pins')
                ->whereColumn('event_pins.event_id', 'e.id')->whereColumn('event_pins.calendar_id', 'all.calendar_id'))
            ->get(['e.id', 'all.calendar_id', 'all.pinned_by', 'all.id as pin'])
            ->map(static fn (object $row): array => [
                'event_id' => (int) $row->id, 'calendar_id' => (int) $row->calendar_id, 'pinned_by' => $row->pinned_by, 'source_pin_id' => (int) $row->pin,
            ])->all();
    }

    /**
     * @param  list<int>  $calendarIds
     * @return list<int> the calendars to which the sources of these are pinned
     */
    public static function targets(array $calendarIds): array
    {
        return DB::table('source_pins as all')->join('sources as s', 's.id', '=', 'all.source_id')->whereIntegerInRaw('s.calendar_id', $calendarIds)
            ->pluck('all.calendar_id')->map(intval(...))->all();
    }
}
