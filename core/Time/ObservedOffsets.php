<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

/** The offsets of a zone that a file describes by its observances; followed until the year 2200. */
final class ObservedOffsets implements ZoneOffsets
{
    private const END = 7_258_118_400;

    /** @var ?list<array{ts: int, offset: int, isdst: bool, abbr: string}> all that is known, by time */
    private ?array $all = null;

    /** @param  non-empty-list<Observance>  $observances */
    public function __construct(public readonly array $observances)
    {
    }

    public function between(int $from, int $to): array
    {
        $list = [];
        $inForce = $this->before();
        foreach ($this->all ??= $this->all() as $change) {
            if ($change['ts'] <= $from) {
                $inForce = $change;
            } elseif ($change['ts'] < $to) {
                $list[] = $change;
            }
        }
        $inForce['ts'] = $from;

        return [$inForce, ...$list];
    }

    /** @return list<array{ts: int, offset: int, isdst: bool, abbr: string}> */
    private function all(): array
    {
        $all = [];
        foreach ($this->observances as $observance) {
            foreach ($observance->onsets(self::END) as $onset) {
                $all[$onset] = ['ts' => $onset, 'offset' => $observance->to, 'isdst' => $observance->daylight, 'abbr' => $observance->abbreviation];
            }
        }
        ksort($all);

        return array_values($all);
    }

    /** @return array{ts: int, offset: int, isdst: bool, abbr: string} before the first observance: the offset that it changed */
    private function before(): array
    {
        $first = $this->observances[0];
        foreach ($this->observances as $observance) {
            $first = $observance->onset->seconds - $observance->from < $first->onset->seconds - $first->from ? $observance : $first;
        }

        return ['ts' => 0, 'offset' => $first->from, 'isdst' => false, 'abbr' => ''];
    }
}
