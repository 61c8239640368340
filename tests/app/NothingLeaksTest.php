<?php

use App\Attachments\Attachment;
use App\Feeds\Feed;
use App\Preparation\Task;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;

/*
 * What is hidden from somebody stays so by whatever way they look. Ada keeps the slip, which Ben reads. A series of it is
 * open but for its second time; another is private but for its second.
 */
beforeEach(function () {
    Storage::fake();
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->own = $this->calendar($this->ben, 'Own');
    $this->give($this->slip, $this->ben, Level::See);
    $series = function (string $title, bool $private) {
        $made = $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => $private ? "secret {$title}" : $title, 'place' => $private ? 'secret place' : 'Slip', 'start' => '2026-11-03T09:00', 'private' => $private, 'joinable' => true, 'repeat' => ['rule' => 'FREQ=WEEKLY', 'count' => 3], 'tasks' => [['title' => $private ? 'secret task' : 'A task', 'days' => 0, 'doer' => $this->ben->id]]])->assertCreated();
        $second = '2026-11-10T09:00:00Z';
        $this->as($this->ada, 'PATCH', "/events/{$made->json('id')}?occurrence={$second}", ['title' => $private ? 'Open day' : 'secret day', 'place' => $private ? 'Quay' : 'secret place', 'private' => ! $private], 1)->assertOk();

        return App\Events\EventRecord::query()->findOrFail($made->json('id'));
    };
    $this->open = $series('Rowing', false);
    $this->closed = $series('Hearing', true);
    $this->second = '2026-11-10T09:00:00Z';
    foreach ([$this->open, $this->closed] as $each) {
        Storage::put("attachments/{$each->id}", 'contents');
        Attachment::query()->create(['event_id' => $each->id, 'name' => $each->private ? 'secret.pdf' : 'plan.pdf', 'type' => 'application/pdf', 'size' => 8, 'path' => "attachments/{$each->id}"]);
    }
    $this->fileOf = fn ($event): int => Attachment::query()->where('event_id', $event->id)->value('id');
    $this->taskOf = fn ($event): int => Task::query()->where('event_id', $event->id)->value('id');
    $this->titles = fn ($person, string $more = ''): array => array_values(array_unique(array_column($this->sheet($person, '2026-11-01', '2026-12-01', $more)->assertOk()->json('items'), 'title')));
});

test('no copy, and no preview of one, has what its viewer does not see', function () {
    $copy = fn ($event, ?string $time = null) => $this->as($this->ben, 'POST', "/events/{$event->id}/copies".($time === null ? '' : "?occurrence={$time}"), ['calendar' => $this->own->slug]);
    $bulk = fn (string $path, $event) => $this->as($this->ben, 'POST', $path, ['tz' => 'Europe/London', 'copyDays' => 7, 'calendar' => $this->own->slug, 'events' => [['id' => $event->id, 'version' => $event->fresh()->version]]]);
    $copy($this->open, $this->second)->assertForbidden();
    $copy($this->closed)->assertForbidden();
    $copy($this->closed, '2026-11-03T09:00:00Z')->assertForbidden();
    $previews = $bulk('/bulk/preview', $this->open)->assertOk()->getContent().$bulk('/bulk/preview', $this->closed)->assertOk()->getContent();
    expect($previews)->not->toContain('secret')->not->toContain('Hearing');
    $bulk('/bulk', $this->closed)->assertUnprocessable();
    // What is open of them is copied, and nothing else.
    $copy($this->closed, $this->second)->assertCreated()->assertJsonPath('title', 'Open day');
    $copy($this->open)->assertCreated();
    $bulk('/bulk', $this->open)->assertOk();
    expect(($this->titles)($this->ben, "&calendar={$this->own->slug}"))->toBe(['Rowing', 'Open day'])
        ->and(DB::table('events')->where('calendar_id', $this->own->id)->where(fn ($any) => $any->where('title', 'like', '%secret%')->orWhere('place', 'like', '%secret%'))->count())->toBe(0);
    // The time that is hidden is none of the copy, nor does it come back as it was before.
    expect(array_column($this->sheet($this->ben, '2026-11-01', '2026-12-01', "&calendar={$this->own->slug}")->json('items'), 'start'))->not->toBe([]);
    $starts = array_column(array_filter($this->sheet($this->ben, '2026-11-01', '2026-12-01', "&calendar={$this->own->slug}")->json('items'), static fn (array $each): bool => $each['title'] === 'Rowing'), 'start');
    expect($starts)->toBe(['2026-11-03T09:00', '2026-11-10T09:00', '2026-11-17T09:00', '2026-11-24T09:00']);
});

