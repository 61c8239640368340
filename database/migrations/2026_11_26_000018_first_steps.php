<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Which of the first steps somebody has left out; what was done is seen from what is there. */
    public function up(): void
    {
        Schema::create('skipped_first_steps', function (Blueprint $table): void {
            $table->string('step', 20)->primary();
        });
    }
};
