<?php

use App\Bulk\BulkInput;
use App\Directory\Person;
use App\Events\EventRecord;
use App\History\Operation;
use App\Imports\Import;
use App\Jobs\BackgroundJob;
use App\Jobs\JobCancelled;
use App\Jobs\JobKind;
use App\Jobs\JobLock;
use App\Jobs\JobOutcome;
use App\Jobs\JobProgress;
use App\Jobs\JobRun;
use App\Jobs\JobRunner;
use App\Jobs\JobState;
use App\Jobs\RunJob;
use App\Jobs\Work;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Access\Level;
use Tests\Support\Make;

/* Long work: asked for now, done in the background, once and as a whole, with an end that is so. */
beforeEach(function () {
    Storage::fake('local');
    config(['rota.jobs.at_once' => 2]);
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->events = fn (int $count): string => Make::calendar(...array_map(static fn (int $at): string => "UID:{$at}\nDTSTART;TZID=Europe/London:202611".sprintf('%02d', $at)."T093000\nSUMMARY:Test {$at}", range(1, $count)));
    $this->look = fn (int $count, ?Person $person = null): int => $this->as($person ?? $this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['file' => UploadedFile::fake()->createWithContent('term.ics', ($this->events)($count))])->assertCreated()->json('id');
    $this->job = fn (int $id, ?Person $person = null) => $this->as($person ?? $this->ada, 'GET', "/jobs/{$id}");
    $this->waiting = fn (JobKind $kind = JobKind::Import, array $input = ['import' => 1], array $more = []): BackgroundJob => BackgroundJob::query()->create($more + [
        'person_id' => $this->ada->id, 'kind' => $kind, 'title' => 'term.ics', 'input' => $input, 'state' => JobState::Waiting, 'queued_at' => now(),
    ]);
    // Has a piece of work stand in for what a job of imports does.
    $this->does = function (callable $carryOut): void {
        $work = new class($carryOut) implements Work
        {
            public function __construct(private readonly Closure $carryOut)
            {
            }

            public function carryOut(JobRun $run): JobOutcome
            {
                return ($this->carryOut)($run);
            }
        };
        $this->app->instance($work::class, $work);
        $this->app->bind(JobRunner::class, fn () => new JobRunner($this->app, [JobKind::Import->value => $work::class, JobKind::Refresh->value => $work::class]));
    };
});

test('what is little is done at once, what is much in the background: both come to the same', function (int $count, int $status) {
    $answer = $this->as($this->ada, 'POST', '/imports/'.($this->look)($count).'/apply')->assertStatus($status);
    $done = $status === 200 ? $answer->json() : ($this->job)($answer->json('id'))->assertOk()->json();
    expect($done)->toMatchArray(['kind' => 'import', 'title' => 'term.ics', 'state' => 'done', 'calendar' => $this->slip->slug, 'problem' => null])
        ->and($done['counts'])->toBe(['added' => $count, 'changed' => 0, 'unchanged' => 0, 'removed' => 0])
        ->and(EventRecord::query()->count())->toBe($count)->and($done['operation'])->toBe(Operation::query()->sole()->id)
        ->and(Operation::query()->sole()->person_id)->toBe($this->ada->id);
    $this->as($this->ada, 'POST', "/operations/{$done['operation']}/undo")->assertNoContent();
    expect(EventRecord::query()->count())->toBe(0);
})->with([[2, 200], [3, 202]]);

test('a change of many events is done in the background as it was asked for', function () {
    $events = array_map(fn (int $day): array => ['id' => $this->add($this->slip, $this->ada, start: "2026-11-0{$day}T09:00")->id, 'version' => 1], [1, 2, 3]);
    $body = ['tz' => 'Europe/London', 'place' => 'Slip 2', 'busy' => false, 'shiftDays' => 1, 'addCategories' => ['wet'], 'events' => $events];
    $job = $this->as($this->ada, 'POST', '/bulk', $body)->assertStatus(202)->assertJsonPath('state', 'waiting')->assertJsonPath('title', '3 events')->json('id');
    ($this->job)($job)->assertJsonPath('state', 'done')->assertJsonPath('events', 3);
    expect(EventRecord::query()->get()->map(fn (EventRecord $each): string => "{$each->place} {$each->starts_local} {$each->busy} {$each->updated_by}")->unique()->all())
        ->toBe(["Slip 2 2026-11-02 09:00:00  {$this->ada->id}", "Slip 2 2026-11-03 09:00:00  {$this->ada->id}", "Slip 2 2026-11-04 09:00:00  {$this->ada->id}"]);
    // An input that is carried out later is the one that was taken.
    expect(BulkInput::of($body)->change())->toEqual(BulkInput::of(json_decode((string) json_encode($body), true))->change());
});

