<?php

namespace App\OneLine;

use PinnedRota\Core\OneLine\DoubtReason;
use PinnedRota\Core\OneLine\PieceKind;

/** A piece of a line that looks like something and was not understood, or not for certain. */
final readonly class LineDoubtData
{
    /**
     * @param  int  $at  Where it begins in the line, in characters
     * @param  bool  $blocks  Whether nothing is added before it is put right
     * @param  list<string>  $offers  What may have been meant, to stand in its place
     */
    public function __construct(
        public PieceKind $kind,
        public int $at,
        public string $text,
        public DoubtReason $reason,
        public bool $blocks,
        public array $offers,
    ) {
    }
}
