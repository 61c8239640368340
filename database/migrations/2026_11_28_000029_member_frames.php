<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Frames on other sites in which people sign in. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('member_frames', function (Blueprint $table): void {
            $table->id();
            $table->char('key', 32)->unique();
            $table->foreignId('calendar_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('overlay_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('view', 10);
            $table->boolean('may_change');
            $table->foreignId('made_by')->constrained('people')->cascadeOnDelete();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('member_frames');
    }
};
