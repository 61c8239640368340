<?php

namespace App\Events\Write;

use App\History\Operation;

/** What carrying out commands has come to. */
final readonly class Done
{
    /**
     * @param  list<int>  $seriesIds  of each command in their order: the head that it has changed or added
     */
    public function __construct(public Operation $operation, public array $seriesIds)
    {
    }

    /** The series of the last command. */
    public function lastId(): int
    {
        return $this->seriesIds[array_key_last($this->seriesIds) ?? 0];
    }
}
