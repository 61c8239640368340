<?php

use App\Events\EventRecord;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use Tests\Support\Make;

/** Runs a command of its own process, in a place without a database or an environment. */
function command(string $command, string $input): array
{
    $home = sys_get_temp_dir().'/rota-nowhere-'.getmypid();
    @mkdir("{$home}/storage/framework/views", recursive: true);
    $result = Process::path(base_path())->env(['ROTA_HOME' => $home, 'DB_SOCKET' => '/nowhere', 'DB_DATABASE' => 'nothing'])->input($input)->run("php artisan {$command}");

    return [$result->exitCode(), $result->output(), $result->errorOutput()];
}

$file = fn (): string => Make::calendar(
    "UID:b\nDTSTAMP:20260101T000000Z\nDTSTART;TZID=Europe/London:20260323T090000\nDTEND;TZID=Europe/London:20260323T100000\nRRULE:FREQ=WEEKLY;COUNT=3\nSUMMARY:Rowing\\, early",
    "UID:b\nDTSTAMP:20260101T000000Z\nRECURRENCE-ID;TZID=Europe/London:20260406T090000\nDTSTART;TZID=Europe/London:20260407T110000\nDTEND;TZID=Europe/London:20260407T120000\nSTATUS:CANCELLED\nSUMMARY:Rowing",
    "UID:a\nDTSTAMP:20260101T000000Z\nDTSTART;VALUE=DATE:20260329\nDTEND;VALUE=DATE:20260331\nSUMMARY:Open days",
    "UID:c\nDTSTAMP:20260101T000000Z\nDTSTART:20260330T090000\nSTATUS:TENTATIVE\nSUMMARY:On every wall",
);

test('a file is expanded, an object a line, by start and then UID', function () use ($file) {
    [$status, $output, $errors] = command('rota:expand - --from=2026-03-24 --to=2026-05-01 --tz=Europe/Berlin', $file());
    expect($errors)->toBe('')->and($status)->toBe(0)->and($output)->toBe(<<<'JSON'
        {"uid":"a","recurrenceId":null,"start":"2026-03-29","end":"2026-03-31","allDay":true,"status":"confirmed","summary":"Open days"}
        {"uid":"c","recurrenceId":null,"start":"2026-03-30T09:00:00+02:00","end":"2026-03-30T09:00:00+02:00","allDay":false,"status":"provisional","summary":"On every wall"}
        {"uid":"b","recurrenceId":"2026-03-30T10:00:00+02:00","start":"2026-03-30T10:00:00+02:00","end":"2026-03-30T11:00:00+02:00","allDay":false,"status":"confirmed","summary":"Rowing, early"}
        {"uid":"b","recurrenceId":"2026-04-06T10:00:00+02:00","start":"2026-04-07T12:00:00+02:00","end":"2026-04-07T13:00:00+02:00","allDay":false,"status":"cancelled","summary":"Rowing"}

        JSON);
});

test('a window has its bounds: what ends as it begins and begins as it ends is outside', function (string $from, string $to, int $lines) use ($file) {
    expect(substr_count(command("rota:expand - --from={$from} --to={$to} --tz=Europe/London", $file())[1], "\n"))->toBe($lines);
})->with([
    ['2026-03-23T10:00', '2026-03-23T11:00', 0], ['2026-03-23T09:59', '2026-03-23T11:00', 1], ['2026-03-23T08:00', '2026-03-23T09:00', 0],
    ['2026-03-30', '2026-03-31', 3], ['2026-03-31', '2026-04-01', 0],
]);

test('rewriting gives a strict file that expands to the same', function () use ($file) {
    $loose = str_replace("\r\n", "\n", $file());
    [$status, $strict, $errors] = command('rota:rewrite -', $loose);
    $window = 'rota:expand - --from=2026-01-01 --to=2027-01-01 --tz=America/New_York';
    expect($status)->toBe(0)->and($errors)->toBe('')->and($strict)->toStartWith("BEGIN:VCALENDAR\r\n")->not->toMatch('/(?<!\r)\n/')
        ->and(command($window, $strict)[1])->toBe(command($window, $loose)[1])->not->toBe('')
        ->and(command('rota:lint -', $strict))->toBe([0, '', ''])
        ->and(command('rota:rewrite -', $strict)[1])->toBe($strict);
});

