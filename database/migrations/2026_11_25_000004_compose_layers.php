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
            // chosen calendars; all on the viewer's list; those of a group; the rest.
            $table->string('takes', 10)->default('chosen');
            $table->foreignId('group_id')->nullable()->constrained('groups')->nullOnDelete();
        });
        foreach (DB::table('layers')->get(['id', 'filter']) as $layer) {
            $names = json_decode((string) $layer->filter, true)['anyCategory'] ?? [];
            DB::table('layers')->where('id', $layer->id)->update(['filter' => json_encode(['conditions' => $names === [] ? [] : [['about' => 'category', 'match' => 'any', 'names' => $names, 'not' => false]]])]);
        }
        Schema::table('overlays', function (Blueprint $table): void {
            // Whether an event shows in every layer that takes it, instead of in the first.
            $table->boolean('every_layer')->default(false);
        });
        Schema::table('event_participants', function (Blueprint $table): void {
            $table->string('role', 20)->default('REQ-PARTICIPANT');
        });
        foreach (DB::table('event_participants')->distinct()->pluck('event_id') as $id) {
            foreach (DetailsText::read((string) DB::table('events')->where('id', $id)->value('details'))['participants'] as $participant) {
                DB::table('event_participants')->where('event_id', $id)->where('address', $participant->mailAddress())->update(['role' => $participant->role->value]);
            }
        }
    }
};
