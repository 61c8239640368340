<?php

declare(strict_types=1);

namespace PinnedRota\Core\SchoolYear;

use PinnedRota\Core\Time\CivilDate;
use PinnedRota\Core\Time\InvalidTime;
use PinnedRota\Core\Time\LocalDateTime;

/**
 * The terms of a school, of one year or of several, and how its weeks are counted. Weeks begin on Mondays (ISO 8601); what a week is called
 * is worked out from dates and stored nowhere.
 */
final readonly class SchoolYear
{
    public const MOST_TERMS = 40;

    private const LONGEST_TERM = 366;

    /**
     * @param  list<Term>  $terms  in order, none over another
     * @param  bool  $alternates  whether weeks are A and B in turn
     * @param  bool  $halfTermCounts  whether the weeks of a half-term take their turn, or the letter waits for the next week of school
     */
    private function __construct(public array $terms, public bool $alternates, public bool $halfTermCounts)
    {
    }

    /**
     * @param  list<Term>  $terms
     *
     * @throws InvalidSchoolYear where two terms are over each other, or a half-term is not within its term
     */
    public static function of(array $terms, bool $alternates = false, bool $halfTermCounts = false): self
    {
        if (count($terms) > self::MOST_TERMS) {
            throw new InvalidSchoolYear('That is more than '.self::MOST_TERMS.' terms.');
        }
        $order = $terms;
        uasort($order, static fn (Term $a, Term $b): int => $a->first <=> $b->first);
        $before = null;
        foreach ($order as $index => $term) {
            if (trim($term->name) === '') {
                throw new InvalidSchoolYear('Give each term a name.', $index);
            }
            if ($term->last < $term->first || $term->last - $term->first > self::LONGEST_TERM) {
                throw new InvalidSchoolYear($term->last < $term->first ? "{$term->name} ends before it begins." : "{$term->name} is longer than a year.", $index);
            }
            if ($before !== null && $term->first <= $before->last) {
                throw new InvalidSchoolYear("{$term->name} begins before {$before->name} has ended.", $index);
            }
            foreach ($term->halfTerms as $halfTerm) {
                if ($halfTerm->last < $halfTerm->first || $halfTerm->first < $term->first || $halfTerm->last > $term->last) {
                    throw new InvalidSchoolYear("{$halfTerm->name} is not within {$term->name}.", $index);
                }
            }
            $before = $term;
        }

        return new self(array_values($order), $alternates, $halfTermCounts);
    }

    /**
     * From what is stored, or sent: dates as `2026-09-07`, the last ones inclusive.
     *
     * @param  array<mixed>  $stored
     *
     * @throws InvalidSchoolYear
     */
    public static function fromArray(array $stored): self
    {
        $terms = [];
        foreach (self::rows($stored, 'terms') as $index => $row) {
            $halfTerms = array_map(static fn (array $half): HalfTerm => new HalfTerm(self::text($half, 'name') ?: 'Half-term', self::day($half, 'from', $index), self::day($half, 'to', $index)), self::rows($row, 'halfTerms'));
            usort($halfTerms, static fn (HalfTerm $a, HalfTerm $b): int => $a->first <=> $b->first);
            $terms[] = new Term(self::text($row, 'name'), self::day($row, 'from', $index), self::day($row, 'to', $index), $halfTerms, WeekLetter::tryFrom(self::text($row, 'startsWith')) ?? WeekLetter::A);
        }

        return self::of($terms, ($stored['alternates'] ?? false) === true, ($stored['halfTermCounts'] ?? false) === true);
    }

    /**
     * @param  array<mixed>  $of
     * @return list<array<mixed>>
     */
    private static function rows(array $of, string $name): array
    {
        $rows = $of[$name] ?? [];

        return is_array($rows) ? array_values(array_filter($rows, is_array(...))) : [];
    }

    /** @param  array<mixed>  $row */
    private static function text(array $row, string $name): string
    {
        $text = $row[$name] ?? '';

        return is_string($text) ? trim($text) : '';
    }

    /**
     * @param  array<mixed>  $row
     *
     * @throws InvalidSchoolYear
     */
    private static function day(array $row, string $name, int $term): int
    {
        try {
            return LocalDateTime::parse(self::text($row, $name))->day();
        } catch (InvalidTime) {
            throw new InvalidSchoolYear('Enter the first and the last day.', $term);
        }
    }

    /** @return array{terms: list<array{name: string, from: string, to: string, startsWith: string, halfTerms: list<array{name: string, from: string, to: string}>}>, alternates: bool, halfTermCounts: bool} as fromArray() takes it */
    public function toArray(): array
    {
        $date = static fn (int $day): string => LocalDateTime::midnight($day)->toDate();

        return [
            'terms' => array_map(static fn (Term $term): array => [
                'name' => $term->name, 'from' => $date($term->first), 'to' => $date($term->last), 'startsWith' => $term->startsWith->value,
                'halfTerms' => array_map(static fn (HalfTerm $half): array => ['name' => $half->name, 'from' => $date($half->first), 'to' => $date($half->last)], $term->halfTerms),
            ], $this->terms),
            'alternates' => $this->alternates,
            'halfTermCounts' => $this->halfTermCounts,
        ];
    }

    public function isEmpty(): bool
    {
        return $this->terms === [];
    }

    /** The term that a day is in, half-terms too. */
    public function termOn(int $day): ?Term
    {
        foreach ($this->terms as $term) {
            if ($term->first <= $day && $day <= $term->last) {
                return $term;
            }
        }

        return null;
    }

    /** Whether a day is in a term and in none of its half-terms. */
    public function isInTerm(int $day): bool
    {
        return $this->termOn($day)?->teaches($day) ?? false;
    }

    /** What the week of a day is; null where it is in no term. Where one term ends and the next begins in it, it is of the first. */
    public function weekOf(int $day): ?SchoolWeek
    {
        $monday = $day - CivilDate::weekday($day);
        $rest = null;
        foreach ($this->terms as $term) {
            if ($term->first > $monday + 6 || $term->last < $monday) {
                continue;
            }
            if ($term->teachesInWeek($monday)) {
                $number = 0;
                for ($each = $term->firstMonday(); $each <= $monday; $each += 7) {
                    $number += $term->teachesInWeek($each) ? 1 : 0;
                }
                $turn = $this->halfTermCounts ? intdiv($monday - $term->firstMonday(), 7) : $number - 1;

                return new SchoolWeek($monday, $term->name, $number, $this->alternates ? $term->startsWith->after($turn) : null);
            }
            for ($each = $monday; $each < $monday + 5; $each++) {
                $rest ??= $term->halfTermOn($each) === null ? null : new SchoolWeek($monday, $term->name, null, null, $term->halfTermOn($each)->name);
            }
        }

        return $rest;
    }

    /**
     * @param  int  $from  day number
     * @param  int  $to  day number, exclusive
     * @return list<SchoolWeek> those of the weeks with a day in between that are in a term, in order
     */
    public function weeksBetween(int $from, int $to): array
    {
        $weeks = [];
        for ($monday = $from - CivilDate::weekday($from); $this->terms !== [] && $monday < $to; $monday += 7) {
            $weeks[] = $this->weekOf($monday);
        }

        return array_values(array_filter($weeks));
    }

    /**
     * Monday of the week of a number: of the term that is on, else of the next.
     *
     * @param  bool  $ahead  whether what is past is meant of the term after
     */
    public function weekNumbered(int $number, int $today, bool $ahead): ?int
    {
        foreach ($this->terms as $term) {
            if ($term->last < $today) {
                continue;
            }
            for ($monday = $term->firstMonday(), $count = 0; $monday <= $term->last; $monday += 7) {
                $count += $term->teachesInWeek($monday) ? 1 : 0;
                if ($count === $number && (! $ahead || $monday + 6 >= $today)) {
                    return $monday;
                }
                if ($count >= $number) {
                    break;
                }
            }
        }

        return null;
    }
}
