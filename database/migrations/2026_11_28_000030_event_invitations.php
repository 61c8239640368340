<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Who is asked by mail, what they were told, what is to go out, and what came back. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('event_invitations', function (Blueprint $table): void {
            $table->id();
            // No foreign key: of what is gone it is still to be told that it is.
            $table->unsignedBigInteger('event_id');
            $table->foreignId('person_id')->nullable()->constrained('people')->nullOnDelete();
            $table->string('address', 190);
            $table->mediumText('told')->nullable();
            $table->unsignedInteger('sequence')->default(0);
            $table->unsignedInteger('asked_from')->default(0);
            $table->dateTime('told_at')->nullable();
            $table->dateTime('bounced_at')->nullable();
            $table->string('bounce', 500)->default('');
            $table->timestamps();
            $table->unique(['event_id', 'address']);
        });
        Schema::create('outbox', function (Blueprint $table): void {
            $table->id();
            $table->string('kind', 20);
            // One letter waits for one invitation: what changes meanwhile is in it.
            $table->string('slot', 60)->nullable()->unique();
            $table->foreignId('invitation_id')->nullable()->constrained('event_invitations')->cascadeOnDelete();
            $table->foreignId('person_id')->nullable()->constrained('people')->nullOnDelete();
            $table->string('address', 190);
            $table->json('about')->nullable();
            $table->string('state', 10)->default('waiting');
            $table->dateTime('due_at');
            $table->dateTime('claimed_until')->nullable();
            $table->unsignedSmallInteger('attempts')->default(0);
            $table->string('problem', 500)->default('');
            $table->dateTime('sent_at')->nullable();
            $table->dateTime('created_at');
            $table->index(['state', 'due_at']);
            $table->index(['address', 'sent_at']);
            $table->index('created_at');
        });
        Schema::create('received_replies', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('event_id')->constrained('events')->cascadeOnDelete();
            $table->foreignId('invitation_id')->nullable()->constrained('event_invitations')->cascadeOnDelete();
            $table->string('kind', 20);
            $table->string('sender', 190);
            $table->string('answer', 20)->nullable();
            $table->string('occurrence', 20)->nullable();
            $table->string('starts', 20)->nullable();
            $table->string('ends', 20)->nullable();
            $table->string('note', 500)->default('');
            $table->string('reason', 20)->nullable();
            $table->dateTime('handled_at')->nullable();
            $table->dateTime('created_at');
            $table->index(['event_id', 'handled_at']);
        });
        Schema::table('event_participants', function (Blueprint $table): void {
            $table->string('note', 500)->default('');
            $table->foreignId('member_of')->nullable()->constrained('groups')->nullOnDelete();
        });
        Schema::table('event_pins', function (Blueprint $table): void {
            // Not pinned by anybody: who is asked and does not see the calendar sees the event on their own.
            $table->boolean('asked')->default(false);
        });
        Schema::table('people', function (Blueprint $table): void {
            $table->boolean('invitations_by_mail')->default(true);
        });
    }

    public function down(): void
    {
        Schema::table('people', fn (Blueprint $table) => $table->dropColumn('invitations_by_mail'));
        DB::table('event_pins')->where('asked', true)->delete();
        Schema::table('event_pins', fn (Blueprint $table) => $table->dropColumn('asked'));
        Schema::table('event_participants', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('member_of');
            $table->dropColumn('note');
        });
        Schema::dropIfExists('received_replies');
        Schema::dropIfExists('outbox');
        Schema::dropIfExists('event_invitations');
    }
};
