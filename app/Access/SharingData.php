<?php

namespace App\Access;

use App\Directory\SubjectData;

/** Who has which level on a calendar. */
final readonly class SharingData
{
    /**
     * @param  list<GrantData>  $grants
     * @param  string  $summary  How far it reaches, in one line
     */
    public function __construct(
        public SubjectData $keeper,
        public array $grants,
        public string $summary,
        public ?string $publicUrl,
    ) {
    }
}
