<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('feeds', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            // The reader or the place that it is for.
            $table->string('name', 120);
            $table->string('detail', 10)->default('full');
            $table->char('token_hash', 64)->unique();
            $table->foreignId('created_by')->constrained('people')->cascadeOnDelete();
            $table->timestamp('last_fetched_at')->nullable();
            $table->timestamp('revoked_at')->nullable();
            $table->timestamps();
        });
        Schema::create('sources', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('calendar_id')->unique()->constrained('calendars')->cascadeOnDelete();
            $table->string('url', 2000);
            $table->unsignedInteger('refresh_minutes');
            $table->string('etag', 255)->nullable();
            $table->string('last_modified', 64)->nullable();
            $table->timestamp('succeeded_at')->nullable();
            $table->timestamp('next_refresh_at')->nullable()->index();
            $table->string('error', 500)->nullable();
            $table->foreignId('created_by')->nullable()->constrained('people')->nullOnDelete();
            $table->timestamps();
        });
        Schema::create('refreshes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('source_id')->constrained('sources')->cascadeOnDelete();
            $table->timestamp('at')->useCurrent();
            $table->json('counts')->nullable();
            $table->string('error', 500)->nullable();
            $table->index(['source_id', 'at']);
        });
    }
};
