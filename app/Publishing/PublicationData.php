<?php

namespace App\Publishing;

use App\Overlays\ConditionData;
use PinnedRota\Core\Publishing\Audience;
use PinnedRota\Core\Publishing\Detail;
use PinnedRota\Core\Publishing\TableColumn;

/** Something that is published, as those see it who look after it. */
final readonly class PublicationData
{
    /**
     * @param  'calendar'|'overlay'  $of
     * @param  string  $slug  of the calendar or overlay
     * @param  'all'|'year'|'weeks'  $period
     * @param  bool  $followed  Whether devices may follow it, at its address with .ics
     * @param  bool  $asTable  Whether it can be taken as a table, at its address with .csv
     * @param  ?list<TableColumn>  $tableColumns  Which columns that has besides title and time; null: all that it tells
     * @param  list<ConditionData>  $conditions  What it asks of events besides what its layers ask
     * @param  int  $frameSites  On how many sites it may stand in a frame
     * @param  ?string  $address  Null where it is secret and somebody else's, as only who made it is told it again; and where it is for named people
     * @param  list<PublicationLinkData>  $links  Of people it is for and of screens, the oldest first
     * @param  bool  $mine  Whether one made it
     * @param  ?string  $formerUntil  How long the address before this one is answered, too
     * @param  int  $reads  How often the page was given out; of readers nothing is kept
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $of,
        public string $slug,
        public string $ofName,
        public Detail $detail,
        public Audience $audience,
        public string $period,
        public int $weeksBack,
        public int $weeksOn,
        public bool $followed,
        public bool $asTable,
        public ?array $tableColumns,
        public array $conditions,
        public int $frameSites,
        public ?string $address,
        public array $links,
        public bool $mine,
        public bool $paused,
        public string $publisher,
        public string $madeAt,
        public ?string $formerUntil,
        public int $reads,
        public ?string $lastReadAt,
    ) {
    }

    public static function of(Publication $publication, int $viewerId): self
    {
        $of = $publication->calendar ?? $publication->overlay;
        $isMine = $publication->published_by === $viewerId;

        return new self(
            id: $publication->id,
            name: $publication->name,
            of: $publication->calendar_id === null ? 'overlay' : 'calendar',
            slug: $of->slug ?? '',
            ofName: $of->name ?? '',
            detail: $publication->detail,
            audience: $publication->audience,
            period: $publication->period,
            weeksBack: $publication->weeks_back,
            weeksOn: $publication->weeks_on,
            followed: $publication->followed,
            asTable: $publication->as_table,
            tableColumns: $publication->table_columns === null ? null : array_map(TableColumn::from(...), $publication->table_columns),
            conditions: ConditionData::many($publication->conditions ?? []),
            frameSites: count($publication->frame_sites ?? []),
            address: $isMine || $publication->audience === Audience::Everybody ? $publication->url() : null,
            links: $publication->links->map(static fn (PublicationLink $link): PublicationLinkData => PublicationLinkData::of($link, $isMine))->values()->all(),
            mine: $isMine,
            paused: $publication->paused_at !== null,
            publisher: $publication->publisher->name,
            madeAt: $publication->created_at->toIso8601ZuluString(),
            formerUntil: $publication->former_until?->isFuture() === true ? $publication->former_until->toIso8601ZuluString() : null,
            reads: $publication->reads,
            lastReadAt: $publication->last_read_at?->toIso8601ZuluString(),
        );
    }
}
