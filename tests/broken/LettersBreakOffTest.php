<?php

use App\Outbox\LetterState;
use App\Outbox\OutboxLetter;
use Illuminate\Contracts\Process\InvokedProcess;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Facades\Process;
use PinnedRota\Core\Access\Level;
use Tests\Support\Elsewhere;
use Tests\Support\SentLetter;

// A worker that is killed after the mail server has a letter and before that is written down.

beforeEach(function () {
    $this->ada = $this->person('Ada Quill');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->people = array_map(fn (int $each) => $this->person("Pupil {$each}"), range(1, 5));
    foreach ($this->people as $each) {
        $this->give($this->slip, $each, Level::See);
    }
    $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Oar test', 'start' => now()->addMonth()->format('Y-m-d\TH:i'), 'participants' => array_map(fn ($each): array => ['kind' => 'person', 'id' => $each->id, 'part' => 'required'], $this->people)])->assertCreated();
    OutboxLetter::query()->update(['due_at' => now()->subMinute()]);
    $this->directory = sys_get_temp_dir().'/letters-'.bin2hex(random_bytes(6));
    $socket = stream_socket_server('tcp://127.0.0.1:0');
    $this->port = (int) substr(strrchr(stream_socket_get_name($socket, false), ':'), 1);
    fclose($socket);
    $this->server = function (int $slow): InvokedProcess {
        $server = Process::path(base_path())->timeout(300)->start([PHP_BINARY, 'standins/mail-server.php', (string) $this->port, $this->directory, (string) $slow]);
        while (($connection = @fsockopen('127.0.0.1', $this->port)) === false) {
            expect($server->running())->toBeTrue();
            usleep(20_000);
        }
        fclose($connection);

        return $server;
    };
    /** @return list<string> the Message-IDs of what the server has, in order */
    $this->took = fn (): array => array_map(fn (string $file): string => SentLetter::of(file_get_contents($file))->header('Message-ID'), glob("{$this->directory}/*.eml"));
});

afterEach(function () {
    (new Filesystem)->deleteDirectory($this->directory);
    Elsewhere::clear();
});

test('loses none, and the one in flight goes twice at most, under the same name', function () {
    $server = ($this->server)(60);
    $worker = Elsewhere::sendLetters($this->port);
    while (($this->took)() === []) {
        expect($worker->running())->toBeTrue($worker->errorOutput());
        usleep(5_000);
    }
    $worker->signal(SIGKILL);
    $worker->wait();
    $server->signal(SIGKILL);
    $server->wait();
    expect(OutboxLetter::query()->where('state', LetterState::Sent)->count())->toBe(0)->and(OutboxLetter::query()->whereNotNull('claimed_until')->count())->toBe(1);
    // Two at once, after the claim of the first is over.
    OutboxLetter::query()->whereNotNull('claimed_until')->update(['claimed_until' => now()->subSecond()]);
    $server = ($this->server)(0);
    $workers = [Elsewhere::sendLetters($this->port), Elsewhere::sendLetters($this->port)];
    array_map(fn (InvokedProcess $each) => $each->wait(), $workers);
    $server->signal(SIGTERM);
    $server->wait();
    $took = ($this->took)();
    expect(OutboxLetter::query()->where('state', LetterState::Sent)->count())->toBe(5)->and($took)->toHaveCount(6)->and(array_unique($took))->toHaveCount(5)
        ->and(array_slice($took, 1))->toContain($took[0]);
});
