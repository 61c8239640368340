<?php

namespace App\Http;

/** Lists of an input in the order in which they were sent. */
final class InputList
{
    /**
     * Laravel lays a validated list out rule by rule: an entry that lacks what the first rule is about comes after all that
     * have it, under its own number still.
     *
     * @template T
     *
     * @param  array<array-key, T>  $validated
     * @return list<T>
     */
    public static function inOrder(array $validated): array
    {
        ksort($validated);

        return array_values($validated);
    }
}
