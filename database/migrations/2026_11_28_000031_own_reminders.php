<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Of what somebody wants to be reminded, and of what they were. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('own_reminders', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            $table->unsignedInteger('minutes');
            $table->dateTime('created_at');
            $table->unique(['person_id', 'event_id', 'minutes']);
            $table->index('event_id');
        });
        Schema::create('reminders_sent', function (Blueprint $table): void {
            $table->foreignId('reminder_id')->constrained('own_reminders')->cascadeOnDelete();
            $table->string('recurrence_id', 20);
            $table->dateTime('starts_at');
            $table->primary(['reminder_id', 'recurrence_id', 'starts_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('reminders_sent');
        Schema::dropIfExists('own_reminders');
    }
};
