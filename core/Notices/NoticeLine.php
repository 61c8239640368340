<?php

declare(strict_types=1);

namespace PinnedRota\Core\Notices;

/** One line of a notice: what is said, and of what, so that it can be looked at and whoever may not see it any more is not told. */
final readonly class NoticeLine
{
    /**
     * @param  list<int>  $series  all of which it tells
     * @param  list<string>  $times  the names of the times of which it tells, of one series that repeats
     * @param  ?string  $on  the day of the first of them that is to be looked at, YYYY-MM-DD
     * @param  bool  $names  whether it says what events are called; where it does not, it tells how many there are on a calendar
     */
    public function __construct(public string $words, public FollowedChange $change, public int $calendarId, public array $series, public array $times, public ?string $on, public bool $names)
    {
    }
}