test('what cannot be done ends with the reason, as though it had been refused at once', function () {
    $events = array_map(fn (int $day): array => ['id' => $this->add($this->slip, $this->ada, title: "Day {$day}", start: "2026-11-0{$day}T09:00")->id, 'version' => 1], [1, 2, 3]);
    $events[1]['version'] = 7;
    $job = $this->as($this->ada, 'POST', '/bulk', ['tz' => 'Europe/London', 'place' => 'Slip 2', 'events' => $events])->assertStatus(202)->json('id');
    ($this->job)($job)->assertJsonPath('state', 'failed')->assertJsonPath('problem.status', 412)->assertJsonPath('problem.current.0', ['id' => $events[1]['id'], 'title' => 'Day 2', 'version' => 1]);
    $events[1] = ['id' => 999_999, 'version' => 1];
    $job = $this->as($this->ada, 'POST', '/bulk', ['tz' => 'Europe/London', 'place' => 'Slip 2', 'events' => $events])->json('id');
    ($this->job)($job)->assertJsonPath('problem.errors.0', ['field' => 'events.1', 'message' => 'It is not there any more, or not for you.']);
    expect(EventRecord::query()->where('place', 'Slip 2')->count())->toBe(0);
});

test('whether somebody may is asked when it is done, and with their own eyes', function () {
    Queue::fake();
    $this->give($this->slip, $this->ben, Level::Change);
    $job = $this->as($this->ben, 'POST', '/imports/'.($this->look)(3, $this->ben).'/apply')->assertStatus(202)->json('id');
    DB::table('grants')->delete();
    $this->app->forgetScopedInstances();
    // The worker was at something of somebody else's before.
    Auth::guard('web')->setUser($this->ada);
    expect(app(JobRunner::class)->run($job))->toBeTrue()->and(Auth::guard('web')->id())->toBe($this->ada->id);
    ($this->job)($job, $this->ben)->assertJsonPath('state', 'failed')->assertJsonPath('problem.status', 404);
    // Whoever was suspended meanwhile has nothing done any more.
    $this->give($this->slip, $this->ben, Level::Change);
    $other = ($this->waiting)(input: ['import' => Import::query()->sole()->id], more: ['person_id' => $this->ben->id]);
    $this->ben->update(['status' => 'suspended']);
    app(JobRunner::class)->run($other->id);
    expect($other->fresh()->problem['status'])->toBe(403)->and(EventRecord::query()->count())->toBe(0);
});

test('a job is told to whoever asked for it, and to nobody else', function () {
    $job = $this->as($this->ada, 'POST', '/imports/'.($this->look)(3).'/apply')->json('id');
    foreach ([['GET', ''], ['DELETE', ''], ['PUT', '/seen'], ['GET', '/file']] as [$method, $path]) {
        $this->as($this->ben, $method, "/jobs/{$job}{$path}")->assertNotFound();
    }
    $this->as($this->ben, 'GET', '/jobs')->assertExactJson([]);
    $this->as($this->ada, 'GET', '/jobs')->assertJsonPath('*.id', [$job]);
    $this->as($this->ada, 'PUT', "/jobs/{$job}/seen")->assertNoContent();
    $this->as($this->ada, 'PUT', "/jobs/{$job}/seen")->assertNoContent();
    $this->as($this->ada, 'GET', '/jobs')->assertExactJson([]);
    // It can still be asked after.
    ($this->job)($job)->assertJsonPath('state', 'done');
});

