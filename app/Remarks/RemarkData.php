<?php

namespace App\Remarks;

/** What somebody remarked on an event. */
final readonly class RemarkData
{
    /**
     * @param  ?string  $occurrence  The time that is meant, of a series; null: all of it
     * @param  ?string  $on  The day of that time, in the zone of the event
     * @param  ?string  $by  Who did, by name; null where they are gone
     * @param  string  $at  UTC, RFC 3339
     * @param  bool  $mayDelete  Whether the viewer may take it away: their own, or any where they may change the event
     */
    public function __construct(public int $id, public ?string $occurrence, public ?string $on, public ?string $by, public string $at, public string $text, public bool $mayDelete)
    {
    }
}
