<?php

use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;

/* What the organisation decides: by administrators, written down, taken back, and held everywhere from then on. */
beforeEach(function () {
    $this->root = $this->person('Root', ['role' => 'administrator']);
    $this->ada = $this->person();
    $this->decide = fn (array $body, int $version = 0, $person = null) => $this->as($person ?? $this->root, 'PATCH', '/organisation', $body, $version);
    $this->log = fn (string $of = 'changes'): array => $this->as($this->root, 'GET', "/log?of={$of}")->assertOk()->json('*.words');
});

test('before anything is decided it is as it is by itself', function () {
    $this->as($this->root, 'GET', '/organisation')->assertExactJson([
        'name' => '', 'meetings' => '', 'timezone' => 'Europe/London', 'firstMonth' => null, 'schoolYear' => ['terms' => [], 'alternates' => false, 'halfTermCounts' => false], 'closures' => null, 'administratorsNeedSecondFactor' => false, 'plainHttp' => false, 'dayFirst' => true, 'morning' => '09:00', 'afternoon' => '13:00', 'evening' => '18:00', 'mayAskFor' => 'change', 'frameSites' => [], 'version' => 0,
    ]);
});

test('what is decided is written down with what it was, and taken back from there', function () {
    ($this->decide)(['dayFirst' => false, 'evening' => '17:30', 'mayAskFor' => 'none'])->assertOk()->assertJsonPath('version', 1)->assertJsonPath('evening', '17:30')->assertJsonPath('morning', '09:00');
    // The same once more is no change.
    ($this->decide)(['dayFirst' => false], 1)->assertOk()->assertJsonPath('version', 1);
    expect(($this->log)())->toBe(['the day before the month in dates: from yes to no; the evening begins: from 18:00 to 17:30; people may ask for: from Change to Nothing']);
    ($this->decide)(['plainHttp' => true], 1)->assertOk();
    $first = collect($this->as($this->root, 'GET', '/log')->json())->last();
    $this->as($this->root, 'POST', "/log/{$first['id']}/revert")->assertOk();
    // What was decided since stays.
    $this->as($this->root, 'GET', '/organisation')->assertJsonPath('dayFirst', true)->assertJsonPath('evening', '18:00')->assertJsonPath('mayAskFor', 'change')->assertJsonPath('plainHttp', true)->assertJsonPath('version', 3);
});

test('of two who decide from one version the second is told what is so now', function () {
    ($this->decide)(['dayFirst' => false])->assertOk();
    ($this->decide)(['morning' => '08:00'])->assertStatus(412)->assertJsonPath('current.dayFirst', false)->assertJsonPath('current.version', 1);
    $this->as($this->root, 'PATCH', '/organisation', ['morning' => '08:00'])->assertStatus(428);
});

test('what cannot be decided is told at its field', function (array $body, string $field) {
    ($this->decide)($body)->assertUnprocessable()->assertJsonPath('errors.0.field', $field);
    expect(DB::table('organisation_settings')->count())->toBe(0);
})->with([
    [['morning' => '25:00'], 'morning'], [['morning' => 'early'], 'morning'], [['evening' => '08:00', 'morning' => '09:00'], 'evening'], [['afternoon' => '09:00'], 'afternoon'], [['afternoon' => '19:00'], 'afternoon'], [['morning' => '13:30'], 'morning'],
    [['evening' => '08:00'], 'evening'], [['morning' => '18:00'], 'morning'], [['mayAskFor' => 'manage'], 'mayAskFor'], [['mayAskFor' => ['see']], 'mayAskFor'], [['plainHttp' => 'perhaps'], 'plainHttp'],
]);

test('it is no matter of anybody else', function () {
    $this->as($this->ada, 'GET', '/organisation')->assertForbidden();
    ($this->decide)(['dayFirst' => false], 0, $this->ada)->assertForbidden();
});

test('lines, cells and what is found are read as the organisation writes dates', function () {
    $this->travelTo('2026-11-25T08:00:00Z');
    $slip = $this->calendar($this->ada, 'Slipway');
    $event = $this->add($slip, $this->ada, start: '2026-11-26T09:00');
    $read = fn (): array => [
        $this->as($this->ada, 'GET', '/line?tz=Europe/London&line='.rawurlencode('launch 5/12 10:00'))->json('start'),
        $this->as($this->ada, 'GET', '/line?tz=Europe/London&line='.rawurlencode('launch fri evening'))->json('start'),
        $this->as($this->ada, 'GET', '/find?tz=Europe/London&q='.rawurlencode('5/12'))->json('date'),
    ];
    expect($read())->toBe(['2026-12-05T10:00', '2026-11-27T18:00', '2026-12-05']);
    ($this->decide)(['dayFirst' => false, 'evening' => '19:30']);
    expect($read())->toBe(['2027-05-12T10:00', '2026-11-27T19:30', '2027-05-12']);
    $this->as($this->ada, 'POST', '/bulk', ['tz' => 'Europe/London', 'events' => [['id' => $event->id, 'version' => 1, 'cells' => ['when' => '5/12 10:00']]]])->assertOk();
    expect($event->fresh()->starts_local)->toBe('2027-05-12 10:00:00');
});