test('what is broken off before it began never begins; what is done cannot be broken off', function () {
    Queue::fake();
    $id = ($this->look)(3);
    $job = $this->as($this->ada, 'POST', "/imports/{$id}/apply")->json('id');
    // The same file is not brought in twice at once.
    $this->as($this->ada, 'POST', "/imports/{$id}/apply")->assertConflict()->assertJsonPath('title', 'This file is being brought in.');
    $this->as($this->ada, 'PUT', "/jobs/{$job}/seen")->assertConflict();
    $this->as($this->ada, 'DELETE', "/jobs/{$job}")->assertNoContent();
    app(JobRunner::class)->run($job);
    ($this->job)($job)->assertJsonPath('state', 'cancelled')->assertJsonPath('problem', null);
    expect(EventRecord::query()->count())->toBe(0);
    // Broken off, it can be asked for again.
    $again = $this->as($this->ada, 'POST', "/imports/{$id}/apply")->assertStatus(202)->json('id');
    app(JobRunner::class)->run($again);
    $this->as($this->ada, 'DELETE', "/jobs/{$again}")->assertConflict()->assertJsonPath('title', 'It is done already.');
    expect(EventRecord::query()->count())->toBe(3);
});

test('what is broken off in the middle is taken back', function () {
    $job = ($this->waiting)();
    ($this->does)(fn (JobRun $run): JobOutcome => $run->finish(function () use ($run, $job): JobOutcome {
        $this->add($this->slip, $this->ada, title: 'Half');
        $run->progress->at(1, 1);
        JobProgress::cancel($job->id);
        $run->progress->at(1, 1);

        return new JobOutcome;
    }));
    app(JobRunner::class)->run($job->id);
    expect($job->fresh()->state)->toBe(JobState::Cancelled)->and(EventRecord::query()->count())->toBe(0)->and(JobProgress::of($job->id))->toBe([0, 0]);
});

test('how far it is is seen while it goes on, whatever its own transaction keeps to itself', function () {
    $job = ($this->waiting)();
    $seen = null;
    ($this->does)(function (JobRun $run) use ($job, &$seen): JobOutcome {
        return $run->finish(function () use ($run, $job, &$seen): JobOutcome {
            $run->progress->at(120, 120);
            $seen = JobProgress::of($job->id);

            return new JobOutcome(events: 120);
        });
    });
    app(JobRunner::class)->run($job->id);
    expect($seen)->toBe([120, 120]);
    ($this->job)($job->id)->assertJsonPath('events', 120)->assertJsonPath('done', 0);
});

test('that it is done is written with what was done: whoever is ended after it has done it once', function () {
    $job = ($this->waiting)();
    ($this->does)(function (JobRun $run): JobOutcome {
        $run->finish(function (): JobOutcome {
            $this->add($this->slip, $this->ada, title: 'Once');

            return new JobOutcome(events: 1);
        });
        throw new RuntimeException('The worker is ended here.');
    });
    foreach ([1, 2] as $ignored) {
        app(JobRunner::class)->run($job->id);
    }
    expect($job->fresh()->state)->toBe(JobState::Done)->and($job->fresh()->outcome['events'])->toBe(1)->and(EventRecord::query()->count())->toBe(1);
});

test('what nobody is at any more is taken up again, three times at most', function () {
    Queue::fake();
    $runs = 0;
    ($this->does)(function () use (&$runs): JobOutcome {
        $runs++;

        return new JobOutcome(events: $runs);
    });
    $job = ($this->waiting)(more: ['state' => JobState::Running, 'attempts' => 1, 'started_at' => now()]);
    $held = ($this->waiting)(more: ['state' => JobState::Running, 'attempts' => 1, 'started_at' => now()]);
    // Somebody else holds this one's lock: another connection.
    config(['database.connections.other' => config('database.connections.beside')]);
    $name = 'job '.substr(md5(DB::getDatabaseName()), 0, 12)." {$held->id}";
    expect(DB::connection('other')->selectOne('SELECT GET_LOCK(?, 0) AS held', [$name])->held)->toBe(1)->and(JobLock::take($held->id))->toBeFalse();
    ($this->job)($held->id)->assertJsonPath('state', 'running');
    ($this->job)($job->id)->assertJsonPath('state', 'waiting');
    Queue::assertPushed(RunJob::class, fn (RunJob $run): bool => $run->jobId === $job->id && $run->queue === 'work');
    app(JobRunner::class)->run($held->id);
    expect($runs)->toBe(0);
    app(JobRunner::class)->run($job->id);
    expect($job->fresh()->outcome['events'])->toBe(1);
    // Where the one who held it is gone, it is found each minute.
    DB::purge('other');
    $this->artisan('rota:resume-jobs')->expectsOutput('1 jobs taken up again');
    $held->update(['attempts' => 3]);
    app(JobRunner::class)->run($held->id);
    expect($held->fresh()->state)->toBe(JobState::Failed)->and($held->fresh()->problem['title'])->toBe('It broke off again and again.')->and($runs)->toBe(1);
});

