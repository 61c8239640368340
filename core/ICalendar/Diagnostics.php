<?php

declare(strict_types=1);

namespace PinnedRota\Core\ICalendar;

use Closure;

/** Collects the problems of one file: the first LIMIT of them, and how many there were. */
final class Diagnostics
{
    public const LIMIT = 500;

    private const MOST_ONCE = 2_000;

    /** @var list<Diagnostic> */
    private array $list = [];

    private int $total = 0;

    /** @var array<string, true> */
    private array $once = [];

    /**
     * @param  int  $limit  how many are kept
     * @param  ?Closure(Diagnostic): void  $told  told each as it is found, kept or not
     */
    public function __construct(private readonly int $limit = self::LIMIT, private readonly ?Closure $told = null)
    {
    }

    public function add(int $line, string $property, string $problem, Outcome $outcome): void
    {
        $this->total++;
        if (count($this->list) >= $this->limit && $this->told === null) {
            return;
        }
        $diagnostic = new Diagnostic($line, $property, $problem, $outcome);
        if (count($this->list) < $this->limit) {
            $this->list[] = $diagnostic;
        }
        if ($this->told !== null) {
            ($this->told)($diagnostic);
        }
    }

    /** The same for a fault that most often runs through a whole file: it is told where it first stands. */
    public function addOnce(int $line, string $property, string $problem, Outcome $outcome): void
    {
        if (! isset($this->once["{$property} {$problem}"])) {
            // A hostile file may have any number of them: what is remembered stays small.
            $this->once = count($this->once) < self::MOST_ONCE ? $this->once : [];
            $this->once["{$property} {$problem}"] = true;
            $this->add($line, $property, $problem, $outcome);
        }
    }

    /** @return list<Diagnostic> */
    public function all(): array
    {
        return $this->list;
    }

    /** @return list<Diagnostic> those first that lose most, each kind by line */
    public function worstFirst(): array
    {
        $list = $this->list;
        usort($list, static fn (Diagnostic $a, Diagnostic $b): int => [$b->outcome->severity(), $a->line] <=> [$a->outcome->severity(), $b->line]);

        return $list;
    }

    public function total(): int
    {
        return $this->total;
    }
}
