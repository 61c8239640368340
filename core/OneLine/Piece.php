<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/** A piece of the line that was understood. */
final readonly class Piece
{
    /**
     * @param  int  $at  where it begins, in characters
     * @param  string  $text  as it was typed
     */
    public function __construct(public PieceKind $kind, public int $at, public string $text)
    {
    }
}
