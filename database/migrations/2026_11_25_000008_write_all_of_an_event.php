<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\ICalendar\DetailsText;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('events', function (Blueprint $table): void {
            // Null: as the layer that shows it has it.
            $table->string('colour', 20)->nullable()->after('priority');
            // Whether whoever may read it may join it; on the head.
            $table->boolean('joinable')->default(false)->after('colour');
            // The event that this one is a copy of; it may be gone.
            $table->unsignedBigInteger('copied_from')->nullable()->after('import_id');
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
            $table->string('path', 200);
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
        Schema::create('rooms', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120)->unique();
            $table->timestamps();
        });
        Schema::table('operations', function (Blueprint $table): void {
            // Named by whoever asked for it, so that it is done once and can be asked after when no answer came.
            $table->uuid('key')->nullable()->unique();
            // What a pin or its taking off was about: the event, the calendar, whether it was joined.
            $table->json('about')->nullable();
        });
        // Groups that take part are asked for like people, by what they go by.
        foreach (DB::table('events')->where('details', 'like', '%urn:pinned-rota:group:%')->lazyById(500) as $row) {
            foreach (DetailsText::read((string) $row->details)['participants'] as $participant) {
                if (Participants::groupId($participant) !== null) {
                    DB::table('event_participants')->insertOrIgnore(['event_id' => $row->id, 'address' => Participants::indexAddress($participant), 'role' => $participant->role->value, 'answer' => $participant->answer->value]);
                }
            }
        }
    }
};
