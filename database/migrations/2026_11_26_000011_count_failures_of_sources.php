<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** How often in a row a refresh has failed: the longer, the later it is tried again. What fails now has failed once. */
    public function up(): void
    {
        Schema::table('sources', fn (Blueprint $table) => $table->unsignedSmallInteger('failures')->default(0)->after('error'));
        DB::table('sources')->whereNotNull('error')->update(['failures' => 1]);
    }
};
