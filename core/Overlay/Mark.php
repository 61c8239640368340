<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** The shapes that tell layers apart without colour. */
enum Mark: string
{
    case Disc = 'disc';
    case Triangle = 'triangle';
    case Square = 'square';
    case Diamond = 'diamond';
    case Pentagon = 'pentagon';
    case Plus = 'plus';
    case Waves = 'waves';
    case Ring = 'ring';
    case Star = 'star';
    case Bars = 'bars';
}
