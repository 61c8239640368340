<?php

namespace App\Changes;

/** Raised within the transaction that changes what everybody chooses from. */
final readonly class ListsMarked
{
    public function __construct(public MarkData $mark)
    {
    }
}
