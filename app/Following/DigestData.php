<?php

namespace App\Following;

use Illuminate\Support\Carbon;
use PinnedRota\Core\Notices\Pace;

/** A digest as one has it: when it comes. */
final readonly class DigestData
{
    /**
     * @param  Pace  $pace  Daily or weekly
     * @param  int  $hour  On one’s own clock
     * @param  int  $weekday  Of a weekly one; 0 is Monday
     * @param  bool  $byMail  Whether it comes by mail
     * @param  string  $next  When it comes next, UTC, RFC 3339
     */
    public function __construct(public Pace $pace, public int $hour, public int $weekday, public bool $byMail, public string $next)
    {
    }

    public static function of(Digest $digest): self
    {
        return new self($digest->pace, $digest->hour, $digest->weekday, $digest->by_mail, Carbon::createFromTimestampUTC(SendDigests::next($digest))->toIso8601ZuluString());
    }
}
