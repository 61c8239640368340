<?php

use App\Attachments\Attachment;
use App\Rooms\Room;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Access\Level;

beforeEach(function () {
    Storage::fake();
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->give($this->slip, $this->ben, Level::See);
    $this->event = $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-10T09:00');
    $this->weekly = $this->add($this->slip, $this->ada, title: 'Rowing', start: '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=4');
    $this->change = fn (array $part, $event = null, string $query = '') => $this->as($this->ada, 'PATCH', '/events/'.($event ?? $this->event)->id.$query, $part, ($event ?? $this->event)->fresh()->version);
    $this->attach = fn ($person, UploadedFile $file) => $this->as($person, 'POST', "/events/{$this->event->id}/attachments", ['file' => $file]);
    $this->due = fn ($person, string $from = '2026-10-01', string $to = '2027-01-01'): array => array_map(fn (array $each): string => "{$each['due']} {$each['title']} for {$each['of']}".($each['done'] ? ', done' : ''), $this->as($person, 'GET', "/tasks?from={$from}&to={$to}&tz=Europe/London")->assertOk()->json());
});

test('all of an event is written and told as it was written', function () {
    $room = Room::query()->create(['name' => 'Long loft']);
    $part = [
        'timezone' => 'Europe/Paris', 'priority' => 1, 'colour' => 'plum', 'reminders' => [1440, 10], 'joinable' => true, 'link' => 'https://example.org/x', 'description' => "two\nlines",
        'participants' => [['kind' => 'room', 'id' => $room->id, 'part' => 'required'], ['kind' => 'person', 'id' => $this->ben->id, 'part' => 'optional']],
        'tasks' => [['title' => 'Book the cradle', 'days' => -7, 'doer' => $this->ben->id]],
    ];
    ($this->change)($part)->assertOk()->assertJsonPath('timezone', 'Europe/Paris')->assertJsonPath('start', '2026-11-10T09:00')->assertJsonPath('priority', 1)->assertJsonPath('colour', 'plum')
        ->assertJsonPath('reminders', [1440, 10])->assertJsonPath('joinable', true)->assertJsonPath('participants.*.kind', ['room', 'person'])->assertJsonPath('participants.*.name', ['Long loft', 'Ben Oar'])
        ->assertJsonPath('tasks.0.due', '2026-11-03')->assertJsonPath('tasks.0.doer', ['id' => $this->ben->id, 'name' => 'Ben Oar']);
    expect($this->sheet($this->ada, '2026-11-10', '2026-11-11')->json('items.0.colour'))->toBe('plum');
    // Nothing of it goes by something else being changed.
    ($this->change)(['title' => 'Launch'])->assertJsonPath('reminders', [1440, 10])->assertJsonPath('tasks.0.title', 'Book the cradle')->assertJsonPath('joinable', true)->assertJsonPath('colour', 'plum');
    ($this->change)(['colour' => null, 'reminders' => [], 'tasks' => [], 'priority' => 0, 'joinable' => false])->assertJsonPath('colour', null)->assertJsonPath('reminders', [])->assertJsonPath('tasks', [])->assertJsonPath('priority', 0);
});

test('bad input of each field is told at the field', function (array $part, string $field) {
    ($this->change)($part)->assertUnprocessable()->assertJsonPath('errors.0.field', $field);
    expect($this->event->fresh()->version)->toBe(1)->and(DB::table('event_tasks')->count())->toBe(0);
})->with([
    'title' => [['title' => '  '], 'title'], 'place' => [['place' => str_repeat('x', 501)], 'place'], 'link' => [['link' => 'javascript:alert(1)'], 'link'],
    'description' => [['description' => str_repeat('x', 60_001)], 'description'], 'state' => [['status' => 'odd'], 'status'], 'zone' => [['timezone' => 'Atlantis'], 'timezone'],
    'priority' => [['priority' => 10], 'priority'], 'colour' => [['colour' => 'mauve'], 'colour'], 'reminder' => [['reminders' => [50_000]], 'reminders.0'], 'a reminder in words' => [['reminders' => ['soon']], 'reminders.0'],
    'categories' => [['categories' => [str_repeat('x', 81)]], 'categories.0'], 'many categories' => [['categories' => array_map(strval(...), range(1, 21))], 'categories'],
    'nobody' => [['participants' => [['kind' => 'person', 'id' => 0, 'part' => 'required']]], 'participants.0'], 'no room' => [['participants' => [['kind' => 'room', 'id' => 0, 'part' => 'required']]], 'participants.0'],
    'no part' => [['participants' => [['kind' => 'person', 'id' => 1, 'part' => 'chief']]], 'participants.0.part'],
    'a task without a name' => [['tasks' => [['title' => '', 'days' => 1]]], 'tasks.0.title'], 'a task too far' => [['tasks' => [['title' => 'x', 'days' => 500]]], 'tasks.0.days'], 'a task of nobody' => [['tasks' => [['title' => 'x', 'days' => 1, 'doer' => 0]]], 'tasks.0.doer'],
    'no rule' => [['repeat' => ['rule' => 'SOMETIMES']], 'repeat.rule'], 'a day that is none' => [['repeat' => ['rule' => 'FREQ=DAILY', 'skipped' => ['soon']]], 'repeat.skipped.0'], 'two ends' => [['repeat' => ['rule' => 'FREQ=DAILY', 'count' => 2, 'until' => '2026-12-01']], 'repeat.count'],
    'joining' => [['joinable' => 'perhaps'], 'joinable'], 'end' => [['end' => '2026-11-10T08:00'], 'end'],
]);

