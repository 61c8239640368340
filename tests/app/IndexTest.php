<?php

use App\Events\EventRecord;
use App\Events\EventTranslator;
use App\Occurrences\OccurrenceHorizon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use PinnedRota\Core\Events\RecurrenceId;

/** @return list<string> what the core says should be in the index */
function expected(): array
{
    $horizon = OccurrenceHorizon::current();
    $lines = [];
    foreach (EventRecord::query()->whereNull('series_id')->with(EventRecord::WHOLE)->get() as $head) {
        [$from, $to] = $head->repeats ? [$horizon->from, $horizon->to] : [0, 4_000_000_000];
        foreach (app(EventTranslator::class)->series($head)->occurrences($from, $to) as $each) {
            $lines[] = implode('|', [$head->calendar_id, $head->id, OccurrenceHorizon::stamp($each->startSeconds), OccurrenceHorizon::stamp($each->endSeconds), $each->recurrenceId === null ? '' : RecurrenceId::text($each->recurrenceId), $each->event->contents->title]);
        }
    }
    sort($lines);

    return $lines;
}

/** @return list<string> what is in it */
function indexed(): array
{
    $rows = DB::table('occurrences as o')->join('events as e', 'e.id', '=', 'o.event_id')->get(['o.calendar_id', 'o.series_id', 'o.starts_at', 'o.ends_at', 'o.recurrence_id', 'e.title']);
    $lines = $rows->map(fn (object $row): string => implode('|', (array) $row))->all();
    sort($lines);

    return $lines;
}

test('after any run of changes the index holds what the core says, and nothing else', function (int $seed) {
    mt_srand($seed);
    $ada = $this->person();
    $calendars = [$this->calendar($ada, 'One'), $this->calendar($ada, 'Two')];
    $rules = [null, null, 'FREQ=WEEKLY;COUNT=6', 'FREQ=DAILY;COUNT=9', 'FREQ=WEEKLY;BYDAY=MO,TH;COUNT=8'];
    $heads = [];
    for ($number = 0; $number < 8; $number++) {
        $heads[] = $this->add($calendars[mt_rand(0, 1)], $ada, title: "EventRecord {$number}", start: sprintf('2026-11-%02dT%02d:00', mt_rand(1, 28), mt_rand(0, 22)), rule: $rules[mt_rand(0, 4)])->id;
    }
    for ($step = 0; $step < 25; $step++) {
        $id = $heads[mt_rand(0, 7)];
        $head = EventRecord::withTrashed()->find($id);
        $occurrence = $head->trashed() ? null : DB::table('occurrences')->where('series_id', $id)->whereNotNull('recurrence_id')->inRandomOrder($seed + $step)->value('recurrence_id');
        $path = "/events/{$id}".($occurrence !== null && mt_rand(0, 1) === 1 ? "?occurrence={$occurrence}" : '');
        $start = ['start' => sprintf('2026-12-%02dT%02d:30', mt_rand(1, 28), mt_rand(0, 23))];
        $answer = match (true) {
            $head->trashed() => $this->as($ada, 'POST', "/events/{$id}/restore"),
            mt_rand(0, 4) === 0 => $this->as($ada, 'DELETE', $path, [], $head->version),
            mt_rand(0, 3) === 0 => $this->as($ada, 'PATCH', "/events/{$id}", ['calendar' => $calendars[mt_rand(0, 1)]->slug], $head->version),
            mt_rand(0, 2) === 0 => $this->as($ada, 'PATCH', $path, ['title' => "Step {$step}"], $head->version),
            default => $this->as($ada, 'PATCH', $path, $start, $head->version),
        };
        expect($answer->status())->toBeIn([200, 204], $answer->getContent())->and(indexed())->toBe(expected());
    }
})->with([3, 14, 159]);

test('a refused change leaves the index as it was', function () {
    $ada = $this->person();
    $event = $this->add($this->calendar($ada), $ada, rule: 'FREQ=WEEKLY;COUNT=4');
    $before = indexed();
    $this->as($ada, 'PATCH', "/events/{$event->id}", ['end' => '2026-01-01T00:00'], 1)->assertUnprocessable();
    $this->as($ada, 'PATCH', "/events/{$event->id}", ['calendar' => 'nowhere', 'title' => 'x'], 1)->assertUnprocessable();
    expect(indexed())->toBe($before)->and(EventRecord::query()->find($event->id))->title->toBe('Rigging test')->version->toBe(1);
});

test('a series of more occurrences than the index takes is expanded when it is looked at, and counted like any other', function () {
    $ada = $this->person();
    $calendar = $this->calendar($ada);
    $event = $this->add($calendar, $ada, title: 'Pump', start: now()->format('Y-m-d').'T00:00', rule: 'FREQ=MINUTELY;INTERVAL=10');
    expect($event->refresh()->indexed)->toBeFalse()->and(DB::table('occurrences')->count())->toBe(0);
    $titles = fn (): array => $this->sheet($ada, now()->addDays(3)->format('Y-m-d'), now()->addDays(4)->format('Y-m-d'))->json('items');
    // 144 that begin that day, and five that last into it.
    expect($titles())->toHaveCount(149)->and($titles()[1]['title'])->toBe('Pump');
    // Changed to something sparse it is in the index, and the other way round.
    $this->as($ada, 'PATCH', "/events/{$event->id}", ['repeat' => ['rule' => 'FREQ=WEEKLY;BYDAY=MO']], 1)->assertOk();
    expect($event->refresh()->indexed)->toBeTrue()->and(indexed())->toBe(expected())->not->toBe([]);
    $this->artisan('rota:verify-occurrences')->assertOk();
});

