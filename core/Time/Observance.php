<?php

declare(strict_types=1);

namespace PinnedRota\Core\Time;

use PinnedRota\Core\Recurrence\InvalidRule;
use PinnedRota\Core\Recurrence\Rule;
use PinnedRota\Core\Recurrence\RuleExpander;
use PinnedRota\Core\Recurrence\RuleParser;

/** One STANDARD or DAYLIGHT part of a VTIMEZONE (RFC 5545, 3.6.5): when an offset takes effect, once or each year. */
final readonly class Observance
{
    /**
     * @param  LocalDateTime  $onset  the first time it takes effect, on the wall as it was before
     * @param  int  $from  the offset before, in seconds, positive to the east
     * @param  int  $to  the offset it brings
     * @param  list<LocalDateTime>  $extra  RDATE
     */
    public function __construct(
        public bool $daylight,
        public LocalDateTime $onset,
        public int $from,
        public int $to,
        public string $abbreviation = '',
        public ?Rule $rule = null,
        public array $extra = [],
    ) {
    }

    /**
     * When it takes effect, UTC seconds.
     *
     * @param  int  $before  exclusive
     * @return list<int>
     */
    public function onsets(int $before): array
    {
        $onsets = [$this->onset->seconds - $this->from => true];
        if ($this->rule !== null) {
            $until = $this->rule->until;
            $last = $until === null ? PHP_INT_MAX : ($until->kind === TimeKind::Zoned ? $until->indexSeconds() : $until->local->seconds - $this->from);
            foreach ((new RuleExpander($this->rule, $this->onset, false))->between($this->onset->seconds, $before + $this->from) as $local) {
                if ($local - $this->from <= $last) {
                    $onsets[$local - $this->from] = true;
                }
            }
        }
        foreach ($this->extra as $local) {
            $onsets[$local->seconds - $this->from] = true;
        }

        return array_values(array_filter(array_keys($onsets), static fn (int $onset): bool => $onset < $before));
    }

    public function __toString(): string
    {
        return implode(' ', [
            $this->daylight ? 'D' : 'S', $this->onset->toDateTime(), (string) $this->from, (string) $this->to, $this->abbreviation === '' ? '-' : $this->abbreviation,
            $this->rule === null ? '-' : (string) $this->rule,
            ...array_map(static fn (LocalDateTime $local): string => $local->toDateTime(), $this->extra),
        ]);
    }

    /**
     * Reads what __toString() wrote.
     *
     * @throws InvalidTime|InvalidRule
     */
    public static function parse(string $text): self
    {
        $parts = explode(' ', $text);
        if (count($parts) < 6) {
            throw new InvalidTime('This is no part of a time zone.');
        }

        return new self(
            $parts[0] === 'D', LocalDateTime::parse($parts[1]), (int) $parts[2], (int) $parts[3], $parts[4] === '-' ? '' : $parts[4],
            $parts[5] === '-' ? null : (new RuleParser)->parse($parts[5]),
            array_map(LocalDateTime::parse(...), array_slice($parts, 6)),
        );
    }
}
