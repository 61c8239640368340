<?php

namespace App\Occurrences;

use App\Events\EventRecord;
use App\Events\EventTranslator;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use PDO;
use PinnedRota\Core\Events\IndexedOccurrence;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Events\Window;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Recurrence\WorkBudget;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\TimeKind;
use PinnedRota\Core\Time\Zone;

/** Reads what is on in a window, whoever looks: App\Events\Read alone asks it, and blanks what is hidden. */
final class OccurrenceQuery
{
    private const COLUMNS = [
        'o.id', 'o.calendar_id', 'o.event_id', 'o.series_id', 'o.recurrence_id',
        'e.uid', 'e.time_kind', 'e.title', 'e.place', 'e.status', 'e.busy', 'e.private', 'e.created_by', 'e.has_participants', 'e.calendar_id as home', 'e.colour', 'c.category_id',
    ];

    /** Start and end on the index's axis; TO_SECONDS of MariaDB says that of 1970-01-01. */
    public const TIMES = 'TO_SECONDS(o.starts_at) - 62167219200 AS starts, TO_SECONDS(o.ends_at) - 62167219200 AS ends';

    /** So many rows of one window are read from the index. Where there are more, the series that have most of them are told in part. */
    private const MOST_ROWS = 60_000;

    /** So many times in one window of a series that has more of them than can be told. */
    public const MOST_OF_DENSE = 500;

    /** So many of such series are told of at all. */
    private const MOST_DENSE = 60;

    public function __construct(private readonly EventTranslator $translator, private readonly WorkBudget $budget)
    {
    }

    /**
     * The occurrences that overlap the days from $from to before $to as a clock in $zone counts them, by start.
     *
     * @param  list<int>  $calendarIds
     * @param  ?list<int>  $seriesIds  where only some series are asked for
     * @return list<IndexedOccurrence>
     */
    public function between(array $calendarIds, LocalDateTime $from, LocalDateTime $to, Zone $zone, ?array $seriesIds = null): array
    {
        if ($calendarIds === [] || $seriesIds === []) {
            return [];
        }
        $window = new Window($from, $to, $zone);
        $found = $this->indexed($calendarIds, $window->axisFrom, $window->axisTo, $seriesIds);
        $beyond = $this->beyondIndex($calendarIds, $window->axisFrom, $window->axisTo, $seriesIds);
        if ($beyond !== []) {
            // While the horizon rolls, the index may hold some of them already.
            $byName = [];
            foreach ([...$beyond, ...$found] as $each) {
                $byName["{$each->seriesId} {$each->recurrenceId} {$each->calendarId}"] = $each;
            }
            $found = array_values($byName);
        }
        $overlapping = [];
        $pinned = false;
        foreach ($found as $each) {
            if ($window->holds($each->kind, $each->starts, $each->ends)) {
                $overlapping[] = $each;
                $pinned = $pinned || $each->isPinned();
            }
        }
        // Of an event that is pinned, its own calendar comes before the others.
        if ($beyond !== [] || $pinned) {
            usort($overlapping, static fn (IndexedOccurrence $a, IndexedOccurrence $b): int => [$a->starts, -$a->ends, $a->eventId, $a->isPinned()] <=> [$b->starts, -$b->ends, $b->eventId, $b->isPinned()]);
        }

        return $overlapping;
    }

    /**
     * @param  list<int>  $calendarIds
     * @param  ?list<int>  $seriesIds
     * @return list<IndexedOccurrence>
     */
    private function indexed(array $calendarIds, int $from, int $to, ?array $seriesIds): array
    {
        $query = $this->windowQuery($calendarIds, $from, $to)->when($seriesIds !== null, fn (Builder $some) => $some->whereIntegerInRaw('o.series_id', $seriesIds ?? []));
        [$found, $isAll] = $this->read($query, self::MOST_ROWS);
        if ($isAll) {
            return $found;
        }
        // Nobody's calendar is lost because another has a series in it that fills the window: that one is told in part.
        $dense = (clone $query)->groupBy('o.series_id')->havingRaw('COUNT(*) > ?', [self::MOST_OF_DENSE])->orderByRaw('COUNT(*) DESC')->limit(self::MOST_DENSE)->pluck('o.series_id')->all();
        [$found, $isAll] = $this->read((clone $query)->whereIntegerNotInRaw('o.series_id', $dense), self::MOST_ROWS);
        $found = $isAll ? $found : self::beforeMore($found);
        foreach ($dense as $seriesId) {
            [$some] = $this->read((clone $query)->where('o.series_id', $seriesId), self::MOST_OF_DENSE);
            array_push($found, ...self::beforeMore($some));
        }
        usort($found, static fn (IndexedOccurrence $a, IndexedOccurrence $b): int => [$a->starts, -$a->ends, $a->eventId] <=> [$b->starts, -$b->ends, $b->eventId]);

        return $found;
    }