test('verifying tells each way in which the index may be wrong, and rebuilding mends them all', function (Closure $harm, string $told) {
    $ada = $this->person();
    $calendar = $this->calendar($ada);
    $this->add($calendar, $ada, title: 'Weekly', rule: 'FREQ=WEEKLY;COUNT=6');
    $this->add($calendar, $ada, title: 'Single');
    $sound = indexed();
    $this->artisan('rota:verify-occurrences')->expectsOutput('The index holds what the core says')->assertOk();
    $harm();
    $this->artisan('rota:verify-occurrences')->expectsOutputToContain($told)->assertExitCode(1);
    $this->artisan('rota:rebuild-occurrences')->assertOk();
    expect(indexed())->toBe($sound);
    $this->artisan('rota:verify-occurrences')->assertOk();
})->with([
    'one is missing' => [fn () => DB::table('occurrences')->orderBy('id')->limit(1)->delete(), 'missing'],
    'one is moved' => [fn () => DB::table('occurrences')->orderBy('id')->limit(1)->update(['starts_at' => '2026-11-02 08:00:00']), 'should not be there'],
    'one stands twice' => [fn () => DB::table('occurrences')->insert(array_diff_key((array) DB::table('occurrences')->first(), ['id' => 0])), 'stands twice'],
    'one is in another class' => [fn () => DB::table('occurrences')->orderBy('id')->limit(1)->update(['span' => 3]), 'class 3'],
    'one is of an event that is gone' => [fn () => Schema::withoutForeignKeyConstraints(fn () => DB::table('occurrences')->orderBy('id')->limit(1)->update(['series_id' => 999_999])), 'of events that are not there'],
]);

test('the horizon rolls along with today, and a window over its edge shows each occurrence once', function () {
    $ada = $this->person();
    $calendar = $this->calendar($ada);
    $this->add($calendar, $ada, title: 'Weekly', start: now()->subYears(4)->format('Y-m-d').'T09:00', rule: 'FREQ=WEEKLY');
    $count = fn (string $from, string $to): int => count($this->sheet($ada, $from, $to)->assertOk()->json('items'));
    $edge = now()->addDays(config('rota.occurrences.days_ahead'));
    $over = [$edge->copy()->subDays(35)->format('Y-m-d'), $edge->copy()->addDays(35)->format('Y-m-d')];
    $early = [now()->subDays(1200)->format('Y-m-d'), now()->subDays(1200 - 70)->format('Y-m-d')];
    expect($count(...$over))->toBe(10)->and($count(...$early))->toBe(10);
    $before = DB::table('occurrences')->max('starts_at');
    $kept = DB::table('occurrences')->where('starts_at', '>', now())->pluck('id')->all();
    $this->travel(50)->days();
    $this->artisan('rota:roll-horizon')->expectsOutputToContain(' times added at the edge')->assertOk();
    // What is between the edges is not written anew.
    expect(DB::table('occurrences')->whereIn('id', $kept)->count())->toBe(count($kept))->and(DB::table('occurrences')->where('ends_at', '<', now()->subDays(801))->count())->toBe(0);
    expect(DB::table('occurrences')->max('starts_at'))->toBeGreaterThan($before)
        ->and($count(...$over))->toBe(10)->and($count(...$early))->toBe(10);
    $this->artisan('rota:verify-occurrences')->assertOk();
    // Rolled once more, what lies behind the horizon is dropped.
    $this->artisan('rota:roll-horizon')->assertOk();
    expect($count(...$over))->toBe(10);
});

test('what is written while the horizon rolls reaches as far as it is about to', function () {
    $ada = $this->person();
    $held = OccurrenceHorizon::current();
    (new OccurrenceHorizon($held->from, $held->to + 70 * 86_400))->announce();
    $this->add($this->calendar($ada), $ada, title: 'Weekly', rule: 'FREQ=WEEKLY');
    expect(DB::table('occurrences')->max('starts_at'))->toBeGreaterThan(OccurrenceHorizon::stamp($held->to + 60 * 86_400))->and(OccurrenceHorizon::current())->toEqual($held);
});

test('adding an event deletes nothing of the index, which would lock what others are about to add', function () {
    $ada = $this->person();
    $slip = $this->calendar($ada, 'Slipway');
    $deleted = [];
    DB::listen(function ($query) use (&$deleted): void {
        if (str_starts_with(strtolower($query->sql), 'delete')) {
            $deleted[] = $query->sql;
        }
    });
    $this->as($ada, 'POST', '/events', ['calendar' => $slip->slug, 'title' => 'Haul out', 'start' => '2026-11-10T09:00', 'repeat' => ['rule' => 'FREQ=DAILY', 'count' => 3]])->assertCreated();
    expect($deleted)->toBe([])->and(DB::table('occurrences')->count())->toBe(3);
});
