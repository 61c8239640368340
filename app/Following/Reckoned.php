<?php

namespace App\Following;

/** What somebody is to be told of changes; those who follow the same and see the same have one together. */
final class Reckoned
{
    /** @var array<string, FollowedItem> */
    public array $items = [];

    /** @var list<FollowedAnswers> */
    public array $answers = [];

    /** @var array<string, array<int, true>> series that were parted from an event that is followed, by target */
    public array $parted = [];

    public function isEmpty(): bool
    {
        return $this->items === [] && $this->answers === [] && $this->parted === [];
    }

    public function add(self $other): void
    {
        $this->items += $other->items;
        array_push($this->answers, ...$other->answers);
        foreach ($other->parted as $target => $series) {
            $this->parted[$target] = ($this->parted[$target] ?? []) + $series;
        }
    }
}
