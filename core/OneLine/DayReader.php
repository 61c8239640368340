<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\SchoolYear\SchoolDateWords;
use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\LocalDateTime;

/** Finds the days in a line, and from when on one day to when on another. */
final readonly class DayReader
{
    private const DASH = '\s?(?:-|–|—|to|until|till)\s?';

    /** The day of the week before a date: “Sunday 14 mar”. */
    private const WEEKDAY_BEFORE = '(?:(?<weekday>'.DateWords::WEEKDAY.'),?\s(?:the\s)?(?=\d))?';

    private const HOUR = '(?:'.ClockWords::TIME.'|morning|afternoon|evening)';

    /** Days that go by these names are on another date each year; with a calendar that knows them they are understood. */
    private const WELL_KNOWN = 'good\sfriday|easter\s(?:sunday|monday)|palm\ssunday|shrove\stuesday|ash\swednesday|maundy\sthursday|whit\s(?:sunday|monday)|christmas\s(?:eve|day)|boxing\sday|new\syear[’\']?s?\s(?:eve|day)';

    private const ABOUT = '(?:early|mid|late|(?:the\s)?(?:beginning|start|middle|end)\sof)[\s-](?:'.DateWords::MONTH.'|(?:the|next|this)\s(?:week|month|term|year)|term)';

    public function __construct(private Line $line, private LocalDateTime $now, private Habits $habits, private Vocabulary $words, private FoundWhen $found)
    {
    }

    public function read(): void
    {
        $this->weekOfTerm();
        // “Good friday” is no friday. Whether it says when is known once all other days are.
        $this->line->take(PieceKind::Date, Edge::around('(?:on\s|at\s|over\s|in\s)?(?:the\s)?(?<name>'.implode('|', [...array_map(static fn (NamedDay $day): string => $day->pattern(), $this->words->days), '(*FAIL)']).')'.DateWords::ENDS), $this->named(...), 1);
        $about = $this->line->setAside(Edge::around(self::WELL_KNOWN.'|'.self::ABOUT));
        $this->fromDayToDay();
        $this->spans();
        $this->single();
        $this->doubts($about);
    }

    public function now(): LocalDateTime
    {
        return $this->now;
    }

    /** “week 4”, “tue week 4”: of the term that is on while it is ahead, else of the next. */
    private function weekOfTerm(): void
    {
        $year = $this->words->year;
        if ($year === null) {
            return;
        }
        $this->line->take(PieceKind::Date, Edge::around('(?:(?:on|in)\s)?'.SchoolDateWords::WEEK.DateWords::ENDS), function (array $found) use ($year): bool {
            $day = SchoolDateWords::dayOfWeek($found, $this->now, $year, true);
            $named = ($found['weekday'] ?? '') !== '' || ($found['then'] ?? '') !== '';

            // Without a weekday it is the week, as long as there is school in it.
            return $this->span($day, $day === null || $named ? null : $day + 4);
        }, 1);
    }

    public function dayOf(string $words, ?int $from = null): ?int
    {
        return DateWords::read($words, $from === null ? $this->now : LocalDateTime::midnight($from), $this->habits->dayFirst)?->day();
    }

    /** @return array{DoubtReason, list<string>} why a date in figures was not understood, and what may have been meant */
    public function judge(string $words): array
    {
        if ($this->dayOf($words) !== null) {
            return [DoubtReason::Second, []];
        }
        $instead = DateWords::withinMonth($words, $this->now, $this->habits->dayFirst);

        return [DoubtReason::NoSuchDate, $instead === null ? [] : [$instead]];
    }

    /** @param  array<string, string>  $found */
    private function named(array $found): bool
    {
        // At the head of a title it belongs to that: “half-term trip”. With “at” or “on” it says when.
        if ($this->found->day !== null || preg_match('/^(?:on|at|over|in)\s/ui', $found['']) !== 1) {
            return false;
        }
        foreach ($this->words->days as $day) {
            if (preg_match('/^'.$day->pattern().'$/ui', $found['name']) === 1) {
                return $this->span($day->firstDay(), $day->days === 1 ? null : $day->lastDay());
            }
        }

        return false;
    }

    /** “mon 7pm to tue 1am”, “fri 18:00 to sun”, “18:00 fri to 12:00 sun”. */
    private function fromDayToDay(): void
    {
        $date = static fn (string $name): string => '(?:'.DateWords::WEEKDAY.'\s(?=\d{1,2}[\s.\/]))?(?<'.$name.'>'.DateWords::PATTERN.')';
        $hour = static fn (string $name): string => '(?<'.$name.'>'.self::HOUR.')';
        $at = ',?\s(?:at\s|in\sthe\s)?';
        foreach ([
            '(?:from\s)?'.$date('first').$at.$hour('from').self::DASH.$date('last').'(?:'.$at.$hour('to').')?',
            '(?:from\s)?'.$hour('from').'\s(?:on\s)?'.$date('first').self::DASH.$hour('to').'\s(?:on\s)?'.$date('last'),
        ] as $pattern) {
            $this->line->take(PieceKind::Date, Edge::around($pattern), function (array $found): bool {
                // “3 September 2026 to 18 December 2026” says no hour.
                if (preg_match('/'.DateWords::MONTH.'$/ui', $found['first']) === 1 && preg_match('/^(?:19|20)\d\d$/', $found['from']) === 1) {
                    return false;
                }
                $first = $this->dayOf($found['first']);
                $last = $first === null ? null : $this->dayOf($found['last'], $first);
                $from = $this->minutes($found['from']);
                // “22:00 to sat 2:00”: who writes 24 hours means them.
                $exact = preg_match('/^(?:1[3-9]|2[0-3])\D/u', $found['from']) === 1 && preg_match('/^\d{1,2}:\d\d$/', $found['to'] ?? '') === 1;
                $to = ($found['to'] ?? '') === '' ? null : $this->minutes($exact ? $found['to'].'h' : $found['to']);
                if ($this->found->day !== null || $first === null || $last === null || $from === null || $last * 1440 + ($to ?? 1440) <= $first * 1440 + $from) {
                    return false;
                }
                [$this->found->day, $this->found->lastDay, $this->found->from, $this->found->to, $this->found->fromDayToDay] = [$first, $last, $from, $to, true];

                return true;
            }, 1);
        }
    }

    private function minutes(string $words): ?int
    {
        return $this->habits->startOf($words) ?? ClockWords::read($words);
    }

    private function spans(): void
    {
        $number = DateWords::NUMBER;
        $weekday = '(?:'.DateWords::WEEKDAY.'\s(?=\d))?';
        $this->line->take(PieceKind::Date, Edge::around('(?:from\s)?'.$weekday.'(?<first>'.$number.')\s?(?:-|–|—|to)\s?(?<last>'.$number.')\s(?<month>'.DateWords::MONTH.'(?:\s\d{4})?)'), function (array $found): bool {
            return $this->span($this->dayOf("{$found['first']} {$found['month']}"), $this->dayOf("{$found['last']} {$found['month']}"), true);
        }, 1);
        $this->line->take(PieceKind::Date, Edge::around('(?:from\s)?'.$weekday.'(?<first>'.DateWords::PATTERN.')'.self::DASH.$weekday.'(?<last>'.DateWords::PATTERN.')'), function (array $found): bool {
            $first = $this->dayOf($found['first']);
            $this->found->byWeekday = preg_match('/\d/', $found['']) === 0;

            return $this->span($first, $first === null ? null : $this->dayOf($found['last'], $first), true);
        }, 1);
        $this->line->take(PieceKind::Date, Edge::around('(?:next|this|(?:at|on|over)\s(?:the|next))\sweekend'), function (array $found): bool {
            // On a Sunday this weekend began yesterday.
            $sunday = $this->now->day() + 6 - CivilDate::weekday($this->now->day()) + (preg_match('/\bnext\b/ui', $found['']) === 1 ? 7 : 0);

            return $this->span($sunday - 1, $sunday);
        }, 1);
    }

    private function span(?int $first, ?int $last, bool $two = false): bool
    {
        if ($this->found->day !== null || $first === null || ($two && $last === null) || ($last !== null && $last < $first)) {
            return false;
        }
        [$this->found->day, $this->found->lastDay] = [$first, $last];

        return true;
    }

    private function single(): void
    {
        if ($this->found->day !== null) {
            return;
        }
        $wrong = null;
        $this->line->take(PieceKind::Date, Edge::around('(?:(?:on|from|starting|by)\s)?'.self::WEEKDAY_BEFORE.'(?<date>'.DateWords::PATTERN.')'), function (array $found) use (&$wrong): bool {
            $this->found->day = $this->dayOf($found['date']);
            $this->found->moment = $this->found->day !== null && preg_match('/^by\s/ui', $found['']) === 1;
            $weekday = $found['weekday'] === '' ? null : $this->dayOf($found['weekday']);
            if ($this->found->day !== null && $weekday !== null && CivilDate::weekday($weekday) !== CivilDate::weekday($this->found->day)) {
                $near = $this->found->day + (CivilDate::weekday($weekday) - CivilDate::weekday($this->found->day) + 10) % 7 - 3;
                $wrong = [$found[''], DoubtReason::WrongWeekday, [$found['date'], self::told($near)]];
            }

            return $this->found->day !== null;
        }, 1, self::likely(...));
        if ($wrong !== null) {
            $this->line->doubtPiece(...$wrong);
        }
    }

    /** How likely a date is meant as one, by itself and by what follows: “sun lamp thu” is on a Thursday. */
    private static function likely(string $text, string $after): int
    {
        $figures = preg_match('/\d|tomorrow|today|week/ui', $text) === 1 ? 2 : 0;
        $led = preg_match('/^(?:on|from|starting|by|next|this)\s/ui', $text) === 1 ? 2 : 0;
        $alone = preg_match('/^\s*(?:$|[\x01,;:?(#@]|\d|(?:at|from|in|on|with|by|until|till|to|for|noon|midnight|morning|afternoon|evening|half|quarter|provisional|private)\b)/ui', $after) === 1 ? 1 : 0;

        return $figures + $led + $alone - (self::word($text) && $alone === 0 ? 1 : 0);
    }

    /** Whether it is a word of its own besides: the sun, sat, wed. */
    private static function word(string $text): bool
    {
        return preg_match('/^(?:sun|sat|wed)$/ui', $text) === 1;
    }

    /** @param  list<array{int, string}>  $about  what says about when, and stays in the title */
    private function doubts(array $about): void
    {
        $this->line->doubt(PieceKind::Date, Edge::around('(?<date>'.DateWords::FIGURES.')'), fn (array $found): array => $this->judge($found['date']));
        $this->line->doubt(PieceKind::Date, Edge::around('(?<date>(?:today|tomorrow|'.DateWords::WEEKDAY.'))'), static fn (array $found): ?array => self::word($found['date']) ? null : [DoubtReason::Second, []]);
        foreach ($this->found->day === null ? $about : [] as $aside) {
            $known = array_filter($this->words->days, static fn (NamedDay $day): bool => preg_match('/^'.$day->pattern().'$/ui', $aside[1]) === 1);
            $this->line->doubtAside(PieceKind::Date, $aside, DoubtReason::Unclear, $known === [] ? [] : ["on {$aside[1]}"]);
        }
    }

    private static function told(int $day): string
    {
        [, $month, $number] = CivilDate::fromDays($day);

        return $number.' '.['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'][$month - 1];
    }
}
