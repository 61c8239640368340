<?php

namespace App\Feeds;

use App\Access\Perspective;
use App\Events\EventRecord;
use App\Overlays\LayerConditions;
use App\Overlays\SheetItem;
use App\Overlays\SheetQuery;
use App\Overlays\SheetReader;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\CalendarHead;
use PinnedRota\Core\ICalendar\CalendarWriter;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

/** What a feed gives time by time (RFC 5545): through an overlay, of a list, or of a calendar by what is asked of its events. */
final class TimesDocument
{
    public const REFRESH_MINUTES = 60;

    /** How far it goes where it says nothing itself, in days from today. */
    private const BACK = 366;

    private const ON = 731;

    public function __construct(private readonly SheetReader $sheets, private readonly LayerConditions $conditions)
    {
    }

    /** On whose wall its days and times are told. */
    public static function zone(Feed $feed): Zone
    {
        return Zone::of($feed->calendar->timezone ?? $feed->publisher->timezone);
    }

    /** @param  Perspective  $perspective  what its maker sees at this moment */
    public function text(Feed $feed, Perspective $perspective, Carbon $today): string
    {
        $zone = self::zone($feed);
        $day = LocalDateTime::parse($today->toDateString());
        $from = $day->plusDays($feed->weeks_back === null ? -self::BACK : -7 * $feed->weeks_back);
        $items = $this->sheets->read($perspective, new SheetQuery($from, $day->plusDays(self::ON), $zone, $feed->overlay, $feed->calendar, $this->conditions->filter($feed->conditions ?? [], $feed->created_by)))->items;
        $notes = $this->notes($items);
        $stamp = $today->copy()->startOfDay()->getTimestamp();
        $series = static function () use ($items, $feed, $zone, $stamp, $notes) {
            foreach ($items as $item) {
                $told = $item->tell($zone, []);
                yield new Series(TimeEvent::of($told, $zone, hash('sha256', "feed|{$feed->id}|{$told->id}|{$told->occurrence}").'@feed.invalid', $stamp, $notes[$item->seen->occurrence->eventId] ?? '', $feed->reminder_minutes));
            }
        };

        return CalendarWriter::text(new CalendarHead($feed->subjectName(), refreshMinutes: self::REFRESH_MINUTES), $series());
    }

    /**
     * @param  list<SheetItem>  $items
     * @return array<int, string> what stands under each event that its maker sees whole
     */
    private function notes(array $items): array
    {
        $whole = array_filter($items, static fn (SheetItem $item): bool => $item->seen->isFull);
        $notes = [];
        foreach (array_chunk(array_unique(array_map(static fn (SheetItem $item): int => $item->seen->occurrence->eventId, $whole)), 1000) as $ids) {
            $notes += EventRecord::query()->whereKey($ids)->where('description', '!=', '')->pluck('description', 'id')->all();
        }

        return $notes;
    }
}
