<?php

namespace App\ICalendar;

use Generator;
use IteratorAggregate;
use PinnedRota\Core\ICalendar\OtherComponent;
use PinnedRota\Core\Sorting\ExternalSort;

/**
 * What a file holds beside its events, in its order, in memory that does not grow with it.
 *
 * @implements IteratorAggregate<int, OtherComponent>
 */
final class OtherComponents implements IteratorAggregate
{
    private int $count = 0;

    private readonly ExternalSort $components;

    public function __construct()
    {
        $this->components = new ExternalSort;
    }

    public function add(OtherComponent $component): void
    {
        $this->components->add(sprintf('%012d', $this->count++), serialize($component));
    }

    public function getIterator(): Generator
    {
        foreach ($this->components as $component) {
            yield unserialize($component);
        }
    }
}