test('what the calendar itself says is kept by rewriting', function () {
    $text = str_replace('PRODID:-//Test//EN', "PRODID:-//Test//EN\r\nX-WR-CALNAME:Yard\r\nCOLOR:teal\r\nX-ODD;X-P=1:kept", Make::calendar("UID:1\nDTSTAMP:20260101T000000Z\nDTSTART:20260330T090000Z"));
    expect(command('rota:rewrite -', $text)[1])->toContain("NAME:Yard\r\n")->toContain("COLOR:teal\r\n")->toContain("X-ODD;X-P=1:kept\r\n")->toContain("DTSTAMP:20260101T000000Z\r\n");
});

test('lint tells each problem on a line, and nothing where there is none', function () use ($file) {
    expect(command('rota:lint -', $file()))->toBe([0, '', ''])
        ->and(command('rota:lint -', str_replace('COUNT=3', 'COUNT=0', $file())))->toBe([1, "line 9: RRULE: COUNT is a number from 1. (skipped)\n", ''])
        ->and(command('rota:lint -', 'hello'))->toBe([1, "line 1: This is not an iCalendar file: it has no line BEGIN:VCALENDAR.\n", '']);
});

test('errors go to standard error, with status 1', function (string $command, string $message) {
    [$status, $output, $errors] = command($command, Make::calendar("UID:1\nDTSTAMP:20260101T000000Z\nDTSTART:20260330T090000Z"));
    expect($status)->toBe(1)->and($output)->toBe('')->and($errors)->toContain($message);
})->with([
    'no such file' => ['rota:expand /nowhere/at-all.ics', '/nowhere/at-all.ics cannot be read.'],
    'a zone of nowhere' => ['rota:expand - --tz=Atlantis/Capital', 'No time zone is called “Atlantis/Capital”.'],
    'a date that is none' => ['rota:expand - --from=yesterday', 'A date is written 2026-11-02'],
    'a window that ends before it begins' => ['rota:expand - --from=2026-05-01 --to=2026-04-01', 'The window ends before it begins.'],
    'no such file to look at' => ['rota:lint /nowhere/at-all.ics', 'cannot be read'],
    'no such file to rewrite' => ['rota:rewrite /nowhere/at-all.ics', 'cannot be read'],
]);

test('a file is imported by command: first as a trial, then in earnest, then again to no effect', function () use ($file) {
    $calendar = $this->calendar($this->person());
    $path = tempnam(sys_get_temp_dir(), 'rota');
    file_put_contents($path, $file());
    $this->artisan('rota:import', ['file' => $path, '--calendar' => $calendar->slug, '--dry-run' => true])->expectsOutput('Workshops: 3 new, 0 changed, 0 already there (nothing was changed)')->assertOk();
    expect(EventRecord::query()->count())->toBe(0);
    $this->artisan('rota:import', ['file' => $path, '--calendar' => $calendar->slug])->expectsOutput('Workshops: 3 new, 0 changed, 0 already there')->assertOk();
    $this->artisan('rota:import', ['file' => $path, '--calendar' => $calendar->slug])->expectsOutput('Workshops: 0 new, 0 changed, 3 already there')->assertOk();
    expect(EventRecord::query()->whereNull('series_id')->count())->toBe(3);
    $this->artisan('rota:import', ['file' => $path, '--calendar' => 'nowhere'])->assertExitCode(1);
    unlink($path);
    // What comes out again is what went in.
    Artisan::call('rota:export', ['calendar' => $calendar->slug]);
    $exported = Artisan::output();
    $window = 'rota:expand - --from=2026-01-01 --to=2027-01-01 --tz=Europe/London';
    expect(command($window, $exported)[1])->toBe(command($window, $file())[1])->not->toBe('');
    $this->artisan('rota:export', ['calendar' => 'nowhere'])->assertExitCode(1);
});

