<?php

namespace App\Imports;

use App\Directory\Person;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Documents\ColumnRole;
use PinnedRota\Core\Documents\ReadTable;

/** What somebody has said that columns of a table are: known again where a table comes whose columns are called alike. */
final class TableShapes
{
    /** @return array<int, ColumnRole> by column */
    public function of(Person $person, string $shape): array
    {
        $roles = $shape === '' ? null : DB::table('table_shapes')->where('person_id', $person->id)->where('shape', $shape)->value('roles');

        return $roles === null ? [] : self::roles(json_decode($roles, true, flags: JSON_THROW_ON_ERROR));
    }

    /**
     * @param  array<int, ReadTable>  $tables  by their number
     * @param  array<int, array<int, string>>  $chosen  roles by column, by the number of the table
     */
    public function remember(Person $person, array $tables, array $chosen): void
    {
        foreach ($chosen as $number => $roles) {
            $shape = $tables[$number]->shape ?? '';
            if ($shape !== '') {
                DB::table('table_shapes')->upsert(['person_id' => $person->id, 'shape' => $shape, 'roles' => json_encode($roles, JSON_THROW_ON_ERROR | JSON_FORCE_OBJECT)], ['person_id', 'shape'], ['roles']);
            }
        }
    }

    /**
     * @param  array<int, string>  $roles
     * @return array<int, ColumnRole> a role that is known no more is none
     */
    public static function roles(array $roles): array
    {
        return array_filter(array_map(ColumnRole::tryFrom(...), $roles));
    }
}
