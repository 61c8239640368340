<?php

namespace App\Upkeep;

/** How the site is, for its administrators. */
final readonly class SiteData
{
    /**
     * @param  bool  $sendsMail  Whether letters go out; without it links are handed over by hand
     * @param  list<StoppedData>  $stopped
     */
    public function __construct(
        public bool $sendsMail,
        public array $stopped,
    ) {
    }
}
