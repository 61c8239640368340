<?php

declare(strict_types=1);

namespace PinnedRota\Core\Import;

use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\SeriesCollector;
use PinnedRota\Core\ICalendar\Diagnostics;

/** What bringing a set of events into a calendar would do, compared with what came in before under the same UIDs. */
final readonly class Plan
{
    /**
     * @param  list<PlannedSeries>  $series  in the order of the file
     * @param  list<string>  $missing  UIDs known before that did not come in
     */
    private function __construct(public array $series, public array $missing)
    {
    }

    /**
     * @param  iterable<Event>  $events  in the order of the file
     * @param  array<string, string>  $known  fingerprint of what came in last, by UID
     * @param  ?Diagnostics  $diagnostics  where it is said what shares a UID
     */
    public static function compare(iterable $events, array $known, ?Diagnostics $diagnostics = null): self
    {
        $collector = new SeriesCollector($diagnostics);
        foreach ($events as $event) {
            $collector->add($event);
        }
        $planned = $came = [];
        foreach ($collector->series() as $series) {
            $uid = $series->uid();
            $came[$uid] = true;
            $fingerprint = Fingerprint::of($series);
            $verdict = match (true) {
                ! isset($known[$uid]) => Verdict::Added,
                $known[$uid] === $fingerprint => Verdict::Unchanged,
                default => Verdict::Changed,
            };
            $planned[] = new PlannedSeries($series, $fingerprint, $verdict);
        }

        return new self($planned, array_values(array_filter(
            array_map(strval(...), array_keys($known)),
            static fn (string $uid): bool => ! isset($came[$uid]),
        )));
    }

    /** @return array{added: int, changed: int, unchanged: int, removed: int} */
    public function counts(): array
    {
        $counts = ['added' => 0, 'changed' => 0, 'unchanged' => 0, 'removed' => count($this->missing)];
        foreach ($this->series as $planned) {
            $counts[$planned->verdict->value]++;
        }

        return $counts;
    }
}
