<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/** A piece of the line that looks like something and was not understood, or not for certain. */
final readonly class Doubt
{
    /**
     * @param  int  $at  where it begins, in characters
     * @param  string  $text  as it was typed
     * @param  list<string>  $offers  what may have been meant, to stand in its place
     */
    public function __construct(public PieceKind $kind, public int $at, public string $text, public DoubtReason $reason, public array $offers = [])
    {
    }
}
