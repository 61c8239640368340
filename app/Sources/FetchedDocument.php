<?php

namespace App\Sources;

/** What an address answered. */
final readonly class FetchedDocument
{
    /** @param  resource|null  $stream null where nothing has changed since the last time (304) */
    public function __construct(public mixed $stream, public ?string $etag, public ?string $lastModified)
    {
    }
}
