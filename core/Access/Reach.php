<?php

declare(strict_types=1);

namespace PinnedRota\Core\Access;

/** How far something is shared: how many people have which level, and what anyone outside has. */
final readonly class Reach
{
    private const VERBS = [
        'manage' => ['manages', 'manage'], 'change' => ['changes', 'change'], 'add' => ['adds', 'add'],
        'see' => ['sees', 'see'], 'busy' => ['sees busy times', 'see busy times'],
    ];

    /** @param  array<string, int>  $counts  people by the value of their level; none are left out */
    public function __construct(public array $counts, public Level $public)
    {
    }

    public function people(): int
    {
        return array_sum($this->counts);
    }

    /** One line such as “32 people: 3 manage, 6 add, 23 see; the public sees busy times”. */
    public function words(): string
    {
        $parts = [];
        foreach (self::VERBS as $level => [$one, $many]) {
            $count = $this->counts[$level] ?? 0;
            if ($count > 0) {
                $parts[] = $count.' '.($count === 1 ? $one : $many);
            }
        }
        $public = match ($this->public) {
            Level::None => 'the public sees nothing',
            Level::BusyTimes => 'the public sees busy times',
            default => 'the public sees it',
        };
        $people = $this->people() === 1 ? '1 person' : $this->people().' people';

        return ($parts === [] ? 'Nobody' : $people.': '.implode(', ', $parts)).'; '.$public;
    }
}
