<?php

namespace App\Events\Write;

/** What of a new series is not said by its events. */
final readonly class NewSeries
{
    /**
     * @param  ?int  $authorId  who it is of, where that is not who adds it
     * @param  bool  $joinable  whether whoever may see it may join it
     * @param  ?int  $copiedFrom  the head of the series that it is a copy of
     * @param  ?string  $fingerprint  of what came in by a file or a source (see PinnedRota\Core\Import\Fingerprint)
     */
    public function __construct(public ?int $authorId = null, public bool $joinable = false, public ?int $copiedFrom = null, public ?int $importId = null, public ?string $fingerprint = null)
    {
    }
}
