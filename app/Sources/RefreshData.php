<?php

namespace App\Sources;

use App\Imports\ImportCountsData;
use PinnedRota\Core\Sources\RefreshState;

/** A refresh of a source. */
final readonly class RefreshData
{
    /**
     * @param  ?ImportCountsData  $counts  What it did, or held back, would do; null where nothing had changed
     * @param  bool  $reversible  Whether one may go back to before it
     */
    public function __construct(
        public int $id,
        public string $at,
        public RefreshState $state,
        public ?ImportCountsData $counts,
        public ?string $error,
        public bool $reversible,
    ) {
    }

    public static function of(Refresh $refresh): self
    {
        return new self($refresh->id, $refresh->at->toIso8601ZuluString(), $refresh->state, $refresh->counts === null ? null : ImportCountsData::of($refresh->counts), $refresh->error, $refresh->isReversible());
    }
}
