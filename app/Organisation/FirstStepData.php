<?php

namespace App\Organisation;

use PinnedRota\Core\Organisation\FirstStep;
use PinnedRota\Core\Organisation\FirstStepState;

/** One of what an organisation begins with. */
final readonly class FirstStepData
{
    public function __construct(
        public FirstStep $step,
        public string $title,
        public string $about,
        public FirstStepState $state,
    ) {
    }
}
