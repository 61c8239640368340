<?php

namespace App\Jobs;

/** What is done in the background for somebody who waits for it, or goes on with something else. */
enum JobKind: string
{
    case Import = 'import';
    case Bulk = 'bulk';
    case Subscribe = 'subscribe';
    case Refresh = 'refresh';

    /** Looks what is at an address, and changes nothing. */
    case Look = 'look';
    case Export = 'export';

    /** Pins all of a source to a calendar, or takes it off. */
    case Pin = 'pin';

    /** Whether it waits for somebody else's server: those are done by workers of their own, so that they hold up nothing else. */
    public function fetches(): bool
    {
        return in_array($this, [self::Subscribe, self::Refresh, self::Look], true);
    }

    public function queue(): string
    {
        return $this->fetches() ? 'fetch-now' : 'work';
    }
}
