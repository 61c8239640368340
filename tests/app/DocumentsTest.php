<?php

use App\Events\EventRecord;
use App\Imports\Import;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Access\Level;

// Tables and texts that are brought in: looked at, put right, brought in, taken back, and brought again.

beforeEach(function () {
    $this->travelTo('2026-09-01 10:00:00');
    Storage::fake('local');
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->look = fn (string $text, $person = null) => $this->as($person ?? $this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['text' => $text]);
    $this->put = fn (int $id, array $edits, array $more = []) => $this->as($this->ada, 'PUT', "/imports/{$id}", ['edits' => $edits] + $more);
    $this->apply = fn (int $id, $person = null) => $this->as($person ?? $this->ada, 'POST', "/imports/{$id}/apply");
    $this->told = fn (array $preview): array => array_map(static fn (array $row): string => "{$row['verdict']} {$row['start']} {$row['title']}", $preview['rows']);
    $this->items = fn (): array => array_map(static fn (array $item): string => "{$item['start']} {$item['title']}", $this->sheet($this->ada, '2026-09-01', '2026-12-31')->json('items'));
    $this->table = "Weekday\tDate\tTest\tTime\tRoom\nTuesday\t15/09/2026\tSplicing\t10:00-11:00\tLong loft\nWednesday\t24/09/2026\tWhipping\t10:00-11:00\t\nTotal\t2\t\t\t\n";
});

test('a pasted table is looked at row by row, put right and brought in; nothing is changed before', function () {
    $preview = ($this->look)($this->table)->assertCreated()->json();
    expect($preview)->toMatchArray(['kind' => 'table', 'order' => 'day', 'fileName' => 'What was pasted', 'counts' => ['added' => 2, 'changed' => 0, 'unchanged' => 0, 'removed' => 0], 'skippedCount' => 1])
        ->and(($this->told)($preview))->toBe(['added 2026-09-15T10:00 Splicing', 'added 2026-09-24T10:00 Whipping'])
        ->and($preview['rows'][0])->toMatchArray(['end' => '2026-09-15T11:00', 'place' => 'Long loft', 'line' => 2, 'row' => 0, 'doubts' => []])
        // The weekday that is another than that of the date is said.
        ->and($preview['rows'][1]['doubts'])->toBe(['Thu 24 September 2026 is no Wednesday.'])
        ->and($preview['skipped'][0])->toBe(['line' => 4, 'said' => 'Total | 2', 'reason' => 'It adds others up.']);
    $right = ($this->put)($preview['id'], [['row' => 1, 'when' => 'Wed 23 Sep', 'title' => 'Whipping, part 1']])->assertOk()->json();
    expect(($this->told)($right))->toBe(['added 2026-09-15T10:00 Splicing', 'added 2026-09-23T10:00 Whipping, part 1'])->and($right['rows'][1]['doubts'])->toBe([]);
    // A place is taken out, too.
    ($this->put)($preview['id'], [['row' => 0, 'place' => '']])->assertJsonPath('rows.0.place', '');
    ($this->put)($preview['id'], [['row' => 1, 'when' => 'Wed 23 Sep', 'title' => 'Whipping, part 1']])->assertJsonPath('rows.0.place', 'Long loft');
    expect(EventRecord::query()->count())->toBe(0);
    ($this->apply)($preview['id'])->assertOk()->assertJsonPath('counts.added', 2);
    expect(($this->items)())->toBe(['2026-09-15T10:00 Splicing', '2026-09-23T10:00 Whipping, part 1'])->and(Storage::allFiles())->toHaveCount(1);
});

test('what is left out is not brought in, and comes back where one thinks better of it', function () {
    $id = ($this->look)($this->table)->json('id');
    ($this->put)($id, [['row' => 0, 'leftOut' => true]])->assertJsonPath('rows.0.verdict', 'leftOut')->assertJsonPath('counts.added', 1);
    ($this->put)($id, [['row' => 0, 'leftOut' => false]])->assertJsonPath('rows.0.verdict', 'added')->assertJsonPath('counts.added', 2);
    ($this->put)($id, [['row' => 0, 'leftOut' => true], ['row' => 1, 'leftOut' => true]])->assertOk()->assertJsonPath('counts.added', 0);
    ($this->put)($id, [['row' => 1, 'leftOut' => true]]);
    ($this->apply)($id)->assertOk();
    expect(($this->items)())->toBe(['2026-09-15T10:00 Splicing']);
});

test('it is taken back as a whole, byte for byte, and done again', function () {
    $this->add($this->slip, $this->ada, title: 'There before', start: '2026-09-02T09:00');
    $before = $this->everything();
    $operation = ($this->apply)(($this->look)($this->table)->json('id'))->json('operation');
    expect(($this->items)())->toHaveCount(3);
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect($this->everything())->toBe($before);
    $this->as($this->ada, 'POST', "/operations/{$operation}/redo")->assertNoContent();
    expect(($this->items)())->toHaveCount(3);
});

