<?php

declare(strict_types=1);

/** Fills the database of the bench with 60 calendars, an overlay with a layer for each, and 2,000 occurrences in this month. */

use App\Directory\Person;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

Artisan::call('migrate:fresh', ['--force' => true]);
$now = now()->format('Y-m-d H:i:s');
$first = now()->startOfMonth()->format('Y-m-d');
$days = now()->daysInMonth;
Person::query()->create(['name' => 'Bench', 'email' => 'bench@example.org', 'password' => 'a-long-enough-one', 'timezone' => 'Europe/London', 'status' => 'active', 'role' => 'member', 'post' => '']);
$colours = "ELT(seq % 10 + 1, 'sea', 'brick', 'moss', 'plum', 'ochre', 'cobalt', 'pine', 'rose', 'slate', 'umber')";
$marks = "ELT(seq % 7 + 1, 'disc', 'triangle', 'square', 'diamond', 'pentagon', 'plus', 'ring')";
DB::statement("INSERT INTO calendars (id, slug, name, colour, mark, timezone, keeper_kind, keeper_id, created_at, updated_at) SELECT seq, CONCAT('bench-', seq), CONCAT('Calendar ', seq), {$colours}, {$marks}, 'Europe/London', 'person', 1, '{$now}', '{$now}' FROM seq_1_to_60");
$start = "TIMESTAMPADD(MINUTE, 480 + 15 * (seq % 36), TIMESTAMPADD(DAY, (seq * 7919) % {$days}, '{$first}'))";
DB::statement("INSERT INTO events (id, calendar_id, uid, title, time_kind, starts_local, ends_local, timezone, repeats, place, description, status, created_by, created_at, updated_at)
    SELECT seq, seq % 60 + 1, CONCAT('bench-', seq), CONCAT('Plank steaming ', seq), 'zoned', {$start}, TIMESTAMPADD(MINUTE, 90, {$start}), 'Europe/London', 0, 'Long loft', '', 'confirmed', 1, '{$now}', '{$now}' FROM seq_1_to_2000");
DB::statement("INSERT INTO occurrences (calendar_id, event_id, series_id, recurrence_id, starts_at, ends_at, span) SELECT seq % 60 + 1, seq, seq, NULL, {$start}, TIMESTAMPADD(MINUTE, 90, {$start}), 0 FROM seq_1_to_2000");
DB::statement("INSERT INTO overlays (id, slug, name, keeper_kind, keeper_id, created_at, updated_at) VALUES (1, 'bench', 'Bench', 'person', 1, '{$now}', '{$now}')");
DB::statement("INSERT INTO layers (id, overlay_id, position, name, colour, mark, filter) SELECT seq, 1, seq, CONCAT('Layer ', seq), {$colours}, {$marks}, '{}' FROM seq_1_to_60");
DB::statement('INSERT INTO calendar_layer (layer_id, calendar_id) SELECT seq, seq FROM seq_1_to_60');
DB::table('occurrence_horizons')->delete();
