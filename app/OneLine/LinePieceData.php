<?php

namespace App\OneLine;

use PinnedRota\Core\OneLine\PieceKind;

/** A piece of a line that was understood. */
final readonly class LinePieceData
{
    /**
     * @param  int  $at  Where it begins in the line, in characters
     */
    public function __construct(
        public PieceKind $kind,
        public int $at,
        public string $text,
    ) {
    }
}
