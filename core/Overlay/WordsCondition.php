<?php

declare(strict_types=1);

namespace PinnedRota\Core\Overlay;

/** Asks for words in title, place or description: any of several, in any case. */
final readonly class WordsCondition implements Condition
{
    /** @var list<string> */
    private array $words;

    /** @param  list<string>  $words  each found where it stands, also within a longer word */
    public function __construct(array $words)
    {
        $this->words = array_values(array_filter(array_map(static fn (string $word): string => mb_strtolower(trim($word)), $words), static fn (string $word): bool => $word !== ''));
    }

    public function asks(): Asked
    {
        return Asked::Text;
    }

    public function holds(EventFacts $event): ?bool
    {
        if ($event->hidden) {
            return null;
        }
        foreach ($this->words as $word) {
            if (str_contains($event->text, $word)) {
                return true;
            }
        }

        return false;
    }

    public function begin(Begun $begun): Begun
    {
        return $begun;
    }
}
