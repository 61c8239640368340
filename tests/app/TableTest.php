<?php

use App\Events\EventRecord;
use App\History\Operation;
use App\Occurrences\VerifyOccurrences;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;

beforeEach(function () {
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->loft = $this->calendar($this->ada, 'Long loft');
    $by = fn ($person): array => ['participants' => [new Participant("mailto:{$person->email}", role: ParticipantRole::Responsible)]];
    $this->haul = $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-12T09:00', more: ['place' => 'Slip 2', 'categories' => ['Launch']] + $by($this->ben));
    $this->away = $this->add($this->loft, $this->ada, title: 'away', start: '2026-11-10', more: ['status' => PinnedRota\Core\Events\Status::Provisional]);
    $this->weekly = $this->add($this->loft, $this->ada, title: 'Rowing', start: '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=4', more: $by($this->ada));
    $this->table = fn (string $more = '', $person = null) => $this->as($person ?? $this->ada, 'GET', "/table?from=2026-11-01&to=2027-05-01&tz=Europe/London{$more}")->assertOk();
    $this->titles = fn (string $more = ''): array => array_column(($this->table)($more)->json('rows'), 'title');
    $this->events = fn (EventRecord ...$events): array => array_map(fn (EventRecord $event): array => ['id' => $event->id, 'version' => $event->fresh()->version], $events);
    $this->bulk = fn (array $body, string $path = '/bulk', $person = null) => $this->as($person ?? $this->ada, 'POST', $path, $body + ['tz' => 'Europe/London', 'events' => ($this->events)($this->haul, $this->away, $this->weekly)]);
});

test('a series is one row, told by its first time and how often it is', function () {
    ($this->table)()->assertJsonPath('total', 3)->assertJsonPath('next', null)->assertJsonPath('rows.0.title', 'Rowing')->assertJsonPath('rows.0.times', 4)->assertJsonPath('rows.0.occurrence', '2026-11-03T09:00:00Z')
        ->assertJsonPath('rows.1.start', '2026-11-10')->assertJsonPath('rows.2.responsible', ['Ben Oar'])->assertJsonPath('rows.2.addedBy', 'Ada Quill')->assertJsonPath('rows.2.version', 1)->assertJsonPath('rows.2.hold', null);
});

test('rows are sorted by each column either way, and what has nothing there comes last', function (string $sort, array $titles, array $down) {
    expect(($this->titles)("&sort={$sort}"))->toBe($titles)->and(($this->titles)("&sort={$sort}&descending=1"))->toBe($down);
})->with([
    ['when', ['Rowing', 'away', 'Haul out'], ['Haul out', 'away', 'Rowing']],
    ['title', ['away', 'Haul out', 'Rowing'], ['Rowing', 'Haul out', 'away']],
    ['calendar', ['Rowing', 'away', 'Haul out'], ['Haul out', 'Rowing', 'away']],
    ['place', ['Haul out', 'Rowing', 'away'], ['Haul out', 'Rowing', 'away']],
    ['categories', ['Haul out', 'Rowing', 'away'], ['Haul out', 'Rowing', 'away']],
    ['status', ['Rowing', 'Haul out', 'away'], ['away', 'Rowing', 'Haul out']],
    ['responsible', ['Rowing', 'Haul out', 'away'], ['Haul out', 'Rowing', 'away']],
    ['addedBy', ['Rowing', 'away', 'Haul out'], ['Rowing', 'away', 'Haul out']],
]);

test('what is of a layer that is hidden is no row, is not counted, and is not among all', function () {
    $layer = collect(($this->table)()->json('rows'))->firstWhere('title', 'Haul out')['layer'];
    $shown = ($this->table)("&hidden[]={$layer}")->assertJsonPath('total', 2);
    expect(array_column($shown->json('rows'), 'title'))->toBe(['Rowing', 'away']);
    $this->as($this->ada, 'GET', "/table/whole?from=2026-11-01&to=2027-05-01&tz=Europe/London&hidden[]={$layer}")->assertOk()->assertJsonCount(2)->assertJsonMissing(['id' => $this->haul->id]);
    $this->as($this->ada, 'GET', '/table?from=2026-11-01&to=2027-05-01&tz=Europe/London&hidden[]=first')->assertUnprocessable();
});

