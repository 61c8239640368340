<?php

declare(strict_types=1);

namespace PinnedRota\Core\Sorting;

use Generator;
use IteratorAggregate;
use RuntimeException;

/**
 * Puts any number of records in order by their keys, in memory that does not grow with them: what is over MEMORY octets waits in
 * temporary files, each in order, which are merged as they are read. Keys are compared octet by octet; records of one key stay in
 * the order in which they were added. It can be read again and again, once at a time, also between additions.
 *
 * @implements IteratorAggregate<string, string>
 */
final class ExternalSort implements IteratorAggregate
{
    /** Octets of keys and records that are held. */
    private const MEMORY = 3_000_000;

    /** What PHP needs beside, for each record. */
    private const OVERHEAD = 150;

    /** So many files are open at most: then they are made one. */
    private const MOST_RUNS = 24;

    /** @var list<array{string, string}> */
    private array $held = [];

    private int $octets = 0;

    /** @var list<resource> each in order */
    private array $runs = [];

    public function __construct(private readonly int $memory = self::MEMORY)
    {
    }

    public function add(string $key, string $record): void
    {
        $this->held[] = [$key, $record];
        $this->octets += strlen($key) + strlen($record) + self::OVERHEAD;
        if ($this->octets > $this->memory) {
            $this->putAside();
        }
    }

    /** @return Generator<string, string> records by their keys */
    public function getIterator(): Generator
    {
        $this->order();
        if ($this->runs === []) {
            foreach ($this->held as [$key, $record]) {
                yield $key => $record;
            }

            return;
        }
        yield from $this->merged();
    }

    private function order(): void
    {
        usort($this->held, static fn (array $a, array $b): int => strcmp($a[0], $b[0]));
    }

    private function putAside(): void
    {
        $this->order();
        $run = tmpfile() ?: throw new RuntimeException('There is no room for a temporary file.');
        foreach ($this->held as [$key, $record]) {
            self::write($run, $key, $record);
        }
        $this->held = [];
        $this->octets = 0;
        $this->runs[] = $run;
        if (count($this->runs) === self::MOST_RUNS) {
            $whole = tmpfile() ?: throw new RuntimeException('There is no room for a temporary file.');
            foreach ($this->merged() as $key => $record) {
                self::write($whole, $key, $record);
            }
            $this->runs = [$whole];
        }
    }

    /** @return Generator<string, string> the records of all files, and those that are held */
    private function merged(): Generator
    {
        $parts = array_map(self::read(...), $this->runs);
        $parts[] = (static fn (array $held): Generator => yield from $held)($this->held);
        $first = new FirstOfParts;
        foreach ($parts as $number => $part) {
            if ($part->valid()) {
                $first->insert([$part->current(), $number]);
            }
        }
        while (! $first->isEmpty()) {
            [[$key, $record], $number] = $first->extract();
            yield $key => $record;
            $parts[$number]->next();
            if ($parts[$number]->valid()) {
                $first->insert([$parts[$number]->current(), $number]);
            }
        }
    }

    /** @param  resource  $run */
    private static function write(mixed $run, string $key, string $record): void
    {
        $written = fwrite($run, pack('NN', strlen($key), strlen($record)).$key.$record);
        if ($written !== 8 + strlen($key) + strlen($record)) {
            throw new RuntimeException('There is no room for a temporary file.');
        }
    }

    /**
     * @param  resource  $run
     * @return Generator<int, array{string, string}>
     */
    private static function read(mixed $run): Generator
    {
        rewind($run);
        while (($head = (string) stream_get_contents($run, 8)) !== '') {
            /** @var array{1: int, 2: int} $lengths */
            $lengths = unpack('N2', $head);
            yield [(string) stream_get_contents($run, $lengths[1]), (string) stream_get_contents($run, $lengths[2])];
        }
    }
}
