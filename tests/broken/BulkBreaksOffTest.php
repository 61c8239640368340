<?php

use App\Events\EventRecord;
use App\History\Operation;
use App\Occurrences\VerifyOccurrences;
use Illuminate\Contracts\Process\InvokedProcess;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Support\Elsewhere;

// Nothing here is in a transaction: another process is to see it, and to be ended in the middle.

beforeEach(function () {
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    DB::transaction(fn () => collect(range(1, 1000))->each(fn (int $number) => $this->add($this->slip, $this->ada, title: "Haul out {$number}", start: sprintf('2026-%02d-%02dT09:00', $number % 12 + 1, $number % 28 + 1))));
    $this->key = Str::uuid()->toString();
    $this->body = ['key' => $this->key, 'tz' => 'Europe/London', 'place' => 'Elsewhere', 'shiftDays' => 1, 'events' => EventRecord::query()->where('calendar_id', $this->slip->id)->get()->map(fn (EventRecord $event): array => ['id' => $event->id, 'version' => 1])->all()];
    Elsewhere::watch();
    $this->written = fn (): int => DB::connection('watching')->table('events')->where('place', 'Elsewhere')->count();
    $this->state = fn (): string => md5(json_encode([DB::table('events')->orderBy('id')->get(), DB::table('occurrences')->orderBy('id')->get(), DB::table('operations')->count()]));
    $this->start = fn (): InvokedProcess => Elsewhere::ask($this->ada, [['method' => 'POST', 'path' => '/bulk', 'body' => $this->body]]);
    $this->middle = fn (InvokedProcess $process) => Elsewhere::middle($process, $this->written, 200, 1000);
});

afterEach(fn () => Elsewhere::clear());

test('a change of 1,000 events that breaks off in the middle leaves nothing behind, and asked for again it is done once', function () {
    $before = ($this->state)();
    $operations = Operation::query()->count();
    $nothing = function () use ($before): void {
        while (($this->written)() > 0) {
            usleep(20_000);
        }
        expect(($this->state)())->toBe($before);
        $this->as($this->ada, 'GET', "/operations/{$this->key}")->assertNotFound();
    };
    // The worker is killed.
    $process = ($this->start)();
    ($this->middle)($process);
    $process->signal(SIGKILL);
    $process->wait();
    $nothing();
    // The database drops the connection: that is told as a failure.
    $process = ($this->start)();
    ($this->middle)($process);
    $own = [DB::selectOne('SELECT CONNECTION_ID() AS id')->id, DB::connection('watching')->selectOne('SELECT CONNECTION_ID() AS id')->id];
    $others = collect(DB::select('SELECT id FROM information_schema.processlist WHERE db = ?', [DB::getDatabaseName()]))->pluck('id')->diff($own);
    expect($others)->toHaveCount(1);
    DB::statement('KILL CONNECTION '.(int) $others->first());
    expect($process->wait()->output())->toBe('[503]');
    $nothing();
    // Asked for again under the same key, all of it is done, once; and undone as one.
    $this->as($this->ada, 'POST', '/bulk', $this->body)->assertOk()->assertJsonPath('events', 1000);
    $this->as($this->ada, 'POST', '/bulk', $this->body)->assertOk()->assertJsonPath('events', 1000);
    $operation = $this->as($this->ada, 'GET', "/operations/{$this->key}")->assertOk()->assertJsonPath('events', 1000)->json('operation');
    $sound = fn () => expect(iterator_to_array(app(VerifyOccurrences::class)->differences(), false))->toBe([]);
    expect(EventRecord::query()->where('place', 'Elsewhere')->where('version', 2)->count())->toBe(1000)->and(Operation::query()->count())->toBe($operations + 1);
    $sound();
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect(EventRecord::query()->where('place', 'Elsewhere')->count())->toBe(0);
    $sound();
});