test('what hangs on a private series is not had by a time of it that is open', function () {
    $time = $this->as($this->ben, 'GET', "/events/{$this->closed->id}?occurrence={$this->second}")->assertOk()->assertJsonPath('title', 'Open day');
    $time->assertJsonPath('attachments', [])->assertJsonPath('tasks', [])->assertJsonPath('joinable', false)->assertJsonPath('repeat', null);
    $this->as($this->ben, 'GET', "/events/{$this->closed->id}/attachments/".($this->fileOf)($this->closed))->assertForbidden();
    $this->as($this->ben, 'PUT', "/events/{$this->closed->id}/tasks/".($this->taskOf)($this->closed).'/done', ['done' => true, 'occurrence' => $this->second])->assertForbidden();
    expect($this->as($this->ben, 'GET', '/tasks?from=2026-11-01&to=2026-12-01&tz=Europe/London')->assertOk()->getContent())->not->toContain('secret');
    // Of the open one, each has it.
    $this->as($this->ben, 'GET', "/events/{$this->open->id}?occurrence=2026-11-03T09:00:00Z")->assertJsonPath('attachments.0.name', 'plan.pdf')->assertJsonPath('tasks.0.title', 'A task');
    $this->as($this->ben, 'GET', "/events/{$this->open->id}/attachments/".($this->fileOf)($this->open))->assertOk();
});

test('a private series is neither joined nor pinned by a time of it that is open', function () {
    $this->as($this->ben, 'POST', "/events/{$this->closed->id}/join")->assertForbidden();
    $this->as($this->ben, 'POST', "/events/{$this->closed->id}/pins", ['calendar' => $this->own->slug])->assertForbidden();
    expect(($this->titles)($this->ben))->not->toContain('secret Hearing')->and(DB::table('event_pins')->count())->toBe(0);
});

test('a pin shows no more than whoever pinned it may see now', function () {
    $cy = $this->person('Cy Reader');
    $this->give($this->own, $cy, Level::See);
    $this->give($this->own, SubjectKind::Public, Level::See);
    $id = $this->open->id;
    $this->as($this->ben, 'POST', "/events/{$id}/pins", ['calendar' => $this->own->slug])->assertNoContent();
    $seen = fn ($person): array => ($this->titles)($person, "&calendar={$this->own->slug}");
    $feed = fn (): string => $this->get("/public/{$this->own->slug}.ics")->assertOk()->getContent();
    // The time that is private is taken, and no more.
    expect($seen($cy))->toBe(['Rowing', 'Busy'])->and($seen($this->ben))->toBe(['Rowing', 'Busy']);
    // Made private, it is what its pinner sees of it.
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['private' => true], $this->open->fresh()->version)->assertOk();
    expect($seen($cy))->toBe(['Busy'])->and($seen($this->ben))->toBe(['Busy'])->and($feed())->not->toContain('Rowing');
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['private' => false], $this->open->fresh()->version)->assertOk();
    expect($seen($cy))->toContain('Rowing');
    // Down to busy times, then to nothing: nobody sees more of it by the pin.
    $this->give($this->slip, $this->ben, Level::BusyTimes);
    expect($seen($cy))->toBe(['Busy'])->and($seen($this->ben))->toBe(['Busy']);
    $this->as($this->ben, 'GET', "/events/{$id}")->assertOk()->assertJsonPath('busyOnly', true);
    DB::table('grants')->where('on_id', $this->slip->id)->where('subject_id', $this->ben->id)->delete();
    expect($seen($cy))->toBe([])->and($seen($this->ben))->toBe([])->and($feed())->not->toContain('Rowing')->not->toContain('Busy');
    $this->as($this->ben, 'GET', "/events/{$id}")->assertNotFound();
    $this->as($cy, 'GET', "/events/{$id}")->assertNotFound();
    foreach ([$this->ben, $cy] as $person) {
        expect($this->as($person, 'GET', '/find?q=rowing&tz=Europe/London')->json('events'))->toBe([])
            ->and($this->as($person, 'GET', "/ruler?from=2026-11-01&to=2026-12-01&tz=Europe/London&calendar={$this->own->slug}")->json('loads'))->each->toBe(0)
            ->and($this->as($person, 'GET', "/table?from=2026-11-01&to=2026-12-01&tz=Europe/London&calendar={$this->own->slug}")->json('total'))->toBe(0);
    }
    // Whoever manages the slip sees what there is, on the board as at home.
    $this->give($this->own, $this->ada, Level::See);
    expect($seen($this->ada))->toBe([]);
});