test('dates are left out and added by name, and told with the series', function () {
    ($this->change)(['repeat' => ['rule' => 'FREQ=WEEKLY', 'count' => 4, 'skipped' => ['2026-11-10'], 'extra' => ['2026-11-12', '2026-11-14T15:00']]], $this->weekly)->assertOk()
        ->assertJsonPath('repeat.words', 'every week on Tuesday, 4 times, also on 12 November 2026 and 14 November 2026, but not on 10 November 2026')
        ->assertJsonPath('repeat.skipped', ['2026-11-10'])->assertJsonPath('repeat.extra', ['2026-11-12', '2026-11-14T15:00']);
    $days = fn (): array => array_column(array_filter($this->sheet($this->ada, '2026-11-01', '2026-12-20')->json('items'), fn (array $item): bool => $item['title'] === 'Rowing'), 'start');
    expect(array_values($days()))->toBe(['2026-11-03T09:00', '2026-11-12T09:00', '2026-11-14T15:00', '2026-11-17T09:00', '2026-11-24T09:00']);
    // Moved, all of it moves along; told anew, it is as it is told.
    ($this->change)(['start' => '2026-11-04T10:00', 'end' => '2026-11-04T11:00'], $this->weekly)->assertJsonPath('repeat.skipped', ['2026-11-11'])->assertJsonPath('repeat.extra', ['2026-11-13', '2026-11-15T16:00']);
    ($this->change)(['start' => '2026-11-05T10:00', 'end' => '2026-11-05T11:00', 'repeat' => ['rule' => 'FREQ=WEEKLY', 'count' => 4, 'skipped' => ['2026-11-19'], 'extra' => []]], $this->weekly)->assertJsonPath('repeat.skipped', ['2026-11-19']);
    expect(array_values($days()))->toBe(['2026-11-05T10:00', '2026-11-12T10:00', '2026-11-26T10:00']);
    ($this->change)(['repeat' => ['rule' => null, 'extra' => ['2026-11-06']]], $this->weekly)->assertJsonPath('repeat.words', 'on 5 November 2026 and 6 November 2026')->assertJsonPath('repeat.rule', null);
    ($this->change)(['repeat' => ['rule' => null, 'extra' => []]], $this->weekly)->assertJsonPath('repeat', null);
});

test('times that were changed on their own are told with the series', function () {
    ($this->change)(['start' => '2026-11-11T14:00'], $this->weekly, '?occurrence=2026-11-10T09:00:00Z')->assertOk()->assertJsonPath('repeat.changed', [['occurrence' => '2026-11-10T09:00:00Z', 'start' => '2026-11-11T14:00']]);
});

