<?php

namespace App\Changes;

/** Raised within the transaction that changes what people may see. */
final readonly class AccessMarked
{
    /** @param  list<int>  $people  by id */
    public function __construct(public MarkData $mark, public array $people)
    {
    }
}
