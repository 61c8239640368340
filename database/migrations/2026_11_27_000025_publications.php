<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What of calendars and overlays is given to whoever has no account. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('publications', function (Blueprint $table): void {
            $table->id();
            $table->string('name', 120);
            $table->foreignId('calendar_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('overlay_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('detail', 20);
            $table->string('audience', 20);
            $table->string('period', 20)->default('all');
            $table->unsignedSmallInteger('weeks_back')->default(0);
            $table->unsignedSmallInteger('weeks_on')->default(0);
            $table->boolean('followed')->default(true);
            $table->boolean('as_table')->default(false);
            $table->string('slug', 80)->nullable()->unique();
            // A digest to look it up by, and the token itself, encrypted, for whoever made it to see again.
            $table->char('token_hash', 64)->nullable()->unique();
            $table->text('token')->nullable();
            $table->char('former_hash', 64)->nullable()->unique();
            $table->dateTime('former_until')->nullable();
            $table->foreignId('published_by')->constrained('people')->cascadeOnDelete();
            $table->dateTime('paused_at')->nullable();
            $table->dateTime('ended_at')->nullable();
            $table->unsignedInteger('reads')->default(0);
            $table->dateTime('last_read_at')->nullable();
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('publications');
    }
};
