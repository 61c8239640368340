<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** The link of an invitation is one of its own: asking for a link to set a password, which anybody may, leaves it as it is. */
    public function up(): void
    {
        Schema::create('invitation_tokens', function (Blueprint $table): void {
            $table->string('email')->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });
        $newcomers = DB::table('people')->whereNull('password')->select('email');
        DB::table('invitation_tokens')->insertUsing(['email', 'token', 'created_at'], DB::table('password_reset_tokens')->whereIn('email', $newcomers)->select(['email', 'token', 'created_at']));
        DB::table('password_reset_tokens')->whereIn('email', $newcomers)->delete();
    }
};
