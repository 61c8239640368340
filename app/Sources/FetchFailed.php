<?php

namespace App\Sources;

use RuntimeException;
use Throwable;

/** An address that could not be fetched; the message may be shown to a person. */
final class FetchFailed extends RuntimeException
{
    /** @param  ?int  $status  with which the far side answered, where it did */
    public function __construct(string $message, public readonly ?int $status = null, ?Throwable $previous = null)
    {
        parent::__construct($message, previous: $previous);
    }
}
