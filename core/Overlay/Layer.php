<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** One layer of an overlay: some calendars and a filter. How it is drawn is no matter of the rules. */
final readonly class Layer
{
    /**
     * @param  list<int>  $calendarIds
     * @param  bool  $isRest  whether it is for everything else: it takes what no other layer takes, wherever it stands
     */
    public function __construct(public array $calendarIds, public Filter $filter = new Filter, public bool $isRest = false)
    {
    }
}
