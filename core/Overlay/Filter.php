<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** Which events of its calendars a layer takes. An event whose contents are hidden matches no filter that asks for them. */
final readonly class Filter
{
    /** @var array<string, true> */
    private array $anyCategory;

    /** @param  list<string>  $anyCategory names, in any case; empty takes every event */
    public function __construct(array $anyCategory = [])
    {
        $this->anyCategory = array_fill_keys(array_map(mb_strtolower(...), $anyCategory), true);
    }

    public function takes(EventFacts $event): bool
    {
        if ($this->anyCategory === []) {
            return true;
        }
        foreach ($event->categories ?? [] as $category) {
            if (isset($this->anyCategory[$category])) {
                return true;
            }
        }

        return false;
    }
}
