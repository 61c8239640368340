<?php

namespace App\OneLine;

/** What a message says, as one line. */
final readonly class MessageLineData
{
    public function __construct(public string $line)
    {
    }
}
