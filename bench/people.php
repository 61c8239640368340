<?php

declare(strict_types=1);

/**
 * Fills the database of the bench with 500 people in 60 groups and 300 calendars, then times what is asked at each key
 * in the sharing panel and the directories, and what a viewer’s calendars take.
 *
 *   php bench/people.php PORT
 */

use App\Directory\Person;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/Browser.php';
require __DIR__.'/Clock.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

const TARGET = 100;

Artisan::call('migrate:fresh', ['--force' => true]);
$now = now()->format('Y-m-d H:i:s');
Person::query()->create(['name' => 'Bench', 'email' => 'bench@example.org', 'password' => 'a-long-enough-one', 'timezone' => 'Europe/London', 'status' => 'active', 'role' => 'administrator', 'post' => '']);
DB::statement("INSERT INTO people (name, email, timezone, status, role, post, created_at, updated_at) SELECT CONCAT('Person ', seq, ' Quarterdeck'), CONCAT('person', seq, '@example.org'), 'Europe/London', 'active', 'member', CONCAT('Post ', seq % 17), '{$now}', '{$now}' FROM seq_1_to_499");
DB::statement("INSERT INTO `groups` (id, name, created_at, updated_at) SELECT seq, CONCAT('Group ', seq), '{$now}', '{$now}' FROM seq_1_to_60");
// Each person in three groups, every third group in another.
DB::statement('INSERT IGNORE INTO group_person (group_id, person_id) SELECT (p.seq * (k.seq + 7)) % 60 + 1, p.seq FROM seq_1_to_500 p JOIN seq_1_to_3 k');
DB::statement('INSERT INTO group_group (group_id, member_id) SELECT seq, seq + 20 FROM seq_1_to_40');
DB::statement("INSERT INTO calendars (id, slug, name, description, colour, mark, timezone, keeper_kind, keeper_id, created_at, updated_at) SELECT seq, CONCAT('bench-', seq), CONCAT('Calendar ', seq), 'Bookings and dates', 'sea', 'disc', 'Europe/London', IF(seq % 3 = 0, 'person', 'group'), IF(seq % 3 = 0, IF(seq = 3, 1, seq), seq % 60 + 1), '{$now}', '{$now}' FROM seq_1_to_300");
DB::statement("INSERT INTO grants (on_kind, on_id, subject_kind, subject_id, level, created_at, updated_at) SELECT 'calendar', seq, 'everyone', 0, IF(seq % 2, 'busy', 'see'), '{$now}', '{$now}' FROM seq_1_to_300");
DB::statement("INSERT IGNORE INTO grants (on_kind, on_id, subject_kind, subject_id, level, created_at, updated_at) SELECT 'calendar', c.seq, 'group', (c.seq + k.seq) % 60 + 1, 'add', '{$now}', '{$now}' FROM seq_1_to_300 c JOIN seq_1_to_5 k");
DB::statement("INSERT IGNORE INTO grants (on_kind, on_id, subject_kind, subject_id, level, created_at, updated_at) SELECT 'calendar', 3, 'person', seq, 'change', '{$now}', '{$now}' FROM seq_2_to_80");

$browser = new Bench\Browser('http://127.0.0.1:'.$argv[1]);
$browser->signIn('bench@example.org', 'a-long-enough-one');
$asked = [
    'the sharing panel finds people and groups' => '/api/v1/directory?q=quart+1',
    'the sharing panel itself, with its summary' => '/api/v1/calendars/bench-3/grants',
    'who sees what, and why' => '/api/v1/calendars/bench-3/people?q=quart+2',
    'the directory of calendars' => '/api/v1/directory/calendars?q=calendar+1',
    'the directory of people' => '/api/v1/people?q=post+4',
    'every calendar one may see' => '/api/v1/calendars',
];
foreach ($asked as $what => $path) {
    $times = [];
    for ($round = 0; $round < 25; $round++) {
        $times[] = $browser->get($path)[0] * 1e3;
    }
    sort($times);
    Bench\Clock::row("{$what}, ms (median of 25; best ".round($times[0]).')', $times[12], 'at most', TARGET);
}
