<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** What the colour of an event on a sheet stands for. */
enum ColouredBy: string
{
    case Layer = 'layer';
    case Category = 'category';
    case Calendar = 'calendar';
    case Person = 'person';
}
