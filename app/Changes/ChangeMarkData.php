<?php

namespace App\Changes;

/** A mark that is another as soon as anything one may see has changed. */
final readonly class ChangeMarkData
{
    public function __construct(
        public string $mark,
    ) {
    }
}
