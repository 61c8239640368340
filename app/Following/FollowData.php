<?php

namespace App\Following;

use App\Calendars\CalendarNameData;
use PinnedRota\Core\Notices\FollowedChange;
use PinnedRota\Core\Notices\Pace;

/** What one follows, and how one is told of it. */
final readonly class FollowData
{
    /**
     * @param  ?int  $id  Null where it holds without having been said: what one takes part in
     * @param  string  $name  Of what is followed; empty where one does not see it any more
     * @param  ?CalendarNameData  $calendar  Which is followed, or on which a category or an event is
     * @param  ?int  $category  Its id
     * @param  ?string  $overlay  Its slug
     * @param  ?int  $person  Their id
     * @param  ?int  $event  Its id
     * @param  list<FollowedChange>  $changes  Of which one is told
     * @param  bool  $inInbox  Whether it is told under “For you”
     */
    public function __construct(
        public ?int $id,
        public FollowedKind $kind,
        public string $name,
        public ?CalendarNameData $calendar,
        public ?int $category,
        public ?string $overlay,
        public ?int $person,
        public ?int $event,
        public array $changes,
        public Pace $pace,
        public bool $byMail,
        public bool $inInbox,
    ) {
    }
}
