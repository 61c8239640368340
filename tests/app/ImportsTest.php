<?php

use App\Events\EventRecord;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Imports\Import;
use App\Imports\Intake;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\ICalendar\Diagnostics;
use Tests\Support\Make;

beforeEach(function () {
    Storage::fake('local');
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->look = fn (string $text, $person = null) => $this->as($person ?? $this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['file' => UploadedFile::fake()->createWithContent('term.ics', $text)]);
    $this->apply = fn (int $id, $person = null) => $this->as($person ?? $this->ada, 'POST', "/imports/{$id}/apply");
    $this->file = Make::calendar(
        "UID:1\nDTSTART;TZID=Europe/London:20261102T093000\nDTEND;TZID=Europe/London:20261102T110000\nSUMMARY:Oar test\nCATEGORIES:assessment",
        "UID:2\nDTSTART;VALUE=DATE:20261105\nSUMMARY:Open day",
        "UID:3\nDTSTART;TZID=Europe/London:20261103T090000\nRRULE:FREQ=WEEKLY;COUNT=3\nSUMMARY:Rowing",
        "UID:3\nRECURRENCE-ID;TZID=Europe/London:20261110T090000\nDTSTART;TZID=Europe/London:20261111T100000\nSUMMARY:Rowing, moved",
        "UID:4\nSUMMARY:No start",
    );
});

test('a file is looked at first, and changes nothing until it is brought in', function () {
    $preview = ($this->look)($this->file)->assertCreated()->assertJsonPath('counts', ['added' => 3, 'changed' => 0, 'unchanged' => 0, 'removed' => 0])
        ->assertJsonPath('rows.0', ['verdict' => 'added', 'title' => 'Oar test', 'start' => '2026-11-02T09:30', 'end' => '2026-11-02T11:00', 'allDay' => false, 'timezone' => 'Europe/London', 'repeats' => false, 'place' => '', 'row' => null, 'line' => null, 'said' => '', 'doubts' => [], 'changes' => [], 'calendar' => null, 'categories' => ['assessment'], 'newCategories' => [], 'people' => [], 'unknown' => []])
        ->assertJsonPath('problems.0.outcome', 'refused')->assertJsonPath('problems.0.line', 28);
    expect(EventRecord::query()->count())->toBe(0);
    ($this->apply)($preview->json('id'))->assertOk()->assertJsonPath('counts.added', 3);
    $titles = collect($this->sheet($this->ada, '2026-11-01', '2026-12-01')->json('items'))->map(fn (array $item): string => substr($item['start'], 5).' '.$item['title'])->all();
    expect($titles)->toBe(['11-02T09:30 Oar test', '11-03T09:00 Rowing', '11-05 Open day', '11-11T10:00 Rowing, moved', '11-17T09:00 Rowing'])
        // As it came, to be had again.
        ->and(Storage::allFiles())->toHaveCount(1);
});

test('bringing the same file in twice adds nothing twice', function () {
    ($this->apply)(($this->look)($this->file)->json('id'))->assertOk();
    $before = [EventRecord::query()->count(), DB::table('occurrences')->count()];
    $again = ($this->look)($this->file)->assertJsonPath('counts', ['added' => 0, 'changed' => 0, 'unchanged' => 3, 'removed' => 0]);
    ($this->apply)($again->json('id'))->assertOk()->assertJsonPath('counts.unchanged', 3);
    expect([EventRecord::query()->count(), DB::table('occurrences')->count()])->toBe($before);
});

test('what has changed in the file changes here, what is gone from it stays', function () {
    ($this->apply)(($this->look)($this->file)->json('id'))->assertOk();
    $changed = Make::calendar("UID:1\nDTSTART;TZID=Europe/London:20261102T133000\nSUMMARY:Oar test, later");
    $preview = ($this->look)($changed)->assertJsonPath('counts.changed', 1)->assertJsonPath('rows.0.verdict', 'changed');
    ($this->apply)($preview->json('id'))->assertOk()->assertJsonPath('counts', ['added' => 0, 'changed' => 1, 'unchanged' => 0, 'removed' => 0]);
    expect(EventRecord::query()->where('uid', '1')->sole())->title->toBe('Oar test, later')->starts_local->toBe('2026-11-02 13:30:00')
        ->and(EventRecord::query()->whereNull('series_id')->count())->toBe(3);
});

test('a file is brought in once, by who looked at it', function () {
    $id = ($this->look)($this->file)->json('id');
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Change);
    ($this->apply)($id, $ben)->assertNotFound();
    ($this->apply)($id)->assertOk();
    ($this->apply)($id)->assertConflict();
});

test('who has lost the right between looking and bringing in changes nothing', function () {
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Change);
    $id = ($this->look)($this->file, $ben)->assertCreated()->json('id');
    DB::table('grants')->delete();
    ($this->apply)($id, $ben)->assertNotFound();
    expect(EventRecord::query()->count())->toBe(0);
});

