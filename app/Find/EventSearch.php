<?php

namespace App\Find;

use App\Access\AccessibleCalendar;
use App\Access\Perspective;
use App\Calendars\Category;
use App\Directory\Person;
use App\Events\Read\InvolvedEvents;
use App\Pins\PinnerAccess;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Visibility;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;
use stdClass;

/** Finds events by words in title, place or description, by category and by who takes part, over all that a viewer may read. */
final class EventSearch
{
    private const MOST = 20;

    /** So many that match are ranked; what is farther down is found by more words. */
    private const RANKED = 300;

    /** So many of the newest events are looked at one by one. */
    private const SAMPLED = 10_000;

    /** @var array<int, int> a readable calendar to which a series is pinned, by its head */
    private array $pinned = [];

    /** @var array<int, int> their own calendar, by the head of a series to which the viewer is asked without seeing where it is */
    private array $asked = [];

    public function __construct(private readonly InvolvedEvents $involved, private readonly PinnerAccess $pinners)
    {
    }

    /** InnoDB's index has no words shorter than this. */
    private const SHORTEST = 3;

    /**
     * @return list<FoundEventData> the best first: whose title has the words before others, then what is next before what was
     */
    public function find(string $words, Perspective $perspective, Zone $zone): array
    {
        $sought = array_slice(array_values(array_filter(preg_split('/[^\p{L}\p{N}]+/u', mb_strtolower($words), -1, PREG_SPLIT_NO_EMPTY) ?: [], static fn (string $word): bool => mb_strlen($word) >= self::SHORTEST)), 0, 8);
        $readable = $perspective->calendars->only($perspective->calendarIds(Level::See));
        if ($sought === [] || $readable->isEmpty()) {
            return [];
        }
        $this->pinned = $this->pinnedTo($readable->keys()->all());
        $this->asked = DB::table('event_pins')->whereIntegerInRaw('calendar_id', $readable->keys()->all())->where('asked', true)->where('pinned_by', $perspective->viewer->personId)->pluck('calendar_id', 'event_id')->all();
        $head = static fn (object $row): int => $row->series_id ?? $row->id;
        $rows = $this->candidates($words, $sought, $readable, $perspective)->unique($head)->take(self::RANKED);
        $times = $this->times($rows->map($head)->values()->all());
        $now = now()->format('Y-m-d H:i:s');
        $best = $rows->map(function (object $row) use ($sought, $times, $now, $head): array {
            $title = mb_strtolower($row->title);
            $met = count(array_filter($sought, static fn (string $word): bool => str_contains($title, $word)));
            $at = $times[$head($row)] ?? $row->starts_local;

            return [
                'rank' => [-$met, str_starts_with($title, $sought[0]) ? 0 : 1, $at >= $now ? 0 : 1, abs((int) strtotime($at.' UTC') - now()->getTimestamp())],
                'row' => $row, 'head' => $head($row), 'at' => $at, 'indexed' => isset($times[$head($row)]),
            ];
        })->sortBy('rank')->take(self::MOST)->values();
        $occurrences = $this->occurrences($best->where('indexed', true)->pluck('at', 'head')->all());

        return $best->map(fn (array $found): FoundEventData => new FoundEventData(
            id: $found['head'],
            occurrence: $occurrences[$found['head']] ?? null,
            title: $found['row']->title,
            place: $found['row']->place,
            calendar: ($readable[$found['row']->calendar_id] ?? $readable[$this->pinned[$found['head']] ?? $this->asked[$found['head']]])->calendar->slug,
            date: $found['row']->time_kind === TimeKind::Zoned->value && $found['indexed'] ? (new LocalDateTime($zone->toLocal((int) strtotime($found['at'].' UTC'))))->toDate() : substr($found['at'], 0, 10),
        ))->all();
    }

    /**
     * The series that show on some calendars by a pin of somebody who may read them still: private ones only where that
     * is not by being involved.
     *
     * @param  list<int>  $calendarIds
     * @return array<int, int> a calendar by series
     */
    private function pinnedTo(array $calendarIds): array
    {
        $pins = DB::table('event_pins as p')->join('events as e', 'e.id', '=', 'p.event_id')->whereIntegerInRaw('p.calendar_id', $calendarIds)->where('p.asked', false)->whereNull('e.deleted_at')
            ->get(['p.event_id', 'p.calendar_id', 'p.pinned_by', 'p.joined', 'e.calendar_id as home', 'e.private', 'e.busy', 'e.created_by']);
        $this->pinners->prepare($pins->map(static fn (object $pin): array => [$pin->home, $pin->pinned_by])->all());

        return $pins->filter(fn (object $pin): bool => $this->pinners->sees($pin->home, $pin->pinned_by, (bool) $pin->private, (bool) $pin->busy, $pin->created_by, static fn (): array => [], (bool) $pin->joined) === Visibility::Full)
            ->pluck('calendar_id', 'event_id')->all();
    }

