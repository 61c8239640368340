<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** In which zone the end of an event was told, where that is another than the start's. */
    public function up(): void
    {
        Schema::table('events', function (Blueprint $table): void {
            $table->string('end_timezone', 4000)->nullable()->after('timezone');
        });
    }
};
