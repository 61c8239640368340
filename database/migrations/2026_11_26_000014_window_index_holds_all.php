<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** A window is read from its index alone: looking each time up in the table took as long as all the rest of it. */
    public function up(): void
    {
        // In one step, since the foreign key of the calendar needs an index at every moment.
        DB::statement('ALTER TABLE occurrences DROP INDEX occurrences_window, ADD INDEX occurrences_window (calendar_id, span, starts_at, ends_at, event_id, series_id, recurrence_id)');
    }
};
