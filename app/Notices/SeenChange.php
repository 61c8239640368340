<?php

namespace App\Notices;

use Illuminate\Support\Carbon;
use PinnedRota\Core\Notices\OccurrenceChange;

/** What became of one time of an event, as somebody may know it. */
final readonly class SeenChange
{
    /**
     * @param  ?int  $isIn  the layer of the sheet in which it is; null where it is in none
     * @param  ?int  $wasIn  the layer in which it was
     * @param  ?string  $by  who did it last; null where nobody of the directory did
     */
    public function __construct(public OccurrenceChange $change, public ?int $isIn, public ?int $wasIn, public ?string $by, public Carbon $at)
    {
    }
}