test('the same brought again adds nothing, and with another date in it changes what came in', function () {
    ($this->apply)(($this->look)($this->table)->json('id'))->assertOk();
    ($this->look)($this->table)->assertJsonPath('counts', ['added' => 0, 'changed' => 0, 'unchanged' => 2, 'removed' => 0]);
    $again = str_replace('15/09/2026', '22/09/2026', $this->table)."Friday\t25/09/2026\tNets\t13:30\t\n";
    $preview = ($this->look)($again)->json();
    expect(($this->told)($preview))->toBe(['changed 2026-09-22T10:00 Splicing', 'unchanged 2026-09-24T10:00 Whipping', 'added 2026-09-25T13:30 Nets']);
    // Field by field, and of what is new nothing.
    expect(array_map(static fn (array $each): string => "{$each['field']} {$each['before']} {$each['after']}", $preview['rows'][0]['changes']))->toBe(['starts 2026-09-15 10:00 2026-09-22 10:00', 'ends 2026-09-15 11:00 2026-09-22 11:00'])
        ->and($preview['rows'][1]['changes'])->toBe([])->and($preview['rows'][2]['changes'])->toBe([]);
    ($this->apply)($preview['id'])->assertOk();
    expect(($this->items)())->toBe(['2026-09-22T10:00 Splicing', '2026-09-24T10:00 Whipping', '2026-09-25T13:30 Nets']);
    // Of two of one name each is its own, whatever their order in time.
    $twice = "Date,What\n2026-10-01,Duty\n2026-10-08,Duty\n";
    ($this->apply)(($this->look)($twice)->json('id'))->assertJsonPath('counts.added', 2);
    ($this->look)(str_replace('2026-10-08', '2026-10-09', $twice))->assertJsonPath('counts', ['added' => 0, 'changed' => 1, 'unchanged' => 1, 'removed' => 0]);
});

test('a table that does not tell which comes first is read as the organisation writes, until one chooses', function () {
    $preview = ($this->look)("When,What\n03/09/2026,Induction\n04/10/2026,Tool check\n")->assertJsonPath('order', 'unknown')->json();
    expect(($this->told)($preview))->toBe(['added 2026-09-03 Induction', 'added 2026-10-04 Tool check']);
    $chosen = ($this->put)($preview['id'], [], ['order' => 'month'])->assertJsonPath('order', 'month')->json();
    expect(($this->told)($chosen))->toBe(['added 2026-03-09 Induction', 'added 2026-04-10 Tool check']);
    ($this->apply)($preview['id'])->assertOk();
    expect(EventRecord::query()->orderBy('starts_local')->pluck('starts_local')->map(fn ($at): string => substr($at, 0, 10))->all())->toBe(['2026-03-09', '2026-04-10']);
});

test('files say by themselves what they are, whatever they are called and however they are written', function (string $contents, string $kind, string $first) {
    $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['file' => UploadedFile::fake()->createWithContent('anything.bin', $contents)])->assertCreated()
        ->assertJsonPath('kind', $kind)->assertJsonPath('rows.0.title', $first)->assertJsonPath('fileName', 'anything.bin');
})->with([
    'a table' => ["Date;What\n07.09.2026;Übung\n", 'table', 'Übung'],
    'one of an old spreadsheet' => [mb_convert_encoding("Date;What\n07.09.2026;Übung\n", 'Windows-1252', 'UTF-8'), 'table', 'Übung'],
    'one with a mark in front' => ["\u{FEFF}Date,What\n2026-09-07,Drill\n", 'table', 'Drill'],
    'one of two bytes' => ["\xff\xfe".mb_convert_encoding("Date;What\n07.09.2026;Drill\n", 'UTF-16LE', 'UTF-8'), 'table', 'Drill'],
    'a page' => ['<table><tr><th>Date</th><th>Event</th></tr><tr><td>7 September 2026</td><td>Drill</td></tr></table>', 'page', 'Drill'],
    'a text' => ["Dear all,\nthe drill is on Monday 7 September at 10am.\n", 'text', 'Drill'],
    'a calendar' => ["BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:20260907T100000Z\r\nSUMMARY:Drill\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n", 'calendar', 'Drill'],
]);

test('what cannot be read is refused in one sentence, and nothing is kept of it', function (string $contents, string $says) {
    $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['file' => UploadedFile::fake()->createWithContent('dates.csv', $contents)])->assertStatus(422)->assertJsonPath('errors.0.message', $says);
    expect(Import::query()->count())->toBe(0)->and(Storage::allFiles())->toBe([]);
})->with([
    'a picture' => ["\x89PNG\r\n\x1a\n".str_repeat("\0", 50), 'This is a picture. Dates are read from texts and tables: copy the text, and paste it here.'],
    'a PDF' => ['%PDF-1.7 7 September 2026 Drill', 'This is a PDF. Open it, copy the text or the table, and paste it here.'],
    'a spreadsheet, or a bomb' => ["PK\x03\x04".str_repeat("\0", 50), 'This is a file of a word processor or a spreadsheet. Open it, copy the table or the text, and paste it here; or save it as CSV.'],
    'a program' => ["\x7fELF\0\0\0".str_repeat("\1\0", 40), 'This is no text, no table and no calendar file.'],
    'too many columns' => ['Date,'.str_repeat('x,', 200)."\n2026-09-07,".str_repeat('y,', 200)."\n", 'It has more than 100 columns. Copy those that say what and when, and paste them here.'],
    'too many rows' => ["Date,What\n".str_repeat("2026-09-07,Drill\n", 5_001), 'It has more than 5,000 lines. Bring it in in parts.'],
    'no dates' => ["Item,Price\nRope,12.10\nNails,3.50\n", 'No event was found in it: nothing in it says what is on which day.'],
]);

