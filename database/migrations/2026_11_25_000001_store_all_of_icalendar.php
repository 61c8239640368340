<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use PinnedRota\Core\ICalendar\LineWriter;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('events', function (Blueprint $table): void {
            // The id of a zone: its IANA name, or all that a file said of it.
            $table->string('timezone', 4000)->nullable()->change();
            // Up to 10,000 extra and skipped dates.
            $table->mediumText('recurrence')->nullable()->change();
            // Content lines: people, reminders, and what is kept as it came (see PinnedRota\Core\ICalendar\DetailsText).
            $table->mediumText('details')->nullable()->after('sequence');
            $table->boolean('and_following')->default(false)->after('recurrence_id');
            // The ids of its categories, comma-separated, as event_category has them: a window is read without asking there.
            $table->string('category_ids', 600)->default('')->after('priority');
            // False where a series has more occurrences than the index takes: it is expanded when it is looked at.
            $table->boolean('indexed')->default(true)->after('repeats');
        });
        DB::statement("UPDATE events e SET category_ids = COALESCE((SELECT GROUP_CONCAT(category_id ORDER BY category_id) FROM event_category WHERE event_id = e.id), '')");
        foreach (DB::table('events')->whereNotNull('extra')->lazyById(500) as $row) {
            $stream = fopen('php://memory', 'w+');
            $writer = new LineWriter($stream, PHP_INT_MAX);
            foreach (json_decode((string) $row->extra, true) as [$name, $value, $parameters]) {
                $writer->property($name, $value, $parameters);
            }
            rewind($stream);
            DB::table('events')->where('id', $row->id)->update(['details' => stream_get_contents($stream)]);
        }
        Schema::table('events', function (Blueprint $table): void {
            $table->dropColumn('extra');
            $table->dropIndex(['calendar_id', 'repeats', 'deleted_at']);
            $table->index(['calendar_id', 'repeats', 'indexed']);
        });
    }
};
