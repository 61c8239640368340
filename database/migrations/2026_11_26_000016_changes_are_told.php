<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** Changes say whose they are and which days they touch, and are told to whoever is connected. */
    public function up(): void
    {
        Schema::table('changes', function (Blueprint $table): void {
            // By which a browser knows it again, whichever way it comes.
            $table->char('mark', 16)->default('')->after('id');
            // Whose access has changed; null with a null calendar: everybody's lists.
            $table->foreignId('person_id')->nullable()->after('calendar_id')->constrained('people')->cascadeOnDelete();
            // The days touched, both inclusive, in whatever zone they are looked at; null: any before, any after.
            $table->date('first_day')->nullable()->after('person_id');
            $table->date('last_day')->nullable()->after('first_day');
        });
        // The calendars of those who listen by a channel of their own, because they see more than a connection has channels for.
        Schema::create('live_viewers', function (Blueprint $table): void {
            $table->foreignId('calendar_id')->constrained('calendars')->cascadeOnDelete();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->timestamp('opened_at')->useCurrent()->index();
            $table->primary(['calendar_id', 'person_id']);
        });
    }
};
