<?php

use App\Calendars\Category;
use App\Events\EventRecord;
use App\Imports\Import;
use App\Organisation\Organisation;
use App\Upkeep\Tidy;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Access\Level;
use Tests\Support\Make;

// What was brought in stays to be looked up, is brought in anew as changes, and goes on the calendars that its table names.

beforeEach(function () {
    $this->travelTo('2026-09-01 10:00:00');
    Storage::fake('local');
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->look = fn (string $text, $person = null) => $this->as($person ?? $this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['text' => $text]);
    $this->put = fn (int $id, array $more = []) => $this->as($this->ada, 'PUT', "/imports/{$id}", $more + ['edits' => []]);
    $this->apply = fn (int $id) => $this->as($this->ada, 'POST', "/imports/{$id}/apply");
    $this->bring = fn (string $text): int => ($this->apply)(($this->look)($text)->json('id'))->assertOk()->json('operation');
    $this->titles = fn (): array => EventRecord::query()->orderBy('starts_local')->orderBy('title')->pluck('title')->all();
    $this->list = fn ($person = null) => $this->as($person ?? $this->ada, 'GET', "/calendars/{$this->slip->slug}/imports");
    $this->term = "Date,What\n2026-09-07,Drill\n2026-09-08,Tea\n2026-09-09,Nets\n";
});

test('what was brought in is listed with what became of it, and can be had again and taken back from there', function () {
    $operation = ($this->bring)($this->term);
    $this->travel(1)->hours();
    ($this->look)("Date,What\n2026-10-01,Only looked at\n");
    $told = ($this->list)()->assertOk()->assertJsonCount(1)->json('0');
    expect($told)->toMatchArray(['fileName' => 'What was pasted', 'kind' => 'table', 'by' => $this->ada->name, 'at' => '2026-09-01T10:00:00Z', 'counts' => ['added' => 3, 'changed' => 0, 'unchanged' => 0, 'removed' => 0], 'operation' => $operation, 'undone' => false, 'hasFile' => true]);
    expect($this->as($this->ada, 'GET', "/imports/{$told['id']}/file")->assertOk()->assertDownload('What was pasted.txt')->streamedContent())->toBe($this->term);
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    ($this->list)()->assertJsonPath('0.undone', true);
    expect(($this->titles)())->toBe([]);
    $this->as($this->ada, 'POST', "/operations/{$operation}/redo")->assertNoContent();
    ($this->list)()->assertJsonPath('0.undone', false);
});

test('others who may change the calendar see what was brought in and have the file, and do not take it back; nobody else does', function () {
    ($this->bring)($this->term);
    $id = Import::query()->value('id');
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Change);
    ($this->list)($ben)->assertJsonPath('0.operation', null)->assertJsonPath('0.by', $this->ada->name);
    $this->as($ben, 'GET', "/imports/{$id}/file")->assertOk();
    $reader = $this->person('Cy Brook');
    $this->give($this->slip, $reader, Level::Add);
    ($this->list)($reader)->assertForbidden();
    $this->as($reader, 'GET', "/imports/{$id}/file")->assertForbidden();
    $this->as($this->person('Di Crane'), 'GET', "/imports/{$id}/file")->assertNotFound();
    // What was only looked at is nobody's but its own.
    $looked = ($this->look)("Date,What\n2026-10-01,Drill\n")->json('id');
    $this->as($this->ada, 'GET', "/imports/{$looked}/file")->assertNotFound();
});

test('of what an office program packed the page is had again as which it was opened', function () {
    $page = '<h2>Autumn</h2><table><tr><td>Date</td><td>What</td></tr><tr><td>2026-09-07</td><td>Drill</td></tr></table>';
    $id = $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['file' => UploadedFile::fake()->createWithContent('watches.ods', $page)])->assertCreated()->assertJsonPath('rows.0.line', 2)->json('id');
    ($this->apply)($id)->assertOk();
    $this->as($this->ada, 'GET', "/imports/{$id}/file")->assertDownload('watches.ods.html');
});

test('a file is kept for so many days, the list longer', function () {
    ($this->bring)($this->term);
    app(Tidy::class)->run();
    expect(Storage::allFiles())->toHaveCount(1);
    $this->travel(91)->days();
    app(Tidy::class)->run();
    expect(Storage::allFiles())->toBe([]);
    ($this->list)()->assertJsonPath('0.hasFile', false);
    $this->as($this->ada, 'GET', '/imports/'.Import::query()->value('id').'/file')->assertNotFound();
});

