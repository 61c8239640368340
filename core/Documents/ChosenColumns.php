<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** What somebody says of the columns of a table. */
final readonly class ChosenColumns
{
    /**
     * @param  array<int, ColumnRole>  $roles  by column, from 0; the others are told as ever
     * @param  list<int>  $keys  columns that tell its rows apart: those in which they say the same, a row is the one that it was before
     */
    public function __construct(public array $roles = [], public array $keys = [])
    {
    }

    public function isNothing(): bool
    {
        return $this->roles === [] && $this->keys === [];
    }
}
