<?php

namespace App\Following;

/** What was done with a series within some batches: from where to where, and by whom. */
final class SteppedSeries
{
    /**
     * @param  int  $firstRow  of operation_series, in which stands how it was
     * @param  bool  $firstBack  whether that was undone: then it was as that operation left it
     * @param  int  $lastRow  in which stands how it is
     * @param  int  $operationId  the last that changed it; who answers does not
     * @param  ?int  $personId  who did that; null for nobody of the directory
     * @param  bool  $isQuiet  whether nobody is to be written to of the last
     * @param  array<int, true>  $actors  all who changed it; 0 for nobody of the directory
     * @param  bool  $isAnswered  whether anybody answered
     */
    public function __construct(
        public readonly int $id,
        public readonly int $firstRow,
        public readonly bool $firstBack,
        public int $lastRow,
        public bool $lastBack,
        public int $operationId,
        public ?int $personId,
        public bool $isQuiet,
        public array $actors,
        public bool $isAnswered = false,
    ) {
    }

    /** Whether anybody but somebody changed it. */
    public function isByOthers(int $personId): bool
    {
        return array_diff_key($this->actors, [$personId => true]) !== [];
    }
}
