<?php

namespace App\Overlays;

use App\Events\IndexedOccurrence;

/** What is drawn of a window. */
final readonly class Sheet
{
    /** How it can be drawn. */
    public const VIEWS = ['lanes', 'day', 'week', 'month', 'year', 'list'];

    /**
     * @param  list<DrawnLayer>  $layers
     * @param  list<SheetItem>  $items  by start
     * @param  array<string, int>  $categories  how many occurrences have each, before the quick filter
     * @param  list<IndexedOccurrence>  $closing  occurrences that close their days
     * @param  list<SheetRow>  $rows  where lanes are told apart by something else than layers
     */
    public function __construct(public array $layers, public array $items, public array $categories, public array $closing, public bool $readOnly, public array $rows = [])
    {
    }
}
