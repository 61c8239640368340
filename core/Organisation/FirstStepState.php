<?php

declare(strict_types=1);

namespace PinnedRota\Core\Organisation;

enum FirstStepState: string
{
    case Open = 'open';
    case Done = 'done';
    case Skipped = 'skipped';
}
