<?php

declare(strict_types=1);

/**
 * Fills the database of the bench: so many calendars of so many events, ten occurrences each, over the three years
 * around today. Twenty of the calendars are one person's, a layer each in one overlay.
 *
 *   php bench/fill.php CALENDARS EVENTS_OF_EACH
 */

use App\Directory\Person;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

[$calendars, $each] = [(int) $argv[1], (int) $argv[2]];
Artisan::call('migrate:fresh', ['--force' => true]);
DB::statement('SET foreign_key_checks = 0, unique_checks = 0');
$person = Person::query()->create(['name' => 'Bench', 'email' => 'bench@example.org', 'password' => 'a-long-enough-one', 'timezone' => 'Europe/London', 'status' => 'active', 'role' => 'member', 'post' => '']);
Person::query()->create(['name' => 'Others', 'email' => 'others@example.org', 'password' => 'a-long-enough-one', 'timezone' => 'Europe/London', 'status' => 'active', 'role' => 'member', 'post' => '']);
// Every so many calendars one is in the overlay, so that its rows lie scattered.
$step = intdiv($calendars, 20);
$events = $calendars * $each;
$now = now()->format('Y-m-d H:i:s');
DB::statement("INSERT INTO calendars (id, slug, name, colour, mark, timezone, keeper_kind, keeper_id, created_at, updated_at)
    SELECT seq, CONCAT('bench-', seq), CONCAT('Bench ', seq), 'sea', 'disc', 'Europe/London', 'person', IF(seq % {$step} = 0 AND seq <= 20 * {$step}, {$person->id}, 2), '{$now}', '{$now}' FROM seq_1_to_{$calendars}");
DB::statement("INSERT INTO categories (id, name, created_at, updated_at) SELECT seq, CONCAT('category ', seq), '{$now}', '{$now}' FROM seq_1_to_10");
// Numbers stirred, so that neighbours in the table are no neighbours in time. The first 500 events of a calendar are
// laid over all of the time, those beyond before this year: they are what a calendar leaves behind as it grows old.
$day = fn (string $event, string $occurrence): string => "IF(FLOOR(({$event} - 1) / {$calendars}) < 500, CAST(({$event} * 7919 + {$occurrence} * 104729) % 1100 AS SIGNED) - 550, CAST(({$event} * 7919 + {$occurrence} * 104729) % 230 AS SIGNED) - 790)";
DB::statement("INSERT INTO events (id, calendar_id, uid, title, time_kind, starts_local, ends_local, timezone, repeats, place, description, status, created_by, created_at, updated_at)
    SELECT seq, (seq - 1) % {$calendars} + 1, CONCAT('bench-', seq), CONCAT('Plank steaming, group ', seq % 97), 'zoned', '{$now}', '{$now}', 'Europe/London', 1, 'Long loft', 'What is needed: a fid, a mallet and twine.', 'confirmed', 1, '{$now}', '{$now}' FROM seq_1_to_{$events}");
DB::statement("INSERT INTO event_category (event_id, category_id) SELECT seq, seq % 10 + 1 FROM seq_1_to_{$events}");
$starts = "TIMESTAMPADD(MINUTE, 480 + 15 * (e.seq % 36), TIMESTAMPADD(DAY, {$day('e.seq', 'k.seq')}, CURRENT_DATE))";
// Indexes are made of the whole at once, which is many times faster.
$named = ['calendar' => 'calendars', 'event' => 'events', 'series' => 'events'];
DB::statement('ALTER TABLE occurrences '.implode(', ', array_map(fn (string $column): string => "DROP FOREIGN KEY occurrences_{$column}_id_foreign", array_keys($named))));
DB::statement('ALTER TABLE occurrences DROP INDEX occurrences_event_id_foreign, DROP INDEX occurrences_series_id_foreign, DROP INDEX occurrences_window');
DB::statement("INSERT INTO occurrences (calendar_id, event_id, series_id, recurrence_id, starts_at, ends_at, span)
    SELECT calendar_id, event_id, event_id, DATE_FORMAT(starts, '%Y-%m-%dT%H:%i:%sZ'), starts, TIMESTAMPADD(MINUTE, 90, starts), 0
    FROM (SELECT (e.seq - 1) % {$calendars} + 1 AS calendar_id, e.seq AS event_id, {$starts} AS starts FROM seq_1_to_{$events} e JOIN seq_0_to_9 k) AS made");
DB::statement('ALTER TABLE occurrences ADD INDEX occurrences_window (calendar_id, span, starts_at, ends_at, event_id, series_id, recurrence_id), '.implode(', ', array_map(fn (string $column, string $of): string => "ADD CONSTRAINT occurrences_{$column}_id_foreign FOREIGN KEY ({$column}_id) REFERENCES {$of} (id) ON DELETE CASCADE", array_keys($named), $named)));
DB::statement("INSERT INTO overlays (id, slug, name, keeper_kind, keeper_id, created_at, updated_at) VALUES (1, 'bench', 'Bench', 'person', {$person->id}, '{$now}', '{$now}')");
DB::statement("INSERT INTO layers (id, overlay_id, position, name, colour, mark, filter) SELECT seq, 1, seq, CONCAT('Layer ', seq), 'sea', 'disc', '{}' FROM seq_1_to_20");
DB::statement("INSERT INTO calendar_layer (layer_id, calendar_id) SELECT seq, seq * {$step} FROM seq_1_to_20");
DB::statement('ANALYZE TABLE occurrences, events, event_category');
DB::table('occurrence_horizons')->delete();
printf("%s events, %s occurrences\n", number_format(DB::table('events')->count()), number_format(DB::table('occurrences')->count()));
