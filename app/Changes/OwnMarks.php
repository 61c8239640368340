<?php

namespace App\Changes;

/** The marks of what this request has changed; one for each request. */
final class OwnMarks
{
    /** @var array<string, true> */
    private array $marks = [];

    public function add(MarkData $mark): void
    {
        $this->marks[$mark->mark] = true;
    }

    /** @return list<string> */
    public function all(): array
    {
        return array_map(strval(...), array_keys($this->marks));
    }
}
