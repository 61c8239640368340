<?php

namespace App\Feeds;

/** A feed link that was just made: the only time that it is told. */
final readonly class NewFeedData
{
    public function __construct(
        public FeedData $feed,
        public string $url,
    ) {
    }
}
