<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Categories that were deleted, with the events that had them, for as long as what is deleted is kept. */
    public function up(): void
    {
        Schema::create('deleted_categories', function (Blueprint $table): void {
            // The id that the category had, and has again once it is restored.
            $table->unsignedBigInteger('id')->primary();
            $table->foreignId('calendar_id')->nullable()->constrained('calendars')->cascadeOnDelete();
            $table->string('name', 80);
            $table->boolean('closes_day');
            $table->string('colour', 20)->nullable();
            $table->json('event_ids');
            $table->timestamp('deleted_at')->useCurrent()->index();
        });
    }
};
