<?php

namespace App\Directory;

/** What a person keeps and what would end with them. */
final readonly class KeptData
{
    /**
     * @param  list<KeptThingData>  $calendars
     * @param  list<KeptThingData>  $overlays
     * @param  list<KeptFeedData>  $feeds
     * @param  list<string>  $pages  Names of what they have published
     * @param  list<string>  $sources  What they have pinned as a whole, and to which calendar
     */
    public function __construct(
        public array $calendars,
        public array $overlays,
        public array $feeds,
        public array $pages,
        public array $sources,
    ) {
    }
}
