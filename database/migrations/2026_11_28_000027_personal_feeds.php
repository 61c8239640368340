<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Feeds of overlays and of all that somebody reads, for themselves or for others, with a filter, so far back, and with reminders. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('feeds', function (Blueprint $table): void {
            $table->unsignedBigInteger('calendar_id')->nullable()->change();
            $table->foreignId('overlay_id')->nullable()->constrained()->cascadeOnDelete();
            // Whoever made it for themselves has it; the token is kept encrypted, for them to see again. Of those made before it is lost.
            $table->boolean('personal')->default(false);
            $table->text('token')->nullable();
            $table->unsignedSmallInteger('weeks_back')->nullable();
            $table->unsignedSmallInteger('reminder_minutes')->nullable();
            $table->json('conditions')->nullable();
            $table->string('fetched_by', 40)->nullable();
            $table->unsignedInteger('version')->default(1);
        });
    }

    public function down(): void
    {
        Schema::table('feeds', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('overlay_id');
            $table->dropColumn(['personal', 'token', 'weeks_back', 'reminder_minutes', 'conditions', 'fetched_by', 'version']);
        });
    }
};
