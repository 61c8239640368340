<?php

use App\Attachments\Attachment;
use App\Changes\SyncLog;
use App\Events\EventRecord;
use App\Events\Write\SeriesState;
use App\Events\Write\StoredForms;
use App\History\Operation;
use App\Upkeep\Tidy;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Access\Level;

beforeEach(function () {
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->event = $this->add($this->slip, $this->ada, title: 'Haul out');
});

describe('what has had its life', function () {
    test('a deleted event ends after 90 days, with what is written down of it, and not before', function () {
        $this->as($this->ada, 'DELETE', "/events/{$this->event->id}", [], 1)->assertNoContent();
        $this->travel(89)->days();
        expect(app(Tidy::class)->run()['deleted events'])->toBe(0);
        $this->as($this->ada, 'GET', "/calendars/{$this->slip->slug}/deleted")->assertJsonCount(1);
        $this->travel(2)->days();
        expect(app(Tidy::class)->run())->toMatchArray(['deleted events' => 1, 'changes of what is gone' => 1])
            ->and(EventRecord::withTrashed()->count())->toBe(0)->and(DB::table('operation_series')->count())->toBe(0)->and(DB::table('series_changes')->count())->toBe(0);
    });

    test('operations end after 400 days, and events that are there stay', function () {
        $this->travel(401)->days();
        $this->as($this->ada, 'PATCH', "/events/{$this->event->id}", ['title' => 'Haul out, late'], 1)->assertOk();
        expect(app(Tidy::class)->run()['operations'])->toBe(1)->and(Operation::query()->count())->toBe(1)->and(EventRecord::query()->value('title'))->toBe('Haul out, late');
    });

    test('a file that was taken off goes once that cannot be undone any more; one that hangs on an event stays', function () {
        Storage::fake();
        foreach (['kept', 'gone'] as $name) {
            Storage::put("attachments/{$name}.txt", $name);
            touch(Storage::path("attachments/{$name}.txt"), now()->subDays(200)->getTimestamp());
            Attachment::query()->create(['event_id' => $this->event->id, 'name' => $name, 'type' => 'text/plain', 'size' => 4, 'path' => "attachments/{$name}.txt"]);
        }
        $operation = $this->as($this->ada, 'DELETE', "/events/{$this->event->id}/attachments/".Attachment::query()->where('name', 'gone')->value('id'))->assertNoContent()->headers->get('Operation');
        expect(app(Tidy::class)->run()['files of what is gone'])->toBe(0);
        $this->travel(91)->days();
        expect(app(Tidy::class)->run()['files of what is gone'])->toBe(1)->and(Storage::files('attachments'))->toBe(['attachments/kept.txt']);
        // What comes back without its file comes back without it.
        $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
        expect(Attachment::query()->pluck('name')->all())->toBe(['kept']);
    });
});

describe('the sync log', function () {
    beforeEach(function () {
        $this->since = fn (int $revision): array => array_map(fn (array $each): array => [$each['series'], $each['deleted']], app(SyncLog::class)->since($this->slip->id, $revision));
        $this->revision = fn (): int => (int) DB::table('calendars')->where('id', $this->slip->id)->value('revision');
    });

    test('tells each series that changed once, by a revision that only grows, and what is gone', function () {
        $start = ($this->revision)();
        expect(($this->since)($start))->toBe([]);
        $second = $this->add($this->slip, $this->ada, title: 'Launch');
        $this->as($this->ada, 'PATCH', "/events/{$this->event->id}", ['title' => 'Haul out, late'], 1)->assertOk();
        $this->as($this->ada, 'PATCH', "/events/{$this->event->id}", ['title' => 'Haul out, later'], 2)->assertOk();
        expect(($this->since)($start))->toBe([[$second->id, false], [$this->event->id, false]]);
        $between = ($this->revision)();
        $operation = $this->as($this->ada, 'DELETE', "/events/{$second->id}", [], 1)->headers->get('Operation');
        expect(($this->since)($between))->toBe([[$second->id, true]]);
        $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertNoContent();
        expect(($this->since)($between))->toBe([[$second->id, false]])->and(($this->revision)())->toBe($between + 2);
    });

    test('a series that moves or is pinned is told of on both calendars', function () {
        $loft = $this->calendar($this->ada, 'Loft');
        $start = ($this->revision)();
        $this->as($this->ada, 'POST', "/events/{$this->event->id}/pins", ['calendar' => $loft->slug])->assertNoContent();
        expect(app(SyncLog::class)->since($loft->id, 0))->toHaveCount(1)->and(($this->since)($start))->toBe([[$this->event->id, false]]);
        $this->as($this->ada, 'DELETE', "/events/{$this->event->id}/pins/".DB::table('event_pins')->value('id'))->assertNoContent();
        expect(app(SyncLog::class)->since($loft->id, 0)[0]['deleted'])->toBeTrue();
        $this->as($this->ada, 'PATCH', "/events/{$this->event->id}", ['calendar' => $loft->slug], 1)->assertOk();
        expect(app(SyncLog::class)->since($loft->id, 0)[0]['deleted'])->toBeFalse()->and(($this->since)(($this->revision)() - 1))->toBe([[$this->event->id, true]]);
    });

    test('a calendar has each UID once among what is live', function () {
        $loft = $this->calendar($this->ada, 'Loft');
        $twin = $this->add($loft, $this->ada, title: 'Twin', uid: $this->event->uid);
        $this->as($this->ada, 'PATCH', "/events/{$twin->id}", ['calendar' => $this->slip->slug], 1)->assertConflict();
        expect($twin->fresh()->calendar_id)->toBe($loft->id);
        $this->as($this->ada, 'DELETE', "/events/{$this->event->id}", [], 1)->assertNoContent();
        $this->as($this->ada, 'PATCH', "/events/{$twin->id}", ['calendar' => $this->slip->slug], 1)->assertOk();
        $this->as($this->ada, 'POST', "/events/{$this->event->id}/restore")->assertConflict();
    });
});