test('what is to be prepared is due by the day of the event, moves with it, and is done for each time on its own', function () {
    ($this->change)(['tasks' => [['title' => 'Oars', 'days' => -1, 'doer' => $this->ben->id], ['title' => 'Dry them', 'days' => 1]]], $this->weekly)->assertOk();
    expect(($this->due)($this->ben))->toBe(['2026-11-02 Oars for Rowing', '2026-11-09 Oars for Rowing', '2026-11-16 Oars for Rowing', '2026-11-23 Oars for Rowing'])->and(($this->due)($this->ada))->toBe([])
        ->and(($this->due)($this->ben, '2026-11-09', '2026-11-10'))->toBe(['2026-11-09 Oars for Rowing']);
    $task = (int) DB::table('event_tasks')->where('title', 'Oars')->value('id');
    $done = fn ($person, array $body, ?int $id = null) => $this->as($person, 'PUT', "/events/{$this->weekly->id}/tasks/".($id ?? $task).'/done', $body);
    $done($this->ben, ['done' => true])->assertUnprocessable();
    $done($this->ben, ['done' => true, 'occurrence' => '2026-11-11T09:00:00Z'])->assertUnprocessable();
    $done($this->ben, ['done' => true, 'occurrence' => '2026-11-10T09:00:00Z'])->assertNoContent();
    $done($this->ben, ['done' => true, 'occurrence' => '2026-11-10T09:00:00Z'])->assertNoContent();
    $done($this->ben, ['done' => true, 'occurrence' => '2026-11-10T09:00:00Z'], $task + 1)->assertForbidden();
    expect(($this->due)($this->ben)[1])->toBe('2026-11-09 Oars for Rowing, done');
    $this->as($this->ben, 'GET', "/events/{$this->weekly->id}?occurrence=2026-11-10T09:00:00Z")->assertJsonPath('tasks.0.done', true)->assertJsonPath('tasks.0.due', '2026-11-09');
    // One time moves, and what is due for it; written anew by its id it stays done.
    ($this->change)(['start' => '2026-11-13T09:00'], $this->weekly, '?occurrence=2026-11-10T09:00:00Z')->assertOk();
    ($this->change)(['tasks' => [['id' => $task, 'title' => 'Oars and pins', 'days' => -2, 'doer' => $this->ben->id]]], $this->weekly)->assertOk();
    expect(($this->due)($this->ben))->toBe(['2026-11-01 Oars and pins for Rowing', '2026-11-11 Oars and pins for Rowing, done', '2026-11-15 Oars and pins for Rowing', '2026-11-22 Oars and pins for Rowing']);
    $done($this->ben, ['done' => false, 'occurrence' => '2026-11-10T09:00:00Z'])->assertNoContent();
    expect(($this->due)($this->ben)[1])->toBe('2026-11-11 Oars and pins for Rowing');
    // A series that goes on from it has the same to be prepared; what one does not see is not told.
    ($this->change)(['title' => 'Sculling'], $this->weekly, '?occurrence=2026-11-17T09:00:00Z&following=1')->assertOk();
    expect(($this->due)($this->ben)[2])->toBe('2026-11-15 Oars and pins for Sculling');
    DB::table('grants')->update(['level' => 'busy']);
    expect(($this->due)($this->ben))->toBe([]);
    $this->as($this->ben, 'GET', '/tasks?from=2026-11-01&to=2028-11-01&tz=Europe/London')->assertUnprocessable()->assertJsonPath('errors.0.field', 'to');
});

test('files hang on an event, for whoever sees it in full', function () {
    $told = ($this->attach)($this->ada, UploadedFile::fake()->createWithContent('plan.txt', 'the plan'))->assertCreated()->assertJsonPath('name', 'plan.txt')->assertJsonPath('size', 8);
    $this->as($this->ben, 'GET', "/events/{$this->event->id}")->assertJsonPath('attachments.0.name', 'plan.txt');
    $file = $this->as($this->ben, 'GET', "/events/{$this->event->id}/attachments/{$told->json('id')}")->assertOk();
    expect($file->streamedContent())->toBe('the plan')->and($file->headers->get('Content-Disposition'))->toContain('attachment')->and($file->headers->get('Content-Type'))->toContain('octet-stream');
    // Only with its own event.
    $this->as($this->ben, 'GET', "/events/{$this->weekly->id}/attachments/{$told->json('id')}")->assertNotFound();
    ($this->attach)($this->ben, UploadedFile::fake()->create('x.pdf', 1))->assertForbidden();
    DB::table('grants')->update(['level' => 'busy']);
    $this->as($this->ben, 'GET', "/events/{$this->event->id}/attachments/{$told->json('id')}")->assertForbidden();
    DB::table('grants')->delete();
    $this->as($this->ben, 'GET', "/events/{$this->event->id}/attachments/{$told->json('id')}")->assertNotFound();
});