test('rows are filtered by state, words, categories, people and calendar, and only what is seen is a row', function () {
    expect(($this->titles)('&status=provisional'))->toBe(['away'])->and(($this->titles)('&words=haul'))->toBe(['Haul out'])->and(($this->titles)('&categories[]=launch'))->toBe(['Haul out'])
        ->and(($this->titles)("&people[]={$this->ada->id}"))->toBe(['Rowing'])->and(($this->titles)("&calendar={$this->slip->slug}"))->toBe(['Haul out']);
    $this->give($this->slip, $this->ben, Level::BusyTimes);
    $this->give($this->loft, $this->ben, Level::See);
    ($this->table)('', $this->ben)->assertJsonPath('total', 2)->assertJsonPath('rows.*.hold', ['level', 'level']);
    $this->as($this->ada, 'GET', '/table?from=2026-01-01&to=2030-01-01&tz=Europe/London')->assertUnprocessable()->assertJsonPath('errors.0.field', 'to');
    $this->as($this->ada, 'GET', '/table?from=2026-11-01&to=2026-12-01&tz=Europe/London&sort=colour')->assertUnprocessable()->assertJsonPath('errors.0.field', 'sort');
});

test('many rows come in pages, and all of them by their ids', function () {
    foreach (range(1, 210) as $number) {
        $this->add($this->slip, $this->ada, title: "Row {$number}", start: '2026-12-01T09:00');
    }
    $first = ($this->table)()->assertJsonPath('total', 213)->assertJsonCount(200, 'rows')->assertJsonPath('next', 200);
    $second = ($this->table)('&cursor=200')->assertJsonCount(13, 'rows')->assertJsonPath('next', null);
    expect(array_unique([...array_column($first->json('rows'), 'id'), ...array_column($second->json('rows'), 'id')]))->toHaveCount(213);
    $this->as($this->ada, 'GET', '/table/whole?from=2026-11-01&to=2027-05-01&tz=Europe/London')->assertOk()->assertJsonCount(213)->assertJsonPath('0', ['id' => $this->weekly->id, 'occurrence' => '2026-11-03T09:00:00Z', 'hold' => null, 'version' => 1]);
});

test('what a change would do is told event by event, and nothing is changed by that', function () {
    $before = $this->everything();
    $rows = ($this->bulk)(['place' => 'Slip 2', 'shiftDays' => 1, 'addCategories' => ['wet']], '/bulk/preview')->assertOk()->json();
    expect(array_column($rows, 'what'))->toBe(['change', 'change', 'change'])->and(array_column($rows[0]['changes'], 'after', 'field'))->toBe(['starts' => '2026-11-13 09:00', 'ends' => '2026-11-13 10:00', 'categories' => 'Launch, wet'])
        ->and($this->everything())->toEqual($before);
    expect(($this->bulk)(['place' => 'Slip 2', 'events' => ($this->events)($this->haul)], '/bulk/preview')->json('0.what'))->toBe('nothing')
        ->and(($this->bulk)(['delete' => true], '/bulk/preview')->json('*.what'))->toBe(['delete', 'delete', 'delete']);
});

