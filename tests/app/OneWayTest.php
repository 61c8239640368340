<?php

use App\Events\EventRecord;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Feeds\Feed;
use App\History\Operation;
use App\Imports\Intake;
use App\Rooms\Room;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\ICalendar\Diagnostics;
use PinnedRota\Core\Publishing\SecretToken;
use Tests\Support\Make;

/** What went wrong while each caller wrote and read events by itself. */
beforeEach(function () {
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->yard = $this->calendar($this->ada, 'Yard');
    $this->bring = function (string ...$events): void {
        $intake = app(Intake::class);
        $intake->carryOut($this->yard, $intake->plan($this->yard, Make::stream(Make::calendar(...$events)), new Diagnostics), Actor::person($this->ada), Cause::Import);
    };
    $this->times = fn (string $from, string $to): array => collect($this->sheet($this->ada, $from, $to)->json('items'))->map(fn (array $each): string => "{$each['title']} {$each['start']} {$each['end']}")->all();
});

describe('a length that a file gave', function () {
    // A day from noon, weekly over the night on which the clocks go back.
    beforeEach(fn () => ($this->bring)("UID:w\nDTSTART;TZID=Europe/London:20261017T120000\nDURATION:P1D\nRRULE:FREQ=WEEKLY;COUNT=3\nSUMMARY:Watch"));

    test('holds when the title is changed', function () {
        $this->as($this->ada, 'PATCH', '/events/'.EventRecord::query()->value('id'), ['title' => 'Long watch'], 1)->assertOk();
        expect(($this->times)('2026-10-24', '2026-10-25'))->toBe(['Long watch 2026-10-24T12:00 2026-10-25T12:00'])->and(EventRecord::query()->value('duration'))->toBe('P1D');
    });

    test('holds when it is dragged to another hour, and for a time that is changed on its own', function () {
        $id = EventRecord::query()->value('id');
        $this->as($this->ada, 'PATCH', "/events/{$id}", ['start' => '2026-10-17T14:00'], 1)->assertOk();
        expect(($this->times)('2026-10-24', '2026-10-25'))->toBe(['Watch 2026-10-24T14:00 2026-10-25T14:00']);
        $this->as($this->ada, 'PATCH', "/events/{$id}?occurrence=2026-10-24T13:00:00Z", ['title' => 'By night'], 2)->assertOk();
        expect(($this->times)('2026-10-24', '2026-10-25'))->toBe(['By night 2026-10-24T14:00 2026-10-25T14:00']);
    });

    test('gives way to an end that is typed over it, for the event and for every time of it', function () {
        $id = EventRecord::query()->value('id');
        $this->as($this->ada, 'POST', '/bulk', ['tz' => 'Europe/London', 'events' => [['id' => $id, 'version' => 1, 'cells' => ['when' => '12:00–15:00']]]])->assertOk();
        expect(($this->times)('2026-10-17', '2026-11-02'))->toBe(['Watch 2026-10-17T12:00 2026-10-17T15:00', 'Watch 2026-10-24T12:00 2026-10-24T15:00', 'Watch 2026-10-31T12:00 2026-10-31T15:00'])
            ->and(EventRecord::query()->value('duration'))->toBeNull()
            ->and($this->as($this->ada, 'GET', "/events/{$id}")->json('end'))->toBe('2026-10-17T15:00');
    });
});

test('an answer leaves the changed times of a series whose they are: their author can still drag them', function () {
    $this->give($this->yard, $this->ben, Level::Add);
    $master = Make::event('Rowing', '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=3', uid: 'r', more: ['participants' => [Participant::ofPerson($this->ada->id, $this->ada->email, 'Ada', ParticipantRole::Required)]]);
    $changed = Make::event('Rowing, late', '2026-11-10T11:00', uid: 'r', more: ['recurrenceId' => Make::time('2026-11-10T09:00'), 'participants' => $master->participants]);
    $head = $this->addSeries($this->yard, new Series($master, [$changed]), $this->ben);
    $rows = fn (): array => DB::table('events')->orderBy('id')->get(['id', 'created_by', 'version'])->map(fn (object $row): array => (array) $row)->all();
    $before = $rows();
    $this->as($this->ada, 'PUT', "/events/{$head->id}/answer", ['answer' => 'accepted'])->assertNoContent();
    expect($rows())->toBe($before)->and(DB::table('event_participants')->pluck('answer')->unique()->all())->toBe(['ACCEPTED'])
        ->and(collect($this->sheet($this->ben, '2026-11-10', '2026-11-11')->json('items'))->pluck('hold', 'title')->all())->toBe(['Rowing, late' => null]);
});