test('formulas are texts like others: never worked out', function () {
    $preview = ($this->look)("Date,What\n2026-09-07,\"=HYPERLINK(\"\"http://elsewhere.example\"\",\"\"Drill\"\")\"\n")->assertCreated()->json();
    expect($preview['rows'][0]['title'])->toBe('=HYPERLINK("http://elsewhere.example","Drill")');
});

test('what is put right must say a time, and be of one’s own import', function () {
    $id = ($this->look)($this->table)->json('id');
    ($this->put)($id, [['row' => 1, 'when' => 'sometime soon']])->assertStatus(422)->assertJsonPath('errors.0.field', 'edits.1.when');
    ($this->put)($id, [['row' => -1]])->assertStatus(422);
    ($this->put)($id, [], ['order' => 'year'])->assertStatus(422);
    // A row that there is not is nothing to put right.
    ($this->put)($id, [['row' => 99, 'title' => 'Nobody']])->assertOk()->assertJsonPath('counts.added', 2);
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Change);
    $this->as($ben, 'PUT', "/imports/{$id}", ['edits' => []])->assertNotFound();
    ($this->apply)($id, $ben)->assertNotFound();
    $reader = $this->person('Cy Brook');
    $this->give($this->slip, $reader, Level::Add);
    ($this->look)($this->table, $reader)->assertForbidden();
});

test('what was brought in before in another way, or is being brought in, is not put right any more', function () {
    $id = ($this->look)($this->table)->json('id');
    ($this->apply)($id)->assertOk();
    ($this->put)($id, [])->assertConflict();
    $calendar = $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['text' => "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:1\r\nDTSTART:20260907T100000Z\r\nSUMMARY:Drill\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n"])->assertCreated()->json('id');
    ($this->put)($calendar, [['row' => 0, 'title' => 'Another']])->assertStatus(422);
});

test('columns say more than when and what: state, category, notes', function () {
    $preview = ($this->look)("Date,What,Status,Category,Notes\n2026-09-07,Regatta,tbc,launch,Bring flags\n2026-09-08,Dance,cancelled,,\n")->json();
    ($this->apply)($preview['id'])->assertOk();
    $rows = EventRecord::query()->with('categories')->orderBy('starts_local')->get();
    expect($rows[0]->status->value)->toBe('provisional')->and($rows[0]->description)->toBe('Bring flags')->and($rows[0]->categories->pluck('name')->all())->toBe(['launch'])->and($rows[1]->status->value)->toBe('cancelled');
});

test('long tables are brought in as one operation', function () {
    $text = "Date,What\n".implode('', array_map(static fn (int $n): string => date('Y-m-d', strtotime('2026-09-01') + 86_400 * ($n % 200)).",Duty {$n}\n", range(1, 1_200)));
    $preview = ($this->look)($text)->assertJsonPath('counts.added', 1_200)->json();
    $job = ($this->apply)($preview['id']);
    expect($job->status())->toBeIn([200, 202])->and(EventRecord::query()->count())->toBe(1_200)->and(DB::table('operations')->count())->toBe(1);
});

test('a date without its year is of the school’s year; where all of it would be past, of the next', function (string $today, string $text, array $starts) {
    $this->travelTo("{$today} 10:00:00");
    expect(array_column(($this->look)($text)->assertCreated()->json('rows'), 'start'))->toBe($starts);
})->with([
    'in the middle of it' => ['2026-11-28', "Date,What\n3 Sep,Began\n12 Mar,Trip\n", ['2026-09-03', '2027-03-12']],
    'at its end, of what is to come' => ['2026-06-20', "Date,What\n3 Sep,Begins\n12 Mar,Trip\n", ['2026-09-03', '2027-03-12']],
    'a year that is said' => ['2026-06-20', "Date,What\n3 Sep 2025,Began\n12 Mar 2026,Was\n", ['2025-09-03', '2026-03-12']],
]);

test('a table whose first cell is empty is read as it was pasted', function () {
    $preview = ($this->look)("\tSeptember 2026\tOctober 2026\n1\t\tRegatta\n16\tPhotographs\t\n")->assertCreated()->json();
    expect(($this->told)($preview))->toBe(['added 2026-10-01 Regatta', 'added 2026-09-16 Photographs']);
});
