<?php

use App\Events\EventRecord;
use App\History\Operation;
use App\Jobs\BackgroundJob;
use App\Occurrences\VerifyOccurrences;
use Illuminate\Support\Facades\DB;
use Tests\Support\Elsewhere;

// Nothing here is in a transaction: another process is to see it, and to be ended in the middle.

beforeEach(function () {
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    DB::transaction(fn () => collect(range(1, 1000))->each(fn (int $number) => $this->add($this->slip, $this->ada, title: "Haul out {$number}", start: sprintf('2026-%02d-%02dT09:00', $number % 12 + 1, $number % 28 + 1))));
    $this->body = ['tz' => 'Europe/London', 'place' => 'Elsewhere', 'shiftDays' => 1, 'events' => EventRecord::query()->where('calendar_id', $this->slip->id)->get()->map(fn (EventRecord $event): array => ['id' => $event->id, 'version' => 1])->all()];
    Elsewhere::watch();
    $this->written = fn (): int => DB::connection('watching')->table('events')->where('place', 'Elsewhere')->count();
    $this->state = fn (): string => md5(json_encode([DB::table('events')->orderBy('id')->get(), DB::table('occurrences')->orderBy('id')->get(), DB::table('operations')->count()]));
    config(['queue.default' => 'database']);
});

afterEach(fn () => Elsewhere::clear());

test('a change of 1,000 events that breaks off in the middle leaves nothing behind, is taken up again, and done once', function () {
    $before = ($this->state)();
    $operations = Operation::query()->count();
    $job = $this->as($this->ada, 'POST', '/bulk', $this->body)->assertStatus(202)->json('id');
    $told = fn () => $this->as($this->ada, 'GET', "/jobs/{$job}")->assertOk();
    $nothing = function () use ($before): void {
        while (($this->written)() > 0) {
            usleep(20_000);
        }
        expect(($this->state)())->toBe($before);
    };
    // The worker is killed. While it was at it, how far it was was told.
    $worker = Elsewhere::work('work');
    Elsewhere::middle($worker, $this->written, 200, 1000);
    $told()->assertJsonPath('state', 'running')->assertJsonPath('total', 1000);
    $worker->signal(SIGKILL);
    $worker->wait();
    $nothing();
    $told()->assertJsonPath('state', 'waiting');
    // The database drops its connections.
    $worker = Elsewhere::work('work');
    Elsewhere::middle($worker, $this->written, 200, 1000);
    $own = array_map(static fn (?string $name): int => DB::connection($name)->selectOne('SELECT CONNECTION_ID() AS id')->id, [null, 'watching', 'beside']);
    $others = collect(DB::select('SELECT id FROM information_schema.processlist WHERE db = ?', [DB::getDatabaseName()]))->pluck('id')->diff($own);
    expect($others)->toHaveCount(2);
    $others->each(static fn (int $id) => DB::statement("KILL CONNECTION {$id}"));
    $worker->wait();
    $nothing();
    $told()->assertJsonPath('state', 'waiting');
    // Taken up again, all of it is done, once; and undone as one.
    Elsewhere::work('work')->wait();
    $operation = $told()->assertJsonPath('state', 'done')->assertJsonPath('events', 1000)->json('operation');
    Elsewhere::work('work')->wait();
    $sound = fn () => expect(iterator_to_array(app(VerifyOccurrences::class)->differences(), false))->toBe([]);
    expect(EventRecord::query()->where('place', 'Elsewhere')->where('version', 2)->count())->toBe(1000)->and(Operation::query()->count())->toBe($operations + 1)
        ->and(BackgroundJob::query()->sole()->attempts)->toBe(3);
    $sound();
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect(EventRecord::query()->where('place', 'Elsewhere')->count())->toBe(0);
    $sound();
});

test('whoever wants it no more breaks it off while it goes on: all of it is taken back', function () {
    $before = ($this->state)();
    $job = $this->as($this->ada, 'POST', '/bulk', $this->body)->assertStatus(202)->json('id');
    $worker = Elsewhere::work('work');
    Elsewhere::middle($worker, $this->written, 100, 1000);
    $this->as($this->ada, 'DELETE', "/jobs/{$job}")->assertNoContent();
    $worker->wait();
    expect(($this->state)())->toBe($before);
    $this->as($this->ada, 'GET', "/jobs/{$job}")->assertJsonPath('state', 'cancelled');
});