test('whatever is done to many is one operation, undone to the byte with the index, and done again', function (array $change, Closure $seen) {
    $change = isset($change['calendar']) ? ['calendar' => $this->loft->slug] + $change : $change;
    $change = isset($change['addParticipants']) ? ['addParticipants' => [['kind' => 'person', 'id' => $this->ben->id, 'part' => 'optional']]] + $change : $change;
    $before = $this->everything();
    $operation = (int) ($this->bulk)($change)->assertOk()->headers->get('Operation');
    $after = $this->everything();
    expect($after)->not->toEqual($before)->and(Operation::query()->where('cause', 'screen')->count())->toBe(1)->and($seen->call($this))->toBeTrue();
    foreach ([['undo', $before], ['redo', $after], ['undo', $before]] as [$turn, $state]) {
        $this->as($this->ada, 'POST', "/operations/{$operation}/{$turn}")->assertNoContent();
        expect($this->everything())->toEqual($state)->and(iterator_to_array(app(VerifyOccurrences::class)->differences(), false))->toBe([]);
    }
})->with([
    'place' => [['place' => 'Quay'], fn () => EventRecord::query()->where('place', 'Quay')->count() === 3],
    'no place' => [['place' => ''], fn () => EventRecord::query()->where('place', '')->count() === 3],
    'state, busy and priority' => [['status' => 'cancelled', 'busy' => false, 'priority' => 3], fn () => EventRecord::query()->where('status', 'cancelled')->where('busy', false)->where('priority', 3)->count() === 3],
    'categories' => [['addCategories' => ['wet'], 'dropCategories' => ['launch']], fn () => DB::table('event_category')->count() === 3],
    'people' => [['addParticipants' => 'x'], fn () => DB::table('event_participants')->count() === 4],
    'another calendar' => [['calendar' => 'x'], fn () => EventRecord::query()->where('calendar_id', $this->loft->id)->count() === 3],
    'by days and minutes' => [['shiftDays' => -7, 'shiftMinutes' => 90], fn () => DB::table('occurrences')->where('starts_at', '2026-11-05 10:30:00')->exists()],
    'copied by a term' => [['copyDays' => 84], fn () => EventRecord::query()->count() === 6 && EventRecord::query()->whereNotNull('copied_from')->count() === 3],
    'copied elsewhere' => [['copyDays' => 7, 'calendar' => 'x'], fn () => EventRecord::query()->where('calendar_id', $this->loft->id)->count() === 5],
    'deleted' => [['delete' => true], fn () => EventRecord::query()->count() === 0 && DB::table('occurrences')->count() === 0],
]);

test('one that cannot be changed keeps all from being changed, and it is said which and why', function () {
    $fixed = $this->add($this->slip, $this->ada, title: 'Drill', start: '2026-11-10T09:00', rule: 'FREQ=MONTHLY;BYDAY=2TU');
    $events = ($this->events)($this->haul, $fixed);
    ($this->bulk)(['shiftDays' => 1, 'events' => $events])->assertUnprocessable()->assertJsonPath('errors.0.field', 'events.1')->assertJsonPath('errors.0.message', 'This series repeats by a rule that fixes its days. Move one occurrence, or change the repeat.');
    expect($this->haul->fresh()->version)->toBe(1)->and(Operation::query()->where('cause', 'screen')->count())->toBe(0)
        ->and(($this->bulk)(['shiftDays' => 1, 'events' => $events], '/bulk/preview')->json('*.what'))->toBe(['change', 'refused']);
    // A calendar that takes no new categories; somebody who may read; an event that is not there.
    $this->loft->update(['free_categories' => false]);
    $this->give($this->loft, $this->ben, Level::Change);
    $this->give($this->slip, $this->ben, Level::See);
    expect(($this->bulk)(['addCategories' => ['odd'], 'events' => [...($this->events)($this->haul, $this->away), ['id' => 999_999, 'version' => 1]]], '/bulk/preview', $this->ben)->json('*.refused'))
        ->toBe(['You may look at this event, not change it.', '“odd” is no category of Long loft, and those who manage it add them.', 'It is not there any more, or not for you.']);
});