    /**
     * The same times, the last of them said to be the last that is told of more.
     *
     * @param  list<IndexedOccurrence>  $told
     * @return list<IndexedOccurrence>
     */
    private static function beforeMore(array $told): array
    {
        $last = array_pop($told);

        return $last === null ? [] : [...$told, $last->beforeMore()];
    }

    /**
     * @param  Builder  $query  of a window
     * @return array{list<IndexedOccurrence>, bool} by start, and whether that is all of it
     */
    private function read(Builder $query, int $most): array
    {
        $query = (clone $query)->select(self::COLUMNS)
            ->selectRaw(self::TIMES)
            // A row for each category: asking for them by the thousand events would take as long again. What is put in order is
            // the times alone, which the database does before it joins anything to them.
            ->leftJoin('event_category as c', 'c.event_id', '=', 'o.event_id')
            ->orderBy('o.starts_at')->orderByDesc('o.ends_at')->orderBy('o.event_id')->orderBy('o.id')->limit($most + 1);
        // Thousands of rows: each is made from the columns in their order, without an object or a collection between.
        $connection = DB::connection();
        $statement = $connection->getPdo()->prepare($query->toSql());
        $statement->execute($connection->prepareBindings($query->getBindings()));
        $kinds = array_column(TimeKind::cases(), null, 'value');
        $states = array_column(Status::cases(), null, 'value');
        $rows = $statement->fetchAll(PDO::FETCH_NUM);
        $isAll = count($rows) <= $most;
        $found = $categories = [];
        foreach ($rows as $at => $row) {
            [$id, $calendarId, $eventId, $seriesId, $recurrenceId, $uid, $kind, $title, $place, $status, $busy, $private, $createdBy, $hasParticipants, $home, $colour, $category, $starts, $ends] = $row;
            if ($category !== null) {
                $categories[] = $category;
            }
            if (isset($rows[$at + 1]) && $rows[$at + 1][0] === $id) {
                continue;
            }
            if (isset($categories[1])) {
                sort($categories);
            }
            $found[] = new IndexedOccurrence(
                $calendarId, $eventId, $seriesId, $recurrenceId, $starts, $ends, $kinds[$kind], $title, $place, $states[$status],
                $busy === 1, $private === 1, $recurrenceId !== null, $createdBy, $categories, $uid, $hasParticipants === 1, $home, $colour === null ? null : Colour::tryFrom($colour),
            );
            $categories = [];
        }

        if (! $isAll) {
            // Of the last one not all categories may have come.
            array_pop($found);
        }

        return [$found, $isAll];
    }

    /** @param  list<int>  $calendarIds */
    public function windowQuery(array $calendarIds, int $from, int $to): Builder
    {
        return DB::table('occurrences as o')
            ->join('events as e', 'e.id', '=', 'o.event_id')
            ->whereIntegerInRaw('o.calendar_id', $calendarIds)
            ->where(function (Builder $query) use ($from, $to): void {
                foreach (OccurrenceSpan::LONGEST as $span => $longest) {
                    $query->orWhere(function (Builder $range) use ($span, $longest, $from, $to): void {
                        $range->where('o.span', $span)->where('o.starts_at', '<', OccurrenceHorizon::stamp($to));
                        if ($longest !== null) {
                            $range->where('o.starts_at', '>=', OccurrenceHorizon::stamp($from - $longest));
                        }
                    });
                }
            })
            ->where('o.ends_at', '>=', OccurrenceHorizon::stamp($from));
    }

