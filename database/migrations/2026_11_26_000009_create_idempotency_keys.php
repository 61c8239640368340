<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** What somebody has had done under a key, with its answer: asked for again, it is told and not done. */
    public function up(): void
    {
        Schema::create('idempotency_keys', function (Blueprint $table): void {
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('key', 64)->collation('ascii_bin');
            // A digest of what was asked for.
            $table->char('request', 64);
            $table->unsignedSmallInteger('status')->nullable();
            $table->text('headers')->nullable();
            $table->mediumText('body')->nullable();
            $table->timestamp('created_at')->useCurrent()->index();
            $table->primary(['person_id', 'key']);
        });
    }
};
