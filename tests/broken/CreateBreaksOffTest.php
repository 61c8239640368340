<?php

use App\Calendars\Calendar;
use App\Events\EventRecord;
use App\History\Operation;
use App\Occurrences\VerifyOccurrences;
use Illuminate\Contracts\Process\InvokedProcess;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Support\Elsewhere;

// A create that is held up by a lock on its calendar, and broken off there.

beforeEach(function () {
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->asked = ['method' => 'POST', 'path' => '/events', 'key' => Str::uuid()->toString(), 'body' => ['calendar' => $this->slip->slug, 'title' => 'Haul out', 'start' => '2026-11-10T09:00']];
    Elsewhere::watch();
    /** The connections of others that wait for what this test holds. */
    $this->waiting = fn (): array => array_column(DB::connection('watching')->select(
        "SELECT id FROM information_schema.processlist WHERE db = ? AND id <> CONNECTION_ID() AND info LIKE '%for update' AND time_ms > 50",
        [DB::getDatabaseName()],
    ), 'id');
    /** @return array{InvokedProcess, int} the create, and its connection, once it waits for the calendar */
    $this->heldUp = function (): array {
        DB::beginTransaction();
        Calendar::query()->lockForUpdate()->findOrFail($this->slip->id);
        $process = Elsewhere::ask($this->ada, [$this->asked]);
        while (($this->waiting)() === []) {
            expect($process->running())->toBeTrue('It was not held up: '.$process->output().$process->errorOutput());
            usleep(5_000);
        }

        return [$process, (int) ($this->waiting)()[0]];
    };
    $this->once = function (): void {
        expect(Elsewhere::ask($this->ada, [$this->asked, $this->asked])->wait()->output())->toBe('[201,201]')
            ->and([EventRecord::query()->count(), Operation::query()->count(), DB::table('occurrences')->count()])->toBe([1, 1, 1])
            ->and(iterator_to_array(app(VerifyOccurrences::class)->differences(), false))->toBe([]);
    };
});

afterEach(fn () => Elsewhere::clear());

test('a create whose connection to the database is cut says so, leaves nothing, and is done once when it is tried again', function () {
    [$process, $connection] = ($this->heldUp)();
    DB::connection('watching')->statement("KILL CONNECTION {$connection}");
    expect($process->wait()->output())->toBe('[503]');
    DB::rollBack();
    expect([EventRecord::query()->count(), Operation::query()->count()])->toBe([0, 0]);
    ($this->once)();
});

test('a create whose process is killed leaves nothing, and its key is free for the next try', function () {
    [$process] = ($this->heldUp)();
    $process->signal(SIGKILL);
    $process->wait();
    DB::rollBack();
    // The database notices that nobody is there any more as soon as it has the lock to give.
    while (($this->waiting)() !== []) {
        usleep(5_000);
    }
    ($this->once)();
});
