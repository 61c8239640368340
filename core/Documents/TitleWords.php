<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** What of a sentence is the title of its event: without the words that lead to it, and those that led to when it is. */
final class TitleWords
{
    private const LEAD = '(?:(?:and|but|also|then|so)\s|please\s(?:note|remember|be\saware)(?:\sthat)?|a?\s?(?:quick\s|short\s|gentle\s)?reminder(?:\sthat)?\s?:?|it\swas\s(?:agreed|decided)\s(?:to\s(?:hold|have)|that)|(?:we|i)\s(?:will|would\slike\sto|want\sto|are\sgoing\sto|plan\sto|have\sto)\s(?:have|hold|do|run)|you\sare\sinvited\sto|(?:please\s)?join\sus\sfor|there(?:[’\']s|\sis|\swill\sbe|\sare)|(?:a|an|the|our|your)\s(?=\p{L}))';

    private const TRAIL = '(?:(?:will\s)?takes?\splace|(?:will\sbe|is|are|was)\s(?:held|scheduled|planned|arranged)|is|are|will\sbe|was|each|all|and|the|inclusive|at\shome|(?:,|[-–])\s?starts?(?:ing)?(?:\sat)?)';

    public static function of(string $text): string
    {
        $title = str_replace(' | ', ', ', $text);
        do {
            $before = $title;
            $title = trim($title, " \t,;:.!-–—|•·*");
            $title = (string) preg_replace(['/\(\s*[-–,;]*\s*\)/u', '/\s+([,;.])/u', '/([,;:])(?:\s*[,;:])+/u', '/^(?<!\p{L})'.self::LEAD.'(?![’\'])\s*/iu', '/(?:^|\s|(?=[,–-]))'.self::TRAIL.'$/iu'], ['', '$1', '$1', '', ''], $title);
        } while ($title !== $before);
        $title = (string) preg_replace('/\s+/u', ' ', $title);

        return mb_strtoupper(mb_substr($title, 0, 1)).mb_substr($title, 1);
    }
}
