<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** What somebody has to do with an event. */
enum Part: string
{
    case Responsible = 'responsible';
    case TakingPart = 'taking part';
    case Added = 'added';
}