test('all of an event is stored and comes out again: people, reminders, periods, a described zone', function () {
    $calendar = $this->calendar($this->person());
    $text = "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-\r\nBEGIN:VTIMEZONE\r\nTZID:Our yard\r\nBEGIN:STANDARD\r\nDTSTART:19700101T000000\r\nTZOFFSETFROM:+0130\r\nTZOFFSETTO:+0130\r\nEND:STANDARD\r\nEND:VTIMEZONE\r\n"
        ."BEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20260101T000000Z\r\nDTSTART;TZID=Our yard:20260330T090000\r\nDURATION:PT45M\r\nRRULE:FREQ=WEEKLY;COUNT=4\r\nRDATE;VALUE=PERIOD;TZID=Our yard:20260401T090000/PT3H\r\nEXDATE;TZID=Our yard:20260406T090000\r\nSUMMARY:Yard\r\nATTENDEE;CN=Ben;PARTSTAT=ACCEPTED:mailto:ben@example.org\r\nX-ODD:kept\r\nBEGIN:VALARM\r\nACTION:DISPLAY\r\nTRIGGER:-PT10M\r\nEND:VALARM\r\nEND:VEVENT\r\n"
        ."BEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20260101T000000Z\r\nRECURRENCE-ID;RANGE=THISANDFUTURE;TZID=Our yard:20260413T090000\r\nDTSTART;TZID=Our yard:20260414T100000\r\nDURATION:PT45M\r\nSUMMARY:Yard, later\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n";
    $path = tempnam(sys_get_temp_dir(), 'rota');
    file_put_contents($path, $text);
    $this->artisan('rota:import', ['file' => $path, '--calendar' => $calendar->slug])->assertOk();
    unlink($path);
    Artisan::call('rota:export', ['calendar' => $calendar->slug]);
    $exported = Artisan::output();
    expect($exported)->toContain('ATTENDEE;CN=Ben;PARTSTAT=ACCEPTED:mailto:ben@example.org')->toContain('TRIGGER:-PT600S')->toContain('X-ODD:kept')->toContain('RANGE=THISANDFUTURE');
    $window = 'rota:expand - --from=2026-01-01 --to=2027-01-01 --tz=UTC';
    expect(command($window, $exported)[1])->toBe(command($window, $text)[1]);
    // The index tells the same times.
    expect(DB::table('occurrences')->orderBy('starts_at')->pluck('starts_at')->all())->toBe(['2026-03-30 07:30:00', '2026-04-01 07:30:00', '2026-04-14 08:30:00', '2026-04-21 08:30:00']);
    $this->artisan('rota:verify-occurrences')->assertOk();
});

test('a command without an instance refuses, and makes none', function () {
    $nowhere = sys_get_temp_dir().'/rota-missing-'.getmypid();
    $result = Process::path(base_path())->env(['ROTA_HOME' => $nowhere])->run('php artisan rota:tidy');
    expect($result->exitCode())->toBe(2)->and($result->errorOutput())->toContain("There is no instance at {$nowhere}.")->and(is_dir($nowhere))->toBeFalse();
});

test('root is refused where the instance belongs to somebody else, and leaves nothing there', function () {
    $home = sys_get_temp_dir().'/rota-others-'.getmypid();
    mkdir($home);
    chown($home, 33);
    $result = Process::path(base_path())->env(['ROTA_HOME' => $home])->run('php artisan rota:tidy');
    expect($result->exitCode())->toBe(2)->and($result->errorOutput())->toContain("runuser -u www-data -- env ROTA_HOME={$home} php artisan")->and(scandir($home))->toBe(['.', '..']);
    rmdir($home);
})->skip(posix_geteuid() !== 0, 'Only root is refused.');
