<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;

return new class extends Migration
{
    /** As what somebody joined was put on a calendar that was made for it, and what is made here: those are known to be theirs. */
    private const MADE_FOR_THEM = ['What you pin and join.', 'What you keep, pin and join.'];

    /** Everybody has a calendar and a sheet of their own, and may see any calendar in a colour of their own. */
    public function up(): void
    {
        Schema::table('calendars', function (Blueprint $table): void {
            $table->foreignId('own_of')->nullable()->unique()->constrained('people')->nullOnDelete();
        });
        Schema::table('overlays', function (Blueprint $table): void {
            $table->foreignId('home_of')->nullable()->unique()->constrained('people')->nullOnDelete();
        });
        Schema::table('calendar_choices', function (Blueprint $table): void {
            $table->boolean('chosen')->nullable()->change();
            $table->string('colour', 16)->nullable();
            $table->string('mark', 16)->nullable();
        });
        DB::table('people')->where('status', '!=', 'left')->orderBy('id')->each(function (object $person): void {
            $own = $this->calendarOf($person);
            DB::table('calendars')->where('id', $own)->update(['own_of' => $person->id]);
            $this->layHome($person, $own);
        });
    }

    private function calendarOf(object $person): int
    {
        $made = DB::table('calendars')->where('keeper_kind', 'person')->where('keeper_id', $person->id)->whereIn('description', self::MADE_FOR_THEM)->whereNull('deleted_at')->whereNull('archived_at')->orderBy('id')->value('id');

        return (int) ($made ?? DB::table('calendars')->insertGetId([
            'slug' => $this->slug("{$person->name} own calendar"), 'name' => mb_strimwidth("{$person->name}: own calendar", 0, 120), 'description' => 'What you keep, pin and join.',
            'colour' => 'slate', 'mark' => 'disc', 'timezone' => $person->timezone, 'keeper_kind' => 'person', 'keeper_id' => $person->id, 'created_at' => now(), 'updated_at' => now(),
        ]));
    }

    private function layHome(object $person, int $own): void
    {
        $home = DB::table('overlays')->insertGetId(['slug' => $this->slug('home'), 'name' => 'Home', 'opening_view' => 'lanes', 'keeper_kind' => 'person', 'keeper_id' => $person->id, 'every_layer' => false, 'home_of' => $person->id, 'created_at' => now(), 'updated_at' => now()]);
        $layer = static fn (int $position, string $name, string $colour, string $mark, string $takes, array $conditions): int => DB::table('layers')->insertGetId([
            'overlay_id' => $home, 'position' => $position, 'name' => $name, 'colour' => $colour, 'mark' => $mark, 'takes' => $takes, 'filter' => json_encode(['conditions' => $conditions]),
        ]);
        $layer(0, 'What I am in', 'brick', 'star', 'all', [['about' => 'people', 'not' => false, 'who' => [['kind' => 'me', 'id' => null]], 'part' => 'taking part']]);
        DB::table('calendar_layer')->insert(['layer_id' => $layer(1, 'Mine', 'slate', 'disc', 'chosen', []), 'calendar_id' => $own]);
        $named = DB::table('grants')->where('on_kind', 'calendar')->where('subject_kind', 'person')->where('subject_id', $person->id)->where('level', '!=', 'none')->pluck('on_id');
        $position = 2;
        foreach (DB::table('calendars')->whereIn('id', $named)->whereNull('deleted_at')->whereNull('archived_at')->orderBy('name')->get(['id', 'name', 'colour', 'mark']) as $calendar) {
            DB::table('calendar_layer')->insert(['layer_id' => $layer($position++, $calendar->name, $calendar->colour, $calendar->mark, 'chosen', []), 'calendar_id' => $calendar->id]);
        }
        $layer($position, 'The rest of my list', 'slate', 'ring', 'rest', []);
    }

    private function slug(string $name): string
    {
        return trim(Str::limit(Str::slug($name), 60, '').'-'.Str::lower(Str::random(8)), '-');
    }
};