test('of two who change the same events the second is told, with what they are now', function () {
    $events = ($this->events)($this->haul, $this->away);
    $this->as($this->ada, 'PATCH', "/events/{$this->away->id}", ['title' => 'away, long'], 1)->assertOk();
    ($this->bulk)(['place' => 'Quay', 'events' => $events])->assertStatus(412)->assertJsonPath('current', [['id' => $this->away->id, 'title' => 'away, long', 'version' => 2]]);
    expect(EventRecord::query()->where('place', 'Quay')->exists())->toBeFalse();
    ($this->bulk)(['place' => 'Quay'])->assertOk()->assertJsonPath('events', 3);
});

test('cells are read as they are typed', function (string $column, string $text, Closure $seen) {
    $this->group('Slip crew', $this->ben);
    ($this->bulk)(['events' => [['id' => $this->haul->id, 'version' => 1, 'cells' => [$column => $text]]]])->assertOk();
    $told = $this->as($this->ada, 'GET', "/events/{$this->haul->id}")->json();
    expect($seen($told))->toBeTrue(json_encode($told));
})->with([
    'title' => ['title', ' Launch ', fn (array $event) => $event['title'] === 'Launch' && $event['place'] === 'Slip 2'],
    'place' => ['place', '', fn (array $event) => $event['place'] === ''],
    'when' => ['when', 'fri 14:00', fn (array $event) => $event['start'] === '2026-11-13T14:00' && $event['end'] === '2026-11-13T15:00'],
    'categories' => ['categories', 'launch, Launch', fn (array $event) => count($event['categories']) === 1],
    'no categories' => ['categories', '', fn (array $event) => $event['categories'] === []],
    'state' => ['status', 'Provisional', fn (array $event) => $event['status'] === 'provisional'],
    'calendar by name' => ['calendar', 'long LOFT', fn (array $event) => str_starts_with($event['calendar'], 'long-loft')],
    'responsible' => ['responsible', 'Ada Quill', fn (array $event) => array_column($event['participants'], 'name') === ['Ada Quill']],
    'a group, found by its name' => ['responsible', 'slip CREW', fn (array $event) => array_column($event['participants'], 'kind') === ['group']],
    'a group and a person' => ['responsible', 'Slip crew, Ben Oar', fn (array $event) => array_column($event['participants'], 'name') === ['Slip crew', 'Ben Oar']],
    'tomorrow, which is from today' => ['when', 'tomorrow', fn (array $event) => $event['start'] === now('Europe/London')->addDay()->format('Y-m-d').'T09:00'],
    'nobody responsible' => ['responsible', '', fn (array $event) => $event['participants'] === []],
]);

test('a cell that cannot be so is told why, and changes nothing', function (string $column, string $text, string $message) {
    $this->person('Ada Quillon');
    ($this->bulk)(['events' => [['id' => $this->haul->id, 'version' => 1, 'cells' => [$column => $text]]]])->assertUnprocessable()->assertJsonPath('errors.0.message', $message);
    expect($this->haul->fresh()->version)->toBe(1);
})->with([
    ['title', '  ', 'Give the event a title.'],
    ['title', str_repeat('x', 501), 'This has at most 500 characters.'],
    ['when', 'some day', '“some day” is no time that is understood here. Type it like “Fri 9:30–11” or “3 Dec to 5 Dec”.'],
    ['status', 'maybe', '“maybe” is no state: an event is confirmed, provisional or cancelled.'],
    ['calendar', 'Nowhere', 'There is no such calendar for you.'],
    ['responsible', 'Nobody Known', 'Nobody is called “Nobody Known”.'],
    ['responsible', 'Ben Oer', 'Nobody is called “Ben Oer”. Did you mean “Ben Oar”?'],
    ['categories', 'Launch, Lanch', '“Lanch” is no category here yet. Did you mean “Launch”?'],
    ['responsible', 'Quill', 'Several people are called “Quill”: give the whole name.'],
    ['categories', str_repeat('x', 81), 'This has at most 80 characters.'],
]);

