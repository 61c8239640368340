<?php

namespace App\Outbox;

use Illuminate\Support\Carbon;
use RuntimeException;

/** A letter can wait, and is looked at again then; the message says why. */
final class SendLater extends RuntimeException
{
    public function __construct(string $why, public readonly Carbon $due)
    {
        parent::__construct($why);
    }
}