test('an import is one operation: in the history of each event, and undone as a whole', function () {
    $file = UploadedFile::fake()->createWithContent('a.ics', Make::calendar("UID:1\nDTSTART:20261102T093000\nSUMMARY:One", "UID:2\nDTSTART:20261103T093000\nSUMMARY:Two"));
    $id = $this->as($this->ada, 'POST', "/calendars/{$this->yard->slug}/imports", ['file' => $file])->assertCreated()->json('id');
    $operation = $this->as($this->ada, 'POST', "/imports/{$id}/apply")->assertOk()->headers->get('Operation');
    $event = EventRecord::query()->where('title', 'Two')->sole();
    $this->as($this->ada, 'GET', "/events/{$event->id}/history")->assertOk()->assertJsonPath('0.kind', 'import')->assertJsonPath('0.by', 'Ada Quill');
    $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    expect(EventRecord::withTrashed()->count())->toBe(0)->and(DB::table('occurrences')->count())->toBe(0);
    $this->as($this->ada, 'POST', "/operations/{$operation}/redo")->assertNoContent();
    expect(($this->times)('2026-11-02', '2026-11-04'))->toBe(['One 2026-11-02T09:30 2026-11-02T09:30', 'Two 2026-11-03T09:30 2026-11-03T09:30']);
});

test('two events of a file with one UID are both brought in, it is said, and the file again changes nothing', function () {
    $text = Make::calendar("UID:1\nDTSTAMP:20260101T000000Z\nDTSTART:20261102T093000\nSUMMARY:One", "UID:1\nDTSTAMP:20260101T000000Z\nDTSTART:20261103T093000\nSUMMARY:Two");
    $file = fn () => UploadedFile::fake()->createWithContent('a.ics', $text);
    $preview = $this->as($this->ada, 'POST', "/calendars/{$this->yard->slug}/imports", ['file' => $file()])->assertCreated()->assertJsonPath('counts.added', 2)->assertJsonPath('problems.0.property', 'UID');
    $this->as($this->ada, 'POST', "/imports/{$preview->json('id')}/apply")->assertOk();
    $this->as($this->ada, 'POST', "/calendars/{$this->yard->slug}/imports", ['file' => $file()])->assertJsonPath('counts', ['added' => 0, 'changed' => 0, 'unchanged' => 2, 'removed' => 0]);
});

test('whoever has joined an event has to do with it wherever it is read, also once it is private', function () {
    $this->give($this->yard, $this->ben, Level::See);
    $event = $this->add($this->yard, $this->ada, title: 'Debriefing', start: '2026-11-12T09:00');
    $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['joinable' => true], 1)->assertOk();
    $this->as($this->ben, 'POST', "/events/{$event->id}/join")->assertOk();
    $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['private' => true], 2)->assertOk();
    ['token' => $token, 'token_hash' => $digest] = SecretToken::columns();
    Feed::query()->create(['calendar_id' => $this->yard->id, 'name' => 'Phone', 'detail' => 'full', 'token_hash' => $digest, 'created_by' => $this->ben->id]);
    expect(array_column($this->sheet($this->ben, '2026-11-12', '2026-11-13', "&calendar={$this->yard->slug}")->json('items'), 'title'))->toBe(['Debriefing'])
        ->and($this->as($this->ben, 'GET', "/events/{$event->id}")->json('title'))->toBe('Debriefing')
        ->and($this->get("/feeds/{$token}.ics")->getContent())->toContain('SUMMARY:Debriefing');
    // Somebody else who may see the calendar has not.
    $cy = $this->person('Cy Brook');
    $this->give($this->yard, $cy, Level::See);
    expect(array_column($this->sheet($cy, '2026-11-12', '2026-11-13', "&calendar={$this->yard->slug}")->json('items'), 'title'))->toBe(['Busy']);
});

test('a closure with hours closes the days of the wall on which it is looked at', function () {
    DB::table('categories')->insert(['name' => 'shut', 'closes_day' => true]);
    $berlin = $this->calendar($this->ada, 'Berlin', ['timezone' => 'Europe/Berlin']);
    $this->add($berlin, $this->ada, title: 'Holiday', start: '2026-11-02T00:00', end: '2026-11-03T00:00', zone: 'Europe/Berlin', more: ['categories' => ['shut']]);
    $this->add($berlin, $this->ada, title: 'Lesson', start: '2026-10-26T09:00', zone: 'Europe/Berlin');
    expect($this->sheet($this->ada, '2026-10-26', '2026-11-09', '', 'Europe/Berlin')->json('closed'))->toBe([['date' => '2026-11-02', 'title' => 'Holiday']])
        ->and($this->as($this->ada, 'GET', '/ruler?from=2026-10-26&to=2026-11-09&tz=Europe/Berlin')->json('closed'))->toBe(['2026-11-02']);
    // Laid over the next weeks, what falls on the first is kept, what falls on the second is left out.
    $this->add($berlin, $this->ada, title: 'Race', start: '2026-10-25T09:00', zone: 'Europe/Berlin');
    $laid = $this->as($this->ada, 'POST', '/weeks/preview', ['calendar' => $berlin->slug, 'week' => '2026-10-26', 'from' => '2026-11-02', 'to' => '2026-11-15', 'closures' => $berlin->slug, 'tz' => 'Europe/Berlin'])->assertOk();
    expect($laid->json('0.days'))->toBe(['2026-11-09'])->and($laid->json('0.closed'))->toBe(['2026-11-02']);
});

