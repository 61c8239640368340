<?php

namespace App\OneLine;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use App\Calendars\Category;
use App\Directory\Group;
use App\Directory\Person;
use App\Rooms\Room;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\OneLine\Vocabulary;

/** The names that somebody may mention in one line: what they could read anyway. */
final class LineVocabulary
{
    /** So many of the newest events tell which places are in use. */
    private const SAMPLED = 5_000;

    private const PLACES = 200;

    public function of(CurrentViewer $viewer): Vocabulary
    {
        $calendars = $viewer->calendars();
        $readable = $calendars->filter(fn (AccessibleCalendar $each): bool => $each->level()->includes(Level::See))->keys()->all();
        $places = DB::table('events')->where('id', '>', (int) DB::table('events')->max('id') - self::SAMPLED)->whereIntegerInRaw('calendar_id', $readable)
            ->where('place', '!=', '')->where('private', false)->whereNull('deleted_at')->groupBy('place')->orderByRaw('COUNT(*) DESC')->limit(self::PLACES)->pluck('place');
        $categories = Category::query()->where(fn ($query) => $query->whereNull('calendar_id')->orWhereIn('calendar_id', $readable))->distinct()->pluck('name');

        $rooms = Room::query()->orderBy('name')->pluck('name', 'id')->all();

        return new Vocabulary(
            array_values(array_unique([...array_values($rooms), ...$places])), $categories->all(),
            Person::query()->where('status', 'active')->pluck('name', 'id')->all(),
            Group::query()->pluck('name', 'id')->all(),
            $calendars->filter(fn (AccessibleCalendar $each): bool => $each->mayAdd())->mapWithKeys(fn (AccessibleCalendar $each): array => [$each->calendar->slug => $each->calendar->name])->all(),
            $rooms,
        );
    }
}
