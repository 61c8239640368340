<?php

declare(strict_types=1);

namespace PinnedRota\Core\Directory;

use PinnedRota\Core\Time\Zone;

/**
 * A table of people as text: comma-, semicolon- or tab-separated (RFC 4180 quoting), with or without a line of headings.
 * Without one the columns are name, address, post, groups.
 */
final class PeopleTable
{
    private const MOST_LINES = 5000;

    private const HEADINGS = [
        'name' => ['name', 'full name', 'person'],
        'first' => ['first name', 'given name', 'forename'],
        'last' => ['last name', 'family name', 'surname'],
        'address' => ['address', 'email', 'e-mail', 'mail', 'email address', 'mail address'],
        'post' => ['post', 'role', 'job', 'title', 'position', 'function'],
        'timezone' => ['zone', 'time zone', 'timezone'],
        'groups' => ['groups', 'group', 'teams', 'team'],
    ];

    /**
     * Each line of the table with what is planned for it.
     *
     * @param  array<string, PersonRow>  $known  those there are, by address in lower case
     * @param  list<string>  $groups  the names of the groups there are
     * @return list<PlannedPerson> in the order of the lines, counted from 1
     */
    public static function plan(string $text, array $known, array $groups): array
    {
        $groupNames = array_combine(array_map(mb_strtolower(...), $groups), $groups);
        $columns = null;
        $met = $planned = [];
        foreach (self::lines($text) as $line => $cells) {
            if ($columns === null) {
                $columns = self::columns($cells);
                if ($columns !== null) {
                    continue;
                }
                $columns = ['name' => 0, 'address' => 1, 'post' => 2, 'groups' => 3];
            }
            if (count($planned) === self::MOST_LINES) {
                $planned[] = new PlannedPerson($line, null, PeopleVerdict::Refused, ['A table has at most '.self::MOST_LINES.' people; the rest is left out.']);
                break;
            }
            $row = self::row($cells, $columns);
            $problems = self::problems($row, $groupNames);
            $key = mb_strtolower($row->address);
            if ($problems === [] && isset($met[$key])) {
                $problems[] = "The same address is on line {$met[$key]}.";
            }
            if ($problems !== []) {
                $planned[] = new PlannedPerson($line, $row, PeopleVerdict::Refused, $problems);

                continue;
            }
            $met[$key] = $line;
            $row = new PersonRow($row->name, $key, $row->post, $row->timezone === '' ? '' : (string) Zone::find($row->timezone)?->name, array_map(static fn (string $group): string => $groupNames[mb_strtolower($group)], $row->groups));
            $before = $known[$key] ?? null;
            $changes = $before === null ? [] : self::changes($before, $row);
            $planned[] = new PlannedPerson($line, $row, $before === null ? PeopleVerdict::New : ($changes === [] ? PeopleVerdict::Known : PeopleVerdict::Changed), $changes);
        }

        return $planned;
    }

    /** @return iterable<int, list<string>> cells by the number of the line they begin on */
    private static function lines(string $text): iterable
    {
        $text = str_replace(["\r\n", "\r"], "\n", preg_replace('/^\xEF\xBB\xBF/', '', mb_scrub($text, 'UTF-8')) ?? '');
        $first = strstr($text, "\n", true);
        $first = $first === false ? $text : $first;
        $separator = ',';
        foreach ([';', "\t"] as $other) {
            $separator = substr_count($first, $other) > substr_count($first, $separator) ? $other : $separator;
        }
        $stream = fopen('php://memory', 'w+');
        if ($stream === false) {
            return;
        }
        fwrite($stream, $text);
        rewind($stream);
        $line = 1;
        while (($cells = fgetcsv($stream, null, $separator, '"', '')) !== false) {
            $cells = array_map(static fn (?string $cell): string => trim((string) $cell), $cells);
            if (implode('', $cells) !== '') {
                yield $line => $cells;
            }
            // A quoted cell may go over several lines.
            $line += 1 + array_sum(array_map(static fn (string $cell): int => substr_count($cell, "\n"), $cells));
        }
        fclose($stream);
    }

    /**
     * @param  list<string>  $cells
     * @return ?array<string, int> the column of each thing, or null where this is no line of headings
     */
    private static function columns(array $cells): ?array
    {
        $columns = [];
        foreach ($cells as $index => $cell) {
            foreach (self::HEADINGS as $name => $words) {
                if (in_array(mb_strtolower($cell), $words, true)) {
                    $columns[$name] ??= $index;
                }
            }
        }

        return isset($columns['address']) ? $columns : null;
    }

    /**
     * @param  list<string>  $cells
     * @param  array<string, int>  $columns
     */
    private static function row(array $cells, array $columns): PersonRow
    {
        $cell = static fn (string $name): string => isset($columns[$name]) ? $cells[$columns[$name]] ?? '' : '';
        $name = $cell('name') !== '' ? $cell('name') : trim($cell('first').' '.$cell('last'));
        $groups = preg_split('/\s*[;|,]\s*/', $cell('groups'), -1, PREG_SPLIT_NO_EMPTY);

        return new PersonRow($name, $cell('address'), $cell('post'), $cell('timezone'), $groups === false ? [] : $groups);
    }

    /**
     * @param  array<string, string>  $groupNames
     * @return list<string>
     */
    private static function problems(PersonRow $row, array $groupNames): array
    {
        $problems = [];
        if ($row->name === '') {
            $problems[] = 'There is no name.';
        } elseif (mb_strlen($row->name) > 120 || mb_strlen($row->post) > 120) {
            $problems[] = 'A name and a post have at most 120 characters.';
        }
        if (filter_var($row->address, FILTER_VALIDATE_EMAIL) === false || strlen($row->address) > 190) {
            $problems[] = $row->address === '' ? 'There is no address.' : "“{$row->address}” is no mail address.";
        }
        if ($row->timezone !== '' && Zone::find($row->timezone) === null) {
            $problems[] = "No time zone is called “{$row->timezone}”.";
        }
        foreach ($row->groups as $group) {
            if (! isset($groupNames[mb_strtolower($group)])) {
                $problems[] = "No group is called “{$group}”.";
            }
        }

        return $problems;
    }

    /** @return list<string> what a row changes of a person; an empty cell leaves it, and groups are only added */
    private static function changes(PersonRow $before, PersonRow $row): array
    {
        $changes = [];
        foreach (['name' => 'name', 'post' => 'post', 'timezone' => 'time zone'] as $field => $word) {
            if ($row->$field !== '' && $row->$field !== $before->$field) {
                $changes[] = "{$word}: “{$before->$field}” becomes “{$row->$field}”";
            }
        }
        $added = array_values(array_diff($row->groups, $before->groups));

        return $added === [] ? $changes : [...$changes, 'into '.implode(', ', $added)];
    }
}