test('a room that is named in one line takes part: it is booked', function () {
    $room = Room::query()->create(['name' => 'Long loft']);
    $line = $this->as($this->ada, 'GET', '/line?tz=Europe/London&line='.rawurlencode('rigging test 3 dec 2026 9:30–11 Long loft'))->assertOk();
    expect($line->json('place'))->toBe('Long loft')->and($line->json('participants'))->toHaveCount(1)->and($line->json('participants.0'))->toMatchArray(['id' => $room->id, 'kind' => 'room', 'name' => 'Long loft', 'part' => 'required', 'answer' => 'unanswered']);
    $event = $this->as($this->ada, 'POST', '/events', ['calendar' => $this->yard->slug, 'title' => 'Rigging test', 'start' => '2026-12-03T09:30', 'participants' => $line->json('participants')])->assertCreated();
    expect($event->json('participants.0'))->toMatchArray(['id' => $room->id, 'kind' => 'room', 'name' => 'Long loft', 'part' => 'required', 'answer' => 'accepted'])
        ->and(DB::table('event_participants')->where('room_id', $room->id)->value('event_id'))->toBe($event->json('id'));
});

test('layers of an overlay are kept in the order in which they are sent, a new one too', function () {
    $layer = fn (string $name, ?int $id = null): array => ($id === null ? [] : ['id' => $id]) + ['name' => $name, 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$this->yard->slug]];
    $overlay = $this->as($this->ada, 'POST', '/overlays', ['name' => 'Term', 'layers' => [$layer('One'), $layer('Two')]])->assertCreated();
    [$one, $two] = array_column($overlay->json('layers'), 'id');
    $changed = $this->as($this->ada, 'PUT', "/overlays/{$overlay->json('slug')}", ['name' => 'Term', 'layers' => [$layer('New'), $layer('Two', $two), $layer('One', $one)]], 1)->assertOk();
    expect($changed->json('layers.*.name'))->toBe(['New', 'Two', 'One']);
});

test('what is to be prepared is kept in the order in which it is sent, something new too', function () {
    $event = $this->as($this->ada, 'POST', '/events', ['calendar' => $this->yard->slug, 'title' => 'Regatta', 'start' => '2026-12-03T09:30', 'tasks' => [['title' => 'Oars', 'days' => -1]]])->assertCreated();
    $oars = ['id' => $event->json('tasks.0.id'), 'title' => 'Oars', 'days' => -1];
    $this->as($this->ada, 'PATCH', "/events/{$event->json('id')}", ['tasks' => [['title' => 'Boats', 'days' => -2], $oars]], 1)->assertOk()->assertJsonPath('tasks.*.title', ['Boats', 'Oars']);
});

describe('a sheet in one zone and a calendar in another', function () {
    beforeEach(fn () => $this->sydney = $this->calendar($this->ada, 'Sydney', ['timezone' => 'Australia/Sydney']));

    test('what is clicked is at the hour that the sheet shows', function () {
        $event = $this->as($this->ada, 'POST', '/events', ['calendar' => $this->sydney->slug, 'title' => 'Call', 'start' => '2026-11-12T11:30', 'tz' => 'Europe/London'])->assertCreated()->assertJsonPath('timezone', 'Europe/London');
        expect(($this->times)('2026-11-12', '2026-11-13'))->toBe(['Call 2026-11-12T11:30 2026-11-12T12:30']);
        // Unless another zone is said: then the hours are on its wall.
        $this->as($this->ada, 'PATCH', "/events/{$event->json('id')}", ['start' => '2026-11-12T11:30', 'timezone' => 'Australia/Sydney'], 1)->assertOk()->assertJsonPath('timezone', 'Australia/Sydney');
        expect(($this->times)('2026-11-12', '2026-11-13'))->toBe(['Call 2026-11-12T00:30 2026-11-12T01:30']);
    });

    test('what is dragged lands at the hour on which it is dropped, and stays in its own zone', function () {
        $event = $this->add($this->sydney, $this->ada, title: 'Call', start: '2026-11-12T20:00', zone: 'Australia/Sydney');
        $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['start' => '2026-11-13T08:00', 'end' => '2026-11-13T09:30', 'tz' => 'Europe/London'], 1)->assertOk()->assertJsonPath('timezone', 'Australia/Sydney')->assertJsonPath('start', '2026-11-13T19:00');
        expect(($this->times)('2026-11-13', '2026-11-14'))->toBe(['Call 2026-11-13T08:00 2026-11-13T09:30']);
    });
});

test('a change by a script, a file and a person is each written down with its cause', function () {
    $event = $this->add($this->yard, $this->ada, title: 'Haul out');
    ($this->bring)("UID:1\nDTSTART:20261102T093000\nSUMMARY:One");
    $this->as($this->ada, 'DELETE', "/events/{$event->id}", [], 1)->assertNoContent();
    expect(Operation::query()->orderBy('id')->get()->map(fn (Operation $each): string => "{$each->kind->value} by {$each->cause->value}")->all())->toBe(['add by script', 'import by import', 'delete by screen']);
});
