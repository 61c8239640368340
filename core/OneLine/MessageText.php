<?php

declare(strict_types=1);

namespace PinnedRota\Core\OneLine;

use PinnedRota\Core\Time\LocalDateTime;

/**
 * A message that somebody was sent, made one line: what, when, where and with whom, in its own words. Greetings, thanks,
 * signatures and what is quoted of earlier messages are no part of it.
 */
final class MessageText
{
    private const GREETING = '(?:hi|hello|hey|dear|good\s(?:morning|afternoon|evening)|morning|afternoon|evening)(?:\s(?:there|all|both|everyone|everybody|team|colleagues|folks|sir|madam|(?-i:\p{Lu})[\p{L}’\'.-]*|and|&|or))*';

    private const CLOSING = '(?:(?:all\s)?(?:the\s)?(?:best|kind|warm|many)\s(?:wishes|regards|thanks)|best|regards|thanks|thank\syou|cheers|yours(?:\s\w+)?|sincerely|see\syou(?:\s\w+){0,2}|looking\sforward(?:\s\w+){0,5}|--|—|sent\sfrom\s.*)';

    /** What leads to what it is about, and says nothing of it. */
    private const LEAD = '(?:please\s(?:note|remember|be\saware)(?:\sthat)?|just|a?\s?(?:quick\s|short\s|gentle\s)?reminder(?:\sthat)?:?|(?:we|i)\s(?:will|would\slike\sto|want\sto|are\sgoing\sto|plan\sto|have\sto|need\sto)?\s?(?:have|be\shaving|hold|do|arrange|meet\sfor|run|invite\syou\sto)|we[’\']?(?:re|\sare)\s(?:having|holding|doing|running|planning)|i[’\']?(?:ve|\shave)\s(?:booked|arranged|planned)|there(?:[’\']s|\sis|\swill\sbe|\sare)|you\sare\sinvited\sto|(?:please\s)?join\sus\sfor|let[’\']?s\s(?:have|do|meet\sfor|meet)|(?:can|could|shall)\s(?:we|you)\s(?:have|do|meet\sfor|meet|please)|(?:it|this|that)(?:[’\']s|\sis)(?:\snow)?|we\s(?:start|begin|meet)|a|an|the|our|your)';

    private const TRAIL = '(?:(?:will\s)?takes?\splace|(?:has|have)\sbeen\s(?:moved|postponed|arranged|planned)|is|are|will\sbe|was|starts?|begins?|happens?|is\splanned|is\son|at|on|in|from|and|for|with|to|,|:|-|–)';

    /**
     * @param  LocalDateTime  $now  on the wall of the writer
     */
    public static function line(string $message, Vocabulary $words, LocalDateTime $now, Habits $habits = new Habits): string
    {
        [$subject, $lines] = self::body($message);
        $title = '';
        $said = [];
        $told = false;
        foreach (self::sentences($lines) as $sentence) {
            $is = OneLineReader::read($sentence, $words, $now, $habits);
            $tells = $is->start !== null;
            foreach ($is->pieces as $piece) {
                // What was said first holds; a date and its hour may stand in sentences of their own.
                $kind = $piece->kind === PieceKind::Responsible ? PieceKind::Person : $piece->kind;
                if ($kind === PieceKind::State) {
                    $said[$kind->value] = [$is->private ? '(private)' : '(provisional)'];
                } elseif (! isset($said[$kind->value]) || ($kind === PieceKind::Person && ! in_array($piece->text, $said[$kind->value], true))) {
                    $said[$kind->value][] = $piece->text;
                }
            }
            foreach ($is->doubts as $doubt) {
                if ($doubt->kind === PieceKind::Person && $doubt->reason === DoubtReason::Loose) {
                    $said[PieceKind::Person->value][] = $doubt->offers[0];
                }
            }
            $about = self::trimmed($is->title);
            if ($about !== '' && ($title === '' || ($tells && ! $told))) {
                $title = $about;
            }
            $told = $told || $tells;
        }
        $title = $subject === '' ? $title : $subject;
        $pieces = [];
        foreach ([PieceKind::Date, PieceKind::Time, PieceKind::Length, PieceKind::Repeat, PieceKind::Ending, PieceKind::Place, PieceKind::Person, PieceKind::Group, PieceKind::Category, PieceKind::State] as $kind) {
            array_push($pieces, ...array_values(array_unique($said[$kind->value] ?? [])));
        }
        $title = mb_strimwidth(str_replace('"', '', $title), 0, 120, '…');
        $line = trim($title.' '.implode(' ', $pieces));

        // A subject with the name of a day in it is meant word for word.
        return OneLineReader::read($line, $words, $now, $habits)->title === $title || $title === '' ? $line : trim("\"{$title}\" ".implode(' ', $pieces));
    }

    /** @return array{string, list<string>} the subject, empty where there is none, and the lines between greeting and closing */
    private static function body(string $message): array
    {
        $subject = '';
        $lines = [];
        $letter = preg_match('/^(?:from|to|sent)\s?:/miu', $message) === 1;
        foreach (preg_split('/\R/u', $message) ?: [] as $line) {
            $line = trim((string) preg_replace('/\s+/u', ' ', $line));
            if (preg_match('/^(?:subject|title|what|event|topic)\s?:\s*(.+)$/iu', $line, $found) === 1) {
                $subject = $subject === '' ? (string) preg_replace('/^(?:(?:re|fwd?|aw)\s?:\s*)+/iu', '', $found[1]) : $subject;

                continue;
            }
            if ($line === '' || str_starts_with($line, '>') || ($letter && preg_match('/^(?:from|to|cc|bcc|sent|date|reply-to)\s?:/iu', $line) === 1) || preg_match('/^on\b.*\bwrote\s?:$/iu', $line) === 1) {
                continue;
            }
            if ($lines !== [] && preg_match('/^'.self::CLOSING.'[\s,.!]*$/iu', $line) === 1) {
                break;
            }
            $line = (string) preg_replace('/^'.self::GREETING.'\s*(?:[,!.:–-]+\s*|$)/iu', '', $line);
            $lines[] = (string) preg_replace('/^(?:when|where|who|date|time|place|location|venue|room|day)\s?:\s*/iu', '', $line);
        }

        return [$subject, array_values(array_filter($lines, static fn (string $line): bool => $line !== ''))];
    }

    /**
     * @param  list<string>  $lines
     * @return list<string>
     */
    private static function sentences(array $lines): array
    {
        $sentences = [];
        foreach ($lines as $line) {
            // “9.30” and “14.3.” are no ends of sentences.
            array_push($sentences, ...(preg_split('/(?<=[\p{L}\p{N})]{2}[.!?])\s+(?=\p{Lu})/u', $line) ?: []));
        }

        return array_values(array_filter(array_map(static fn (string $each): string => trim(rtrim(trim($each), '.!')), $sentences), static fn (string $each): bool => $each !== '' && preg_match('/^'.self::CLOSING.'\W*$/iu', $each) !== 1));
    }

    private static function trimmed(string $title): string
    {
        do {
            $before = $title;
            $title = (string) preg_replace(['/^'.self::LEAD.'(?![\p{L}’\'])\s*/iu', '/(?:^|\s)'.self::TRAIL.'$/iu'], '', trim($title, " \t,;:.!?-–"));
        } while ($title !== $before);

        return mb_strtoupper(mb_substr($title, 0, 1)).mb_substr($title, 1);
    }
}