test('what got lost on its way into the queue is queued again', function () {
    Queue::fake();
    $job = ($this->waiting)();
    $this->artisan('rota:resume-jobs')->expectsOutput('0 jobs taken up again');
    $this->travel(11)->minutes();
    $this->artisan('rota:resume-jobs')->expectsOutput('1 jobs taken up again');
    $this->artisan('rota:resume-jobs')->expectsOutput('0 jobs taken up again');
    Queue::assertPushed(RunJob::class, 1);
    expect($job->fresh()->state)->toBe(JobState::Waiting);
});

test('fetches of one person wait for each other, those of others do not', function () {
    ($this->does)(fn (): JobOutcome => new JobOutcome);
    foreach ([1, 2] as $ignored) {
        ($this->waiting)(JobKind::Refresh, more: ['state' => JobState::Running]);
    }
    $third = ($this->waiting)(JobKind::Refresh);
    $bens = ($this->waiting)(JobKind::Refresh, more: ['person_id' => $this->ben->id]);
    $import = ($this->waiting)();
    expect(array_map(fn (BackgroundJob $job): bool => app(JobRunner::class)->run($job->id), [$third, $bens, $import]))->toBe([false, true, true])
        ->and($third->fresh()->state)->toBe(JobState::Waiting)->and($third->fresh()->attempts)->toBe(0)
        ->and(JobKind::Refresh->queue())->toBe('fetch-now');
});

test('nobody has more than twenty things waiting', function () {
    Queue::fake();
    foreach (range(1, 20) as $ignored) {
        ($this->waiting)();
    }
    $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/files")->assertStatus(429)->assertHeader('Retry-After');
    $this->give($this->slip, $this->ben, Level::See);
    $this->as($this->ben, 'POST', "/calendars/{$this->slip->slug}/files")->assertStatus(202);
});

test('a calendar is written into a file as whoever asks for it sees it', function () {
    $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-10T09:00');
    $this->add($this->slip, $this->ada, title: 'Dentist', start: '2026-11-11T09:00', more: ['private' => true]);
    $this->give($this->slip, $this->ben, Level::See);
    $file = function (Person $person): string {
        $job = $this->as($person, 'POST', "/calendars/{$this->slip->slug}/files")->assertStatus(202)->json('id');
        ($this->job)($job, $person)->assertJsonPath('state', 'done')->assertJsonPath('hasFile', true);

        return $this->as($person, 'GET', "/jobs/{$job}/file")->assertOk()->assertHeader('Content-Disposition', "attachment; filename={$this->slip->slug}.ics")->streamedContent();
    };
    expect($file($this->ada))->toContain('SUMMARY:Haul out')->toContain('SUMMARY:Dentist')
        ->and($file($this->ben))->toContain('SUMMARY:Haul out')->not->toContain('Dentist');
    $this->as($this->person('Cy Reader'), 'POST', "/calendars/{$this->slip->slug}/files")->assertNotFound();
    // A job without a file has none; with its job a file goes.
    $this->as($this->ada, 'GET', '/jobs/'.($this->waiting)()->id.'/file')->assertNotFound();
    $this->travel(8)->days();
    collect(Storage::files('files'))->each(fn (string $path) => touch(Storage::path($path), now()->subDays(8)->getTimestamp()));
    $this->artisan('rota:tidy')->assertOk();
    expect(Storage::files('files'))->toBe([])->and(BackgroundJob::query()->whereNotNull('ended_at')->count())->toBe(0);
});

test('what somebody asks for and cancels is no failure, and what fails unforeseen is told without its workings', function () {
    $job = ($this->waiting)();
    ($this->does)(fn () => throw new LogicException('secret innards'));
    app(JobRunner::class)->run($job->id);
    ($this->job)($job->id)->assertJsonPath('state', 'failed')->assertJsonPath('problem.title', 'Something went wrong here.');
    expect(json_encode($job->fresh()->problem))->not->toContain('innards');
    $cancelled = ($this->waiting)();
    ($this->does)(fn () => throw new JobCancelled);
    app(JobRunner::class)->run($cancelled->id);
    expect($cancelled->fresh()->state)->toBe(JobState::Cancelled)->and($cancelled->fresh()->problem)->toBeNull();
});
