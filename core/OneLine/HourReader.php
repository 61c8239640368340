<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\NumberWords;

/** Finds the hours in a line, and how long it lasts. */
final readonly class HourReader
{
    private const DASH = '\s?(?:-|–|—)\s?';

    private const TO = '\s(?:to|until|till)\s';

    private const FOUR = '(?:[01]\d|2[0-3])[0-5]\d';

    private const UNITS = '(?:h(?:rs?|ours?)?|m(?:in(?:ute)?s?))';

    public function __construct(private Line $line, private LocalDateTime $now, private Habits $habits, private FoundWhen $found)
    {
    }

    /** “in an hour”: it says a day as well, and is read before the days are. */
    public function fromNow(): void
    {
        $this->line->take(PieceKind::Time, Edge::around('in\s(?<length>half\san\shour|'.NumberWords::PATTERN.'\s(?:h|hrs?|hours?|mins?|minutes?))'), function (array $found): bool {
            $length = ClockWords::length($found['length']);
            if ($this->found->from !== null || $length === null) {
                return false;
            }
            $minutes = intdiv($this->now->secondOfDay(), 60) + $length;
            $this->found->day = $this->now->day() + intdiv($minutes, 1440);
            $this->found->from = $minutes % 1440;

            return true;
        }, 1);
    }

    public function read(): void
    {
        $this->line->take(PieceKind::Time, Edge::around('all[\s-]day'), fn (): bool => $this->found->wholeDays = true, 1);
        $this->spans();
        $this->parts();
        $this->starts();
        if ($this->found->from === null && $this->found->part !== '' && ! $this->found->wholeDays) {
            $this->found->from = $this->habits->startOf($this->found->part);
        }
        $this->lengths();
        $this->doubts();
    }

    private function spans(): void
    {
        $time = ClockWords::TIME;
        $figures = '(?:(?:[01]?\d|2[0-4])(?:[:.][0-5]\d)?(?:\s?[ap]m)?(?:\s?h)?|'.ClockWords::SAID.')';
        foreach ([
            "(?:from\\s|at\\s)?(?<from>{$figures})".self::DASH."(?<to>{$figures})",
            "from\\s(?<from>{$time})".self::TO."(?<to>{$time})",
            '(?<from>'.ClockWords::SAID.')'.self::TO."(?<to>{$time})",
        ] as $pattern) {
            $this->line->take(PieceKind::Time, Edge::around($pattern), $this->span(...), 1);
        }
        $four = '(?<from>'.self::FOUR.')'.self::DASH.'(?<to>'.self::FOUR.')';
        $this->line->take(PieceKind::Time, Edge::around('(?:(?<=\x01\s)|(?:at|from)\s)'.$four), $this->span(...), 1);
        // Elsewhere “1914–1918” are years: hours are told by the five minutes.
        $this->line->take(PieceKind::Time, Edge::around($four), fn (array $found): bool => (int) $found['from'] % 5 === 0 && (int) $found['to'] % 5 === 0 && $found['from'] < $found['to'] && $this->span($found), 1);
    }

    /** @param  array<string, string>  $found */
    private function span(array $found): bool
    {
        $span = ClockWords::span($found['from'], $found['to']);
        // “3-2” is no span of hours: over midnight it takes an evening.
        $bare = preg_match('/^\d{1,2}$/', $found['from']) === 1 && preg_match('/^\d{1,2}$/', $found['to']) === 1;
        if ($span === null || $this->found->from !== null || ($bare && $span[1] > 1440 && $span[0] < 18 * 60)) {
            return false;
        }
        [$this->found->from, $this->found->to] = $span;

        return true;
    }

    /** A part of the day right after a day, or with “this” or “in the”: “morning prayers” are a title. */
    private function parts(): void
    {
        if ($this->found->wholeDays || $this->found->to !== null) {
            return;
        }
        $this->line->take(PieceKind::Time, '/(?<=\x01),?\s(?:in\sthe\s)?(?<part>morning|afternoon|evening)(?![\p{L}\p{N}])/ui', $this->part(...), 1);
        $this->line->take(PieceKind::Time, Edge::around('(?:(?:this|in\sthe)\s(?<part>morning|afternoon|evening))'), $this->part(...), 1);
        $this->line->take(PieceKind::Time, Edge::around('(?<part>tonight)'), $this->part(...), 1);
    }

    /** @param  array<string, string>  $found */
    private function part(array $found): bool
    {
        if ($this->found->part !== '') {
            return false;
        }
        $night = mb_strtolower($found['part']) === 'tonight';
        $this->found->part = $night ? 'evening' : mb_strtolower($found['part']);
        if ($night || preg_match('/^this\s/ui', $found['']) === 1) {
            $this->found->day ??= $this->now->day();
        }

        return true;
    }

    /** With “at”, in figures that can be nothing else, or alone after a day: “fri 9”. */
    private function starts(): void
    {
        $alone = $this->found->day === null || $this->found->wholeDays ? [] : ['/(?<=\x01),?\s(?<time>'.self::FOUR.'|[01]?\d|2[0-3])(?=\s*(?:$|\x01|\?))/u'];
        foreach ([
            Edge::around('(?:(?:at|from|by)\s|@\s?)(?<time>'.ClockWords::TIME.')'),
            Edge::around('(?<!for\s)(?<time>(?!24)'.ClockWords::SAID.')'),
            ...$alone,
        ] as $pattern) {
            $this->line->take(PieceKind::Time, $pattern, function (array $found): bool {
                $minutes = $this->found->from === null ? ClockWords::read($found['time'], $this->found->part) : null;
                if ($minutes === null || ($minutes === 1440 && mb_strtolower($found['time']) !== 'midnight')) {
                    return false;
                }
                $this->found->from = $minutes;
                $this->found->moment = $this->found->moment || preg_match('/^by\s/ui', $found['']) === 1;

                return true;
            }, 1);
        }
    }

    private function lengths(): void
    {
        $this->line->take(PieceKind::Length, Edge::around('(?:for\s)?(?<length>\d{1,2}\s?h(?:rs?|ours?)?\s?[0-5]?\d(?:\s?m(?:in(?:ute)?s?)?)?|\d{1,3}(?:[.,]\d)?\s?'.self::UNITS.')|for\s(?<words>half\san\shour|'.NumberWords::PATTERN.'\s(?:hour|minute)s?)'), function (array $found): bool {
            $said = $found['length'] === '' ? $found['words'] ?? '' : $found['length'];
            $this->found->length = $this->found->from !== null && $this->found->to === null ? ClockWords::length($said) : null;

            return $this->found->length !== null;
        }, 1);
        if ($this->found->until !== null || $this->found->count !== null || $this->found->lastDay !== null || $this->found->lengthWeeks > 0) {
            return;
        }
        $this->line->take(PieceKind::Length, Edge::around('for\s(?<count>'.NumberWords::PATTERN.')\s(?<unit>day|week)s?'), function (array $found): bool {
            $count = NumberWords::read($found['count']);
            if ($count < 1 || $count > 99 || ($this->found->repeat !== null && mb_strtolower($found['unit']) === 'day')) {
                return false;
            }
            mb_strtolower($found['unit']) === 'week' ? $this->found->lengthWeeks = $count : $this->found->lengthDays = $count;

            return true;
        }, 1);
    }

    private function doubts(): void
    {
        $this->line->doubt(PieceKind::Time, Edge::around('(?<time>\d{1,2}:\d\d(?:\s?[ap]m)?|\d{1,2}\s?[ap]m)'), static function (array $found): array {
            $minutes = ClockWords::read($found['time']);
            if ($minutes !== null && preg_match('/:[6-9]/', $found['time']) !== 1 && $minutes < 1440) {
                return [DoubtReason::Second, []];
            }
            $hour = (int) $found['time'];

            return [DoubtReason::NoSuchTime, preg_match('/^\d+\s?[ap]m$/ui', $found['time']) === 1 && $hour < 24 ? ["{$hour}:00"] : []];
        });
        $this->line->doubt(PieceKind::Time, Edge::around('(?<hour>\d{1,2})ish'), static fn (array $found): array => [DoubtReason::Unclear, ["at {$found['hour']}"]]);
        $this->line->doubt(PieceKind::Time, Edge::around('half\s(?<hour>'.NumberWords::HOUR.')'), static function (array $found): array {
            $before = ['twelve', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven'][NumberWords::read($found['hour']) - 1];

            return [DoubtReason::Unclear, ['half past '.mb_strtolower($found['hour']), "half past {$before}"]];
        });
    }
}
