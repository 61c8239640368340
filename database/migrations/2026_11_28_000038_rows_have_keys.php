<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The rows of a table are known again by columns that somebody chooses. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('import_lines', function (Blueprint $table): void {
            $table->char('row_key', 64)->nullable();
            $table->index(['calendar_id', 'row_key']);
        });
        Schema::table('table_shapes', fn (Blueprint $table) => $table->json('keys')->nullable());
    }

    public function down(): void
    {
        Schema::table('table_shapes', fn (Blueprint $table) => $table->dropColumn('keys'));
        Schema::table('import_lines', function (Blueprint $table): void {
            $table->dropIndex(['calendar_id', 'row_key']);
            $table->dropColumn('row_key');
        });
    }
};
