<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What colours stand for on an overlay. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('overlays', static fn (Blueprint $table) => $table->string('coloured_by', 10)->default('layer')->after('every_layer'));
    }

    public function down(): void
    {
        Schema::table('overlays', static fn (Blueprint $table) => $table->dropColumn('coloured_by'));
    }
};
