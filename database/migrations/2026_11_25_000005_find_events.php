<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Every word counts: people type “varnish the gig”, and other languages have words that look like English stopwords.
        DB::statement('SET SESSION innodb_ft_enable_stopword = OFF');
        Schema::table('events', function (Blueprint $table): void {
            $table->fullText(['title', 'place', 'description'], 'events_words');
        });
    }
};
