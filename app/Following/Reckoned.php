<?php

namespace App\Following;

/** All that somebody is to be told of what was done within some batches. */
final class Reckoned
{
    /** @var array<string, FollowedItem> */
    public array $items = [];

    /** @var list<FollowedAnswers> */
    public array $answers = [];

    /** @var array<int, list<int>> series that were parted from one that is followed, by follow */
    public array $parted = [];

    public function __construct(public readonly Followed $of)
    {
    }

    public function isEmpty(): bool
    {
        return $this->items === [] && $this->answers === [];
    }
}
