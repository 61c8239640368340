<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('imports', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            $table->foreignId('created_by')->constrained('people')->cascadeOnDelete();
            $table->string('file_name', 255);
            $table->string('path', 255)->nullable();
            $table->json('counts')->nullable();
            $table->timestamp('applied_at')->nullable();
            $table->timestamps();
        });
        Schema::create('events', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            // The head of the series that this row changes one occurrence of; null for a head.
            $table->foreignId('series_id')->nullable()->constrained('events')->cascadeOnDelete();
            $table->string('uid', 255)->collation('utf8mb4_bin');
            // The original start of a changed occurrence (see PinnedRota\Core\Events\RecurrenceId).
            $table->string('recurrence_id', 20)->nullable();
            $table->boolean('and_following')->default(false);
            $table->string('title', 500);
            $table->string('time_kind', 10);
            $table->dateTime('starts_local');
            $table->dateTime('ends_local');
            // The id of a zone: its IANA name, or all that a file said of it.
            $table->string('timezone', 4000)->nullable();
            // Where the author gave a length; the end is what it makes of the start.
            $table->string('duration', 40)->nullable();
            $table->boolean('repeats')->default(false);
            // False where a series has more occurrences than the index takes: it is expanded when it is looked at.
            $table->boolean('indexed')->default(true);
            // Content lines of RRULE, RDATE and EXDATE; up to 10,000 extra and skipped dates.
            $table->mediumText('recurrence')->nullable();
            $table->string('place', 500)->default('');
            $table->text('description');
            $table->string('link', 2000)->default('');
            $table->string('status', 12)->default('confirmed');
            $table->boolean('busy')->default(true);
            $table->boolean('private')->default(false);
            // So that a window asks of those events alone who takes part.
            $table->boolean('has_participants')->default(false);
            $table->unsignedTinyInteger('priority')->default(0);
            // Null: as the layer that shows it has it.
            $table->string('colour', 20)->nullable();
            // Whether whoever may see it may join it; on the head.
            $table->boolean('joinable')->default(false);
            $table->unsignedInteger('sequence')->default(0);
            // Content lines: reminders, and what is kept as it came (see PinnedRota\Core\ICalendar\DetailsText).
            $table->mediumText('details')->nullable();
            // What came in last under this UID by import or source; null for what was written here.
            $table->char('fingerprint', 64)->nullable();
            $table->foreignId('import_id')->nullable()->constrained('imports')->nullOnDelete();
            // The event that this one is a copy of.
            $table->foreignId('copied_from')->nullable()->constrained('events')->nullOnDelete();
            $table->foreignId('created_by')->nullable()->constrained('people')->nullOnDelete();
            $table->foreignId('updated_by')->nullable()->constrained('people')->nullOnDelete();
            // Of the whole series, on its head.
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->softDeletes();
            $table->index(['calendar_id', 'repeats', 'indexed']);
        });
        // Of live heads a calendar has each UID once.
        DB::statement('ALTER TABLE events ADD live_uid VARCHAR(255) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin AS (IF(series_id IS NULL AND deleted_at IS NULL, uid, NULL)) VIRTUAL, ADD UNIQUE events_live_uid (calendar_id, live_uid), ADD INDEX events_uid (calendar_id, uid)');
        // Every word counts: people type “varnish the gig”, and other languages have words that look like English stopwords.
        DB::statement('SET SESSION innodb_ft_enable_stopword = OFF');
        Schema::table('events', function (Blueprint $table): void {
            $table->fullText(['title', 'place', 'description'], 'events_words');
        });
        Schema::create('event_category', function (Blueprint $table): void {
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            $table->foreignId('category_id')->constrained('categories')->cascadeOnDelete();
            $table->primary(['event_id', 'category_id']);
        });
        Schema::create('event_participants', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            $table->unsignedSmallInteger('position');
            // Whoever asks the others (ORGANIZER); null where that is who added the event.
            $table->boolean('organizer')->default(false);
            // Whom of the directory it is; none of them for anybody else.
            $table->foreignId('person_id')->nullable()->constrained('people')->nullOnDelete();
            $table->foreignId('group_id')->nullable()->constrained('groups')->nullOnDelete();
            $table->foreignId('room_id')->nullable()->constrained('rooms')->nullOnDelete();
            $table->string('address', 500);
            $table->string('name', 200)->default('');
            $table->string('kind', 20);
            $table->string('role', 20);
            $table->string('answer', 20);
            // Whether an answer is asked of them (RSVP).
            $table->boolean('asked')->default(false);
            // What else a file says of them.
            $table->json('parameters')->nullable();
            $table->rawIndex('address(120)', 'event_participants_address');
        });
        // Further calendars on which a series shows, by its head; one event, wherever it shows.
        Schema::create('event_pins', function (Blueprint $table): void {
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            $table->foreignId('pinned_by')->nullable()->constrained('people')->nullOnDelete();
            // Whether whoever pinned it joined it by that.
            $table->boolean('joined')->default(false);
            $table->timestamp('created_at')->useCurrent();
            $table->primary(['event_id', 'calendar_id']);
            $table->index('calendar_id');
            $table->index(['pinned_by', 'joined']);
        });
        Schema::create('event_attachments', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            $table->string('name', 200);
            $table->string('type', 120);
            $table->unsignedInteger('size');
            $table->string('path', 200)->index();
            $table->foreignId('added_by')->nullable()->constrained('people')->nullOnDelete();
            $table->timestamp('created_at')->useCurrent();
        });
        Schema::create('event_tasks', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            $table->unsignedSmallInteger('position');
            $table->string('title', 200);
            // Days from the day on which the event starts; negative is before it.
            $table->smallInteger('days');
            $table->foreignId('doer_id')->nullable()->constrained('people')->nullOnDelete();
            $table->index('doer_id');
        });
        // What is done, of each time of a series on its own; the time of a single event has no name.
        Schema::create('event_task_done', function (Blueprint $table): void {
            $table->foreignId('task_id')->constrained('event_tasks')->cascadeOnDelete();
            $table->string('recurrence_id', 20)->default('');
            $table->foreignId('done_by')->nullable()->constrained('people')->nullOnDelete();
            $table->timestamp('done_at')->useCurrent();
            $table->primary(['task_id', 'recurrence_id']);
        });
        Schema::create('occurrences', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            // Whose contents hold: the head of the series or a changed occurrence.
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            $table->foreignId('series_id')->constrained('events')->cascadeOnDelete();
            $table->string('recurrence_id', 20)->nullable();
            // UTC for zoned times; for dates and floating times the wall time as though it were UTC.
            $table->dateTime('starts_at');
            $table->dateTime('ends_at');
            // Class of length (see App\Occurrences\OccurrenceSpan): lets a window be read as ranges of starts.
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
