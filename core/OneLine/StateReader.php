<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

/** Finds whether an event is provisional or private in a line. */
final class StateReader
{
    public bool $provisional = false;

    public bool $private = false;

    private const STATE = '(?<state>provisional|private|tbc|to\sbe\sconfirmed)';

    public function __construct(private readonly Line $line)
    {
    }

    /** In brackets. */
    public function marked(): void
    {
        $this->line->take(PieceKind::State, '/\((?<state>provisional|private|tbc|to\sbe\sconfirmed|\?)\)/ui', $this->met(...));
    }

    /** By itself, beside what was understood: “doctor private fri 9” is private, a “private view” is a view. */
    public function bare(): void
    {
        $after = '(?=\s*(?:$|[\x01,;:?]))';
        $this->line->take(PieceKind::State, '/(?<![\p{L}\p{N}-])'.self::STATE.'(?![\p{L}\p{N}-])'.$after.'/ui', $this->met(...));
        // “Open day?” is not certain yet.
        $this->line->take(PieceKind::State, '/(?<=[\p{L}\p{N})\x01])(?<state>\?)(?=\s|$|\x01)/u', $this->met(...), 1);
        $this->line->doubt(PieceKind::State, Edge::around('(?<state>provisional|private)'), static fn (array $found): array => [DoubtReason::Loose, ['('.mb_strtolower($found['state']).')']]);
    }

    /** @param  array<string, string>  $found */
    private function met(array $found): bool
    {
        mb_strtolower($found['state']) === 'private' ? $this->private = true : $this->provisional = true;

        return true;
    }
}