test('a file that may not be attached is refused with the reason', function (UploadedFile $file, string $message) {
    ($this->attach)($this->ada, $file)->assertUnprocessable()->assertJsonPath('errors.0.field', 'file')->assertJsonPath('errors.0.message', $message);
    expect(Attachment::query()->count())->toBe(0);
})->with([
    'a page that a browser would run' => [fn () => UploadedFile::fake()->createWithContent('x.html', '<script>alert(1)</script>'), 'Documents, tables, pictures, sound and zip files can be attached; this one is none of them.'],
    'a picture that can hold a script' => [fn () => UploadedFile::fake()->createWithContent('x.svg', '<svg xmlns="http://www.w3.org/2000/svg"/>'), 'Documents, tables, pictures, sound and zip files can be attached; this one is none of them.'],
    'a script by another name' => [fn () => new UploadedFile(base_path('public/index.php'), 'x.pdf', 'application/pdf', null, true), 'Documents, tables, pictures, sound and zip files can be attached; this one is none of them.'],
    'too large' => [fn () => UploadedFile::fake()->create('x.pdf', 21 * 1024, 'application/pdf'), 'A file has at most 20 MB.'],
]);

test('attaching and taking off are changes of the event, undone like any other', function () {
    $attached = ($this->attach)($this->ada, UploadedFile::fake()->createWithContent('plan.txt', 'the plan'))->assertCreated();
    expect($this->event->fresh()->version)->toBe(2);
    $off = (int) $this->as($this->ada, 'DELETE', "/events/{$this->event->id}/attachments/{$attached->json('id')}")->assertNoContent()->headers->get('Operation');
    $this->as($this->ada, 'GET', "/events/{$this->event->id}/history")->assertJsonPath('0.changes', [['of' => null, 'field' => 'files', 'before' => 'plan.txt', 'after' => '']]);
    $this->as($this->ada, 'POST', "/operations/{$off}/undo")->assertNoContent();
    expect($this->as($this->ada, 'GET', "/events/{$this->event->id}/attachments/{$attached->json('id')}")->assertOk()->streamedContent())->toBe('the plan');
    $this->as($this->ada, 'POST', "/operations/{$attached->headers->get('Operation')}/undo")->assertNoContent();
    expect(Attachment::query()->count())->toBe(0);
    foreach (range(1, 20) as $number) {
        Attachment::query()->create(['event_id' => $this->event->id, 'name' => "{$number}", 'type' => 'text/plain', 'size' => 1, 'path' => 'x']);
    }
    ($this->attach)($this->ada, UploadedFile::fake()->createWithContent('one-more.txt', 'x'))->assertUnprocessable()->assertJsonPath('errors.0.message', 'An event has at most 20 files.');
});

test('rooms are found with people where they are asked for, and kept by administrators', function () {
    $administrator = $this->person('Ines Halloran', ['role' => 'administrator']);
    $id = $this->as($administrator, 'POST', '/rooms', ['name' => ' Long loft '])->assertCreated()->assertJsonPath('name', 'Long loft')->json('id');
    $this->as($administrator, 'POST', '/rooms', ['name' => 'long loft'])->assertUnprocessable()->assertJsonPath('errors.0.message', 'There is a room of this name.');
    $this->as($administrator, 'POST', '/rooms', ['name' => ''])->assertUnprocessable()->assertJsonPath('errors.0.field', 'name');
    $this->as($this->ada, 'GET', '/directory?q=loft&rooms=1')->assertJsonPath('0.kind', 'room');
    $this->as($this->ada, 'GET', '/directory?q=loft')->assertExactJson([]);
    $this->as($this->ada, 'GET', '/line?line=Splicing fri 9 long loft&tz=Europe/London')->assertJsonPath('place', 'Long loft');
    ($this->change)(['participants' => [['kind' => 'room', 'id' => $id, 'part' => 'required']]])->assertOk();
    $this->as($administrator, 'PATCH', "/rooms/{$id}", ['name' => 'Short loft'])->assertOk();
    $this->as($administrator, 'DELETE', "/rooms/{$id}")->assertNoContent();
    $this->as($this->ada, 'GET', "/events/{$this->event->id}")->assertJsonPath('participants.0.name', 'Long loft');
});

