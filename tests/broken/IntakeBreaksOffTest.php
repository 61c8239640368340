<?php

use App\Events\EventRecord;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\History\Operation;
use App\Imports\Import;
use App\Imports\Intake;
use App\Occurrences\VerifyOccurrences;
use App\Sources\Refresh;
use App\Sources\RefreshSource;
use App\Sources\Source;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\ICalendar\Diagnostics;
use Tests\Support\Elsewhere;
use Tests\Support\Make;

// What comes from outside, broken off in the middle. Nothing here is in a transaction: another process is to see it.

beforeEach(function () {
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    Elsewhere::watch();
    $this->written = fn (): int => DB::connection('watching')->table('events')->count();
    $this->nothing = function (): void {
        while (($this->written)() > 0) {
            usleep(20_000);
        }
        expect([EventRecord::query()->count(), DB::table('occurrences')->count(), Operation::query()->count(), DB::table('changes')->count()])->toBe([0, 0, 0, $this->changes]);
    };
    $this->sound = fn () => expect(iterator_to_array(app(VerifyOccurrences::class)->differences(), false))->toBe([]);
});

afterEach(fn () => Elsewhere::clear());

test('an import of 600 events whose worker is killed in the middle leaves nothing, is taken up again and comes in once', function () {
    $events = array_map(static fn (int $at): string => "UID:tide-{$at}\nDTSTAMP:20261101T000000Z\nDTSTART:202611".sprintf('%02d', $at % 28 + 1)."T090000Z\nSUMMARY:Tide {$at}", range(1, 600));
    Storage::put('imports/killed.ics', Make::calendar(...$events));
    $import = Import::query()->create(['calendar_id' => $this->slip->id, 'created_by' => $this->ada->id, 'file_name' => 'tides.ics', 'path' => 'imports/killed.ics', 'counts' => ['added' => 600, 'changed' => 0, 'unchanged' => 0]]);
    $this->changes = DB::table('changes')->count();
    config(['queue.default' => 'database']);
    $job = $this->as($this->ada, 'POST', "/imports/{$import->id}/apply")->assertStatus(202)->json('id');
    $worker = Elsewhere::work('work');
    Elsewhere::middle($worker, $this->written, 50, 600);
    $worker->signal(SIGKILL);
    $worker->wait();
    ($this->nothing)();
    $this->as($this->ada, 'POST', "/imports/{$import->id}/apply")->assertConflict();
    $this->as($this->ada, 'GET', "/jobs/{$job}")->assertJsonPath('state', 'waiting');
    Elsewhere::work('work')->wait();
    $this->as($this->ada, 'GET', "/jobs/{$job}")->assertJsonPath('state', 'done')->assertJsonPath('counts.added', 600);
    $this->as($this->ada, 'POST', "/imports/{$import->id}/apply")->assertConflict();
    expect(EventRecord::query()->count())->toBe(600)->and(Operation::query()->count())->toBe(1);
    ($this->sound)();
});

test('a table of 5,000 rows whose worker is killed in the middle leaves nothing, says so, and comes in once', function () {
    $rows = implode('', array_map(static fn (int $at): string => date('d/m/Y', strtotime('2026-09-01') + 86_400 * ($at % 300)).";Duty {$at};9:00\n", range(1, 5_000)));
    Storage::put('imports/killed.csv', "Date;What;Time\n{$rows}");
    $import = Import::query()->create(['calendar_id' => $this->slip->id, 'created_by' => $this->ada->id, 'file_name' => 'duties.csv', 'kind' => 'table', 'path' => 'imports/killed.csv', 'counts' => ['added' => 5_000, 'changed' => 0, 'unchanged' => 0]]);
    $this->changes = DB::table('changes')->count();
    config(['queue.default' => 'database']);
    $job = $this->as($this->ada, 'POST', "/imports/{$import->id}/apply")->assertStatus(202)->json('id');
    $worker = Elsewhere::work('work');
    Elsewhere::middle($worker, $this->written, 500, 5_000);
    $worker->signal(SIGKILL);
    $worker->wait();
    ($this->nothing)();
    expect(DB::table('import_lines')->count())->toBe(0)->and($import->refresh()->applied_at)->toBeNull();
    $this->as($this->ada, 'GET', "/jobs/{$job}")->assertJsonPath('state', 'waiting');
    Elsewhere::work('work')->wait();
    $this->as($this->ada, 'GET', "/jobs/{$job}")->assertJsonPath('state', 'done')->assertJsonPath('counts.added', 5_000);
    expect(EventRecord::query()->count())->toBe(5_000)->and(DB::table('import_lines')->count())->toBe(5_000)->and(Operation::query()->count())->toBe(1);
    ($this->sound)();
});

