<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\SchoolYear\SchoolDateWords;
use PinnedRota\Core\SchoolYear\TermWeeks;
use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\NumberWords;

/** Finds how often something is in a line, and until when. */
final readonly class RepeatReader
{
    /** What says how often, and means more than one thing, or nothing that a rule could say. */
    private const UNCLEAR = [
        'biweekly' => 'every 2 weeks', 'bi-weekly' => 'every 2 weeks', 'bimonthly' => 'every 2 months', 'bi-monthly' => 'every 2 months', 'quarterly' => 'every 3 months', 'every quarter' => 'every 3 months',
    ];

    public function __construct(private Line $line, private Vocabulary $words, private DayReader $days, private FoundWhen $found)
    {
    }

    public function read(): void
    {
        foreach (RepeatPhrase::patterns() as $pattern) {
            if ($this->found->repeat === null) {
                $this->line->take(PieceKind::Repeat, $pattern, function (array $found): bool {
                    $this->found->repeat = RepeatPhrase::of($found);

                    return $this->found->repeat !== null;
                }, 1);
            }
        }
        $often = NumberWords::PATTERN;
        $this->line->doubt(PieceKind::Repeat, Edge::around('(?:once|twice|'.$often.'\stimes)\sa\s(?:day|week|month|term|year)|'.implode('|', array_keys(self::UNCLEAR)).'|every\s(?:term|half-term|season)'), static function (array $found): array {
            $offer = self::UNCLEAR[mb_strtolower($found[''])] ?? null;

            return [DoubtReason::Unknown, $offer === null ? [] : [$offer]];
        });
        if ($this->found->repeat !== null) {
            $this->within();
            $this->ends();
        }
    }

    /** “in term only”, “in A weeks”: where there is a school's year to tell which those are. */
    private function within(): void
    {
        if ($this->words->year === null) {
            return;
        }
        $this->line->take(PieceKind::Ending, Edge::around('(?:in\s|during\s)?term(?:[\s-]?time)?\sonly|(?:in|during)\sterm(?:[\s-]?time)?|(?:in\s)?(?:(?<before>[ab])\sweeks?|week\s(?<after>[ab]))(?:\sonly)?'), function (array $found): bool {
            $letter = mb_strtoupper(($found['before'] ?? '').($found['after'] ?? ''));
            $this->found->within = $letter === '' ? TermWeeks::Term : TermWeeks::from($letter);

            return true;
        }, 1);
    }

    private function ends(): void
    {
        $this->line->take(PieceKind::Ending, Edge::around('(?:until|till)\s(?:the\s)?(?<date>'.DateWords::PATTERN.')'), function (array $found): bool {
            $this->found->until = $this->days->dayOf($found['date']);

            return $this->found->until !== null;
        }, 1);
        $year = $this->words->year;
        if ($year !== null) {
            // A week is in it, as a date is.
            $this->line->take(PieceKind::Ending, Edge::around('(?:until|till)\s'.SchoolDateWords::WEEK), function (array $found) use ($year): bool {
                $day = SchoolDateWords::dayOfWeek($found, $this->days->now(), $year, true);
                $this->found->until ??= $day === null ? null : $day + (($found['weekday'] ?? '').($found['then'] ?? '') === '' ? 6 : 0);

                return $day !== null;
            }, 1);
        }
        foreach ($this->words->days as $day) {
            $this->line->take(PieceKind::Ending, Edge::around('(?:until|till)\s(?:the\s)?'.$day->pattern()), function () use ($day): bool {
                $known = $this->found->until === null;
                $this->found->until ??= $day->until()->day();

                return $known;
            }, 1);
        }
        $this->line->take(PieceKind::Ending, Edge::around('(?<count>'.NumberWords::PATTERN.')\stimes'), function (array $found): bool {
            $count = NumberWords::read($found['count']);
            if ($this->found->until !== null || $count < 1) {
                return false;
            }
            $this->found->count = $count;

            return true;
        }, 1);
        $this->line->take(PieceKind::Ending, Edge::around('for\s(?<count>'.NumberWords::PATTERN.')\sweeks?'), function (array $found): bool {
            if ($this->found->until !== null || $this->found->count !== null) {
                return false;
            }
            $this->found->lengthWeeks = NumberWords::read($found['count']);

            return $this->found->lengthWeeks > 0;
        }, 1);
        // A repeat with an end that is not understood would have none.
        $this->line->doubt(PieceKind::Date, Edge::around('(?<=until\s|till\s)(?<date>'.DateWords::FIGURES.')'), fn (array $found): array => $this->days->judge($found['date']));
        if ($this->found->until === null && $this->found->count === null && $this->found->lengthWeeks === 0) {
            $this->line->doubt(PieceKind::Ending, '/(?<![\p{L}\p{N}])(?:until|till)\s[^\x01\x02]+?(?=\s*(?:$|[\x01\x02,;#@(]|\b(?:at|in|on|with|by|for|from)\b))/ui', static fn (): array => [DoubtReason::Unclear, []]);
        }
    }
}
