<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A refresh is an operation that is taken back, or waits for somebody’s word; a source says how it is read and what of it is taken. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('refreshes', function (Blueprint $table): void {
            $table->string('state', 20)->default('done');
            $table->foreignId('operation_id')->nullable()->constrained('operations')->nullOnDelete();
            $table->char('digest', 64)->nullable();
            $table->string('path', 255)->nullable();
        });
        Schema::table('sources', function (Blueprint $table): void {
            $table->timestamp('failing_since')->nullable();
            $table->char('declined', 64)->nullable();
            $table->string('kind', 20)->default('calendar');
            $table->unsignedInteger('own_minutes')->nullable();
            $table->json('terms')->nullable();
            $table->text('sign_in')->nullable();
            $table->string('catalogue', 300)->nullable();
        });
        DB::table('refreshes')->whereNotNull('error')->update(['state' => 'failed']);
        DB::table('sources')->whereNotNull('error')->update(['failing_since' => DB::raw('COALESCE(succeeded_at, updated_at)')]);
    }

    public function down(): void
    {
        Schema::table('refreshes', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('operation_id');
            $table->dropColumn(['state', 'digest', 'path']);
        });
        Schema::table('sources', fn (Blueprint $table) => $table->dropColumn(['failing_since', 'declined', 'kind', 'own_minutes', 'terms', 'sign_in', 'catalogue']));
    }
};
