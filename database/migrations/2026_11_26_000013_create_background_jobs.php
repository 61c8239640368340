<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Long work is done in the background, and is asked after as a job; what was done under a key is told by the key itself. */
    public function up(): void
    {
        Schema::create('background_jobs', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('kind', 20);
            // What it is about, in the words of whoever sees it: a file, a calendar.
            $table->string('title', 250);
            $table->foreignId('calendar_id')->nullable()->constrained('calendars')->nullOnDelete();
            $table->longText('input');
            $table->string('state', 10);
            $table->unsignedTinyInteger('attempts')->default(0);
            $table->text('outcome')->nullable();
            $table->text('problem')->nullable();
            $table->dateTime('queued_at');
            $table->dateTime('started_at')->nullable();
            $table->dateTime('ended_at')->nullable();
            $table->dateTime('seen_at')->nullable();
            $table->timestamp('created_at')->useCurrent();
            $table->index(['person_id', 'ended_at']);
            $table->index(['state', 'queued_at']);
        });
        // Written beside the transaction of the work, so that it can be read while that goes on: no foreign key, which would wait for it.
        Schema::create('job_progress', function (Blueprint $table): void {
            $table->unsignedBigInteger('job_id')->primary();
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('total')->default(0);
            $table->boolean('cancelled')->default(false);
        });
        Schema::table('operations', fn (Blueprint $table) => $table->dropColumn('key'));
    }
};