    /**
     * Events that have every word in their text, and those of a category or with somebody that is called so.
     *
     * @param  list<string>  $sought  in lower case
     * @param  Collection<int, AccessibleCalendar>  $readable
     * @return Collection<int, stdClass>
     */
    private function candidates(string $words, array $sought, Collection $readable, Perspective $perspective): Collection
    {
        $found = $this->ofText($sought, $readable, $perspective);
        $like = '%'.addcslashes(trim($words), '%_\\').'%';
        foreach (Category::query()->where('name', 'like', $like)->limit(3)->pluck('id') as $id) {
            $found = $found->concat($this->taken(DB::table('event_category as k')->join('events as e', 'e.id', '=', 'k.event_id')->where('k.category_id', $id)->orderByDesc('k.event_id'), $readable, $perspective, intdiv(self::RANKED, 3)));
        }
        $people = Person::searched(implode(' ', $sought))->limit(10)->pluck('id');
        // Who is only asked to an event does not find it by the others who are.
        if ($people->isNotEmpty()) {
            $found = $found->concat($this->taken(DB::table('event_participants as p')->join('events as e', 'e.id', '=', 'p.event_id')->where('p.organizer', false)->whereIn('p.person_id', $people)->orderByDesc('p.event_id'), $readable, $perspective, asked: false));
        }

        return $found;
    }

    /**
     * What many events have is found among the newest at once; what few have, by the index of words, which would take
     * long to tell of the many.
     *
     * @param  list<string>  $sought
     * @param  Collection<int, AccessibleCalendar>  $readable
     * @return Collection<int, stdClass>
     */
    private function ofText(array $sought, Collection $readable, Perspective $perspective): Collection
    {
        $newest = DB::table('events as e')->where('e.id', '>', (int) DB::table('events')->max('id') - self::SAMPLED)->orderByDesc('e.id');
        foreach ($sought as $word) {
            $newest->whereRaw("CONCAT_WS(' ', e.title, e.place, e.description) RLIKE ?", ["(?<![\\p{L}\\p{N}]){$word}"]);
        }
        $found = $this->taken($newest, $readable, $perspective);
        if ($found->count() === self::RANKED) {
            return $found;
        }
        $text = implode(' ', array_map(static fn (string $word): string => "+{$word}*", $sought));

        return $this->taken(DB::table('events as e')->whereRaw('MATCH (e.title, e.place, e.description) AGAINST (? IN BOOLEAN MODE)', [$text])->orderByDesc('e.id'), $readable, $perspective);
    }

    /**
     * So many of the events asked for as are ranked, of those that the viewer may read: private ones are left out of the
     * question itself where they may not, so that finding nothing tells nothing.
     *
     * @param  Collection<int, AccessibleCalendar>  $readable
     * @param  bool  $asked  whether those are among them to which the viewer is asked without seeing where they are
     * @return Collection<int, stdClass>
     */
    private function taken(Builder $query, Collection $readable, Perspective $perspective, int $most = self::RANKED, bool $asked = true): Collection
    {
        $pinned = fn (Builder $query): Builder => $query->whereIn(DB::raw('COALESCE(e.series_id, e.id)'), array_keys($this->pinned))
            ->where(fn (Builder $seen) => $seen->where('e.private', false)->orWhere(fn (Builder $involved) => $this->involved->constrain($involved, $perspective->viewer, 'e')));

        // Of a series each time to which they are asked.
        $own = fn (Builder $query): Builder => $query->whereIn(DB::raw('COALESCE(e.series_id, e.id)'), array_keys($this->asked))->where(fn (Builder $involved) => $this->involved->constrain($involved, $perspective->viewer, 'e'));

        return $query->whereNull('e.deleted_at')
            ->where(fn (Builder $seen) => $seen->where(fn (Builder $full) => $this->involved->constrainToFull($full, $perspective, 'e'))
                ->when($this->pinned !== [], fn (Builder $or) => $or->orWhere($pinned))->when($asked && $this->asked !== [], fn (Builder $or) => $or->orWhere($own)))
            ->limit($most)
            ->get(['e.id', 'e.series_id', 'e.calendar_id', 'e.title', 'e.place', 'e.time_kind', 'e.starts_local']);
    }

    /**
     * The next time of each series, or its last, as the index has it.
     *
     * @param  list<int>  $heads
     * @return array<int, string>
     */
    private function times(array $heads): array
    {
        return DB::table('occurrences')->whereIntegerInRaw('series_id', $heads)->groupBy('series_id')
            ->selectRaw('series_id, COALESCE(MIN(IF(ends_at >= ?, starts_at, NULL)), MAX(starts_at)) AS starts_at', [now()])->pluck('starts_at', 'series_id')->all();
    }

    /**
     * @param  array<int, string>  $times  by series
     * @return array<int, ?string> the names of the occurrences that start then
     */
    private function occurrences(array $times): array
    {
        return DB::table('occurrences')->whereIntegerInRaw('series_id', array_keys($times))->whereIn('starts_at', array_values($times))->get(['series_id', 'starts_at', 'recurrence_id'])
            ->filter(fn (object $row): bool => $row->starts_at === $times[$row->series_id])->pluck('recurrence_id', 'series_id')->all();
    }
}
