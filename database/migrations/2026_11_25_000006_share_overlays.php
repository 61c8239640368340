<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use PinnedRota\Core\ICalendar\DetailsText;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('layers', function (Blueprint $table): void {
            $table->string('pattern', 10)->default('plain');
        });
        Schema::table('event_participants', function (Blueprint $table): void {
            $table->string('answer', 20)->default('NEEDS-ACTION');
        });
        Schema::table('events', function (Blueprint $table): void {
            $table->boolean('has_participants')->default(false);
        });
        DB::table('events')->whereIn('id', DB::table('event_participants')->select('event_id'))->update(['has_participants' => true]);
        foreach (DB::table('event_participants')->distinct()->pluck('event_id') as $id) {
            foreach (DetailsText::read((string) DB::table('events')->where('id', $id)->value('details'))['participants'] as $participant) {
                DB::table('event_participants')->where('event_id', $id)->where('address', $participant->mailAddress())->update(['answer' => $participant->answer->value]);
            }
        }
    }
};
