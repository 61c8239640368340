<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** When each of what runs by itself was last seen at work. */
    public function up(): void
    {
        Schema::create('heartbeats', function (Blueprint $table): void {
            $table->string('part', 20)->primary();
            $table->dateTime('beat_at');
            // When administrators were written to that it stands still; null while it runs.
            $table->dateTime('told_at')->nullable();
        });
        // From now on they are expected.
        DB::table('heartbeats')->insert(array_map(static fn (string $part): array => ['part' => $part, 'beat_at' => now()], ['schedule', 'letters', 'work', 'fetching']));
    }
};