test('a new version of a document is brought in as changes, and what is gone from it is offered to go, and goes only then', function () {
    ($this->bring)($this->term);
    $this->add($this->slip, $this->ada, title: 'Written here', start: '2026-09-10T09:00');
    $next = "Date,What\n2026-09-07,Drill\n2026-09-15,Nets\n2026-09-16,Ropes\n";
    $preview = ($this->look)($next)->assertJsonPath('counts', ['added' => 1, 'changed' => 1, 'unchanged' => 1, 'removed' => 0])->assertJsonPath('goneCount', 1)->assertJsonPath('gone', [['title' => 'Tea', 'start' => '2026-09-08', 'allDay' => true]])->assertJsonPath('takesGone', false)->json();
    ($this->put)($preview['id'], ['gone' => true])->assertJsonPath('counts.removed', 1)->assertJsonPath('takesGone', true);
    ($this->put)($preview['id'])->assertJsonPath('counts.removed', 0);
    ($this->put)($preview['id'], ['gone' => true]);
    $before = $this->everything();
    $operation = ($this->apply)($preview['id'])->assertJsonPath('counts.removed', 1)->json('operation');
    expect(($this->titles)())->toBe(['Drill', 'Written here', 'Nets', 'Ropes']);
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect($this->everything())->toBe($before);
});

test('what is left out, of another document, or was taken back is not gone', function () {
    ($this->bring)($this->term);
    $left = ($this->look)($this->term)->assertJsonPath('goneCount', 0)->json('id');
    ($this->put)($left, ['edits' => [['row' => 1, 'leftOut' => true]]])->assertJsonPath('goneCount', 0);
    ($this->look)("Date,What\n2026-11-02,Regatta\n")->assertJsonPath('goneCount', 0);
    $other = ($this->bring)("Date,What\n2026-12-01,Dance\n2026-12-02,Fair\n");
    ($this->look)("Date,What\n2026-12-01,Dance\n")->assertJsonPath('goneCount', 1)->assertJsonPath('gone.0.title', 'Fair');
    $this->as($this->ada, 'POST', "/operations/{$other}/undo")->assertNoContent();
    ($this->look)("Date,What\n2026-12-01,Dance\n")->assertJsonPath('goneCount', 0);
});

test('of a calendar file, too, what is gone from it is offered to go', function () {
    $file = fn (string ...$events): string => Make::calendar(...array_map(fn (string $each): string => "UID:{$each}\nDTSTART;VALUE=DATE:20261105\nSUMMARY:{$each}", $events));
    ($this->bring)($file('one', 'two', 'three'));
    $preview = ($this->look)($file('one', 'four'))->assertJsonPath('goneCount', 2)->json();
    ($this->put)($preview['id'], ['gone' => true])->assertJsonPath('counts', ['added' => 1, 'changed' => 0, 'unchanged' => 1, 'removed' => 2]);
    ($this->put)($preview['id'], ['order' => 'month'])->assertStatus(422);
    ($this->put)($preview['id'], ['gone' => true]);
    ($this->apply)($preview['id'])->assertOk();
    expect(($this->titles)())->toBe(['four', 'one']);
});

test('each event says from which line of which document it is, the last that it came by', function () {
    $first = ($this->bring)($this->term);
    $drill = EventRecord::query()->where('title', 'Tea')->sole();
    $origin = fn ($person = null) => $this->as($person ?? $this->ada, 'GET', "/events/{$drill->id}")->json('origin');
    expect($origin())->toBe(['fileName' => 'What was pasted', 'line' => 3, 'said' => '2026-09-08 | Tea', 'at' => '2026-09-01T10:00:00Z', 'by' => $this->ada->name]);
    $second = ($this->bring)("Date,What\n2026-09-09,Nets\n2026-09-07,Drill\n2026-09-10,Tea\n");
    expect($origin()['line'])->toBe(4);
    $this->as($this->ada, 'POST', "/operations/{$second}/undo")->assertNoContent();
    expect($origin()['line'])->toBe(3);
    // Who only reads it is not told what else stands in the document.
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::See);
    expect($origin($ben))->toBeNull()->and($first)->toBeGreaterThan(0);
});

