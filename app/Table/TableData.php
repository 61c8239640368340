<?php

namespace App\Table;

/** A page of rows. */
final readonly class TableData
{
    /**
     * @param  list<TableRowData>  $rows
     * @param  ?int  $next  The cursor of the next page
     */
    public function __construct(
        public array $rows,
        public int $total,
        public ?int $next,
    ) {
    }
}
