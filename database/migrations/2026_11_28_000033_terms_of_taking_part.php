<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** When an event asks, how long it takes to get there, and what is remarked on it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('events', function (Blueprint $table): void {
            $table->string('ask_when', 20)->nullable();
            $table->unsignedSmallInteger('travel_minutes')->nullable();
        });
        Schema::table('calendars', function (Blueprint $table): void {
            // Whether its provisional events ask those who are to take part, unless they say otherwise.
            $table->boolean('asks_provisional')->default(false);
            $table->boolean('remarks')->default(false);
        });
        Schema::create('event_remarks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            // The name of the time that is meant, of a series; empty: all of it.
            $table->string('recurrence_id', 20)->default('');
            $table->foreignId('person_id')->nullable()->constrained('people')->nullOnDelete();
            $table->text('text');
            $table->dateTime('created_at');
        });
        Schema::create('event_remark_mutes', function (Blueprint $table): void {
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            $table->primary(['person_id', 'event_id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('event_remark_mutes');
        Schema::dropIfExists('event_remarks');
        Schema::table('calendars', fn (Blueprint $table) => $table->dropColumn(['asks_provisional', 'remarks']));
        Schema::table('events', fn (Blueprint $table) => $table->dropColumn(['ask_when', 'travel_minutes']));
    }
};
