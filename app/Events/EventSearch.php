<?php

namespace App\Events;

use App\Access\AccessibleCalendar;
use App\Access\Sight;
use App\Calendars\Category;
use App\Directory\Person;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** Finds events by words in title, place or description, by category and by who takes part, over all that a viewer may read. */
final class EventSearch
{
    private const MOST = 20;

    /** So many that match are ranked; what is farther down is found by more words. */
    private const RANKED = 400;

    /** InnoDB's index has no words shorter than this. */
    private const SHORTEST = 3;

    /**
     * @return list<array<string, mixed>> the best first: whose title has the words before others, then what is next before what was
     */
    public function find(string $words, Sight $sight, Zone $zone): array
    {
        $sought = array_slice(array_values(array_filter(preg_split('/[^\p{L}\p{N}]+/u', mb_strtolower($words), -1, PREG_SPLIT_NO_EMPTY) ?: [], static fn (string $word): bool => mb_strlen($word) >= self::SHORTEST)), 0, 8);
        $readable = $sight->calendars->filter(fn (AccessibleCalendar $each): bool => $each->level()->includes(Level::Read));
        if ($sought === [] || $readable->isEmpty()) {
            return [];
        }
        $rows = $this->matching($sought, $readable, $sight)->limit(self::RANKED)
            ->get(['e.id', 'e.series_id', 'e.calendar_id', 'e.title', 'e.place', 'e.time_kind', 'e.starts_local', 'e.timezone', 'e.repeats']);
        $heads = $rows->map(fn (object $row): int => $row->series_id ?? $row->id)->unique()->values()->all();
        $times = $this->times($heads);
        $now = now()->format('Y-m-d H:i:s');

        return $rows->unique(fn (object $row): int => $row->series_id ?? $row->id)->map(function (object $row) use ($sought, $times, $now, $zone, $readable): array {
            $time = $times[$row->series_id ?? $row->id] ?? null;
            $title = mb_strtolower($row->title);
            $met = count(array_filter($sought, static fn (string $word): bool => str_contains($title, $word)));
            $at = $time->starts_at ?? $row->starts_local;

            return [
                'rank' => [-$met, str_starts_with($title, $sought[0]) ? 0 : 1, $at >= $now ? 0 : 1, abs((int) strtotime($at.' UTC') - now()->getTimestamp())],
                'id' => $row->series_id ?? $row->id,
                'occurrence' => $time->recurrence_id ?? null,
                'title' => $row->title,
                'place' => $row->place,
                'calendar' => $readable[$row->calendar_id]->calendar->slug,
                'date' => $row->time_kind === TimeKind::Zoned->value && $time !== null ? (new LocalDateTime($zone->toLocal((int) strtotime($at.' UTC'))))->toDate() : substr($at, 0, 10),
            ];
        })->sortBy('rank')->take(self::MOST)->map(fn (array $found): array => array_diff_key($found, ['rank' => true]))->values()->all();
    }

    /**
     * Events that have every word somewhere: private ones only where the viewer may read them, so that finding nothing
     * tells nothing.
     *
     * @param  list<string>  $words
     * @param  Collection<int, AccessibleCalendar>  $readable
     */
    private function matching(array $words, Collection $readable, Sight $sight): Builder
    {
        $editable = $readable->filter(fn (AccessibleCalendar $each): bool => $each->eventLevel()->includes(Level::Edit));
        $text = implode(' ', array_map(static fn (string $word): string => "+{$word}*", $words));
        $categories = Category::query()->whereIn('name', $words)->pluck('id');
        $people = Person::searched(implode(' ', $words))->limit(50)->pluck('email')->map(fn (string $email): string => mb_strtolower($email));

        return DB::table('events as e')->whereNull('e.deleted_at')->whereIntegerInRaw('e.calendar_id', $readable->keys()->all())
            ->where(function (Builder $any) use ($text, $categories, $people): void {
                $any->whereRaw('MATCH (e.title, e.place, e.description) AGAINST (? IN BOOLEAN MODE)', [$text])
                    ->when($categories->isNotEmpty(), fn (Builder $query) => $query->orWhereIn('e.id', DB::table('event_category')->whereIn('category_id', $categories)->select('event_id')))
                    ->when($people->isNotEmpty(), fn (Builder $query) => $query->orWhereIn('e.id', DB::table('event_participants')->whereIn('address', $people)->select('event_id')));
            })
            ->where(fn (Builder $seen) => $seen->where('e.private', false)->orWhereIntegerInRaw('e.calendar_id', $editable->keys()->all())->orWhere('e.created_by', $sight->personId)
                ->orWhereIn('e.id', DB::table('event_participants')->where('address', mb_strtolower($sight->address))->select('event_id')))
            ->orderByDesc('e.id');
    }

    /**
     * The next time of each series, or its last.
     *
     * @param  list<int>  $heads
     * @return array<int, object>
     */
    private function times(array $heads): array
    {
        $now = now();
        $next = DB::table('occurrences')->whereIntegerInRaw('series_id', $heads)->where('ends_at', '>=', $now)->groupBy('series_id')->selectRaw('series_id, MIN(starts_at) AS starts_at');
        $last = DB::table('occurrences')->whereIntegerInRaw('series_id', $heads)->where('ends_at', '<', $now)->groupBy('series_id')->selectRaw('series_id, MAX(starts_at) AS starts_at');
        $times = [];
        foreach ([$last, $next] as $query) {
            foreach (DB::table('occurrences as o')->joinSub($query, 'm', fn ($join) => $join->on('m.series_id', '=', 'o.series_id')->on('m.starts_at', '=', 'o.starts_at'))->get(['o.series_id', 'o.recurrence_id', 'o.starts_at']) as $row) {
                $times[$row->series_id] = $row;
            }
        }

        return $times;
    }
}
