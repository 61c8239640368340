<?php

use App\Access\GrantRecord;
use App\Access\Sharing;
use App\Directory\Group;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

/* What is changed of people, groups, access and links is written down, by whichever way it was changed, and taken back from there. */
beforeEach(function () {
    $this->root = $this->person('Root', ['role' => 'administrator']);
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->log = fn (): array => $this->as($this->root, 'GET', '/log')->assertOk()->json('*.words');
    $this->slipLog = fn (): array => $this->as($this->ada, 'GET', "/calendars/{$this->slip->slug}/log")->assertOk()->json('*.words');
    $this->takeBack = fn (string $words) => $this->as($this->root, 'POST', '/log/'.collect($this->as($this->root, 'GET', '/log')->json())->firstWhere('words', $words)['id'].'/revert');
    /** A group with somebody in it, with a group within it and in another, to whom a calendar and an overlay are shared. */
    $this->yard = function (): Group {
        $yard = Group::query()->findOrFail($this->as($this->root, 'POST', '/groups', ['name' => 'Yard'])->assertCreated()->json('id'));
        $yard->people()->attach($this->ben);
        $yard->groups()->attach($this->group('Riggers'));
        $this->group('Everybody out')->groups()->attach($yard);
        app(Sharing::class)->give($this->slip, new Subject(SubjectKind::Group, $yard->id), Level::Change, $this->ada);
        $overlay = $this->as($this->ada, 'POST', '/overlays', ['name' => 'Both', 'layers' => [['name' => 'x', 'colour' => 'sea', 'mark' => 'disc', 'takes' => 'all', 'calendars' => []]]])->assertCreated()->json('slug');
        $this->as($this->ada, 'PUT', "/overlays/{$overlay}/grants", ['kind' => 'group', 'id' => $yard->id, 'level' => 'see'])->assertOk();

        return $yard;
    };
    $this->grants = fn (Group $group): array => GrantRecord::query()->where(['subject_kind' => 'group', 'subject_id' => $group->id])->orderBy('on_kind')->get()->map(static fn (GrantRecord $grant): string => "{$grant->on_kind} {$grant->level->value}")->all();
});

test('a group made, renamed and deleted is written down, and each is taken back', function () {
    $yard = ($this->yard)();
    $this->as($this->root, 'PATCH', "/groups/{$yard->id}", ['name' => 'The yard'])->assertOk();
    // The same name once more is no change.
    $this->as($this->root, 'PATCH', "/groups/{$yard->id}", ['name' => 'The yard'])->assertOk();
    expect(($this->log)())->toBe(['group “Yard” renamed to “The yard”', 'group “Yard” made']);
    ($this->takeBack)('group “Yard” renamed to “The yard”')->assertOk()->assertJsonPath('0.words', 'group “The yard” renamed to “Yard”');
    expect($yard->fresh()->name)->toBe('Yard');
    ($this->takeBack)('group “Yard” made')->assertOk()->assertJsonPath('0.words', 'group “Yard” deleted');
    expect($yard->fresh())->toBeNull()->and(($this->grants)($yard))->toBe([]);
});

test('with a group its grants go, which is written at each calendar, and come back with it', function () {
    $yard = ($this->yard)();
    $this->as($this->ben, 'GET', '/calendars')->assertJsonCount(1);
    $this->as($this->root, 'DELETE', "/groups/{$yard->id}")->assertNoContent();
    $this->as($this->ben, 'GET', '/calendars')->assertExactJson([]);
    expect(($this->slipLog)()[0])->toBe('A group that was deleted: from Change to Nothing (the group was deleted)');
    ($this->takeBack)('group “Yard” deleted')->assertOk();
    $back = Group::query()->findOrFail($yard->id);
    expect($back->name)->toBe('Yard')
        ->and($back->people()->pluck('name')->all())->toBe(['Ben Oar'])
        ->and($back->groups()->pluck('name')->all())->toBe(['Riggers'])
        ->and(DB::table('group_group')->where('member_id', $back->id)->count())->toBe(1)
        ->and(($this->grants)($back))->toBe(['calendar change', 'overlay see'])
        ->and(($this->slipLog)()[0])->toBe('Yard: from Nothing to Change (the group was brought back)');
    $this->as($this->ben, 'GET', '/calendars')->assertJsonCount(1);
    // Twice it cannot come back.
    ($this->takeBack)('group “Yard” deleted')->assertConflict();
});

