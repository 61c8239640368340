<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // One thing that was done with events: it is undone and done again as a whole.
        Schema::create('operations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->nullable()->constrained('people')->nullOnDelete();
            $table->string('kind', 20);
            // By what it came about (see App\Events\Write\Cause).
            $table->string('cause', 20);
            // Named by whoever asked for it, so that it is done once and can be asked after when no answer came.
            $table->uuid('key')->nullable()->unique();
            $table->dateTime('undone_at')->nullable();
            $table->timestamp('created_at')->useCurrent();
            $table->index('created_at');
        });
        Schema::create('operation_series', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('operation_id')->constrained('operations')->cascadeOnDelete();
            // Of the head of the series; it may be gone and come back under the same, so it is no foreign key.
            $table->unsignedBigInteger('series_id')->index();
            // The series as the database had it (see App\Events\Write\SeriesState).
            $table->longText('before')->nullable();
            $table->longText('after')->nullable();
        });
        // What changed on a calendar last, series by series: what somebody who was here before has to read again.
        Schema::create('series_changes', function (Blueprint $table): void {
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            // Of the head; the series may be gone.
            $table->unsignedBigInteger('series_id');
            $table->string('uid', 255)->collation('utf8mb4_bin');
            // That of the calendar (calendars.revision) by this change.
            $table->unsignedBigInteger('revision');
            $table->boolean('deleted');
            $table->timestamp('changed_at')->useCurrent()->index();
            $table->primary(['calendar_id', 'series_id']);
            $table->index(['calendar_id', 'revision']);
        });
    }
};
