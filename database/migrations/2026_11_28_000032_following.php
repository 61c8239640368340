<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What somebody follows, what they are told of it, and when. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('notice_batches', function (Blueprint $table): void {
            $table->id();
            // When all of it was told to those who hear of it as it happens.
            $table->dateTime('told_at')->nullable()->index();
            $table->dateTime('created_at');
        });
        // What was done with events, in the order in which it was: an operation, its undoing, its being done again.
        Schema::create('operation_steps', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('operation_id')->constrained('operations')->cascadeOnDelete();
            $table->foreignId('person_id')->nullable()->constrained('people')->nullOnDelete();
            $table->boolean('back')->default(false);
            // Nobody is written to of it; it is told where they look.
            $table->boolean('quiet')->default(false);
            $table->dateTime('due_at');
            $table->foreignId('batch_id')->nullable()->constrained('notice_batches')->cascadeOnDelete();
            $table->dateTime('created_at');
            $table->index(['batch_id', 'due_at']);
        });
        Schema::create('follows', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('kind', 20);
            // Kind and ids in one: each is followed once.
            $table->string('target', 60);
            $table->foreignId('calendar_id')->nullable()->constrained('calendars')->cascadeOnDelete();
            $table->foreignId('category_id')->nullable()->constrained('categories')->cascadeOnDelete();
            $table->foreignId('overlay_id')->nullable()->constrained('overlays')->cascadeOnDelete();
            $table->foreignId('followed_id')->nullable()->constrained('people')->cascadeOnDelete();
            $table->foreignId('event_id')->nullable()->constrained('events')->cascadeOnDelete();
            $table->json('wanted');
            $table->string('pace', 10);
            $table->boolean('by_mail');
            $table->boolean('in_inbox');
            $table->timestamps();
            $table->unique(['person_id', 'target']);
        });
        Schema::create('notices', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->foreignId('batch_id')->constrained('notice_batches')->cascadeOnDelete();
            $table->string('pace', 10);
            $table->mediumText('lines');
            $table->boolean('in_inbox');
            $table->dateTime('read_at')->nullable();
            $table->dateTime('created_at');
            $table->unique(['person_id', 'batch_id', 'pace']);
            $table->index(['person_id', 'in_inbox', 'read_at']);
            $table->index('created_at');
        });
        Schema::create('digests', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('pace', 10);
            $table->unsignedTinyInteger('hour')->default(7);
            $table->unsignedTinyInteger('weekday')->default(0);
            $table->boolean('by_mail')->default(true);
            // The last batch whose changes were in one, and the day of it.
            $table->unsignedBigInteger('last_batch')->default(0);
            $table->date('last_on')->nullable();
            $table->timestamps();
            $table->unique(['person_id', 'pace']);
        });
        Schema::table('people', function (Blueprint $table): void {
            $table->string('quiet_hours', 20)->default('');
        });
        Schema::table('calendars', function (Blueprint $table): void {
            // How those who manage it would follow it: a word to others, which binds nobody.
            $table->string('suggested_pace', 10)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('calendars', fn (Blueprint $table) => $table->dropColumn('suggested_pace'));
        Schema::table('people', fn (Blueprint $table) => $table->dropColumn('quiet_hours'));
        foreach (['digests', 'notices', 'follows', 'operation_steps', 'notice_batches'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
