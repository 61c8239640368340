<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/** What “mon–fri 8:45” means: one time on each of the days, or a single one from the first to the last. */
enum SpanReading: string
{
    case EachDay = 'eachDay';
    case OneLong = 'oneLong';
}
