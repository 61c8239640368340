<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\LocalDateTime;

/**
 * Reads one line as an event: words first, marks (# before a category, @ before a person, group or place) where one likes.
 * What is not understood stays in the title.
 */
final class OneLineReader
{
    private const MONTH = '(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sep(?:t(?:ember)?)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)';

    private const NUMBER = '\d{1,2}(?:st|nd|rd|th)?';

    private const DATE = '(?:today|tomorrow|(?:(?:next|this)\s)?'.RepeatPhrase::DAY.'|\d{4}-\d{1,2}-\d{1,2}|\d{1,2}\/\d{1,2}(?:\/\d{4})?|\d{1,2}\.\d{1,2}\.(?:\d{4})?|'
        .self::NUMBER.'\s(?:of\s)?'.self::MONTH.'(?:\s\d{4})?|'.self::MONTH.'\s'.self::NUMBER.'(?:\s\d{4})?|in\s\d{1,3}\s(?:day|week)s?|next\sweek)';

    private const DASH = '\s?(?:-|–|—|to|until|till)\s?';

    private const UNTIMED = 24 * 60;

    private ?int $day = null;

    private ?int $lastDay = null;

    private ?int $from = null;

    private ?int $to = null;

    private ?int $length = null;

    private int $lengthDays = 0;

    private ?RepeatPhrase $repeat = null;

    private ?int $until = null;

    private ?int $count = null;

    private bool $wholeDays = false;

    private function __construct(private readonly Line $line, private readonly LocalDateTime $now, private readonly Habits $habits)
    {
    }

    /**
     * @param  LocalDateTime  $now  on the wall of the writer
     * @param  Habits  $habits  of the writer’s organisation
     * @param  list<string>  $plain  pieces that are to be left in the title
     */
    public static function read(string $text, Vocabulary $words, LocalDateTime $now, Habits $habits = new Habits, array $plain = []): Understood
    {
        $line = new Line($text, $plain);
        $reader = new self($line, $now, $habits);
        $names = new NameReader($line, $words);
        $names->marks();
        $provisional = $private = false;
        $line->take(PieceKind::State, '/\((?<state>provisional|private)\)/ui', static function (array $found) use (&$provisional, &$private): bool {
            mb_strtolower($found['state']) === 'private' ? $private = true : $provisional = true;

            return true;
        });
        $reader->repeats();
        $names->names();
        $reader->days();
        $reader->times();
        $names->place();
        [$start, $end, $allDay] = $reader->when();
        $title = $line->title();

        return new Understood(
            $title === '' ? $names->place : $title, $start, $end, $allDay, $reader->repeat?->rule(),
            $reader->until === null ? null : new LocalDateTime($reader->until * CivilDate::SECONDS_PER_DAY), $reader->count,
            $names->place, $names->categories, $names->people, $names->groups, $names->responsible, $names->rooms, $names->calendar, $provisional, $private, $line->pieces(),
        );
    }

    private static function edge(string $pattern): string
    {
        return '/(?<![\p{L}\p{N}.:\/-])'.$pattern.'(?![\p{L}\p{N}]|[:\/]\d)/ui';
    }

    private function dayOf(string $words, ?int $from = null): ?int
    {
        return DateWords::read($words, $from === null ? $this->now : new LocalDateTime($from * CivilDate::SECONDS_PER_DAY), $this->habits->dayFirst)?->day();
    }

    private function repeats(): void
    {
        foreach (RepeatPhrase::patterns() as $pattern) {
            if ($this->repeat === null) {
                $this->line->take(PieceKind::Repeat, $pattern, function (array $found): bool {
                    $this->repeat = RepeatPhrase::of($found);

                    return $this->repeat !== null;
                }, 1);
            }
        }
        if ($this->repeat === null) {
            return;
        }
        $this->line->take(PieceKind::Ending, self::edge('(?:until|till)\s(?:the\s)?(?<date>'.self::DATE.')'), function (array $found): bool {
            $this->until = $this->dayOf($found['date']);

            return $this->until !== null;
        }, 1);
        $this->line->take(PieceKind::Ending, self::edge('(?<count>\d{1,3})\stimes'), function (array $found): bool {
            $this->count = (int) $found['count'];

            return $this->until === null && $this->count > 0;
        }, 1);
        $this->line->take(PieceKind::Ending, self::edge('for\s(?<weeks>\d{1,2})\sweeks'), function (array $found): bool {
            $this->lengthDays = (int) $found['weeks'] * 7;

            return $this->until === null && $this->count === null && $this->lengthDays > 0;
        }, 1);
    }

    private function days(): void
    {
        $this->line->take(PieceKind::Date, self::edge('(?:from\s)?(?<first>'.self::NUMBER.')\s?(?:-|–|—|to)\s?(?<last>'.self::NUMBER.')\s(?<month>'.self::MONTH.'(?:\s\d{4})?)'), function (array $found): bool {
            return $this->span($this->dayOf("{$found['first']} {$found['month']}"), $this->dayOf("{$found['last']} {$found['month']}"));
        }, 1);
        if ($this->day === null) {
            $this->line->take(PieceKind::Date, self::edge('(?:from\s)?(?:'.RepeatPhrase::DAY.'\s(?=\d))?(?<first>'.self::DATE.')'.self::DASH.'(?:'.RepeatPhrase::DAY.'\s(?=\d))?(?<last>'.self::DATE.')'), function (array $found): bool {
                $first = $this->dayOf($found['first']);

                return $this->span($first, $first === null ? null : $this->dayOf($found['last'], $first));
            }, 1);
        }
        if ($this->day === null) {
            $this->line->take(PieceKind::Date, self::edge('(?:(?:on|from|starting)\s)?(?:'.RepeatPhrase::DAY.',?\s(?:the\s)?(?=\d))?(?<date>'.self::DATE.')'), function (array $found): bool {
                $this->day = $this->dayOf($found['date']);

                return $this->day !== null;
            }, 1);
        }
    }

