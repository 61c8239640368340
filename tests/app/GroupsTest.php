<?php

use App\Directory\Group;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;

beforeEach(function () {
    $this->root = $this->person('Root Ada', ['role' => 'administrator']);
    $this->ben = $this->person('Ben Oar');
    $this->put = fn (Group $group, string $kind, int $id, bool $member = true, $by = null) => $this->as($by ?? $this->root, 'PUT', "/groups/{$group->id}/members", ['kind' => $kind, 'id' => $id, 'member' => $member]);
});

test('an administrator makes a group, fills it, renames it and deletes it', function () {
    $id = $this->as($this->root, 'POST', '/groups', ['name' => 'Riggers'])->assertCreated()->json('id');
    $group = Group::query()->findOrFail($id);
    ($this->put)($group, 'person', $this->ben->id)->assertOk()->assertJsonPath('people.0.name', 'Ben Oar');
    // Once more changes nothing.
    ($this->put)($group, 'person', $this->ben->id)->assertOk()->assertJsonCount(1, 'people');
    $this->as($this->root, 'PATCH', "/groups/{$id}", ['name' => 'Rigging loft'])->assertOk()->assertJsonPath('name', 'Rigging loft');
    $this->as($this->ben, 'GET', '/groups')->assertOk()->assertJsonPath('0.name', 'Rigging loft')->assertJsonMissing(['email' => $this->ben->email]);
    ($this->put)($group, 'person', $this->ben->id, false)->assertOk()->assertJsonCount(0, 'people');
    $this->as($this->root, 'DELETE', "/groups/{$id}")->assertNoContent();
    expect(Group::query()->count())->toBe(0);
});

test('nobody else changes groups, and strangers do not see them', function () {
    $group = $this->group('Riggers', $this->ben);
    foreach ([['POST', '/groups', ['name' => 'x']], ['PATCH', "/groups/{$group->id}", ['name' => 'x']], ['DELETE', "/groups/{$group->id}", []], ['PUT', "/groups/{$group->id}/members", ['kind' => 'person', 'id' => $this->ben->id, 'member' => false]]] as [$method, $path, $body]) {
        $this->as($this->ben, $method, $path, $body)->assertForbidden();
    }
    $this->as(null, 'GET', '/groups')->assertUnauthorized();
    expect($group->people()->count())->toBe(1);
});

test('what a group cannot be is refused at its field', function (array $body, string $message) {
    $this->group('Riggers');
    $this->as($this->root, 'POST', '/groups', $body)->assertUnprocessable()->assertJsonPath('errors.0.message', $message);
    expect(Group::query()->count())->toBe(1);
})->with([
    [['name' => ''], 'Give the group a name.'],
    [['name' => str_repeat('x', 121)], 'A name has at most 120 characters.'],
    [['name' => 'Riggers'], 'There is a group of this name.'],
]);

test('whoever is in a group is in the groups that have it, and gains and loses with them', function () {
    $year = $this->group('Keel year', $this->ben);
    $students = $this->group('Students');
    $school = $this->group('School');
    $calendar = $this->calendar($this->root);
    $kept = $this->calendar($school, 'Kept by the school');
    $this->give($calendar, $school, Level::Change);
    $this->give($kept, $this->root, Level::Manage);
    $seen = fn (): array => array_column($this->as($this->ben, 'GET', '/calendars')->json(), 'level', 'name');
    expect($seen())->toBe([]);
    ($this->put)($students, 'group', $year->id)->assertOk()->assertJsonPath('groups.0.name', 'Keel year');
    ($this->put)($school, 'group', $students->id)->assertOk();
    expect($seen())->toBe(['Kept by the school' => 'manage', 'Workshops' => 'change']);
    ($this->put)($students, 'group', $year->id, false)->assertOk();
    expect($seen())->toBe([]);
});

test('a group cannot come to be within itself', function () {
    $year = $this->group('Keel year');
    $students = $this->groupOf($year);
    $school = $this->groupOf($students);
    ($this->put)($year, 'group', $school->id)->assertUnprocessable()->assertJsonPath('errors.0.message', "Keel year is in {$school->name} already, so {$school->name} cannot be in it, too.");
    ($this->put)($year, 'group', $year->id)->assertUnprocessable()->assertJsonPath('errors.0.message', 'A group cannot be in itself.');
    expect(DB::table('group_group')->count())->toBe(2);
});

test('a group that keeps something is not deleted; with another goes what was shared with it', function () {
    $riggers = $this->group('Riggers', $this->ben);
    $calendar = $this->calendar($riggers, 'Rigging loft');
    $this->as($this->root, 'DELETE', "/groups/{$riggers->id}")->assertConflict()->assertJsonPath('title', 'Riggers keeps Rigging loft. Hand over what it keeps first.');
    $calendar->update(['keeper_kind' => 'person', 'keeper_id' => $this->root->id]);
    $this->give($calendar, $riggers, Level::See);
    $this->as($this->root, 'DELETE', "/groups/{$riggers->id}")->assertNoContent();
    expect(DB::table('grants')->count())->toBe(0);
    $this->as($this->ben, 'GET', '/calendars')->assertExactJson([]);
});

test('a change of a group shows in open browsers', function () {
    $group = $this->group('Riggers');
    $marks = fn (): array => $this->as($this->ben, 'GET', '/changes')->json('marks');
    $before = $marks();
    ($this->put)($group, 'person', $this->ben->id);
    expect($marks())->toHaveCount(count($before) + 1);
});