test('a repeat is picked, told as it was picked, and what becomes of times changed on their own is told with it', function () {
    $made = $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Drill', 'start' => '2026-11-10T09:00', 'repeat' => ['pick' => ['unit' => 'month', 'interval' => 1, 'weekdays' => [], 'monthBy' => 'weekday'], 'count' => 4]])
        ->assertCreated()->assertJsonPath('repeat.rule', 'FREQ=MONTHLY;BYDAY=2TU')->assertJsonPath('repeat.pick.monthBy', 'weekday');
    $id = $made->json('id');
    // Counted anew from another day where the pick comes along.
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['start' => '2026-11-18T09:00', 'repeat' => ['pick' => ['unit' => 'month', 'monthBy' => 'weekday'], 'count' => 4]], 1)->assertOk()->assertJsonPath('repeat.rule', 'FREQ=MONTHLY;BYDAY=3WE');
    $december = '2026-12-16T09:00:00Z';
    $this->as($this->ada, 'PATCH', "/events/{$id}?occurrence={$december}", ['start' => '2026-12-17T10:00'], 2)->assertOk();
    $this->as($this->ada, 'DELETE', "/events/{$id}?occurrence=2027-01-20T09:00:00Z", [], 3)->assertNoContent();
    $told = fn (string $of): array => $this->as($this->ada, 'GET', "/events/{$id}{$of}")->assertOk()->json('repeat');
    expect($told('?occurrence=2026-11-18T09:00:00Z'))->toMatchArray([
        'changing' => [
            'one' => 'It is told apart from the others from now on.',
            'following' => 'From here on it is a series of its own. The time changed on its own (Thu 17 Dec) goes along and keeps its changes.',
            'all' => 'The time changed on its own (Thu 17 Dec) keeps what was changed and where it was put. One day that is left out stays so.',
        ],
        'deleting' => ['one' => 'All others stay.', 'following' => 'Those before it stay. The time changed on its own (Thu 17 Dec) goes, too.', 'all' => 'Every time of it goes. The time changed on its own (Thu 17 Dec) goes, too.'],
    ])->and($told("?occurrence={$december}")['changing']['one'])->toBe('It was changed on its own before, and is changed again.')
        ->and($told('')['changed'])->toBe([['occurrence' => $december, 'start' => '2026-12-17T10:00']]);
});

test('from one row to another an event changes by what the rows are told apart by', function () {
    $bea = $this->person('Bea Sail');
    $id = $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Haul out', 'start' => '2026-11-10T09:00', 'place' => 'Slip 2', 'categories' => ['Launch', 'visit'], 'participants' => [['kind' => 'person', 'id' => $this->ada->id, 'part' => 'responsible']]])->assertCreated()->json('id');
    $version = 0;
    $take = function (array $row) use ($id, &$version) {
        $version++;

        return $this->as($this->ada, 'PATCH', "/events/{$id}", ['row' => $row], $version)->assertOk();
    };
    $take(['by' => 'place', 'from' => 'slip 2', 'to' => 'Long loft'])->assertJsonPath('place', 'Long loft')->assertJsonPath('categories', ['Launch', 'visit']);
    $take(['by' => 'category', 'from' => 'launch', 'to' => 'Assessment'])->assertJsonPath('categories', ['Assessment', 'visit']);
    $take(['by' => 'person', 'from' => (string) $this->ada->id, 'to' => (string) $bea->id])->assertJsonPath('participants.0.name', 'Bea Sail')->assertJsonPath('participants.0.part', 'responsible')->assertJsonCount(1, 'participants');
    $take(['by' => 'person', 'from' => (string) $bea->id, 'to' => ''])->assertJsonCount(0, 'participants');
    $take(['by' => 'place', 'from' => 'long loft', 'to' => ''])->assertJsonPath('place', '');
    // No new category comes in by a row where the calendar takes none.
    $this->slip->update(['free_categories' => false]);
    $this->give($this->slip, $bea, Level::Change);
    $this->as($bea, 'PATCH', "/events/{$id}", ['row' => ['by' => 'category', 'from' => 'visit', 'to' => 'Odd']], $version + 1)->assertUnprocessable()->assertJsonPath('errors.0.field', 'categories');
});

test('a row into which nothing can be put says why', function () {
    $sheet = $this->sheet($this->ben, '2026-11-09', '2026-11-16', '&group=calendar');
    expect($sheet->json('rows.0.refusal'))->toBe("You may not add to {$this->slip->name}.")->and($sheet->json('layers.0.refusal'))->toBe("You may not add to {$this->slip->name}.");
    $bea = $this->person('Bea Sail');
    $this->give($this->slip, $bea, Level::BusyTimes);
    $hidden = collect($this->sheet($bea, '2026-11-09', '2026-11-16', '&group=place')->json('rows'))->firstWhere('key', '*');
    expect($hidden['refusal'])->toBe('Nothing can be put among what is hidden from you.');
    expect($this->sheet($this->ada, '2026-11-09', '2026-11-16', '&group=calendar')->json('rows.0.refusal'))->toBeNull();
});
