<?php

namespace App\Bulk;

use App\Events\EventRecord;
use PinnedRota\Core\Events\Series;

/** What a bulk change makes of one event. */
final readonly class Planned
{
    /**
     * @param  ?Series  $after  null where it is deleted, or where nothing can be done
     * @param  ?int  $calendarId  the calendar that it is on afterwards
     * @param  ?string  $refused  why nothing can be done with it
     * @param  ?Series  $later  what of it is a series of its own from then on
     * @param  list<string>  $newCategories  those that there are not yet, where they keep it from being done
     * @param  bool  $outdated  whether that is because somebody else was first
     */
    public function __construct(public int $id, public ?EventRecord $head, public ?Series $before, public ?Series $after, public ?int $calendarId, public ?Series $later = null, public ?string $refused = null, public bool $outdated = false, public array $newCategories = [])
    {
    }

    /** @param  list<string>  $newCategories */
    public static function refused(int $id, ?EventRecord $head, string $why, bool $outdated = false, array $newCategories = []): self
    {
        return new self($id, $head, null, null, null, null, $why, $outdated, $newCategories);
    }
}
