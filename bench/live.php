<?php

declare(strict_types=1);

/**
 * Fills the database of the bench with 1,000 people who read 30 calendars, 3,000 events in this and the next weeks, and a
 * session of each of them; writes what a browser needs to be each of them to a file.
 *
 *   php bench/live.php FILE
 */

use App\Directory\Person;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Cookie\CookieValuePrefix;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

require __DIR__.'/../vendor/autoload.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const PEOPLE = 1000;

Artisan::call('migrate:fresh', ['--force' => true]);
$now = now()->format('Y-m-d H:i:s');
$monday = now()->startOfWeek()->format('Y-m-d');
DB::statement("INSERT INTO people (id, name, email, timezone, status, role, post, created_at, updated_at) SELECT seq, CONCAT('Person ', seq), CONCAT('person', seq, '@example.org'), 'Europe/London', 'active', 'member', '', '{$now}', '{$now}' FROM seq_1_to_".PEOPLE);
DB::statement("INSERT INTO calendars (id, slug, name, colour, mark, timezone, keeper_kind, keeper_id, created_at, updated_at) SELECT seq, CONCAT('bench-', seq), CONCAT('Calendar ', seq), 'sea', 'disc', 'Europe/London', 'person', seq, '{$now}', '{$now}' FROM seq_1_to_30");
DB::statement("INSERT INTO grants (on_kind, on_id, subject_kind, subject_id, level, created_at, updated_at) SELECT 'calendar', seq, 'everyone', 0, 'see', '{$now}', '{$now}' FROM seq_1_to_30");
$start = "TIMESTAMPADD(MINUTE, 480 + 15 * (seq % 36), TIMESTAMPADD(DAY, (seq * 7919) % 70, '{$monday}'))";
DB::statement("INSERT INTO events (id, calendar_id, uid, title, time_kind, starts_local, ends_local, timezone, repeats, place, description, status, created_by, created_at, updated_at)
    SELECT seq, seq % 30 + 1, CONCAT('bench-', seq), CONCAT('Plank steaming ', seq), 'zoned', {$start}, TIMESTAMPADD(MINUTE, 90, {$start}), 'Europe/London', 0, 'Long loft', '', 'confirmed', 1, '{$now}', '{$now}' FROM seq_1_to_3000");
DB::statement("INSERT INTO occurrences (calendar_id, event_id, series_id, recurrence_id, starts_at, ends_at, span) SELECT seq % 30 + 1, seq, seq, NULL, {$start}, TIMESTAMPADD(MINUTE, 90, {$start}), 0 FROM seq_1_to_3000");
DB::table('occurrence_horizons')->delete();

$cookie = (string) config('session.cookie');
$key = Crypt::getKey();
$people = [];
foreach (Person::query()->orderBy('id')->pluck('id') as $id) {
    $session = Str::random(40);
    $token = Str::random(40);
    DB::table('sessions')->insert(['id' => $session, 'user_id' => $id, 'ip_address' => '127.0.0.1', 'user_agent' => 'bench', 'last_activity' => time(),
        'payload' => base64_encode(serialize(['_token' => $token, Auth::guard('web')->getName() => $id, '_flash' => ['old' => [], 'new' => []]]))]);
    $people[] = ['cookie' => $cookie.'='.rawurlencode(Crypt::encrypt(CookieValuePrefix::create($cookie, $key).$session, false)), 'token' => $token];
}
file_put_contents($argv[1], json_encode(['monday' => $monday, 'people' => $people], JSON_THROW_ON_ERROR));
