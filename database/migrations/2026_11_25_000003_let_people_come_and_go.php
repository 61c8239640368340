<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use PinnedRota\Core\ICalendar\DetailsText;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('people', function (Blueprint $table): void {
            // Null until the person has come in for the first time.
            $table->string('password')->nullable()->change();
            $table->json('working_hours')->nullable();
            $table->timestamp('invited_at')->nullable();
        });
        Schema::create('password_reset_tokens', function (Blueprint $table): void {
            $table->string('email', 190)->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });
        Schema::table('calendars', function (Blueprint $table): void {
            // Null: as the reader has it.
            $table->string('first_day', 2)->nullable();
            $table->string('opening_view', 10)->nullable();
            // Whether who adds events may add categories that the calendar does not have.
            $table->boolean('free_categories')->default(true);
            // Whether it is on the list of everyone who may read it, until they take it off.
            $table->boolean('offered')->default(true);
            $table->timestamp('archived_at')->nullable();
        });
        Schema::table('categories', function (Blueprint $table): void {
            $table->string('colour', 20)->nullable();
        });
        // What somebody chose of their own list; who has not chosen has what PinnedRota\Core\Access\OwnList says.
        Schema::create('calendar_choices', function (Blueprint $table): void {
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            $table->boolean('chosen');
            $table->primary(['person_id', 'calendar_id']);
        });
        Schema::create('invitations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('level', 12);
            $table->foreignId('given_by')->nullable()->constrained('people')->nullOnDelete();
            $table->timestamp('answered_at')->nullable();
            $table->boolean('accepted')->nullable();
            $table->timestamps();
            $table->unique(['calendar_id', 'person_id']);
            $table->index(['person_id', 'answered_at']);
        });
        Schema::create('access_requests', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('level', 12);
            $table->string('message', 500)->default('');
            $table->foreignId('decided_by')->nullable()->constrained('people')->nullOnDelete();
            $table->timestamp('decided_at')->nullable();
            $table->string('given', 12)->nullable();
            $table->timestamp('seen_at')->nullable();
            $table->timestamps();
            $table->index(['calendar_id', 'decided_at']);
            $table->index(['person_id', 'decided_at']);
        });
        // Who takes part in an event, by mail address: derived from its details, for asking about many events at once.
        Schema::create('event_participants', function (Blueprint $table): void {
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            $table->string('address', 190);
            $table->primary(['event_id', 'address']);
            $table->index('address');
        });
        foreach (DB::table('events')->where('details', 'like', '%ATTENDEE%')->lazyById(500) as $row) {
            foreach (DetailsText::read((string) $row->details)['participants'] as $participant) {
                if ($participant->mailAddress() !== '' && strlen($participant->mailAddress()) <= 190) {
                    DB::table('event_participants')->insertOrIgnore(['event_id' => $row->id, 'address' => $participant->mailAddress()]);
                }
            }
        }
        Schema::create('activity_log', function (Blueprint $table): void {
            $table->id();
            $table->string('log_name')->nullable()->index();
            $table->text('description');
            $table->nullableMorphs('subject', 'subject');
            $table->string('event')->nullable();
            $table->nullableMorphs('causer', 'causer');
            $table->json('properties')->nullable();
            $table->uuid('batch_uuid')->nullable();
            $table->timestamps();
        });
    }
};
