<?php

namespace App\Remarks;

/** What was remarked on an event. */
final readonly class RemarksData
{
    /**
     * @param  list<RemarkData>  $remarks  The first first
     * @param  bool  $muted  Whether the viewer is told of none
     */
    public function __construct(public array $remarks, public bool $muted)
    {
    }
}
