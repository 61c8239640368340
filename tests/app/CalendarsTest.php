<?php

use PinnedRota\Core\Access\Level;

test('a calendar is made, changed, deleted and brought back', function () {
    $ada = $this->person();
    $slug = $this->as($ada, 'POST', '/calendars', ['name' => 'Slipway', 'colour' => 'ochre', 'mark' => 'pentagon'])->assertCreated()
        ->assertJsonPath('level', 'manage')->assertJsonPath('timezone', 'Europe/London')->assertJsonPath('reasons.0', 'kept by Ada Quill')->json('slug');
    $this->as($ada, 'PATCH', "/calendars/{$slug}", ['name' => 'Slip', 'colour' => 'rose', 'timezone' => 'europe/lisbon'], 1)->assertOk()
        ->assertJsonPath('name', 'Slip')->assertJsonPath('mark', 'pentagon')->assertJsonPath('timezone', 'Europe/Lisbon')->assertJsonPath('version', 2);
    $this->as($ada, 'DELETE', "/calendars/{$slug}")->assertNoContent();
    $this->as($ada, 'GET', '/calendars')->assertExactJson([]);
    $this->as($ada, 'POST', "/calendars/{$slug}/restore")->assertOk();
    $this->as($ada, 'GET', '/calendars')->assertJsonPath('0.name', 'Slip');
});

test('what cannot be a calendar is refused at its field, and nothing changes', function (array $input, string $field, string $message) {
    $ada = $this->person();
    $this->as($ada, 'POST', '/calendars', $input + ['name' => 'Slipway', 'colour' => 'sea', 'mark' => 'disc'])->assertUnprocessable()
        ->assertJsonPath('errors.0.field', $field)->assertJsonPath('errors.0.message', $message);
    $this->as($ada, 'GET', '/calendars')->assertExactJson([]);
})->with([
    [['name' => ''], 'name', 'Give the calendar a name.'],
    [['name' => str_repeat('x', 10_000)], 'name', 'A name has at most 120 characters.'],
    [['timezone' => 'Atlantis/Capital'], 'timezone', 'No time zone is called “Atlantis/Capital”.'],
]);

test('of two who change a calendar at once the second is told and loses nothing', function () {
    $ada = $this->person();
    $calendar = $this->calendar($ada);
    $this->as($ada, 'PATCH', "/calendars/{$calendar->slug}", ['name' => 'First'], 1)->assertOk();
    $this->as($ada, 'PATCH', "/calendars/{$calendar->slug}", ['name' => 'Second'], 1)->assertStatus(412)->assertJsonPath('current.name', 'First')->assertJsonPath('current.version', 2);
    $this->as($ada, 'PATCH', "/calendars/{$calendar->slug}", ['name' => 'Third'])->assertStatus(428);
});

test('a calendar kept by a group is managed by each who is in it', function () {
    [$ada, $ben, $eve] = [$this->person(), $this->person('Ben Oar'), $this->person('Eve Else')];
    $calendar = $this->calendar($this->group('Coordination', $ada, $ben));
    $this->as($ben, 'PATCH', "/calendars/{$calendar->slug}", ['name' => 'Ours'], 1)->assertOk()->assertJsonPath('reasons.0', 'kept by Coordination');
    $this->as($eve, 'PATCH', "/calendars/{$calendar->slug}", ['name' => 'Mine'], 2)->assertNotFound();
});

test('categories of a calendar are told to those who may read it', function () {
    [$ada, $ben] = [$this->person(), $this->person('Ben Oar')];
    $calendar = $this->calendar($ada);
    $calendar->categories()->create(['name' => 'secret-project']);
    $this->give($calendar, $ben, Level::BusyTimes);
    expect($this->as($ada, 'GET', '/categories')->getContent())->toContain('secret-project')
        ->and($this->as($ben, 'GET', '/categories')->getContent())->not->toContain('secret-project');
});
