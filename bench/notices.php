<?php

declare(strict_types=1);

/**
 * Changes 1,000 events at once on a calendar that 500 people follow, and on one that nobody does; then has one worker reckon what each of the 500 is told.
 * Half of them see private events, of which there are a hundred.
 *
 *   php bench/notices.php
 */

use App\Directory\Person;
use App\Events\EventRecord;
use App\Events\Read\SeenSeries;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\Commands\ReplaceSeries;
use App\Events\Write\OperationKind;
use App\Following\TellFollowers;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventContents;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Time\EventTime;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/Clock.php';
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
ini_set('memory_limit', '1G');

const EVENTS = 1000;
const PEOPLE = 500;
const ROUNDS = 5;

Artisan::call('migrate:fresh', ['--force' => true]);
Queue::fake();
$now = now()->format('Y-m-d H:i:s');
$author = Person::query()->create(['name' => 'Bench', 'email' => 'bench@example.org', 'password' => 'a-long-enough-one', 'timezone' => 'Europe/London', 'status' => 'active', 'role' => 'member', 'post' => '']);
DB::statement('INSERT INTO people (id, name, email, timezone, status, role, post, created_at, updated_at) SELECT 100 + seq, CONCAT(\'Person \', seq), CONCAT(\'person\', seq, \'@example.org\'), \'Europe/London\', \'active\', \'member\', \'\', ?, ? FROM seq_1_to_'.PEOPLE, [$now, $now]);
foreach ([1 => 'Followed', 2 => 'Alone'] as $id => $name) {
    DB::table('calendars')->insert(['id' => $id, 'slug' => "bench-{$id}", 'name' => $name, 'description' => '', 'colour' => 'sea', 'mark' => 'disc', 'timezone' => 'Europe/London', 'keeper_kind' => 'person', 'keeper_id' => $author->id, 'created_at' => $now, 'updated_at' => $now]);
    DB::table('grants')->insert(['on_kind' => 'calendar', 'on_id' => $id, 'subject_kind' => 'everyone', 'subject_id' => 0, 'level' => 'see', 'created_at' => $now, 'updated_at' => $now]);
}
DB::statement("INSERT INTO grants (on_kind, on_id, subject_kind, subject_id, level, created_at, updated_at) SELECT 'calendar', 1, 'person', 100 + 2 * seq, 'change', ?, ? FROM seq_1_to_".intdiv(PEOPLE, 2), [$now, $now]);
DB::statement("INSERT INTO follows (person_id, kind, target, calendar_id, wanted, pace, by_mail, in_inbox, created_at, updated_at) SELECT 100 + seq, 'calendar', 'calendar 1', 1, '[\"added\",\"moved\",\"changed\",\"cancelled\"]', 'now', 1, 1, ?, ? FROM seq_1_to_".PEOPLE, [$now, $now]);

$zone = Zone::of('Europe/London');
$start = EventTime::zoned(LocalDateTime::parse(now()->addDays(10)->format('Y-m-d').'T09:00'), $zone);
$add = static fn (int $calendar): array => array_map(static fn (int $number): AddSeries => new AddSeries($calendar, new Series(new Event(
    uid: "{$number}@bench-{$calendar}", timing: EventTiming::between($begins = $start->at($start->local->plusDays($number % 90)), $begins->plusExactSeconds(3600)), contents: new EventContents("Event {$number}", private: $number % 10 === 0),
))), range(1, EVENTS));
$changes = $app->make(ChangeEvents::class);
foreach ([1, 2] as $calendar) {
    $changes->carryOut(Actor::person($author), Cause::Script, OperationKind::Add, $add($calendar));
}
$move = static function (int $calendar, int $days) use ($app, $changes, $author): float {
    $seen = $app->make(SeenSeries::class);
    $commands = EventRecord::query()->where('calendar_id', $calendar)->with(EventRecord::WHOLE)->get()->map(static fn (EventRecord $head): ReplaceSeries => new ReplaceSeries($head->id, $seen->load($head)->each(
        static fn (Event $event): Event => $event->with(timing: EventTiming::between($event->timing->start->at($event->timing->start->local->plusDays($days)), $event->timing->end->at($event->timing->end->local->plusDays($days)))),
    )))->values()->all();
    $begins = hrtime(true);
    $changes->carryOut(Actor::person($author), Cause::Screen, OperationKind::Bulk, $commands);

    return (hrtime(true) - $begins) / 1e9;
};
$times = [1 => [], 2 => []];
for ($round = 0; $round < ROUNDS; $round++) {
    foreach ($round % 2 === 0 ? [1, 2] : [2, 1] as $calendar) {
        $times[$calendar][] = $move($calendar, $round % 2 === 0 ? 7 : -7);
    }
}
Bench\Clock::row('1,000 events changed where 500 follow, against where nobody does', min($times[1]) / min($times[2]), 'at most', 1.1);
printf("%-62s %8.2f\n", '  seconds that it takes', min($times[1]));

/** Has one worker reckon it; what was changed to and fro is told as one move. */
$tell = static function (string $what, array $expected, float $target) use ($app): void {
    DB::table('notices')->delete();
    Carbon::setTestNow(now()->addHour());
    $begins = hrtime(true);
    $told = $app->make(TellFollowers::class)->run();
    $seconds = (hrtime(true) - $begins) / 1e9;
    $words = DB::table('notices')->pluck('lines')->map(static fn (string $lines): string => json_decode($lines, true)[0]['words'])->unique()->values()->all();
    if ($told !== PEOPLE || $words !== $expected) {
        fwrite(STDERR, 'It is not what was to be told: '.json_encode([$told, $words])."\n");
        exit(1);
    }
    Bench\Clock::row($what, $seconds, 'at most', $target);
};
$tell('what 500 people are told of it, one worker, seconds', ['900 events of Followed were moved by a week (Bench)', '1000 events of Followed were moved by a week (Bench)'], 60);
DB::statement("INSERT INTO follows (person_id, kind, target, event_id, wanted, pace, by_mail, in_inbox, created_at, updated_at) SELECT 100 + seq, 'event', CONCAT('event ', seq), seq, '[\"moved\"]', 'now', 1, 1, ?, ? FROM seq_1_to_".PEOPLE, [$now, $now]);
$move(1, -7);
$tell('the same where each of them follows something else besides', ['900 events of Followed were moved a week earlier (Bench)', '1000 events of Followed were moved a week earlier (Bench)'], 60);
printf("%-62s %8.0f\n", '  MB of memory at most', memory_get_peak_usage(true) / 1e6);
