<?php

namespace App\Events\Write;

use App\Events\EventRecord;
use RuntimeException;

/** A calendar would have two events of one UID: the one that is to come to it, and the one that is there. */
final class SeriesLivesAlready extends RuntimeException
{
    public function __construct(public readonly EventRecord $coming, public readonly EventRecord $living)
    {
        parent::__construct("“{$living->title}” is on that calendar already, under the same UID: as it came in by a file or from outside.");
    }
}