test('what a column is can be picked, and is known again where a table is alike', function () {
    $table = "Day,Boat,Crew,Remark\n2026-09-07,Gig,Keel,Bring oars\n2026-09-08,Skiff,Frame,\n";
    $preview = ($this->look)($table)->json();
    expect(array_map(fn (array $each): array => [$each['table'], $each['column'], $each['name'], $each['samples']], $preview['columns']))->toBe([[0, 0, 'Day', ['2026-09-07', '2026-09-08']], [0, 1, 'Boat', ['Gig', 'Skiff']], [0, 2, 'Crew', ['Keel', 'Frame']], [0, 3, 'Remark', ['Bring oars']]])
        ->and($preview['columns'][0]['role'])->toBe('date')->and($preview['rows'][0]['title'])->toBe('Gig');
    $columns = [['table' => 0, 'column' => 0, 'role' => 'date'], ['table' => 0, 'column' => 1, 'role' => 'place'], ['table' => 0, 'column' => 2, 'role' => 'title'], ['table' => 0, 'column' => 3, 'role' => 'description']];
    $right = ($this->put)($preview['id'], ['columns' => $columns])->assertOk()->json();
    expect($right['rows'][0])->toMatchArray(['title' => 'Keel', 'place' => 'Gig'])->and(array_column($right['columns'], 'role'))->toBe(['date', 'place', 'title', 'description']);
    // Looked at alone, nothing is remembered.
    ($this->look)($table)->assertJsonPath('rows.0.title', 'Gig');
    ($this->apply)($preview['id'])->assertOk();
    expect(EventRecord::query()->where('title', 'Keel')->sole()->description)->toBe('Bring oars');
    ($this->look)("DAY,Boat:,Crew,Remark\n2026-10-07,Punt,Launch,\n")->assertJsonPath('rows.0.title', 'Launch')->assertJsonPath('rows.0.place', 'Punt');
    ($this->look)($table)->assertJsonPath('columns.3.role', 'description');
    // Of somebody else, it is read as ever.
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Change);
    ($this->look)($table, $ben)->assertJsonPath('columns.3.role', null);
    ($this->put)(($this->look)($table)->json('id'), ['columns' => [['table' => 0, 'column' => 0, 'role' => 'nonsense']]])->assertStatus(422);
});

test('a column says on which calendar an event goes; what is none is said, with what may be meant', function () {
    $boats = $this->calendar($this->ada, 'Safety boats');
    $ben = $this->person('Ben Oar');
    $this->calendar($ben, 'Not mine');
    $table = "Date,What,Calendar\n2026-09-07,Drill,\n2026-09-08,Launch,safety boats\n2026-09-09,Check,Safety boat\n2026-09-10,Spy,Not mine\n";
    $preview = ($this->look)($table)->assertJsonPath('counts.added', 4)->json();
    expect(array_column($preview['rows'], 'calendar'))->toBe([null, $boats->slug, null, null])
        ->and($preview['rows'][2]['doubts'])->toBe(['“Safety boat” is no calendar that you may change: it goes on Slipway. Is “Safety boats” meant?'])
        ->and($preview['rows'][3]['doubts'])->toBe(['“Not mine” is no calendar that you may change: it goes on Slipway.']);
    ($this->put)($preview['id'], ['edits' => [['row' => 2, 'calendar' => $boats->slug], ['row' => 1, 'calendar' => $this->slip->slug]]])->assertJsonPath('rows.2.calendar', $boats->slug)->assertJsonPath('rows.2.doubts', [])->assertJsonPath('rows.1.calendar', null);
    ($this->put)($preview['id'], ['edits' => [['row' => 2, 'calendar' => $boats->slug]]]);
    $operation = ($this->apply)($preview['id'])->assertOk()->json('operation');
    expect(EventRecord::query()->orderBy('starts_local')->pluck('calendar_id', 'title')->all())->toBe(['Drill' => $this->slip->id, 'Launch' => $boats->id, 'Check' => $boats->id, 'Spy' => $this->slip->id])->and(DB::table('operations')->count())->toBe(1);
    // As one it is undone, and again it comes as what is there already.
    ($this->look)($table)->assertJsonPath('counts.unchanged', 3);
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect(($this->titles)())->toBe([]);
});

