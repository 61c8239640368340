<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What was brought in stays to be looked up: as which operation, from which line of which document; and what columns of a table are is remembered. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('imports', fn (Blueprint $table) => $table->foreignId('operation_id')->nullable()->constrained('operations')->nullOnDelete());
        Schema::create('import_lines', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('import_id')->constrained('imports')->cascadeOnDelete();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            $table->string('uid', 255)->collation('utf8mb4_bin');
            $table->unsignedInteger('line');
            $table->string('said', 300);
            $table->char('fingerprint', 64);
            $table->index(['calendar_id', 'uid', 'import_id']);
        });
        Schema::create('table_shapes', function (Blueprint $table): void {
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->char('shape', 64);
            $table->json('roles');
            $table->primary(['person_id', 'shape']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('table_shapes');
        Schema::dropIfExists('import_lines');
        Schema::table('imports', fn (Blueprint $table) => $table->dropConstrainedForeignId('operation_id'));
    }
};
