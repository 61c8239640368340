<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // One thing that somebody did with events: it is undone and done again as a whole.
        Schema::create('operations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->nullable()->constrained('people')->nullOnDelete();
            $table->string('what', 20);
            $table->dateTime('undone_at')->nullable();
            $table->timestamp('created_at')->useCurrent();
            $table->index('created_at');
        });
        Schema::create('operation_series', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('operation_id')->constrained('operations')->cascadeOnDelete();
            // Of the head of the series; it may be gone and come back under the same.
            $table->unsignedBigInteger('head_id')->index();
            $table->longText('before')->nullable();
            $table->longText('after')->nullable();
        });
    }
};
