<?php

namespace App\Imports;

use App\Directory\Person;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Documents\ChosenColumns;
use PinnedRota\Core\Documents\ColumnRole;
use PinnedRota\Core\Documents\ReadTable;

/** What somebody has said of the columns of a table: known again where a table comes whose columns are called alike. */
final class TableShapes
{
    public function of(Person $person, string $shape): ChosenColumns
    {
        $said = $shape === '' ? null : DB::table('table_shapes')->where('person_id', $person->id)->where('shape', $shape)->first(['roles', 'keys']);

        return $said === null ? new ChosenColumns : new ChosenColumns(self::roles(self::decoded($said->roles)), self::decoded($said->keys ?? '[]'));
    }

    /**
     * @param  array<int, ReadTable>  $tables  by their number
     * @param  array<int, array<int, string>>  $roles  by column, by the number of the table
     * @param  array<int, list<int>>  $keys  columns, by the number of the table
     */
    public function remember(Person $person, array $tables, array $roles, array $keys): void
    {
        foreach ($roles as $number => $chosen) {
            $shape = $tables[$number]->shape ?? '';
            if ($shape !== '') {
                DB::table('table_shapes')->upsert([
                    'person_id' => $person->id, 'shape' => $shape,
                    'roles' => json_encode($chosen, JSON_THROW_ON_ERROR | JSON_FORCE_OBJECT), 'keys' => json_encode($keys[$number] ?? [], JSON_THROW_ON_ERROR),
                ], ['person_id', 'shape'], ['roles', 'keys']);
            }
        }
    }

    /**
     * @param  array<int, array<int, string>>  $roles  by column, by the number of the table
     * @param  array<int, list<int>>  $keys  columns, by the number of the table
     * @return array<int, ChosenColumns> by the number of the table
     */
    public static function chosen(array $roles, array $keys): array
    {
        $chosen = [];
        foreach ($roles as $number => $some) {
            $chosen[$number] = new ChosenColumns(self::roles($some), $keys[$number] ?? []);
        }

        return $chosen;
    }

    /**
     * @param  array<int, string>  $roles
     * @return array<int, ColumnRole> a role that is known no more is none
     */
    private static function roles(array $roles): array
    {
        return array_filter(array_map(ColumnRole::tryFrom(...), $roles));
    }

    /** @return array<int, mixed> */
    private static function decoded(string $json): array
    {
        return json_decode($json, true, flags: JSON_THROW_ON_ERROR);
    }
}
