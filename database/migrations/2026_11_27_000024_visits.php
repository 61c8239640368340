<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** When somebody was here last, and since when they are told what changed. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('visits', function (Blueprint $table): void {
            $table->foreignId('person_id')->primary()->constrained('people')->cascadeOnDelete();
            $table->dateTime('since');
            $table->dateTime('last_at');
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('visits');
    }
};
