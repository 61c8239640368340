<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** A pin has a name of its own: whoever may take it off need not see the calendar that it is on. Those that are there are numbered. */
    public function up(): void
    {
        DB::statement('ALTER TABLE event_pins ADD COLUMN id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT FIRST, ADD UNIQUE KEY event_pins_id_unique (id)');
    }
};
