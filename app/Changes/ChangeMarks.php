<?php

namespace App\Changes;

use App\Access\AccessReader;
use App\Directory\Person;

/** By which somebody's browser learns that what is on its screen is old. */
final class ChangeMarks
{
    public function __construct(private readonly AccessReader $access)
    {
    }

    /** As they are now: what the person may see is read anew, as the change may have been one of that. */
    public function of(Person $person): ChangeMarksData
    {
        $calendars = $this->access->calendars($this->access->viewer($person))->keys()->all();
        // Hashed for this person, so that the pace of what others do cannot be read from it.
        $mark = static fn (string $of, ?int $latest): string => substr(hash_hmac('sha256', "{$person->id}:{$of}:{$latest}", (string) config('app.key')), 0, 24);

        return new ChangeMarksData(
            $mark('events', Change::query()->whereIntegerInRaw('calendar_id', $calendars)->max('id')),
            $mark('access', Change::query()->whereNull('calendar_id')->max('id')),
        );
    }
}