test('people ask for no more than they may', function () {
    $slip = $this->calendar($this->root, 'Slipway');
    $this->give($slip, SubjectKind::Everyone, Level::BusyTimes);
    $ask = fn (string $level) => $this->as($this->ada, 'POST', "/calendars/{$slip->slug}/requests", ['level' => $level]);
    ($this->decide)(['mayAskFor' => 'see']);
    $ask('change')->assertUnprocessable()->assertJsonPath('errors.0.message', 'You have Busy times here; ask for more than that, up to See.');
    $ask('see')->assertCreated();
    ($this->decide)(['mayAskFor' => 'none'], 1);
    $ask('see')->assertUnprocessable()->assertJsonPath('errors.0.message', 'Your organisation does not let people ask for access. Speak to whoever keeps the calendar.');
});

test('who comes in and who cannot is written down, from where, and forgotten after a while', function () {
    $sign = fn (string $email, string $password) => $this->withHeader('User-Agent', 'SomeBrowser/1.0 (X11; Linux x86_64)')->postJson('/api/v1/session', compact('email', 'password'));
    $sign($this->ada->email, 'not-her-password')->assertUnprocessable();
    $sign($this->ada->email, Tests\TestCase::PASSWORD)->assertOk();
    // Of what is no address of anybody nothing is kept: it may be a password in the wrong field.
    $sign('my-secret-word', 'x')->assertUnprocessable();
    expect(($this->log)('sign-ins'))->toHaveCount(2)
        ->and(($this->log)('sign-ins')[0])->toStartWith('signed in from 127.0.0.1, ')
        ->and(($this->log)('sign-ins')[1])->toStartWith('failed to sign in from 127.0.0.1, ')
        ->and(json_encode(DB::table('activity_log')->get()))->not->toContain('my-secret-word')->not->toContain('not-her-password')
        ->and(($this->log)())->toBe([])
        ->and($this->as($this->root, 'GET', '/log?of=sign-ins')->json('*.by'))->toBe(['Ada Quill', 'Ada Quill']);
    $this->as($this->root, 'GET', '/log?of=everything')->assertUnprocessable();
    $this->travel(181)->days();
    $this->artisan('rota:tidy')->assertOk();
    expect(($this->log)('sign-ins'))->toBe([]);
});

test('looking as somebody is written down, once an hour', function () {
    $slip = $this->calendar($this->root, 'Slipway');
    foreach (range(1, 3) as $ignored) {
        $this->sheet($this->root, '2026-11-01', '2026-11-08', "&calendar={$slip->slug}&as={$this->ada->id}")->assertOk();
    }
    expect(($this->log)('sign-ins'))->toBe(['looked at the rota as Ada Quill']);
    $this->travel(61)->minutes();
    $this->sheet($this->root, '2026-11-01', '2026-11-08', "&calendar={$slip->slug}&as={$this->ada->id}")->assertOk();
    expect(($this->log)('sign-ins'))->toHaveCount(2);
});

test('with whom an overlay is shared is written down for those who manage it', function () {
    $slug = $this->as($this->ada, 'POST', '/overlays', ['name' => 'Both', 'layers' => [['name' => 'x', 'colour' => 'sea', 'mark' => 'disc', 'takes' => 'all', 'calendars' => []]]])->assertCreated()->json('slug');
    $riggers = $this->group('Riggers', $this->root);
    $put = fn (string $level) => $this->as($this->ada, 'PUT', "/overlays/{$slug}/grants", ['kind' => 'group', 'id' => $riggers->id, 'level' => $level])->assertOk();
    $put('see');
    $put('see');
    $put('change');
    $put('none');
    $this->as($this->ada, 'PUT', "/overlays/{$slug}/keeper", ['kind' => 'person', 'id' => $this->root->id, 'stays' => 'manage'])->assertOk();
    $log = $this->as($this->root, 'GET', "/overlays/{$slug}/log")->assertOk();
    expect($log->json('*.words'))->toBe([
        'Ada Quill: from Nothing to Manage', 'kept by Root, before by Ada Quill', 'Riggers: from Change to Nothing', 'Riggers: from See to Change', 'Riggers: from Nothing to See',
    ])->and($log->json('*.revertable'))->each->toBeFalse();
});