test('a new category has to be confirmed, and is then added', function () {
    $cells = ['events' => [['id' => $this->haul->id, 'version' => 1, 'cells' => ['categories' => 'Launch, wet']]]];
    ($this->bulk)($cells)->assertUnprocessable()->assertJsonPath('errors.0.field', 'events.0.newCategories');
    ($this->bulk)($cells, '/bulk/preview')->assertJsonPath('0.what', 'refused')->assertJsonPath('0.newCategories', ['wet']);
    ($this->bulk)($cells + ['newCategories' => true], '/bulk/preview')->assertJsonPath('0.what', 'change');
    expect(DB::table('categories')->where('name', 'wet')->exists())->toBeFalse();
    ($this->bulk)($cells + ['newCategories' => true])->assertOk();
    expect(DB::table('categories')->where('name', 'wet')->exists())->toBeTrue();
    // Who may not add any is told so instead, and confirming changes nothing about it.
    $this->slip->update(['free_categories' => false]);
    $this->give($this->slip, $this->ben, Level::Change);
    ($this->bulk)(['events' => [['id' => $this->haul->id, 'version' => 2, 'cells' => ['categories' => 'dry']]], 'newCategories' => true], '/bulk', $this->ben)->assertUnprocessable()->assertJsonPath('errors.0.message', '“dry” is no category of Slipway, and those who manage it add them.');
});

test('when a time of a series is, is changed for the times that are meant, and undone as one', function (string $times, array $starts) {
    $cells = ['id' => $this->weekly->id, 'version' => 1, 'occurrence' => '2026-11-17T09:00:00Z', 'times' => $times, 'cells' => ['when' => '18 Nov 2026 10:00']];
    $before = $this->everything();
    ($this->bulk)(['events' => [$cells]], '/bulk/preview')->assertOk()->assertJsonPath('0.what', 'change');
    expect($this->everything())->toEqual($before);
    $operation = (int) ($this->bulk)(['events' => [$cells]])->assertOk()->headers->get('Operation');
    $rows = array_filter($this->sheet($this->ada, '2026-11-01', '2026-12-31')->json('items'), fn (array $item): bool => $item['title'] === 'Rowing');
    expect(array_values(array_column($rows, 'start')))->toBe($starts)->and(iterator_to_array(app(VerifyOccurrences::class)->differences(), false))->toBe([]);
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect($this->everything())->toEqual($before);
})->with([
    'that one' => ['one', ['2026-11-03T09:00', '2026-11-10T09:00', '2026-11-18T10:00', '2026-11-24T09:00']],
    'that and all that follow' => ['following', ['2026-11-03T09:00', '2026-11-10T09:00', '2026-11-18T10:00', '2026-11-25T10:00']],
    'all' => ['all', ['2026-11-04T10:00', '2026-11-11T10:00', '2026-11-18T10:00', '2026-11-25T10:00']],
]);

test('what the table shows is exported with its columns, its order and its filters, and nothing in it is a formula', function () {
    $this->add($this->slip, $this->ada, title: '=HYPERLINK("http://x")', start: '2026-11-20', end: '2026-11-22');
    $csv = fn (string $more = '', $person = null): string => $this->as($person ?? $this->ada, 'GET', "/table/csv?from=2026-11-01&to=2027-05-01&tz=Europe/London{$more}")->assertOk()->assertHeader('Content-Type', 'text/csv; charset=utf-8')->streamedContent();
    expect($csv('&sort=title&columns[]=title&columns[]=when&columns[]=calendar'))->toBe("\u{FEFF}Title,Start,End,Times,Calendar\r\n".implode("\r\n", [
        '"\'=HYPERLINK(""http://x"")",2026-11-20,2026-11-21,1,Slipway',
        'away,2026-11-10,2026-11-10,1,Long loft',
        'Haul out,2026-11-12 09:00,2026-11-12 10:00,1,Slipway',
        'Rowing,2026-11-03 09:00,2026-11-03 10:00,4,Long loft',
    ])."\r\n")
        ->and($csv('&status=provisional&columns[]=title'))->toBe("\u{FEFF}Title\r\naway\r\n")
        ->and(str_getcsv(explode("\r\n", substr($csv('&words=haul'), 3))[1], ',', '"', ''))->toContain('Ada Quill', 'Launch', 'Slip 2', 'confirmed');
    // What is only seen as taken time is no row here either.
    $this->give($this->slip, $this->ben, Level::BusyTimes);
    expect($csv('&columns[]=title', $this->ben))->toBe("\u{FEFF}Title\r\n");
    $this->as($this->ada, 'GET', '/table/csv?from=2026-11-01&to=2026-12-01&tz=Europe/London&columns[]=colour')->assertUnprocessable();
});

