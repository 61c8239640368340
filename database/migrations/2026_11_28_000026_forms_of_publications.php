<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a publication asks of events, on which sites it stands in a frame, and whether a screen shows it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('publications', function (Blueprint $table): void {
            $table->json('conditions')->nullable();
            $table->json('frame_sites')->nullable();
            $table->boolean('on_screen')->default(false);
        });
    }

    public function down(): void
    {
        Schema::table('publications', function (Blueprint $table): void {
            $table->dropColumn(['conditions', 'frame_sites', 'on_screen']);
        });
    }
};
