<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('events', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            // The head of the series that this row changes one occurrence of; null for a head.
            $table->foreignId('series_id')->nullable()->constrained('events')->cascadeOnDelete();
            $table->string('uid', 255);
            // The original start of a changed occurrence (see PinnedRota\Core\Events\RecurrenceId).
            $table->string('recurrence_id', 20)->nullable();
            $table->string('title', 500);
            $table->string('time_kind', 10);
            $table->dateTime('starts_local');
            $table->dateTime('ends_local');
            $table->string('timezone', 64)->nullable();
            $table->string('duration', 40)->nullable();
            $table->boolean('repeats')->default(false);
            $table->text('recurrence')->nullable();
            $table->string('place', 500)->default('');
            $table->text('description');
            $table->string('link', 2000)->default('');
            $table->string('status', 12)->default('confirmed');
            $table->boolean('busy')->default(true);
            $table->boolean('private')->default(false);
            $table->unsignedTinyInteger('priority')->default(0);
            $table->unsignedInteger('sequence')->default(0);
            $table->json('extra')->nullable();
            // What came in last under this UID by import or source; null for what was written here.
            $table->char('fingerprint', 64)->nullable();
            $table->unsignedBigInteger('import_id')->nullable()->index();
            $table->foreignId('created_by')->nullable()->constrained('people')->nullOnDelete();
            $table->foreignId('updated_by')->nullable()->constrained('people')->nullOnDelete();
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->softDeletes();
            $table->index(['calendar_id', 'uid']);
            $table->index(['calendar_id', 'repeats', 'deleted_at']);
        });
        Schema::create('event_category', function (Blueprint $table): void {
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            $table->foreignId('category_id')->constrained('categories')->cascadeOnDelete();
            $table->primary(['event_id', 'category_id']);
        });
        Schema::create('occurrences', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('calendar_id');
            // Whose contents hold: the head of the series or a changed occurrence.
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            $table->foreignId('series_id')->index();
            $table->string('recurrence_id', 20)->nullable();
            // UTC for zoned times; for dates and floating times the wall time as though it were UTC.
            $table->dateTime('starts_at');
            $table->dateTime('ends_at');
            // Class of length (see App\Events\OccurrenceSpan): lets a window be read as ranges of starts.
            $table->unsignedTinyInteger('span');
            $table->index(['calendar_id', 'span', 'starts_at', 'ends_at'], 'occurrences_window');
        });
        Schema::create('occurrence_horizons', function (Blueprint $table): void {
            $table->id();
            $table->dateTime('from_at');
            $table->dateTime('to_at');
        });
    }
};
