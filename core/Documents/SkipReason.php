<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** Why a row of a table is no event. */
enum SkipReason: string
{
    case Empty = 'empty';
    case Head = 'head';
    case NoDate = 'no date';
    case Total = 'total';

    public function words(): string
    {
        return match ($this) {
            self::Empty => 'There is nothing in it.',
            self::Head => 'It names the columns.',
            self::NoDate => 'It says no date.',
            self::Total => 'It adds others up.',
        };
    }
}
