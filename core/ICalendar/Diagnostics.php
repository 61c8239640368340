<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

/** Collects the problems of one file: the first LIMIT of them, and how many there were. */
final class Diagnostics
{
    public const LIMIT = 500;

    /** @var list<Diagnostic> */
    private array $list = [];

    private int $total = 0;

    public function add(int $line, string $property, string $problem, Outcome $outcome): void
    {
        $this->total++;
        if (count($this->list) < self::LIMIT) {
            $this->list[] = new Diagnostic($line, $property, $problem, $outcome);
        }
    }

    /** @return list<Diagnostic> */
    public function all(): array
    {
        return $this->list;
    }

    public function total(): int
    {
        return $this->total;
    }
}
