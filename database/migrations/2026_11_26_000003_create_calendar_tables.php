<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('calendars', function (Blueprint $table): void {
            $table->id();
            $table->string('slug', 80)->unique();
            $table->string('name', 120);
            $table->string('description', 2000)->default('');
            $table->string('colour', 20);
            $table->string('mark', 20);
            $table->string('timezone', 64);
            $table->string('keeper_kind', 10);
            $table->unsignedBigInteger('keeper_id');
            $table->foreignId('created_by')->nullable()->constrained('people')->nullOnDelete();
            // Null: as the reader has it.
            $table->string('first_day', 2)->nullable();
            $table->string('opening_view', 10)->nullable();
            // Whether who adds events may add categories that the calendar does not have.
            $table->boolean('free_categories')->default(true);
            // Whether it is on the list of everyone who may see it, until they take it off.
            $table->boolean('offered')->default(true);
            $table->timestamp('archived_at')->nullable();
            $table->unsignedInteger('version')->default(1);
            // Grows with every change of the calendar or its events: what an ETag of its contents is made of.
            $table->unsignedBigInteger('revision')->default(1);
            $table->timestamp('revised_at')->useCurrent();
            $table->timestamps();
            $table->softDeletes();
            $table->index(['keeper_kind', 'keeper_id']);
        });
        Schema::create('categories', function (Blueprint $table): void {
            $table->id();
            // Null: common to the organisation.
            $table->foreignId('calendar_id')->nullable()->constrained('calendars')->cascadeOnDelete();
            $table->string('name', 80);
            // Whether a day with an event of this category is a closed day.
            $table->boolean('closes_day')->default(false);
            $table->string('colour', 20)->nullable();
            $table->timestamps();
            $table->index(['calendar_id', 'name']);
        });
        Schema::create('grants', function (Blueprint $table): void {
            $table->id();
            $table->string('on_kind', 10);
            $table->unsignedBigInteger('on_id');
            $table->string('subject_kind', 10);
            // 0 for everyone and the public, which have no id, so that the unique index holds for them too.
            $table->unsignedBigInteger('subject_id')->default(0);
            $table->string('level', 12);
            $table->foreignId('given_by')->nullable()->constrained('people')->nullOnDelete();
            $table->timestamps();
            $table->unique(['on_kind', 'on_id', 'subject_kind', 'subject_id']);
            $table->index(['subject_kind', 'subject_id', 'on_kind']);
        });
        Schema::create('changes', function (Blueprint $table): void {
            $table->id();
            // Null: access, people or overlays, which concern everybody's lists.
            $table->foreignId('calendar_id')->nullable()->constrained('calendars')->cascadeOnDelete();
            $table->timestamp('created_at')->useCurrent()->index();
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
