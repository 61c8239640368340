<?php

use App\Events\EventRecord;
use App\Jobs\BackgroundJob;
use App\Jobs\JobRunner;
use App\Jobs\JobState;
use App\Upkeep\MemoryLimit;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Tests\Support\Make;

beforeEach(function () {
    Storage::fake('local');
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->budget = function (int $steps): void {
        config(['rota.budget.steps' => $steps]);
        $this->app->forgetScopedInstances();
    };
    $this->look = function (string $from, string $to) {
        $this->app->forgetScopedInstances();

        return $this->sheet($this->ada, $from, $to);
    };
});

test('a window that takes more than a request may work out is refused and says what to do; a smaller one is answered', function () {
    foreach (range(1, 5) as $at) {
        $this->add($this->slip, $this->ada, title: "Pump {$at}", start: '2026-11-02T09:00', rule: 'FREQ=DAILY');
    }
    ($this->budget)(1_000);
    // Beyond the index the core works out each series.
    ($this->look)('2040-01-01', '2041-01-01')->assertUnprocessable()->assertHeader('Content-Type', 'application/problem+json')
        ->assertJsonPath('title', 'That is too much at once.')->assertJsonPath('detail', 'Nothing was changed. Look at fewer days or calendars, or change fewer events.');
    ($this->look)('2040-01-01', '2040-01-08')->assertOk()->assertJsonCount(35, 'items');
    // What the index holds is not worked out.
    ($this->look)('2026-12-01', '2027-02-01')->assertOk()->assertJsonCount(310, 'items');
});

test('a file that proves to be too much for a request comes in in the background, whole and once', function () {
    Queue::fake();
    ($this->budget)(2_000);
    $id = $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['file' => UploadedFile::fake()->createWithContent('a.ics', Make::calendar(
        "UID:one\nDTSTART:20261110T090000Z\nSUMMARY:Launch", "UID:many\nDTSTART:20261110T090000Z\nRRULE:FREQ=DAILY\nSUMMARY:Pump",
    ))])->assertCreated()->json('id');
    $this->as($this->ada, 'POST', "/imports/{$id}/apply")->assertStatus(202)->assertJsonPath('state', 'waiting');
    expect(EventRecord::query()->count())->toBe(0)->and(DB::table('occurrences')->count())->toBe(0);
    ($this->budget)(1_000_000);
    app(JobRunner::class)->run((int) BackgroundJob::query()->sole()->id);
    expect(BackgroundJob::query()->sole()->state)->toBe(JobState::Done)->and(EventRecord::query()->pluck('uid')->sort()->values()->all())->toBe(['many', 'one']);
});

test('a job that is too much even there ends with what is so', function () {
    Queue::fake();
    ($this->budget)(2_000);
    $id = $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['file' => UploadedFile::fake()->createWithContent('a.ics', Make::calendar("UID:many\nDTSTART:20261110T090000Z\nRRULE:FREQ=DAILY\nSUMMARY:Pump"))])->assertCreated()->json('id');
    $this->as($this->ada, 'POST', "/imports/{$id}/apply")->assertStatus(202);
    $this->app->forgetScopedInstances();
    app(JobRunner::class)->run((int) BackgroundJob::query()->sole()->id);
    $job = BackgroundJob::query()->sole();
    expect($job->state)->toBe(JobState::Failed)->and($job->problem['title'])->toBe('That is too much at once.')->and(EventRecord::query()->count())->toBe(0);
});

test('one event whose times are too many for a request is refused, and nothing of it stays', function () {
    ($this->budget)(2_000);
    $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Pump', 'start' => '2026-11-10T09:00', 'repeat' => ['rule' => 'FREQ=DAILY']])
        ->assertUnprocessable()->assertJsonPath('title', 'That is too much at once.');
    expect(EventRecord::query()->count())->toBe(0);
});

test('the memory that may be used is a share of what PHP has', function () {
    $before = ini_get('memory_limit');
    ini_set('memory_limit', '1000M');
    expect(MemoryLimit::share(0.8))->toBe((int) (1000 * 1024 * 1024 * 0.8));
    ini_set('memory_limit', '-1');
    expect(MemoryLimit::share(0.8))->toBe(PHP_INT_MAX);
    ini_set('memory_limit', (string) $before);
});
