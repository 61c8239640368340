<?php

namespace App\Overlays;

/** What is drawn of a window. */
final readonly class Sheet
{
    /** How it can be drawn. */
    public const VIEWS = ['lanes', 'day', 'week', 'month', 'year', 'list'];

    /**
     * @param  list<DrawnLayer>  $layers
     * @param  list<SheetItem>  $items  by start
     * @param  array<string, int>  $categories  how many occurrences have each, before the quick filter
     * @param  array<int, string>  $closed  what closes days, by day number
     * @param  list<SheetRow>  $rows  where lanes are told apart by something else than layers
     * @param  list<SheetColourData>  $colours  what colours stand for where that is not layers
     */
    public function __construct(public array $layers, public array $items, public array $categories, public array $closed, public bool $readOnly, public array $rows = [], public array $colours = [])
    {
    }
}
