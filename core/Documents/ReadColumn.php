<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** A column of a table, and what it was taken for. */
final readonly class ReadColumn
{
    /**
     * @param  int  $column  from 0
     * @param  string  $name  as the head has it; empty where it has none
     * @param  ?ColumnRole  $role  null where it says nothing of an event
     * @param  bool  $isKey  whether it tells the rows apart
     * @param  list<string>  $samples  some of what is in it
     */
    public function __construct(public int $column, public string $name, public ?ColumnRole $role, public bool $isKey, public array $samples)
    {
    }
}
