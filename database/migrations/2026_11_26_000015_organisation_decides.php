<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** What the organisation decides for all of its people, and their second factors. */
    public function up(): void
    {
        // One row, once something is decided.
        Schema::create('organisation_settings', function (Blueprint $table): void {
            $table->unsignedTinyInteger('id')->primary();
            $table->text('settings');
            $table->unsignedInteger('version');
        });
        Schema::create('second_factors', function (Blueprint $table): void {
            $table->foreignId('person_id')->primary()->constrained('people')->cascadeOnDelete();
            // Encrypted: whoever has the database alone comes in nowhere.
            $table->text('secret');
            // Null until the first password of it was typed.
            $table->dateTime('confirmed_at')->nullable();
            // The last step (RFC 6238) whose password was taken: each is taken once.
            $table->unsignedBigInteger('last_step')->nullable();
            $table->timestamps();
        });
        Schema::create('recovery_codes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->char('digest', 64);
            $table->dateTime('used_at')->nullable();
            $table->unique(['person_id', 'digest']);
        });
    }
};
