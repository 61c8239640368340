<?php

namespace App\Changes;

/** What has changed since one asked last. */
final readonly class ChangesData
{
    /**
     * @param  string  $position  To ask from the next time
     * @param  bool  $everything  Whether more may have changed than is told: it is too long ago, or too much
     * @param  list<MarkData>  $marks  The changes; those of the last minute are told again
     */
    public function __construct(
        public string $position,
        public bool $everything,
        public array $marks,
    ) {
    }
}