test('a deleted group does not come back under a name that is taken, and nothing of it does', function () {
    $yard = ($this->yard)();
    $this->as($this->root, 'DELETE', "/groups/{$yard->id}")->assertNoContent();
    $this->as($this->root, 'POST', '/groups', ['name' => 'Yard'])->assertCreated();
    ($this->takeBack)('group “Yard” deleted')->assertUnprocessable()->assertJsonPath('errors.0.message', 'There is a group of this name.');
    expect(Group::query()->find($yard->id))->toBeNull()->and(($this->grants)($yard))->toBe([]);
});

test('a deleted group that would come to be in itself is refused', function () {
    $yard = ($this->yard)();
    $this->as($this->root, 'DELETE', "/groups/{$yard->id}")->assertNoContent();
    // What was within it is put around what it was in.
    Group::query()->where('name', 'Riggers')->firstOrFail()->groups()->attach(Group::query()->where('name', 'Everybody out')->firstOrFail());
    ($this->takeBack)('group “Yard” deleted')->assertUnprocessable();
    expect(Group::query()->find($yard->id))->toBeNull();
});

test('what was shared with a group is not given back to it at a calendar while the group is gone', function () {
    $yard = ($this->yard)();
    $this->as($this->root, 'DELETE', "/groups/{$yard->id}")->assertNoContent();
    $entry = $this->as($this->ada, 'GET', "/calendars/{$this->slip->slug}/log")->json('0.id');
    $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/log/{$entry}/revert")->assertConflict();
    expect(($this->grants)($yard))->toBe([]);
});

test('a group that keeps a calendar is not deleted from the log either', function () {
    $yard = ($this->yard)();
    $this->slip->update(['keeper_kind' => 'group', 'keeper_id' => $yard->id]);
    ($this->takeBack)('group “Yard” made')->assertConflict();
    expect($yard->fresh())->not->toBeNull();
});

test('what people change of themselves and what a table changes of them is written down', function () {
    $this->as($this->ben, 'PATCH', '/session/person', ['name' => 'Ben Oarsman'])->assertOk();
    expect(($this->log)())->toBe(['Ben Oarsman: name from “Ben Oar” to “Ben Oarsman”'])
        ->and($this->as($this->root, 'GET', '/log')->json('0.by'))->toBe('Ben Oarsman');
    $table = "name\taddress\tpost\nBen Oarsman\t{$this->ben->email}\tMate";
    $plan = $this->as($this->root, 'POST', '/people/table', ['text' => $table])->assertOk();
    expect(($this->log)())->toHaveCount(1);
    $this->as($this->root, 'POST', '/people/table', ['text' => $table, 'apply' => $plan->json('digest')])->assertOk();
    expect(($this->log)()[0])->toBe('Ben Oarsman: post from none to “Mate”');
    // The same again changes nothing and is not written.
    $this->as($this->ben, 'PATCH', '/session/person', ['name' => 'Ben Oarsman'])->assertOk();
    expect(($this->log)())->toHaveCount(2);
});

test('links that are made and revoked are written down at their calendar, and are not taken back from there', function () {
    $path = "/calendars/{$this->slip->slug}";
    $feed = $this->as($this->ada, 'POST', "{$path}/feeds", ['name' => 'The hall', 'detail' => 'busy'])->assertCreated()->json('id');
    $this->as($this->ada, 'DELETE', "/feeds/{$feed}")->assertNoContent();
    expect(($this->slipLog)())->toBe(['feed link “The hall” revoked', 'feed link “The hall” made']);
    $entry = $this->as($this->ada, 'GET', "{$path}/log")->assertJsonPath('0.revertable', false)->json('0.id');
    $this->as($this->ada, 'POST', "{$path}/log/{$entry}/revert")->assertNotFound();
});
