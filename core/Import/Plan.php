<?php

declare(strict_types=1);

namespace PinnedRota\Core\Import;

use Closure;
use Generator;
use IteratorAggregate;
use LogicException;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\SeriesCollector;
use PinnedRota\Core\ICalendar\Diagnostics;

/**
 * What bringing a set of events into a calendar would do, compared with what came in before under the same UIDs.
 *
 * It is gone through by UID, as often as needed, in memory that does not grow with it; the key of each series is its place in
 * what came in. Counts and what is missing are worked out once, and stay what they were when it was first gone through.
 *
 * @implements IteratorAggregate<int, PlannedSeries>
 */
final class Plan implements IteratorAggregate
{
    /** Events that are compared together. */
    private const TOGETHER = 500;

    /** @var ?array{added: int, changed: int, unchanged: int, removed: int} */
    private ?array $counts = null;

    /** @var list<string> */
    private array $missing = [];

    private string $digest = '';

    /** @param  ?Closure(Series): ?Series  $taken */
    private function __construct(private readonly SeriesCollector $collector, private readonly KnownSeries $known, private readonly bool $isRemoving, private readonly ?Closure $taken)
    {
    }

    /**
     * @param  iterable<Event>  $events  in the order of the file
     * @param  ?Diagnostics  $diagnostics  where it is said what shares a UID
     * @param  bool  $isRemoving  whether what is known and does not come is to go
     * @param  ?Closure(Series): ?Series  $taken  what is taken of each series; null: nothing
     */
    public static function compare(iterable $events, KnownSeries $known, ?Diagnostics $diagnostics = null, bool $isRemoving = false, ?Closure $taken = null): self
    {
        $collector = new SeriesCollector($diagnostics);
        foreach ($events as $event) {
            $collector->add($event);
        }

        return new self($collector, $known, $isRemoving, $taken);
    }

    public function isEmpty(): bool
    {
        return $this->collector->isEmpty();
    }

    /** @return Generator<int, PlannedSeries> */
    public function getIterator(): Generator
    {
        $counts = ['added' => 0, 'changed' => 0, 'unchanged' => 0, 'removed' => 0];
        $came = [];
        $digest = hash_init('sha256');
        foreach ($this->together() as $some) {
            foreach ($this->compared($some) as $place => $planned) {
                $counts[$planned->verdict->value]++;
                hash_update($digest, "{$planned->series->uid()}\n{$planned->fingerprint}\n");
                if ($this->isRemoving && $this->counts === null) {
                    $came[$planned->series->uid()] = true;
                }
                yield $place => $planned;
            }
        }
        if ($this->counts === null) {
            foreach ($this->isRemoving ? $this->known->uids() : [] as $uid) {
                if (! isset($came[$uid])) {
                    $this->missing[] = $uid;
                }
            }
            $this->counts = array_replace($counts, ['removed' => count($this->missing)]);
            $this->digest = hash_final($digest);
        }
    }

    /** @return array{added: int, changed: int, unchanged: int, removed: int} */
    public function counts(): array
    {
        if ($this->counts === null) {
            foreach ($this as $planned) {
                // Going through all of it is what counts.
            }
        }

        return $this->counts ?? throw new LogicException('A plan that was gone through has counted.');
    }

    /** Equal where what came says the same, whatever its order and its stamps. */
    public function digest(): string
    {
        $this->counts();

        return $this->digest;
    }

    /** @return list<string> the UIDs of what is to go */
    public function missing(): array
    {
        $this->counts();

        return $this->missing;
    }

    /** @return Generator<int, non-empty-array<int, Series>> some series at a time, by their places */
    private function together(): Generator
    {
        $some = [];
        $events = 0;
        foreach ($this->collector as $place => $series) {
            $series = $this->taken === null ? $series : ($this->taken)($series);
            if ($series === null) {
                continue;
            }
            $some[$place] = $series;
            $events += 1 + count($series->overrides);
            if ($events >= self::TOGETHER) {
                yield $some;
                $some = [];
                $events = 0;
            }
        }
        if ($some !== []) {
            yield $some;
        }
    }

    /**
     * @param  non-empty-array<int, Series>  $some
     * @return Generator<int, PlannedSeries>
     */
    private function compared(array $some): Generator
    {
        $known = $this->known->fingerprints(array_values(array_map(static fn (Series $each): string => $each->uid(), $some)));
        foreach ($some as $place => $series) {
            $fingerprint = Fingerprint::of($series);
            yield $place => new PlannedSeries($series, $fingerprint, match ($known[$series->uid()] ?? null) {
                null => Verdict::Added,
                $fingerprint => Verdict::Unchanged,
                default => Verdict::Changed,
            });
        }
    }
}
