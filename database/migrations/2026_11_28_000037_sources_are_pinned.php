<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** All of a source, what comes of it later too, can be pinned to further calendars. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('source_pins', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('source_id')->constrained('sources')->cascadeOnDelete();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            $table->foreignId('pinned_by')->nullable()->constrained('people')->nullOnDelete();
            $table->timestamp('created_at')->useCurrent();
            $table->unique(['source_id', 'calendar_id']);
        });
        Schema::table('event_pins', fn (Blueprint $table) => $table->foreignId('source_pin_id')->nullable()->constrained('source_pins')->nullOnDelete());
    }

    public function down(): void
    {
        Schema::table('event_pins', fn (Blueprint $table) => $table->dropConstrainedForeignId('source_pin_id'));
        Schema::dropIfExists('source_pins');
    }
};