    /**
     * Whether the index holds all that is on in a window: none of it is expanded only when it is looked at.
     *
     * @param  list<int>  $calendarIds
     */
    public function holdsAll(array $calendarIds, Window $window): bool
    {
        $horizon = OccurrenceHorizon::current();

        return $window->axisFrom >= $horizon->from && $window->axisTo <= $horizon->to
            && ! EventRecord::query()->whereNull('series_id')->where('repeats', true)->where('indexed', false)->whereIntegerInRaw('calendar_id', $calendarIds)->exists();
    }

    /**
     * Series that the index does not hold there, expanded by the core: outside its horizon all, within it those that
     * have more occurrences than it takes.
     *
     * @param  list<int>  $calendarIds
     * @param  ?list<int>  $seriesIds
     * @return list<IndexedOccurrence>
     */
    private function beyondIndex(array $calendarIds, int $from, int $to, ?array $seriesIds): array
    {
        $horizon = OccurrenceHorizon::current();
        $within = $from >= $horizon->from && $to <= $horizon->to;
        $found = [];
        $asked = fn () => EventRecord::query()->whereNull('series_id')->where('repeats', true)
            ->when($within, fn ($query) => $query->where('indexed', false))
            ->when($seriesIds !== null, fn ($query) => $query->whereIntegerInRaw('id', $seriesIds ?? []))
            ->where('starts_local', '<', OccurrenceHorizon::stamp($to + 2 * CivilDate::SECONDS_PER_DAY))
            ->with(['categories', 'overrides.categories', 'pins']);
        $pinned = DB::table('event_pins')->whereIntegerInRaw('calendar_id', $calendarIds)->distinct()->pluck('event_id')->all();
        $heads = $asked()->whereIntegerInRaw('calendar_id', $calendarIds)->get();
        $heads = $pinned === [] ? $heads : $heads->merge($asked()->whereIntegerInRaw('id', $pinned)->get());
        foreach ($heads as $head) {
            if (count($found) > self::MOST_ROWS) {
                break;
            }
            $on = array_values(array_intersect(array_unique([$head->calendar_id, ...$head->pins->pluck('calendar_id')]), $calendarIds));
            [$times, $isAll] = $head->indexed ? [$this->translator->times($head)->occurrences($from, $to, $this->budget), true] : $this->first($head, $from, $to);
            foreach ($times as $at => $occurrence) {
                if ($head->indexed && $occurrence->startSeconds < $horizon->to && $occurrence->endSeconds > $horizon->from) {
                    continue;
                }
                $row = $this->translator->rowOf($head, $occurrence->event);
                array_push($found, ...array_map(static fn (int $calendarId): IndexedOccurrence => new IndexedOccurrence(
                    $calendarId, $row->id, $head->id, $occurrence->recurrenceId === null ? null : RecurrenceId::text($occurrence->recurrenceId),
                    $occurrence->startSeconds, $occurrence->endSeconds,
                    $row->time_kind, $row->title, $row->place, $row->status, $row->busy, $row->private, true, $row->created_by,
                    $row->categories->modelKeys(), $row->uid, $row->has_participants, $head->calendar_id, $row->colour === null ? null : Colour::tryFrom($row->colour), ! $isAll && $at === count($times) - 1,
                ), $on));
            }
        }

        return $found;
    }

    /**
     * The first times in a window of a series that has too many for the index, worked out day by day until there are enough.
     *
     * @return array{list<Occurrence>, bool} by start, and whether that is all of them
     */
    private function first(EventRecord $head, int $from, int $to): array
    {
        $series = $this->translator->times($head);
        $times = [];
        for ($day = $from; $day < $to; $day += CivilDate::SECONDS_PER_DAY) {
            foreach ($series->occurrences($day, min($to, $day + CivilDate::SECONDS_PER_DAY), $this->budget) as $occurrence) {
                if ($day > $from && $occurrence->startSeconds < $day) {
                    continue;
                }
                if (count($times) === self::MOST_OF_DENSE) {
                    return [$times, false];
                }
                $times[] = $occurrence;
            }
        }

        return [$times, true];
    }
}
