<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\OneLine\Doubt;
use PinnedRota\Core\OneLine\DoubtReason;
use PinnedRota\Core\OneLine\Habits;
use PinnedRota\Core\OneLine\OneLineReader;
use PinnedRota\Core\OneLine\Piece;
use PinnedRota\Core\OneLine\PieceKind;
use PinnedRota\Core\OneLine\SpanReading;
use PinnedRota\Core\OneLine\Understood;
use PinnedRota\Core\OneLine\Vocabulary;
use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\WhenWords;

/** How the words of a document are understood: as the one line understands them, with the names that whoever reads may know. */
final class Reading
{
    /** Of a table so many cells are remembered: most say what others do. */
    private const MOST_CELLS = 20_000;

    /** @var array<string, ?CellWhen> what cells say, by their text and what they are read in */
    private array $cells = [];

    private const FROM_TODAY = '/\b(?:today|tonight|tomorrow|next|this\s(?:week|month)|in\s\w+\s(?:days?|weeks?))\b/ui';

    /** @param  LocalDateTime  $today  the day on which it is read */
    public function __construct(public readonly Vocabulary $words, public readonly Habits $habits, public readonly LocalDateTime $today)
    {
    }

    public function of(string $text, Context $context): Understood
    {
        $plain = DateSpelling::plain($text, $context->from, $this->habits->dayFirst);
        // “Next Tuesday” is meant from today, a date without its year of the year of the document.
        $isFromToday = preg_match(self::FROM_TODAY, $plain) === 1 || preg_match('/'.DateWords::FIGURES.'/ui', $plain) !== 1;

        return OneLineReader::read($plain, $this->words, $isFromToday ? $this->today : $context->from, $this->habits, span: SpanReading::OneLong);
    }

    /** A text that says an hour of a day that is known; null where it says none, or another day. */
    public function hourOn(int $day, string $text, Context $context): ?Understood
    {
        $is = $this->of(LocalDateTime::midnight($day)->toDate().' '.$text, $context);

        return $is->start === null || $is->end === null || $is->allDay || $is->start->day() !== $day || ! self::saysHour($is) ? null : $is;
    }

    /**
     * When a cell says that something is; what says the same is read once.
     *
     * @param  callable(): ?CellWhen  $read
     */
    public function cell(string $cell, Context $context, callable $read): ?CellWhen
    {
        $key = "{$context->from->seconds} {$context->month} {$context->day} {$cell}";
        if (array_key_exists($key, $this->cells)) {
            return $this->cells[$key];
        }
        if (count($this->cells) >= self::MOST_CELLS) {
            $this->cells = [];
        }

        return $this->cells[$key] = $read();
    }

    /** Whether a text says a day. */
    public static function saysDay(Understood $is): bool
    {
        return array_filter($is->pieces, static fn (Piece $piece): bool => $piece->kind === PieceKind::Date) !== [];
    }

    public static function saysHour(Understood $is): bool
    {
        return array_filter($is->pieces, static fn (Piece $piece): bool => $piece->kind === PieceKind::Time) !== [];
    }

    /** @return list<string> what is to be looked at, in words */
    public static function doubts(Understood $is): array
    {
        $wrong = array_filter($is->doubts, static fn (Doubt $doubt): bool => $doubt->reason === DoubtReason::WrongWeekday);

        return $is->start === null ? [] : array_values(array_map(static function (Doubt $doubt) use ($is): string {
            preg_match('/\b'.DateWords::WEEKDAY.'\b/ui', $doubt->text, $weekday);

            return WhenWords::day($is->start->day()).' is no '.mb_convert_case($weekday[0] ?? '', MB_CASE_TITLE).'.';
        }, $wrong));
    }
}
