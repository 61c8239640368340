<?php

namespace App\Imports;

use PinnedRota\Core\Documents\ColumnRole;

/** A column of a table, and what it was taken for. */
final readonly class ImportColumnData
{
    /**
     * @param  int  $table  Of which table of the document, from 0
     * @param  int  $column  From 0
     * @param  string  $name  As the head has it
     * @param  ?ColumnRole  $role  Null where it says nothing of an event
     * @param  bool  $isKey  Whether it tells the rows apart: what says the same in it is the same event, whatever else it says
     * @param  list<string>  $samples  Some of what is in it
     */
    public function __construct(public int $table, public int $column, public string $name, public ?ColumnRole $role, public bool $isKey, public array $samples)
    {
    }
}