describe('states that were stored earlier', function () {
    test('before ends had zones of their own, answers notes, and events terms, are those that are there now, and are undone', function () {
        $this->as($this->ada, 'PATCH', "/events/{$this->event->id}", ['participants' => [['kind' => 'person', 'id' => $this->ada->id, 'part' => 'required']]], 1)->assertOk();
        $this->as($this->ada, 'PATCH', "/events/{$this->event->id}", ['title' => 'Later'], 2)->assertOk();
        $operation = DB::table('operations')->max('id');
        $row = DB::table('operation_series')->where('operation_id', $operation)->sole();
        $earlier = static function (string $json): string {
            $stored = json_decode($json, true);
            expect($stored['form'])->toBe(4)->and(array_keys($stored['rows'][0]))->toContain('end_timezone', 'ask_when', 'travel_minutes')->and(array_keys($stored['participants'][0]))->toContain('note', 'member_of');

            return (string) json_encode(['form' => 1, 'rows' => array_map(static fn (array $each): array => array_diff_key($each, ['end_timezone' => true, 'ask_when' => true, 'travel_minutes' => true]), $stored['rows']), 'participants' => array_map(static fn (array $each): array => array_diff_key($each, ['note' => true, 'member_of' => true]), $stored['participants'])] + $stored);
        };
        DB::table('operation_series')->where('id', $row->id)->update(['before' => $earlier($row->before), 'after' => $earlier($row->after)]);
        $this->as($this->ada, 'POST', "/operations/{$operation}/undo")->assertSuccessful();
        expect($this->event->fresh()->title)->toBe('Haul out')->and(DB::table('event_participants')->where('event_id', $this->event->id)->value('person_id'))->toBe($this->ada->id);
    });

    test('are made those of today, step by step', function () {
        $steps = [0 => fn (array $stored): array => ['rows' => [['title' => $stored['name']]]], 1 => fn (array $stored): array => $stored + ['tasks' => []]];
        expect(StoredForms::convert(['name' => 'Haul out'], $steps, 2))->toBe(['rows' => [['title' => 'Haul out']], 'tasks' => []])
            ->and(StoredForms::convert(['form' => 2, 'rows' => []], $steps, 2))->toBe(['rows' => []])
            ->and(fn () => StoredForms::convert(['form' => 3], $steps, 2))->toThrow(UnexpectedValueException::class, 'later version')
            ->and(fn () => StoredForms::convert(['rows' => []], [], 1))->toThrow(UnexpectedValueException::class, 'nothing makes it');
    });

    test('come back as they were', function () {
        $state = new SeriesState([['id' => 1, 'title' => 'Haul out', 'live_uid' => 'x', 'version' => 3]], tasks: [['id' => 2]]);
        $again = SeriesState::ofStored($state->stored());
        expect($again?->rows)->toBe([['id' => 1, 'title' => 'Haul out', 'version' => 3]])->and($again?->tasks)->toBe([['id' => 2]])->and(SeriesState::ofStored(null))->toBeNull()
            ->and(SeriesState::same($state, $again))->toBeTrue()->and(SeriesState::identical($state, $again))->toBeFalse();
    });
});

test('who comes later is known in the events that they were asked to, and by another address from then on', function () {
    $this->as($this->ada, 'POST', "/calendars/{$this->slip->slug}/imports", ['file' => Illuminate\Http\UploadedFile::fake()->createWithContent('a.ics', Tests\Support\Make::calendar("UID:1\nDTSTART:20261102T093000\nSUMMARY:Debrief\nCLASS:PRIVATE\nATTENDEE:mailto:Cy.Brook@example.org"))]);
    $this->as($this->ada, 'POST', '/imports/'.DB::table('imports')->value('id').'/apply')->assertOk();
    $id = EventRecord::query()->where('title', 'Debrief')->value('id');
    $cy = $this->person('Cy Brook', ['email' => 'cy.brook@example.org']);
    $this->give($this->slip, $cy, Level::See);
    $this->as($cy, 'GET', "/events/{$id}")->assertJsonPath('title', 'Debrief')->assertJsonPath('participants.0.name', 'Cy Brook');
    $cy->update(['email' => 'cy@example.org']);
    expect(DB::table('event_participants')->value('address'))->toBe('mailto:cy@example.org');
    $this->as($cy, 'PUT', "/events/{$id}/answer", ['answer' => 'accepted'])->assertNoContent();
});
