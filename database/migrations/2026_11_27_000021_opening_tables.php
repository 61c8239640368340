<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** An overlay may open as a table: with which columns, in which order, how far on. */
    public function up(): void
    {
        Schema::table('overlays', function (Blueprint $table): void {
            $table->json('opening_table')->nullable();
        });
    }
};