test('a pin ends with the calendar that it is of, and with the account of whoever pinned it', function () {
    $cy = $this->person('Cy Reader');
    $this->give($this->own, $cy, Level::See);
    $this->as($this->ben, 'POST', "/events/{$this->open->id}/pins", ['calendar' => $this->own->slug])->assertNoContent();
    $seen = fn (): array => ($this->titles)($cy, "&calendar={$this->own->slug}");
    expect($seen())->toContain('Rowing');
    DB::table('people')->where('id', $this->ben->id)->update(['status' => 'suspended']);
    expect($seen())->toBe([]);
    DB::table('people')->where('id', $this->ben->id)->update(['status' => 'active']);
    expect($seen())->toContain('Rowing');
    $this->as($this->ada, 'DELETE', "/calendars/{$this->slip->slug}")->assertNoContent();
    expect($seen())->toBe([]);
});

test('what was joined is lost with the grant, and undoing and redoing bring nothing of it back', function () {
    $joined = $this->as($this->ben, 'POST', "/events/{$this->open->id}/join")->assertOk();
    $operation = (int) $joined->headers->get('Operation');
    expect(($this->titles)($this->ben, "&calendar={$joined->json('calendar')}"))->toContain('Rowing');
    $this->as($this->ben, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    DB::table('grants')->where('on_id', $this->slip->id)->where('subject_id', $this->ben->id)->delete();
    $this->as($this->ben, 'POST', "/operations/{$operation}/redo")->assertForbidden();
    expect(($this->titles)($this->ben))->toBe([]);
});

test('who may change an event sees everywhere that it is pinned and takes it off, whoever pinned it', function () {
    $this->as($this->ben, 'POST', "/events/{$this->open->id}/pins", ['calendar' => $this->own->slug])->assertNoContent();
    $pins = $this->as($this->ada, 'GET', "/events/{$this->open->id}")->assertOk()->json('pins');
    expect($pins)->toHaveCount(1)->and($pins[0])->toMatchArray(['calendar' => null, 'name' => 'a calendar that you do not see', 'by' => 'Ben Oar', 'mayUnpin' => true, 'joined' => false]);
    // Others are told of those alone that they see.
    $cy = $this->person('Cy Reader');
    $this->give($this->slip, $cy, Level::See);
    $this->as($cy, 'GET', "/events/{$this->open->id}")->assertJsonPath('pins', []);
    $this->as($cy, 'DELETE', "/events/{$this->open->id}/pins/{$pins[0]['id']}")->assertStatus(409);
    $this->as($this->ada, 'DELETE', "/events/{$this->open->id}/pins/{$pins[0]['id']}")->assertNoContent();
    expect(DB::table('event_pins')->count())->toBe(0);
});

test('a calendar says what is pinned to it, also what is no longer shared, and lets go of it', function () {
    $this->as($this->ben, 'POST', "/events/{$this->open->id}/pins", ['calendar' => $this->own->slug])->assertNoContent();
    $list = fn ($person = null) => $this->as($person ?? $this->ben, 'GET', "/calendars/{$this->own->slug}/pins");
    $list()->assertOk()->assertJsonPath('0.title', 'Rowing')->assertJsonPath('0.by', 'Ben Oar')->assertJsonPath('0.shared', true);
    DB::table('grants')->where('on_id', $this->slip->id)->where('subject_id', $this->ben->id)->delete();
    $pin = $list()->assertJsonPath('0.title', null)->assertJsonPath('0.start', null)->assertJsonPath('0.shared', false)->json('0');
    // Those who only read the calendar are told of nothing here.
    $cy = $this->person('Cy Reader');
    $this->give($this->own, $cy, Level::See);
    $list($cy)->assertForbidden();
    $this->as($cy, 'DELETE', "/events/{$pin['event']}/pins/{$pin['id']}")->assertNotFound();
    $this->as($this->ben, 'DELETE', "/events/{$pin['event']}/pins/{$pin['id']}")->assertNoContent();
    $list()->assertExactJson([]);
});

test('who looks with somebody else’s eyes sees the lesser of both', function () {
    $cy = $this->person('Cy Reader');
    $this->give($this->own, $cy, Level::See);
    // A private event of Cy’s own, and one of a calendar that Ben does not see.
    $hers = $this->calendar($cy, 'Hers');
    $private = $this->add($hers, $cy, title: 'secret visit', start: '2026-11-12T09:00', more: ['private' => true]);
    $open = $this->add($hers, $cy, title: 'Hers alone', start: '2026-11-13T09:00');
    $this->give($this->own, $cy, Level::Add);
    foreach ([$private, $open] as $each) {
        $this->as($cy, 'POST', "/events/{$each->id}/pins", ['calendar' => $this->own->slug])->assertNoContent();
    }
    $as = "&calendar={$this->own->slug}&as={$cy->id}";
    expect(($this->titles)($cy, "&calendar={$this->own->slug}"))->toBe(['secret visit', 'Hers alone'])
        ->and(($this->titles)($this->ben, $as))->toBe(['Busy', 'Hers alone'])
        ->and($this->as($this->ben, 'GET', "/events/{$private->id}?as={$cy->id}")->assertOk()->getContent())->not->toContain('secret')
        ->and(array_sum($this->as($this->ben, 'GET', "/ruler?from=2026-11-01&to=2026-12-01&tz=Europe/London{$as}")->json('loads')))->toBe(2)
        ->and($this->as($this->ben, 'GET', "/table?from=2026-11-01&to=2026-12-01&tz=Europe/London{$as}")->getContent())->not->toContain('secret');
});

test('laying a week tells nobody on which day a private event closes', function () {
    $this->as($this->ada, 'POST', '/categories', ['calendar' => $this->slip->slug, 'name' => 'Closed', 'closesDay' => true])->assertCreated();
    $this->add($this->own, $this->ben, title: 'Drill', start: '2026-11-02T09:00');
    $close = fn (bool $private) => $this->add($this->slip, $this->ada, title: 'secret closing', start: '2026-11-16T00:00', more: ['private' => $private, 'categories' => ['Closed']]);
    $days = fn (): array => $this->as($this->ben, 'POST', '/weeks/preview', ['calendar' => $this->own->slug, 'week' => '2026-11-02', 'from' => '2026-11-09', 'to' => '2026-11-29', 'tz' => 'Europe/London', 'closures' => $this->slip->slug])->assertOk()->json('0.closed');
    $close(true);
    expect($days())->toBe([]);
    $close(false);
    expect($days())->toBe(['2026-11-16']);
});

test('a feed whose publisher is suspended, has lost access or has ended it says so and has nothing else', function () {
    $this->give($this->slip, SubjectKind::Public, Level::See);
    $this->give($this->slip, $this->ben, Level::Manage);
    $made = $this->as($this->ben, 'POST', "/calendars/{$this->slip->slug}/feeds", ['name' => 'Wall', 'detail' => 'full'])->assertCreated();
    $path = parse_url($made->json('url'), PHP_URL_PATH);
    $feed = fn () => $this->get($path);
    $unfold = static fn (string $text): string => str_replace("\r\n ", '', $text);
    expect($feed()->assertOk()->getContent())->toContain('secret Hearing');
    $says = function (string $why) use ($feed, $unfold): void {
        $contents = $unfold((string) $feed()->assertOk()->getContent());
        expect(substr_count($contents, 'BEGIN:VEVENT'))->toBe(1)->and($contents)->toContain($why)->not->toContain('secret')->not->toContain('Rowing');
    };
    DB::table('people')->where('id', $this->ben->id)->update(['status' => 'suspended']);
    $says('Whoever published it is no longer here');
    DB::table('people')->where('id', $this->ben->id)->update(['status' => 'active']);
    expect($feed()->getContent())->toContain('secret Hearing');
    DB::table('grants')->where('on_id', $this->slip->id)->where('subject_id', $this->ben->id)->delete();
    DB::table('grants')->where('on_id', $this->slip->id)->where('subject_kind', 'public')->delete();
    $says('Whoever published it may no longer see this calendar');
    // Ended, it says so for a fortnight; then it is gone.
    Feed::query()->update(['revoked_at' => now()->subDays(13)]);
    $says('This feed was ended');
    Feed::query()->update(['revoked_at' => now()->subDays(15)]);
    $feed()->assertStatus(410);
    $this->get('/feeds/'.str_repeat('x', 32).'.ics')->assertNotFound();
});
