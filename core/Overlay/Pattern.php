<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** How the ground of a layer's events is drawn, so that layers of one colour, or printed in black, stay apart. */
enum Pattern: string
{
    case Plain = 'plain';
    case Stripes = 'stripes';
    case Dots = 'dots';
    case Checks = 'checks';
    case Weave = 'weave';
}
