<?php

use App\Directory\Person;
use App\Letters\Letter;
use Illuminate\Support\Facades\Mail;

/* What an organisation begins with, and who may keep what is common to all of it. */

beforeEach(function () {
    $this->root = $this->person('Root Ada', ['role' => 'administrator']);
    $this->states = fn (): array => array_column($this->as($this->root, 'GET', '/organisation/first-steps')->assertOk()->json('steps'), 'state', 'step');
});

test('each step is done by what is there afterwards', function (string $step, Closure $do) {
    expect(($this->states)()[$step])->toBe('open');
    $do($this);
    expect(array_keys(($this->states)(), 'done'))->toBe([$step]);
})->with([
    ['name', fn ($test) => $test->as($test->root, 'PATCH', '/organisation', ['name' => ' Skerrin Quay '], 0)->assertOk()->assertJsonPath('name', 'Skerrin Quay')],
    ['dates', fn ($test) => $test->as($test->root, 'PATCH', '/organisation', ['timezone' => 'Europe/Oslo', 'firstMonth' => 9], 0)->assertOk()->assertJsonPath('firstMonth', 9)],
    ['categories', fn ($test) => $test->as($test->root, 'POST', '/categories', ['name' => 'Assessment', 'calendar' => null])->assertCreated()],
    ['groups', fn ($test) => $test->as($test->root, 'POST', '/groups', ['name' => 'Staff'])->assertCreated()],
    ['people', fn ($test) => $test->as($test->root, 'POST', '/people', ['name' => 'Ben Oar', 'email' => 'ben@example.org'])->assertCreated()],
    ['calendar', fn ($test) => $test->as($test->root, 'POST', '/calendars', ['name' => 'Keel year', 'colour' => 'sea', 'mark' => 'disc'])->assertCreated()],
]);

test('an overlay is the last of them', function () {
    $calendar = $this->calendar($this->root, 'Keel year');
    $this->as($this->root, 'POST', '/overlays', ['name' => 'Everything', 'everyLayer' => false, 'openingView' => 'lanes', 'layers' => [['name' => 'Keel year', 'colour' => 'sea', 'mark' => 'disc', 'pattern' => 'plain', 'takes' => 'chosen', 'group' => null, 'calendars' => [$calendar->slug], 'conditions' => []]]])->assertCreated();
    expect(array_keys(($this->states)(), 'done'))->toBe(['calendar', 'overlay']);
});

test('a step is left out, twice as once, and taken up again; one that is none is refused', function () {
    foreach ([1, 2] as $time) {
        $this->as($this->root, 'PUT', '/organisation/first-steps/name', ['skipped' => true])->assertOk()->assertJsonPath('steps.0.state', 'skipped');
    }
    $this->as($this->root, 'PUT', '/organisation/first-steps/name', ['skipped' => false])->assertOk()->assertJsonPath('steps.0.state', 'open');
    $this->as($this->root, 'PUT', '/organisation/first-steps/name', [])->assertUnprocessable();
    $this->as($this->root, 'PUT', '/organisation/first-steps/nothing', ['skipped' => true])->assertNotFound();
});

test('a category that is there already is not offered once more', function () {
    expect($this->as($this->root, 'GET', '/organisation/first-steps')->json('categories.*.name'))->toContain('Closed', 'Assessment');
    $this->as($this->root, 'POST', '/categories', ['name' => 'closed', 'calendar' => null])->assertCreated();
    expect($this->as($this->root, 'GET', '/organisation/first-steps')->json('categories.*.name'))->not->toContain('Closed')->toContain('Assessment');
});

test('the name is told to whoever signs in, and in invitations; the zone is that of newcomers', function () {
    Mail::fake();
    $this->as($this->root, 'PATCH', '/organisation', ['name' => 'Skerrin Quay', 'timezone' => 'europe/oslo', 'firstMonth' => 9], 0)->assertOk()->assertJsonPath('timezone', 'Europe/Oslo');
    $this->app['auth']->forgetGuards();
    $this->getJson('/api/v1/session')->assertJsonPath('organisation', ['name' => 'Skerrin Quay', 'firstMonth' => 9, 'terms' => false, 'alternates' => false, 'meetings' => false]);
    $this->as($this->root, 'POST', '/people', ['name' => 'Ben Oar', 'email' => 'ben@example.org', 'invite' => true])->assertCreated()->assertJsonPath('timezone', 'Europe/Oslo');
    Mail::assertQueued(Letter::class, fn (Letter $letter): bool => $letter->envelope()->subject === 'Root Ada invites you to the calendars of Skerrin Quay');
});

test('what cannot be is refused at its field', function (array $body, string $field) {
    $this->as($this->root, 'PATCH', '/organisation', $body, 0)->assertUnprocessable()->assertJsonPath('errors.0.field', $field);
})->with([[['name' => str_repeat('a', 121)], 'name'], [['timezone' => 'Europe/Nowhere'], 'timezone'], [['firstMonth' => 13], 'firstMonth'], [['firstMonth' => 0], 'firstMonth']]);

test('a coordinator keeps groups, rooms and common categories, and nothing else of the organisation', function () {
    $cy = $this->person('Cy Chart', ['role' => 'coordinator']);
    $group = $this->as($cy, 'POST', '/groups', ['name' => 'Riggers'])->assertCreated()->json('id');
    $this->as($cy, 'PUT', "/groups/{$group}/members", ['kind' => 'person', 'id' => $cy->id, 'member' => true])->assertOk();
    $room = $this->as($cy, 'POST', '/rooms', ['name' => 'Long loft'])->assertCreated()->json('id');
    $this->as($cy, 'DELETE', "/rooms/{$room}")->assertNoContent();
    $category = $this->as($cy, 'POST', '/categories', ['name' => 'Assessment', 'calendar' => null])->assertCreated()->json('id');
    $this->as($cy, 'PATCH', "/categories/{$category}", ['closesDay' => true])->assertOk();
    $this->as($cy, 'DELETE', "/categories/{$category}")->assertNoContent();
    $this->as($cy, 'GET', '/organisation')->assertForbidden();
    $this->as($cy, 'PATCH', "/people/{$cy->id}", ['role' => 'administrator'])->assertForbidden();
    expect(Person::query()->find($cy->id)->isAdministrator())->toBeFalse();
    // What they did is written down.
    expect(implode(' ', $this->as($this->root, 'GET', '/log')->json('*.words')))->toContain('Riggers');
    $member = $this->person('Mo Member');
    $this->as($member, 'POST', '/categories', ['name' => 'Other', 'calendar' => null])->assertForbidden()->assertJsonPath('detail', 'Administrators and coordinators of the organisation do this.');
});

test('an administrator who lacks the second factor that is asked of them keeps nothing in common, either', function () {
    $this->as($this->root, 'POST', '/rooms', ['name' => 'Long loft'])->assertCreated();
    Illuminate\Support\Facades\DB::table('organisation_settings')->insert(['id' => 1, 'settings' => '{"administratorsNeedSecondFactor":true}', 'version' => 1]);
    $this->app->forgetScopedInstances();
    $this->as($this->root, 'POST', '/rooms', ['name' => 'Sail loft'])->assertForbidden();
});
