<?php

namespace App\OneLine;

/** What was typed as a date or an hour. */
final readonly class WhenData
{
    /**
     * @param  ?string  $value  Such as 2026-03-14 or 09:30; null where it is neither
     * @param  ?string  $instead  What may have been meant by a day that its month has not
     */
    public function __construct(public ?string $value, public ?string $instead)
    {
    }
}
