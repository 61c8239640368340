<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

use PinnedRota\Core\Time\Zone;

/** Says many changes in few lines: what was done to several events at once is one, and so is what became of several times of one. */
final class ChangeLines
{
    /** So many events to which the same was done at once are told one by one. */
    private const ONE_BY_ONE = 3;

    private function __construct(private readonly NoticeWords $words, private readonly Zone $zone)
    {
    }

    /**
     * @param  list<NoticeItem>  $items  in any order
     * @param  Zone  $zone  on whose wall times are told
     * @param  int  $today  the day of whoever is told, as CivilDate counts: the year is not told of what is in this one
     * @return list<NoticeLine> the next first
     */
    public static function of(array $items, Zone $zone, int $today): array
    {
        $lines = new self(new NoticeWords($zone, $today), $zone);
        $bySeries = [];
        foreach ($items as $item) {
            $bySeries["{$item->operation} {$item->change->value} {$item->calendarId}"][$item->series][] = $item;
        }
        $told = [];
        foreach ($bySeries as $together) {
            // What moved by as much is one, whatever else was done with it.
            $alike = [];
            foreach ($together as $series => $some) {
                $alike[$lines->alike($some)][$series] = $some;
            }
            $alike = count($together) <= self::ONE_BY_ONE ? [$together] : (count($alike) > 2 ? [$together] : $alike);
            foreach ($alike as $some) {
                array_push($told, ...(count($some) > self::ONE_BY_ONE ? [$lines->many($some)] : array_map($lines->one(...), array_values($some))));
            }
        }
        usort($told, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($told, 1);
    }

    /** @param  non-empty-list<NoticeItem>  $items */
    private function alike(array $items): string
    {
        return implode(' ', array_unique(array_map(fn (NoticeItem $each): string => (string) $each->shift($this->zone), $items)));
    }

    /**
     * @param  non-empty-array<int, non-empty-list<NoticeItem>>  $bySeries
     * @return array{int, NoticeLine}
     */
    private function many(array $bySeries): array
    {
        $items = array_merge(...array_values($bySeries));
        $first = $this->first($items);

        return [$first->shown()->startSeconds, new NoticeLine($this->words->events($items, count($bySeries)), $first->change, $first->calendarId, array_keys($bySeries), [], $this->day($first), false)];
    }

    /**
     * @param  non-empty-list<NoticeItem>  $items  of one series
     * @return array{int, NoticeLine}
     */
    private function one(array $items): array
    {
        $first = $this->first($items);
        $words = count($items) === 1 ? $this->words->one($first) : $this->words->times($items, $first);
        $times = array_values(array_filter(array_map(static fn (NoticeItem $each): ?string => $each->is?->name, $items), is_string(...)));

        return [$first->shown()->startSeconds, new NoticeLine($words, $first->change, $first->calendarId, [$first->series], $times, $this->day($first), true)];
    }

    /** @param  non-empty-list<NoticeItem>  $items */
    private function first(array $items): NoticeItem
    {
        return array_reduce($items, static fn (NoticeItem $first, NoticeItem $each): NoticeItem => $each->shown()->startSeconds < $first->shown()->startSeconds ? $each : $first, $items[0]);
    }

    private function day(NoticeItem $item): string
    {
        return $item->shown()->start($this->zone)->local->toDate();
    }
}