    private function span(?int $first, ?int $last): bool
    {
        if ($first === null || $last === null || $last < $first) {
            return false;
        }
        [$this->day, $this->lastDay] = [$first, $last];

        return true;
    }

    private function times(): void
    {
        $time = ClockWords::TIME;
        $this->line->take(PieceKind::Time, self::edge('all[\s-]day'), function (): bool {
            return $this->wholeDays = true;
        }, 1);
        $hours = $this->hours(...);
        $this->line->take(PieceKind::Time, self::edge("(?:from\\s|at\\s)?(?<from>{$time})\\s?(?:-|–|—)\\s?(?<to>{$time})"), $hours, 1);
        $this->line->take(PieceKind::Time, self::edge("from\\s(?<from>{$time})\\s(?:to|until|till)\\s(?<to>{$time})"), $hours, 1);
        $this->line->take(PieceKind::Time, self::edge("(?<from>(?:[01]?\\d|2[0-4])(?:[:.][0-5]\\d(?:\\s?[ap]m)?|\\s?[ap]m)|noon|midday)\\s(?:to|until|till)\\s(?<to>{$time})"), $hours, 1);
        // Right after a day alone: “morning prayers” are a title.
        if ($this->day !== null && $this->from === null && ! $this->wholeDays) {
            $this->line->take(PieceKind::Time, '/(?<=\x01),?\s(?:in\sthe\s)?(?<part>morning|evening)(?![\p{L}\p{N}])/ui', function (array $found): bool {
                $this->from = mb_strtolower($found['part']) === 'morning' ? $this->habits->morning : $this->habits->evening;

                return true;
            }, 1);
        }
        // With “at”, in figures that can be nothing else, or alone after a day: “fri 9”.
        foreach ([
            self::edge("(?:at|from)\\s(?<time>{$time})"),
            self::edge('(?<time>(?:[01]?\d|2[0-3])(?:[:.][0-5]\d(?:\s?[ap]m)?|\s?[ap]m|h)|noon|midday)'),
            ...($this->day === null || $this->wholeDays ? [] : ['/(?<=\x01),?\s(?<time>[01]?\d|2[0-3])(?=\s*(?:$|\x01))/u']),
        ] as $pattern) {
            $this->line->take(PieceKind::Time, $pattern, function (array $found): bool {
                if ($this->from !== null) {
                    return false;
                }
                $minutes = ClockWords::read($found['time']);
                $this->from = $minutes === self::UNTIMED ? null : $minutes;

                return $this->from !== null;
            }, 1);
        }
        $this->line->take(PieceKind::Length, self::edge('(?:for\s)?(?<length>\d{1,2}\s?h(?:rs?|ours?)?\s?[0-5]?\d(?:\s?m(?:in(?:ute)?s?)?)?|\d{1,3}(?:[.,]\d)?\s?(?:h(?:rs?|ours?)?|m(?:in(?:ute)?s?)))'), function (array $found): bool {
            $this->length = $this->from !== null && $this->to === null ? ClockWords::length($found['length']) : null;

            return $this->length !== null;
        }, 1);
        if ($this->lengthDays === 0 && $this->lastDay === null) {
            $this->line->take(PieceKind::Length, self::edge('for\s(?<count>\d{1,2})\s(?<unit>day|week)s?'), function (array $found): bool {
                $days = (int) $found['count'] * (mb_strtolower($found['unit']) === 'week' ? 7 : 1);
                $this->lengthDays = $this->repeat === null ? $days : 0;

                return $this->lengthDays > 0;
            }, 1);
        }
    }

    /** @param  array<string, string>  $found */
    private function hours(array $found): bool
    {
        $span = ClockWords::span($found['from'], $found['to']);
        // “3-2” is no span of hours: over midnight it takes an evening.
        $bare = ctype_digit($found['from']) && ctype_digit($found['to']);
        if ($span === null || $this->from !== null || ($bare && $span[1] > self::UNTIMED && $span[0] < 18 * 60)) {
            return false;
        }
        [$this->from, $this->to] = $span;

        return true;
    }

    /** @return array{?LocalDateTime, ?LocalDateTime, bool} start, end and whether it lasts whole days */
    private function when(): array
    {
        if ($this->day === null && $this->from === null && $this->repeat === null && ! $this->wholeDays && $this->lengthDays === 0) {
            return [null, null, false];
        }
        $today = $this->now->day();
        // A time that is past today is meant tomorrow.
        $day = $this->day ?? ($this->repeat === null && $this->from !== null && $this->from * 60 <= $this->now->secondOfDay() ? $today + 1 : $today);
        if ($this->repeat !== null) {
            $day = $this->repeat->firstFrom($day);
            if ($this->lengthDays > 0) {
                $this->until = $day + $this->lengthDays - 1;
            }
        }
        $at = static fn (int $day, int $minutes): LocalDateTime => new LocalDateTime($day * CivilDate::SECONDS_PER_DAY + $minutes * 60);
        if ($this->wholeDays || $this->from === null) {
            $last = $this->lastDay ?? ($this->repeat === null && $this->lengthDays > 0 ? $day + $this->lengthDays - 1 : $day);

            return [$at($day, 0), $at($last + 1, 0), true];
        }
        $end = $this->to ?? $this->from + ($this->length ?? 60);

        return [$at($day, $this->from), $this->lastDay === null || $this->repeat !== null ? $at($day, $end) : $at($this->lastDay, $end % 1440), false];
    }
}
