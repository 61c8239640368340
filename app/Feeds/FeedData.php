<?php

namespace App\Feeds;

use App\Calendars\CalendarNameData;

/** A secret feed link. */
final readonly class FeedData
{
    /**
     * @param  'full'|'busy'  $detail
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $detail,
        public CalendarNameData $calendar,
        public string $madeBy,
        public string $madeAt,
        public ?string $lastFetchedAt,
    ) {
    }

    public static function of(Feed $feed): self
    {
        return new self(
            id: $feed->id,
            name: $feed->name,
            detail: $feed->detail,
            calendar: CalendarNameData::of($feed->calendar),
            madeBy: $feed->publisher->name,
            madeAt: $feed->created_at->toIso8601ZuluString(),
            lastFetchedAt: $feed->last_fetched_at?->toIso8601ZuluString(),
        );
    }
}
