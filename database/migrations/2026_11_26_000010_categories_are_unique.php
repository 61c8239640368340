<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** Two who wrote the same new category at one moment made two of it. They become one, the first, and cannot be two again. */
    public function up(): void
    {
        $twice = DB::table('categories')->selectRaw('MIN(id) AS stays, calendar_id, name')->groupBy('calendar_id', 'name')->havingRaw('COUNT(*) > 1')->get();
        foreach ($twice as $one) {
            $others = DB::table('categories')->where('calendar_id', $one->calendar_id)->where('name', $one->name)->where('id', '!=', $one->stays)->pluck('id');
            DB::table('event_category')->insertUsing(
                ['event_id', 'category_id'],
                DB::table('event_category')->whereIn('category_id', $others)->whereNotIn('event_id', DB::table('event_category')->where('category_id', $one->stays)->select('event_id'))->distinct()->selectRaw('event_id, ?', [$one->stays]),
            );
            DB::table('categories')->whereIn('id', $others)->delete();
        }
        // Those of the organisation have no calendar, and would be as many as one likes under a plain index.
        DB::statement('ALTER TABLE categories ADD COLUMN scope BIGINT UNSIGNED AS (COALESCE(calendar_id, 0)) PERSISTENT, ADD UNIQUE KEY categories_scope_name_unique (scope, name)');
    }
};
