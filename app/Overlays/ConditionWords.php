<?php

namespace App\Overlays;

/** A condition in a few words, for the key: “assessment, visit”, “not provisional”. */
final class ConditionWords
{
    /** @param  array<string, mixed>  $told */
    public static function of(array $told): string
    {
        $words = match ($told['about']) {
            'category' => match ($told['match'] ?? 'any') {
                'all' => implode(' and ', $told['names']),
                'none' => 'none of '.implode(', ', $told['names']),
                default => implode(', ', $told['names']),
            },
            'words' => implode(', ', array_map(static fn (string $word): string => "“{$word}”", $told['words'])),
            'people' => (array_column($told['who'], 'kind') === ['me'] ? 'mine' : 'of some people').['responsible' => ', responsible', 'added' => ', added', 'taking part' => ''][$told['part'] ?? 'taking part'],
            'status' => implode(', ', $told['statuses']),
            'all day' => ($told['is'] ?? true) ? 'all-day' : 'timed',
            default => ($told['is'] ?? true) ? 'busy' : 'free',
        };

        return ($told['not'] ?? false) ? "not {$words}" : $words;
    }
}