test('a file that cannot be brought in is refused with the reason', function (string $text, string $message) {
    ($this->look)($text)->assertUnprocessable()->assertJsonPath('errors.0.field', 'file')->assertJsonPath('errors.0.message', $message);
    expect(EventRecord::query()->count())->toBe(0)->and(Import::query()->count())->toBe(0)->and(Storage::allFiles())->toBe([]);
})->with([
    'no dates' => ['Name;Date', 'No event was found in it: nothing in it says what is on which day.'],
    'empty' => ['', 'There is nothing in it.'],
    'no events' => [Make::calendar(), 'There are no events in this file.'],
    'no event that can be read' => [Make::calendar("UID:1\nSUMMARY:No start"), 'No event in this file can be read. Line 4: VEVENT: The event has no DTSTART. (refused).'],
]);

test('a file of 30 MB is refused', function () {
    $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['file' => UploadedFile::fake()->create('large.ics', 30 * 1024)])->assertUnprocessable()
        ->assertJsonPath('errors.0.message', 'The file is larger than 20 MB. Ask for a shorter span of time, or bring it in in parts.');
});

test('an event keeps the zone that it ends in, and the addresses that came with it', function () {
    $file = Make::calendar("UID:1\nDTSTART;TZID=Europe/London:20261102T093000\nDTEND;TZID=Europe/Oslo:20261102T120000\nSUMMARY:Crossing\nCREATED:20260901T080000Z\nCONFERENCE;VALUE=URI;LABEL=Room two:https://example.org/room\nIMAGE;VALUE=URI:https://example.org/boat.png");
    ($this->apply)(($this->look)($file)->json('id'))->assertOk();
    $event = EventRecord::query()->sole();
    $this->as($this->ada, 'GET', "/events/{$event->id}")->assertJsonPath('end', '2026-11-02T11:00')->assertJsonPath('endTimezone', 'Europe/Oslo')->assertJsonPath('endThere', '2026-11-02T12:00')
        ->assertJsonPath('links', [
            ['kind' => 'conference', 'address' => 'https://example.org/room', 'label' => 'Room two'],
            ['kind' => 'image', 'address' => 'https://example.org/boat.png', 'label' => 'https://example.org/boat.png'],
        ]);
    // Moved, it still ends there, and goes out so.
    $this->as($this->ada, 'PATCH', "/events/{$event->id}", ['start' => '2026-11-03T10:00'], 1)->assertOk()->assertJsonPath('endThere', '2026-11-03T12:30');
    Artisan::call('rota:export', ['calendar' => $this->slip->slug]);
    expect(Artisan::output())->toContain('DTEND;TZID=Europe/Oslo:20261103T123000', 'CREATED:20260901T080000Z', 'TZID:Europe/Oslo', 'CONFERENCE;VALUE=URI');
    // What those have who see that the time is taken says nothing of it.
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::BusyTimes);
    $this->as($ben, 'GET', "/events/{$event->id}")->assertJsonPath('endTimezone', null)->assertJsonPath('endThere', null)->assertJsonPath('links', []);
});

test('a file of more events than are carried out at once is one operation, and is taken back as one', function () {
    $file = Make::calendar(...array_map(static fn (int $number): string => "UID:{$number}\nDTSTART:20261102T093000Z\nSUMMARY:Watch {$number}", range(1, 1_203)));
    $preview = ($this->look)($file)->assertJsonPath('counts.added', 1_203)->assertJsonPath('rows.0.title', 'Watch 1')->assertJsonPath('rows.199.title', 'Watch 200')->assertJsonCount(200, 'rows');
    $job = ($this->apply)($preview->json('id'));
    expect(EventRecord::query()->count())->toBe(1_203)->and(DB::table('occurrences')->count())->toBe(1_203)
        ->and(DB::table('operations')->count())->toBe(1)->and(DB::table('operation_series')->count())->toBe(1_203)
        ->and(DB::table('series_changes')->distinct()->count('revision'))->toBe(1_203);
    $this->as($this->ada, 'POST', '/operations/'.DB::table('operations')->value('id').'/undo')->assertSuccessful();
    expect(EventRecord::query()->count())->toBe(0);
});

test('a fault in a later part takes all of a file back', function () {
    $plan = app(Intake::class)->plan($this->slip, Make::stream(Make::calendar(...array_map(static fn (int $number): string => "UID:{$number}\nDTSTART:20261102T093000Z\nSUMMARY:Watch {$number}", range(1, 1_203)))), new Diagnostics);
    $told = [];
    $progress = function (int $done, int $count) use (&$told): void {
        $told[] = [$done, $count];
        if ($done === 1_000) {
            throw new RuntimeException('Stopped.');
        }
    };
    expect(fn () => app(Intake::class)->carryOut($this->slip, $plan, Actor::person($this->ada), Cause::Import, progress: $progress))->toThrow(RuntimeException::class, 'Stopped.');
    expect($told)->toBe([[500, 1_203], [1_000, 1_203]])->and(EventRecord::query()->count())->toBe(0)->and(DB::table('operations')->count())->toBe(0);
});
