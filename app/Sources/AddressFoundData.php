<?php

namespace App\Sources;

use PinnedRota\Core\Documents\DocumentKind;

/** What is at an address. */
final readonly class AddressFoundData
{
    /**
     * @param  string  $url  That answered
     * @param  string  $name  As it calls itself; empty where it does not
     * @param  int  $count  How many events
     * @param  list<EventAtAddressData>  $events  The next of them
     * @param  ?int  $ownMinutes  After how many minutes it wants to be asked for again
     * @param  list<SubscribedAlreadyData>  $subscribed  Calendars that one sees which have it already
     */
    public function __construct(
        public string $url,
        public string $name,
        public DocumentKind $kind,
        public int $count,
        public array $events,
        public ?int $ownMinutes,
        public array $subscribed,
    ) {
    }

    /** @param  array<string, mixed>  $stored */
    public static function stored(array $stored): self
    {
        return new self(
            $stored['url'], $stored['name'], DocumentKind::from($stored['kind']), $stored['count'],
            array_map(static fn (array $each): EventAtAddressData => new EventAtAddressData(...$each), $stored['events']), $stored['ownMinutes'],
            array_map(static fn (array $each): SubscribedAlreadyData => new SubscribedAlreadyData(...$each), $stored['subscribed']),
        );
    }
}
