<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

use PinnedRota\Core\OneLine\Piece;
use PinnedRota\Core\OneLine\PieceKind;
use PinnedRota\Core\OneLine\Understood;
use PinnedRota\Core\Time\DateWords;
use PinnedRota\Core\Time\LocalDateTime;

/** Finds events in lines of text: with their dates, or beneath a heading that says the month, the year or the day. */
final class TextEvents
{
    private Context $context;

    /** What the last heading says, where it is no date. */
    private string $heading = '';

    /** What a line before said that ended in a colon, and said no date: what follows is of it. */
    private string $lead = '';

    /** @param  Context  $whole  of the document */
    public function __construct(private readonly Reading $reading, private readonly Context $whole)
    {
        $this->context = $whole;
    }

    public function context(): Context
    {
        return $this->context;
    }

    /** @return list<ExtractedEvent> */
    public function read(Block $block): array
    {
        $text = $block->text;
        if ($this->isContext($text, $block->kind === BlockKind::Heading)) {
            return [];
        }
        if ($block->kind === BlockKind::Heading) {
            [$this->heading, $this->lead] = [$text, ''];
            $is = $this->reading->of($text, $this->context);

            return Reading::saysDay($is) ? $this->events($text, $block->line) : [];
        }
        if (str_ends_with($text, ':') && preg_match('/'.DateWords::FIGURES.'/iu', $text) !== 1) {
            $this->lead = TitleWords::of((string) preg_replace('/\s(?:on|from|at|as\sfollows):$/iu', '', $text));

            return [];
        }
        $events = [];
        foreach (Sentences::of($text) as $sentence) {
            foreach (DatesApart::of(DateSpelling::plain(str_replace(' | ', ', ', $sentence), $this->context->from, $this->reading->habits->dayFirst)) as $part) {
                array_push($events, ...$this->events($part, $block->line, $sentence));
            }
        }

        return $events;
    }

    /** Whether a line says of what year, month or day that is which follows, and nothing else. */
    private function isContext(string $text, bool $isHeading): bool
    {
        $plain = trim($text, ' :.,-–—');
        if (preg_match('/^(?:20\d\d)$/', $plain) === 1) {
            $this->context = $this->whole->ofYear((int) $plain);

            return true;
        }
        if (preg_match('/^'.DateWords::MONTH.'(?:\s\d{4})?$/iu', $plain) === 1) {
            $first = DateWords::read($plain, $this->context->month === null ? $this->context->from : $this->whole->from);
            $this->context = $first === null ? $this->context : $this->whole->ofMonth($first->day());

            return true;
        }
        if (preg_match('/'.DateWords::FIGURES.'/iu', $plain) !== 1) {
            $isShort = $isHeading || (count(explode(' ', $plain)) <= 6 && preg_match('/[.!?]$/', $text) !== 1);
            if ($isShort && preg_match('/\b(20\d\d)(\s?[\/–-]\s?(?:20)?\d\d)?\b/u', $plain, $found) === 1) {
                // “2026/27” begins in summer.
                $this->context = isset($found[2]) ? new Context(LocalDateTime::parse("{$found[1]}-08-01")) : $this->whole->ofYear((int) $found[1]);
            }

            return false;
        }
        if ($this->lead !== '') {
            return false;
        }
        $is = $this->reading->of($plain, $this->context);
        if (TitleWords::of($is->title) === '' && $is->start !== null && $is->allDay && $is->place === '' && $is->end?->seconds === $is->start->seconds + 86_400) {
            $this->context = $this->context->ofDay($is->start->day());

            return true;
        }

        return false;
    }

    /** @return list<ExtractedEvent> */
    private function events(string $text, int $line, ?string $said = null): array
    {
        // What was is minuted, and nothing to come to.
        if (preg_match('/^(?:minutes|notes|report|proceedings)\s(?:of|from)\b/iu', $text) === 1) {
            return [];
        }
        $is = $this->reading->of($this->context->dated($text), $this->context);
        if ($is->start === null || $is->end === null || ! Reading::saysDay($is)) {
            return [];
        }
        // A week is no day to come.
        if (array_filter($is->pieces, static fn (Piece $piece): bool => $piece->kind === PieceKind::Date && preg_match('/\d|\b(?:mon|tue|wed|thu|fri|sat|sun|to(?:day|morrow))/iu', $piece->text) === 1) === []) {
            return [];
        }
        [$title, $place] = $this->named($is, $text);
        if ($title === '') {
            return [];
        }

        return [new ExtractedEvent($title, $is->start, $is->end, $is->allDay, $place, $line, $said ?? $text, [], Reading::doubts($is))];
    }

    /** @return array{string, string} title and place */
    private function named(Understood $is, string $text): array
    {
        $title = TitleWords::of($is->title);
        $place = $is->place;
        // “The loft is closed”: what it is about, not where it is.
        if ($place !== '' && preg_match('/^(?:is|are|will|has|have)\b/iu', $title) === 1) {
            return [TitleWords::of("{$place} ".mb_strtolower(mb_substr($title, 0, 1)).mb_substr($title, 1)), ''];
        }
        // “…, 7pm, St Olaf’s”: a name behind the hour.
        if ($place === '' && preg_match('/(?:\d|[ap]m|noon)\)?,\s(?<place>(?:the\s)?\p{Lu}[\p{L}\p{N}’\' ]{2,40})$/u', $text, $found) === 1 && str_ends_with(mb_strtolower($title), mb_strtolower($found['place'])) && mb_strlen($title) > mb_strlen($found['place'])) {
            return [TitleWords::of(mb_substr($title, 0, -mb_strlen($found['place']))), $found['place']];
        }
        // “The open evening is in the hall”
        if ($place === '' && preg_match('/^(?<title>.+?)\s(?:is|are|will\sbe|takes?\splace)\s(?:held\s)?(?:in|at)\s(?:the\s)?(?<place>[\p{L}\p{N}’\' ]{2,40})$/iu', $title, $found) === 1) {
            [$title, $place] = [TitleWords::of($found['title']), $found['place']];
        }
        if ($place === '') {
            foreach ($this->reading->words->places as $each) {
                if (preg_match('/^(?<title>.*?)(?:,|\s[-–—|])\s*(?:in\s|at\s)?(?:the\s)?'.preg_quote($each, '/').'$/iu', $title, $found) === 1 || preg_match('/^(?<title>)'.preg_quote($each, '/').'$/iu', $title, $found) === 1) {
                    [$title, $place] = [TitleWords::of($found['title']), $each];
                    break;
                }
            }
        }
        if ($title === '' || ($place !== '' && mb_strtolower($title) === mb_strtolower($place))) {
            $title = $this->lead !== '' ? $this->lead : $this->heading;
        }

        return [$title, $place];
    }
}