test('what is chosen of the table is a workbook of its columns, and every cell of it a text', function () {
    $this->add($this->slip, $this->ada, title: '=1+1', start: '2026-11-20', end: '2026-11-22');
    $xlsx = function (string $more, $person = null): array {
        $octets = $this->as($person ?? $this->ada, 'GET', "/table/xlsx?from=2026-11-01&to=2027-05-01&tz=Europe/London{$more}")->assertOk()->assertHeader('Content-Type', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet')->streamedContent();
        $read = Process::path(base_path())->input($octets)->run('/usr/bin/python3 tests/Support/read_xlsx.py');
        expect($read->errorOutput())->toBe('');

        return array_map(array_values(...), json_decode($read->output(), true));
    };
    expect($xlsx('&sort=title&columns[]=title&columns[]=when'))->toBe([['Title', 'Start', 'End', 'Times'], ['=1+1', '2026-11-20', '2026-11-21', '1'], ['away', '2026-11-10', '2026-11-10', '1'], ['Haul out', '2026-11-12 09:00', '2026-11-12 10:00', '1'], ['Rowing', '2026-11-03 09:00', '2026-11-03 10:00', '4']])
        ->and($xlsx("&columns[]=title&events[]={$this->haul->id}&events[]={$this->away->id}"))->toBe([['Title'], ['away'], ['Haul out']]);
    // Who asks for more than they see has no more of it.
    $this->give($this->slip, $this->ben, Level::BusyTimes);
    expect($xlsx("&columns[]=title&events[]={$this->haul->id}", $this->ben))->toBe([['Title']]);
    $this->as($this->ada, 'GET', '/table/xlsx?from=2026-11-01&to=2026-12-01&tz=Europe/London&events[]=one')->assertUnprocessable();
});

test('a column pasted into many rows is one change', function () {
    $cells = fn (EventRecord $event, string $place): array => ['id' => $event->id, 'version' => 1, 'cells' => ['place' => $place]];
    $operation = (int) ($this->bulk)(['events' => [$cells($this->haul, 'A'), $cells($this->away, 'B'), $cells($this->weekly, 'C')]])->assertOk()->headers->get('Operation');
    expect(EventRecord::query()->orderBy('id')->pluck('place')->all())->toBe(['A', 'B', 'C']);
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect(EventRecord::query()->orderBy('id')->pluck('place')->all())->toBe(['Slip 2', '', '']);
    ($this->bulk)(['events' => [['id' => $this->haul->id, 'version' => 3, 'cells' => ['colour' => 'red']]]])->assertUnprocessable();
});

test('bad input of a bulk change is told at its field', function (array $body, string $field) {
    ($this->bulk)($body)->assertUnprocessable()->assertJsonPath('errors.0.field', $field);
})->with([
    'no events' => [['events' => []], 'events'],
    'twice the same' => [['events' => [['id' => 1, 'version' => 1], ['id' => 1, 'version' => 1]]], 'events.1.id'],
    'no event' => [['events' => ['x']], 'events.0.id'],
    'no version' => [['events' => [['id' => 1]]], 'events.0.version'],
    'a cell that is no text' => [['events' => [['id' => 1, 'version' => 1, 'cells' => ['place' => [1]]]]], 'events.0.cells.place'],
    'a time that is none' => [['events' => [['id' => 1, 'version' => 1, 'occurrence' => 'noon']]], 'events.0.occurrence'],
    'times that are none' => [['events' => [['id' => 1, 'version' => 1, 'times' => 'some']]], 'events.0.times'],
    'too many' => [['events' => array_fill(0, 5_001, ['id' => 1, 'version' => 1])], 'events'],
    'no such state' => [['status' => 'odd'], 'status'],
    'too far' => [['shiftDays' => 5000], 'shiftDays'],
    'a copy onto itself' => [['copyDays' => 0], 'copyDays'],
    'nobody' => [['addParticipants' => [['kind' => 'person', 'id' => 0, 'part' => 'required']]], 'participants.0'],
    'no such calendar' => [['calendar' => 'nowhere'], 'calendar'],
    'no zone' => [['tz' => 'Nowhere'], 'tz'],
]);

test('a week is laid over weeks as series, without the days that the chosen calendar closes', function () {
    $school = $this->calendar($this->ada, 'School days');
    $this->add($school, $this->ada, title: 'Closed', start: '2026-11-19', end: '2026-11-21', more: ['categories' => ['closed']]);
    DB::table('categories')->where('name', 'closed')->update(['closes_day' => true]);
    $this->add($this->slip, $this->ada, title: 'Camp', start: '2026-11-08', end: '2026-11-11');
    $body = ['calendar' => $this->slip->slug, 'week' => '2026-11-11', 'from' => '2026-11-16', 'to' => '2026-12-06', 'closures' => $school->slug, 'tz' => 'Europe/London'];
    $this->as($this->ada, 'POST', '/weeks/preview', $body)->assertOk()->assertJsonPath('0.why', 'it begins before the week')->assertJsonPath('1.days', ['2026-11-26', '2026-12-03'])->assertJsonPath('1.closed', ['2026-11-19']);
    $before = $this->everything();
    $operation = (int) $this->as($this->ada, 'POST', '/weeks', $body)->assertOk()->assertJsonPath('events', 1)->headers->get('Operation');
    $days = array_column(array_filter($this->sheet($this->ada, '2026-11-11', '2027-02-01', "&calendar={$this->slip->slug}")->json('items'), fn (array $item): bool => $item['title'] === 'Haul out'), 'start');
    expect(array_values($days))->toBe(['2026-11-12T09:00', '2026-11-26T09:00', '2026-12-03T09:00']);
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect($this->everything())->toEqual($before);
    $this->as($this->ada, 'POST', '/weeks/preview', ['closures' => null] + $body)->assertJsonPath('1.closed', []);
    $this->as($this->ada, 'POST', '/weeks/preview', ['calendar' => $this->loft->slug, 'week' => '2026-11-10'] + $body)->assertJsonPath('*.why', [null, 'it repeats already']);
    $this->as($this->ada, 'POST', '/weeks', ['week' => '2027-03-01'] + $body)->assertUnprocessable()->assertJsonPath('errors.0.field', 'week');
    $this->as($this->ada, 'POST', '/weeks', ['to' => '2026-11-01'] + $body)->assertUnprocessable()->assertJsonPath('errors.0.field', 'to');
    $this->as($this->ada, 'POST', '/weeks', ['every' => 0] + $body)->assertUnprocessable()->assertJsonPath('errors.0.field', 'every');
    $this->as($this->ben, 'POST', '/weeks', $body)->assertUnprocessable()->assertJsonPath('errors.0.field', 'calendar');
    $closed = $this->calendar($this->ben, 'Hidden');
    $this->as($this->ada, 'POST', '/weeks', ['closures' => $closed->slug] + $body)->assertUnprocessable()->assertJsonPath('errors.0.field', 'closures');
});
