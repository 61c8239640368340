<?php

namespace App\Sources;

use App\Imports\ImportCountsData;

/** A refresh of a source. */
final readonly class RefreshData
{
    public function __construct(
        public string $at,
        public ?ImportCountsData $counts,
        public ?string $error,
    ) {
    }

    public static function of(Refresh $refresh): self
    {
        return new self($refresh->at->toIso8601ZuluString(), $refresh->counts === null ? null : ImportCountsData::of($refresh->counts), $refresh->error);
    }
}
