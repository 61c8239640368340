<?php

namespace App\Publishing;

/** Events that a publication does not tell, or of which it tells less than whoever publishes it sees, and why. */
final readonly class LeftOutData
{
    /**
     * @param  'private'|'beyond'|'conditions'|'busy'  $why  Private; out of its days; not what it asks for; seen as busy times by whoever publishes it
     * @param  list<string>  $examples  titles, as its publisher sees them
     */
    public function __construct(public string $why, public int $count, public array $examples)
    {
    }
}