test('who may change one of the calendars no more when it is brought in changes none', function () {
    $ben = $this->person('Ben Oar');
    $boats = $this->calendar($ben, 'Boats');
    $this->give($boats, $this->ada, Level::Change);
    $id = ($this->look)("Date,What,Calendar\n2026-09-07,Drill,\n2026-09-08,Launch,Boats\n")->assertJsonPath('rows.1.calendar', $boats->slug)->json('id');
    DB::table('grants')->delete();
    $this->app->forgetScopedInstances();
    ($this->apply)($id)->assertOk()->assertJsonPath('counts.added', 2);
    // What it names is no calendar of theirs by then: all goes where it was brought in, as the preview would say.
    expect(EventRecord::query()->distinct()->pluck('calendar_id')->all())->toBe([$this->slip->id]);
});

test('taken back, what somebody has changed since is kept and said; all of it changed, nothing is taken back', function () {
    $operation = ($this->bring)($this->term);
    $change = fn (string $title, string $to) => $this->as($this->ada, 'PATCH', '/events/'.EventRecord::query()->where('title', $title)->value('id'), ['title' => $to], 1)->assertOk();
    $change('Tea', 'Tea and cake');
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertOk()->assertExactJson(['kept' => ['Tea and cake'], 'keptCount' => 1]);
    expect(($this->titles)())->toBe(['Tea and cake']);
    ($this->list)()->assertJsonPath('0.undone', true);
    $this->as($this->ada, 'POST', "/operations/{$operation}/redo")->assertOk()->assertJsonPath('keptCount', 1);
    expect(($this->titles)())->toBe(['Drill', 'Tea and cake', 'Nets']);
    foreach (['Drill' => 'Fire drill', 'Nets' => 'Nets, part 1'] as $title => $to) {
        $event = EventRecord::query()->where('title', $title)->sole();
        $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['title' => $to], $event->version)->assertOk();
    }
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertConflict();
    expect(($this->titles)())->toBe(['Fire drill', 'Tea and cake', 'Nets, part 1']);
    ($this->list)()->assertJsonPath('0.undone', false);
});

test('a category that is new is said, with what may be meant; where none may be added it is left out', function () {
    ($this->bring)("Date,What,Category\n2026-09-01,First,assessment\n");
    $table = "Date,What,Category\n2026-09-07,Drill,asessment\n2026-09-08,Tea,Assessment\n2026-09-09,Nets,mending\n";
    $rows = ($this->look)($table)->json('rows');
    expect(array_column($rows, 'doubts'))->toBe([['“asessment” is no category here yet. Is “assessment” meant?'], [], []])->and(array_column($rows, 'categories'))->toBe([['asessment'], ['Assessment'], ['mending']])->and(array_column($rows, 'newCategories'))->toBe([['asessment'], [], ['mending']]);
    $id = ($this->look)($table)->json('id');
    ($this->put)($id, ['edits' => [['row' => 0, 'category' => 'assessment'], ['row' => 2, 'category' => '']]])->assertJsonPath('rows.0.doubts', [])->assertJsonPath('rows.0.categories', ['assessment'])->assertJsonPath('rows.2.categories', []);
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Change);
    $this->slip->update(['free_categories' => false]);
    ($this->look)($table, $ben)->assertJsonPath('rows.2.categories', [])->assertJsonPath('rows.2.doubts', ['“mending” is no category of Slipway, and those who manage it add them: it is left out.']);
});

test('what is put on a closed day is said before it is brought in; why, to those who see that', function () {
    $days = $this->calendar($this->ada, 'School days');
    Category::query()->create(['name' => 'closed', 'closes_day' => true]);
    $this->as($this->ada, 'POST', '/events', ['calendar' => $days->slug, 'title' => 'Half-term', 'start' => '2026-10-26', 'end' => '2026-10-31', 'allDay' => true, 'categories' => ['closed']])->assertCreated();
    app(Organisation::class)->put(['closures' => $days->id], $this->ada);
    $table = "Date,What\n2026-10-27,Splicing test\n2026-11-03,Whipping test\n2026-10-26,Half-term\n";
    $doubts = fn ($person = null): array => array_column(($this->look)($table, $person)->json('rows'), 'doubts');
    expect($doubts())->toBe([['Tue 27 October 2026 is closed: Half-term.'], [], []]);
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Change);
    expect($doubts($ben)[0])->toBe(['Tue 27 October 2026 is closed.']);
    // What is left out is nobody's to look at.
    ($this->put)(($this->look)($table)->json('id'), ['edits' => [['row' => 0, 'leftOut' => true]]])->assertJsonPath('rows.0.doubts', []);
});