test('a refresh whose queue worker is killed in the middle leaves nothing, holds the next one up for minutes at most, and comes in once', function () {
    $names = implode(',', array_map(static fn (int $at): string => base_convert((string) $at, 10, 36), range(1, 300)));
    $source = Source::query()->create([
        'calendar_id' => $this->slip->id, 'created_by' => $this->ada->id, 'url' => config('rota.standins.url')."/switch/a.ics?events={$names}", 'refresh_minutes' => 60, 'next_refresh_at' => now(),
    ]);
    $this->changes = DB::table('changes')->count();
    config(['queue.default' => 'database']);
    RefreshSource::dispatch($source->id);
    $worker = Elsewhere::work('fetch');
    Elsewhere::middle($worker, $this->written, 50, 300);
    $worker->signal(SIGKILL);
    $worker->wait();
    ($this->nothing)();
    expect(Refresh::query()->count())->toBe(0)->and($source->fresh()->succeeded_at)->toBeNull();
    // While the job is held for the dead worker nothing else takes it; then it is given up, and the next comes through.
    expect(Elsewhere::work('fetch')->wait()->successful())->toBeTrue()->and(EventRecord::query()->count())->toBe(0);
    DB::table('jobs')->update(['reserved_at' => now()->subSeconds(config('queue.connections.database.retry_after') + 1)->timestamp]);
    Elsewhere::work('fetch')->wait();
    expect([DB::table('jobs')->count(), DB::table('failed_jobs')->count(), EventRecord::query()->count()])->toBe([0, 1, 0]);
    RefreshSource::dispatch($source->id);
    expect(DB::table('jobs')->count())->toBe(1);
    Elsewhere::work('fetch')->wait();
    expect([EventRecord::query()->count(), Operation::query()->count(), Refresh::query()->sole()->error, $source->fresh()->error])->toBe([300, 1, null, null]);
    ($this->sound)();
});

test('a source of 1,200 events that is being pinned when its worker is killed shows nowhere else, and then once', function () {
    $source = Source::query()->create(['calendar_id' => $this->slip->id, 'created_by' => $this->ada->id, 'url' => config('rota.standins.url').'/switch/a.ics?events=none', 'refresh_minutes' => 60, 'next_refresh_at' => now()]);
    $events = array_map(static fn (int $at): string => "UID:tide-{$at}\nDTSTAMP:20261101T000000Z\nDTSTART:202611".sprintf('%02d', $at % 28 + 1)."T090000Z\nSUMMARY:Tide {$at}", range(1, 1_200));
    app(Intake::class)->carryOut($this->slip, app(Intake::class)->plan($this->slip, Make::stream(Make::calendar(...$events)), new Diagnostics), Actor::nobody(), Cause::Refresh);
    $board = $this->calendar($this->ada, 'Board');
    config(['queue.default' => 'database']);
    $job = $this->as($this->ada, 'POST', "/sources/{$source->id}/pins", ['calendar' => $board->slug])->assertStatus(202)->json('id');
    $pinned = fn (): int => DB::connection('watching')->table('event_pins')->count();
    $worker = Elsewhere::work('work');
    Elsewhere::middle($worker, $pinned, 300, 1_200);
    $worker->signal(SIGKILL);
    $worker->wait();
    while ($pinned() > 0) {
        usleep(20_000);
    }
    expect([DB::table('source_pins')->count(), DB::table('occurrences')->where('calendar_id', $board->id)->count(), Operation::query()->where('kind', 'pin')->count()])->toBe([0, 0, 0]);
    // Whoever asks after it has it taken up again.
    $this->as($this->ada, 'GET', "/jobs/{$job}")->assertJsonPath('state', 'waiting');
    Elsewhere::work('work')->wait();
    $this->as($this->ada, 'GET', "/jobs/{$job}")->assertJsonPath('state', 'done');
    expect(DB::table('occurrences')->where('calendar_id', $board->id)->count())->toBe(1_200)->and(DB::table('source_pins')->count())->toBe(1);
    ($this->sound)();
});
