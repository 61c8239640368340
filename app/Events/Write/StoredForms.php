<?php

namespace App\Events\Write;

use UnexpectedValueException;

/** Makes states of series that were stored in an earlier form those of the form in use. */
final class StoredForms
{
    /**
     * What makes a state of each form one of the next; a change of what is stored adds one here.
     *
     * @return array<int, callable(array<string, mixed>): array<string, mixed>>
     */
    private static function steps(): array
    {
        return [1 => self::withEndZone(...), 2 => self::withNotes(...), 3 => self::withTerms(...)];
    }

    /**
     * Until then an end was told in the zone of its start.
     *
     * @param  array<string, mixed>  $stored
     * @return array<string, mixed>
     */
    private static function withEndZone(array $stored): array
    {
        foreach ($stored['rows'] as $index => $row) {
            // In the order of the table: states are compared as text.
            $at = (int) array_search('timezone', array_keys($row), true) + 1;
            $stored['rows'][$index] = array_slice($row, 0, $at, true) + ['end_timezone' => null] + array_slice($row, $at, null, true);
        }

        return $stored;
    }

    /**
     * Until then nobody wrote anything with an answer, a group answered as such, and whoever was asked saw what they saw anyway.
     *
     * @param  array<string, mixed>  $stored
     * @return array<string, mixed>
     */
    private static function withNotes(array $stored): array
    {
        $stored['participants'] = array_map(static fn (array $row): array => $row + ['note' => '', 'member_of' => null], $stored['participants']);

        $stored['pins'] = array_map(static fn (array $row): array => $row + ['asked' => 0], $stored['pins']);

        return $stored;
    }

    /**
     * Until then no event said when it asks, nor how long it takes to get there.
     *
     * @param  array<string, mixed>  $stored
     * @return array<string, mixed>
     */
    private static function withTerms(array $stored): array
    {
        $stored['rows'] = array_map(static fn (array $row): array => $row + ['ask_when' => null, 'travel_minutes' => null], $stored['rows']);

        return $stored;
    }

    /**
     * @param  array<string, mixed>  $stored
     * @param  ?array<int, callable(array<string, mixed>): array<string, mixed>>  $steps
     * @return array<string, mixed>
     */
    public static function convert(array $stored, ?array $steps = null, int $form = SeriesState::FORM): array
    {
        $steps ??= self::steps();
        for ($at = (int) ($stored['form'] ?? 0); $at < $form; $at++) {
            $step = $steps[$at] ?? throw new UnexpectedValueException("A state of a series is stored in form {$at}, and nothing makes it one of form ".($at + 1).'.');
            $stored = $step($stored);
        }
        if ($at > $form) {
            throw new UnexpectedValueException("A state of a series is stored in form {$at}, by a later version of the program.");
        }

        return array_diff_key($stored, ['form' => true]);
    }
}
