<?php

declare(strict_types=1);

namespace Bench;

use Closure;

/** Times work: the best of several rounds, which is the least disturbed one. */
final class Clock
{
    /**
     * Takes turns, so that whatever else the machine does falls on all alike.
     *
     * @param  array<string, Closure>  $works
     * @return array<string, float> seconds that one call of each takes, by name
     */
    public static function best(array $works, int $rounds): array
    {
        $best = array_fill_keys(array_keys($works), INF);
        for ($round = 0; $round < $rounds; $round++) {
            foreach ($works as $name => $work) {
                for ($call = 0; $call < 3; $call++) {
                    $begins = hrtime(true);
                    $work();
                    $best[$name] = min($best[$name], (hrtime(true) - $begins) / 1e9);
                }
            }
        }

        return $best;
    }

    public static function row(string $what, float $ratio, string $relation, float $target): void
    {
        $met = $relation === 'at most' ? $ratio <= $target : $ratio >= $target;
        printf("%-62s %8.2f   %s %g: %s\n", $what, $ratio, $relation, $target, $met ? 'met' : 'NOT MET');
    }
}
