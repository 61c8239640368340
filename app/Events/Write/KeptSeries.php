<?php

namespace App\Events\Write;

/** What stays as it is where something is taken back as a whole, since somebody has changed it since. */
final class KeptSeries
{
    /** @var array<int, string> titles by head */
    private array $titles = [];

    public function keep(int $seriesId, string $title): void
    {
        $this->titles[$seriesId] = $title;
    }

    /** @return list<string> */
    public function titles(): array
    {
        return array_values($this->titles);
    }
}
