<?php

declare(strict_types=1);

namespace PinnedRota\Core\Documents;

/** What the columns of a table are: told by what they are called, and by what is in them. */
final readonly class Columns
{
    /** What a column is called whose table names its events itself (RFC 5545, 3.8.4.7). */
    private const OWN_KEYS = ['uid', 'event uid', 'event id'];

    /** Of so many rows it is looked what is in them. */
    private const LOOKED = 60;

    /**
     * @param  int  $head  the row that names them, from 0; -1 where none does
     * @param  array<int, ColumnRole>  $roles  by column
     * @param  array<int, string>  $names  as the head has them, by column
     * @param  list<int>  $keys  those that tell its rows apart
     */
    public function __construct(public int $head, public array $roles, public array $names, public array $keys = [])
    {
    }

    /**
     * @param  list<list<string>>  $rows
     * @param  callable(string): ChosenColumns  $chosen  what somebody says of them, by the shape of the table
     */
    public static function of(array $rows, Reading $reading, Context $context, callable $chosen): self
    {
        $head = self::headOf($rows, $reading, $context);
        $names = $head < 0 ? [] : $rows[$head];
        $below = array_slice($rows, $head + 1, self::LOOKED);
        $width = $rows === [] ? 0 : max(array_map(count(...), $rows));
        $contents = [];
        for ($column = 0; $column < $width; $column++) {
            $contents[$column] = ColumnContents::of(array_values(array_filter(array_map(static fn (array $row): string => $row[$column] ?? '', $below), static fn (string $cell): bool => $cell !== '')), $reading, $context);
        }

        $said = $chosen(self::shape($names));

        $keys = $said->isNothing() ? self::ownKeys($names, array_slice($rows, $head + 1)) : $said->keys;

        return new self($head, self::put(self::roles($names, $contents), $said->roles), $names, $keys);
    }

    /**
     * By what tables are alike: what their columns are called. Empty where nothing names them.
     *
     * @param  array<int, string>  $names
     */
    public static function shape(array $names): string
    {
        $said = array_map(self::plain(...), $names);

        return implode('', $said) === '' ? '' : hash('sha256', implode('|', $said));
    }

    /**
     * @param  array<int, ColumnRole>  $roles
     * @param  array<int, ColumnRole>  $chosen
     * @return array<int, ColumnRole> of two columns that would say the same, the one that was chosen says it
     */
    private static function put(array $roles, array $chosen): array
    {
        foreach ($chosen as $role) {
            $roles = array_filter($roles, static fn (ColumnRole $each): bool => $each !== $role || $role === ColumnRole::Moment);
        }

        return array_replace($roles, $chosen);
    }

    /**
     * What tells a row from the others: empty where nothing does, or the row says nothing of it.
     *
     * @param  list<string>  $row
     */
    public function key(array $row): string
    {
        $said = [];
        foreach ($this->keys as $column) {
            $said[] = self::plain($this->names[$column] ?? (string) $column).'='.mb_strtolower(trim($row[$column] ?? ''));
        }

        return array_filter($this->keys, static fn (int $column): bool => trim($row[$column] ?? '') !== '') === [] ? '' : implode('|', $said);
    }

    /** @param  list<string>  $row */
    public function cell(array $row, ColumnRole $role): string
    {
        $column = array_search($role, $this->roles, true);

        return $column === false ? '' : trim($row[$column] ?? '');
    }

    /** What a column is called, however that is written. */
    private static function plain(string $name): string
    {
        return trim(mb_strtolower($name), ' :.*');
    }

    /**
     * A table that names its events itself, each otherwise, as calendars do.
     *
     * @param  list<string>  $names
     * @param  list<list<string>>  $below
     * @return list<int>
     */
    private static function ownKeys(array $names, array $below): array
    {
        foreach ($names as $column => $name) {
            $said = array_filter(array_map(static fn (array $row): string => trim($row[$column] ?? ''), $below), static fn (string $cell): bool => $cell !== '');
            if (in_array(self::plain($name), self::OWN_KEYS, true) && $said !== [] && count(array_unique($said)) === count($said)) {
                return [$column];
            }
        }

        return [];
    }

    /** @return array<int, string> columns of hours that are events by themselves, with what they are called */
    public function moments(): array
    {
        return array_intersect_key($this->names, array_filter($this->roles, static fn (ColumnRole $role): bool => $role === ColumnRole::Moment));
    }

    /**
     * The first row with names in several columns and no day in it, above one with a day.
     *
     * @param  list<list<string>>  $rows
     */
    private static function headOf(array $rows, Reading $reading, Context $context): int
    {
        foreach (array_slice($rows, 0, 10) as $index => $row) {
            $said = array_filter($row, static fn (string $cell): bool => $cell !== '');
            if (count($said) > 1 && count(array_unique($said)) > 1) {
                foreach ($said as $cell) {
                    if ((CellWhen::of($cell, $reading, $context)->day ?? null) !== null && ! CellWhen::isWeekday($cell)) {
                        return $index - 1 >= 0 && count(array_unique(array_filter($rows[$index - 1], static fn (string $above): bool => $above !== ''))) > 1 ? $index - 1 : (self::isGridHead($row, $reading, $context) ? $index : -1);
                    }
                }
            }
        }

        return -1;
    }

    /** @param  list<string>  $row */
    private static function isGridHead(array $row, Reading $reading, Context $context): bool
    {
        return count(array_filter(array_slice($row, 1), static fn (string $cell): bool => (CellWhen::of($cell, $reading, $context)->day ?? null) !== null)) > 1;
    }

    /**
     * @param  list<string>  $names
     * @param  array<int, ColumnContents>  $contents
     * @return array<int, ColumnRole>
     */
    private static function roles(array $names, array $contents): array
    {
        $roles = [];
        $take = static function (ColumnRole $role, callable $fits) use (&$roles, $names, $contents): void {
            foreach ($contents as $column => $each) {
                if (! isset($roles[$column]) && ! in_array($role, $roles, true) && $fits($each, $names[$column] ?? '')) {
                    $roles[$column] = $role;
                }
            }
        };
        $named = static fn (ColumnRole $role): callable => static fn (ColumnContents $of, string $name): bool => $role->isNamed($name);
        foreach (array_keys($contents) as $column) {
            if (ColumnRole::Nothing->isNamed($names[$column] ?? '') && ! $contents[$column]->days) {
                $roles[$column] = ColumnRole::Nothing;
            }
        }
        $take(ColumnRole::Weekday, static fn (ColumnContents $of): bool => $of->weekdays);
        $take(ColumnRole::Date, static fn (ColumnContents $of, string $name): bool => $of->days && ColumnRole::Date->isNamed($name));
        $take(ColumnRole::Date, static fn (ColumnContents $of): bool => $of->days);
        $take(ColumnRole::EndDate, static fn (ColumnContents $of, string $name): bool => $of->days && ColumnRole::EndDate->isNamed($name));
        $take(ColumnRole::Part, static fn (ColumnContents $of): bool => $of->parts);
        $take(ColumnRole::Length, static fn (ColumnContents $of, string $name): bool => ColumnRole::Length->isNamed($name));
        $take(ColumnRole::Time, static fn (ColumnContents $of, string $name): bool => $of->hours && ColumnRole::Time->isNamed($name));
        $take(ColumnRole::End, static fn (ColumnContents $of, string $name): bool => $of->hours && ColumnRole::End->isNamed($name));
        foreach ([ColumnRole::AllDay, ColumnRole::Calendar, ColumnRole::Category, ColumnRole::Status, ColumnRole::Link, ColumnRole::Place, ColumnRole::Description, ColumnRole::Responsible, ColumnRole::Participants, ColumnRole::Title] as $role) {
            $take($role, static fn (ColumnContents $of, string $name): bool => ! $of->days && ! $of->hours && $named($role)($of, $name));
        }
        $take(ColumnRole::Place, static fn (ColumnContents $of): bool => $of->places);
        $take(ColumnRole::Title, static fn (ColumnContents $of): bool => $of->words);
        // Where nothing is called a title, it is whose the row is.
        foreach ([ColumnRole::Participants, ColumnRole::Responsible] as $role) {
            $column = in_array(ColumnRole::Title, $roles, true) ? false : array_search($role, $roles, true);
            if ($column !== false) {
                $roles[$column] = ColumnRole::Title;
            }
        }
        // Beside what they begin at stands what they end at.
        if (in_array(ColumnRole::Title, $roles, true)) {
            $take(ColumnRole::Time, static fn (ColumnContents $of): bool => $of->hours);
            $take(ColumnRole::End, static fn (ColumnContents $of): bool => $of->hours);
        }
        // Hours that nothing else is at are so of what their columns are called.
        foreach ($contents as $column => $each) {
            if (! isset($roles[$column]) && $each->hours) {
                $roles[$column] = ColumnRole::Moment;
            }
        }
        $take(ColumnRole::Place, static fn (ColumnContents $of, string $name): bool => $of->words && $name === '');

        return $roles;
    }
}
