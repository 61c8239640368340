<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use PinnedRota\Core\Publishing\SecretToken;

/** Links to publications that are for one person or one screen each, and which columns they have as tables. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('publication_links', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('publication_id')->constrained()->cascadeOnDelete();
            $table->string('purpose', 20);
            $table->string('name', 120);
            // As of a publication: a digest to look it up by, and the token itself, encrypted.
            $table->char('token_hash', 64)->unique();
            $table->text('token');
            $table->dateTime('last_read_at')->nullable();
            $table->dateTime('ended_at')->nullable();
            $table->timestamps();
        });
        // What a screen could show at the address of its page it shows at a link of its own.
        DB::table('publications')->where('on_screen', true)->orderBy('id')->each(function (object $publication): void {
            ['token' => $token, 'token_hash' => $digest] = SecretToken::columns();
            DB::table('publication_links')->insert(['publication_id' => $publication->id, 'purpose' => 'screen', 'name' => 'Screen', 'token_hash' => $digest, 'token' => Crypt::encryptString($token), 'created_at' => now(), 'updated_at' => now()]);
        });
        Schema::table('publications', function (Blueprint $table): void {
            $table->dropColumn('on_screen');
            // Of what can be taken as a table; null is all there are.
            $table->json('table_columns')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('publications', function (Blueprint $table): void {
            $table->dropColumn('table_columns');
            $table->boolean('on_screen')->default(false);
        });
        Schema::dropIfExists('publication_links');
    }
};
