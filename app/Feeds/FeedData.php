<?php

namespace App\Feeds;

use App\Overlays\ConditionData;

/** A secret feed link. */
final readonly class FeedData
{
    /**
     * @param  'calendar'|'overlay'|'list'  $of  a list: all that its maker has on theirs
     * @param  string  $slug  of the calendar or overlay; of a list it is empty
     * @param  bool  $personal  Whether its maker has made it for themselves
     * @param  bool  $mine  Whether one has made it
     * @param  'full'|'busy'  $detail
     * @param  ?int  $weeksBack  How far back it goes; null: as far as is known
     * @param  ?int  $reminderMinutes  So long before each event a device reminds; null: not at all
     * @param  list<ConditionData>  $conditions  What it asks of events
     * @param  ?string  $url  Null where somebody else made it, or before links could be seen again
     * @param  ?string  $fetchedBy  What kind of program did so last
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $of,
        public string $slug,
        public string $ofName,
        public bool $personal,
        public bool $mine,
        public string $detail,
        public ?int $weeksBack,
        public ?int $reminderMinutes,
        public array $conditions,
        public ?string $url,
        public string $madeBy,
        public string $madeAt,
        public ?string $lastFetchedAt,
        public ?string $fetchedBy,
    ) {
    }

    public static function of(Feed $feed, int $viewerId): self
    {
        $isMine = $feed->created_by === $viewerId;

        return new self(
            id: $feed->id,
            name: $feed->name,
            of: $feed->calendar_id !== null ? 'calendar' : ($feed->overlay_id !== null ? 'overlay' : 'list'),
            slug: $feed->calendar->slug ?? $feed->overlay->slug ?? '',
            ofName: $feed->subjectName(),
            personal: $feed->personal,
            mine: $isMine,
            detail: $feed->detail,
            weeksBack: $feed->weeks_back,
            reminderMinutes: $feed->reminder_minutes,
            conditions: ConditionData::many($feed->conditions ?? []),
            url: $isMine && $feed->token !== null ? url("/feeds/{$feed->token}.ics") : null,
            madeBy: $feed->publisher->name,
            madeAt: $feed->created_at->toIso8601ZuluString(),
            lastFetchedAt: $feed->last_fetched_at?->toIso8601ZuluString(),
            fetchedBy: $feed->fetched_by,
        );
    }
}
