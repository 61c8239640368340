<?php

namespace App\OneLine;

use App\Access\AccessibleCalendar;
use App\Access\CurrentViewer;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\OneLine\Understood;
use PinnedRota\Core\OneLine\Vocabulary;

/** The calendar that somebody most likely means where they named none: one on which they will see the event. */
final class LikelyCalendar
{
    private const NEWEST = 200;

    /**
     * @param  list<string>  $showing  where it would be seen at once, in the order of the layers
     * @return ?string a slug; null where nothing tells
     */
    public function for(CurrentViewer $viewer, Understood $is, Vocabulary $words, array $showing): ?string
    {
        // A room with a calendar of its own keeps its bookings there.
        $own = $is->place === '' ? false : array_search(mb_strtolower($is->place), array_map(mb_strtolower(...), $words->calendars), true);
        if ($own !== false) {
            return $own;
        }
        $last = $this->last($viewer, $is->title, $is->categories);

        return match (true) {
            $last === null => null,
            in_array($last, $showing, true) || $showing === [] => $last,
            default => $showing[0],
        };
    }

    /**
     * Where they put such an event last.
     *
     * @param  list<string>  $categories
     */
    private function last(CurrentViewer $viewer, string $title, array $categories): ?string
    {
        $targets = $viewer->calendars()->filter(fn (AccessibleCalendar $each): bool => $each->mayAdd());
        $own = fn () => DB::table('events as e')->where('e.created_by', $viewer->person()->id)->whereNull('e.deleted_at')->whereIntegerInRaw('e.calendar_id', $targets->keys()->all())->orderByDesc('e.id');
        $found = $title === '' ? null : $own()->where('e.title', $title)->value('e.calendar_id');
        if ($found === null && $categories !== []) {
            $ofCategory = fn ($query) => $query->join('event_category as k', 'k.event_id', '=', 'e.id')->join('categories as c', 'c.id', '=', 'k.category_id')->whereIn('c.name', $categories);
            // Where the writer has put none such yet, where most are of the newest.
            $found = $ofCategory($own())->value('e.calendar_id')
                ?? $ofCategory(DB::table('events as e')->whereNull('e.deleted_at')->whereIntegerInRaw('e.calendar_id', $targets->keys()->all()))->orderByDesc('e.id')->limit(self::NEWEST)->pluck('e.calendar_id')->countBy()->sortDesc()->keys()->first();
        }

        return $found === null ? null : $targets[$found]->calendar->slug;
    }
}
