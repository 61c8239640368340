<?php

use App\Access\AccessReader;
use App\Access\AccessRequest;
use App\Access\Invitation;
use App\Calendars\Category;
use App\Letters\Letter;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;

beforeEach(function () {
    Mail::fake();
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->calendar = $this->calendar($this->ada, 'Slipway');
    $this->path = "/calendars/{$this->calendar->slug}";
    $this->put = fn (array $grant, $by = null) => $this->as($by ?? $this->ada, 'PUT', "{$this->path}/grants", $grant);
});

test('sharing says how far it reaches, and where the public follows it', function () {
    ($this->put)(['kind' => 'person', 'id' => $this->ben->id, 'level' => 'change'])->assertOk()->assertJsonPath('summary', '2 people: 1 manages, 1 changes; the public sees nothing')->assertJsonPath('publicUrl', null);
    $url = ($this->put)(['kind' => 'public', 'level' => 'busy'])->assertJsonPath('summary', '2 people: 1 manages, 1 changes; the public sees busy times')->json('publicUrl');
    $this->add($this->calendar, $this->ada, title: 'Secret launch');
    $this->add($this->calendar, $this->ada, title: 'Private lunch', start: '2026-11-03T12:00', more: ['private' => true]);
    $busy = $this->get((string) parse_url($url, PHP_URL_PATH))->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')->getContent();
    expect($busy)->toContain('SUMMARY:Busy')->not->toContain('Secret launch')->not->toContain('Private lunch');
    ($this->put)(['kind' => 'public', 'level' => 'see'])->assertOk();
    expect($this->get((string) parse_url($url, PHP_URL_PATH))->getContent())->toContain('Secret launch')->not->toContain('Private lunch');
    ($this->put)(['kind' => 'public', 'level' => 'change'])->assertUnprocessable()->assertJsonPath('errors.0.message', 'The public may see busy times or see it, no more.');
    ($this->put)(['kind' => 'public', 'level' => 'none'])->assertOk();
    $withdrawn = $this->get((string) parse_url($url, PHP_URL_PATH))->assertNotFound()->getContent();
    expect($withdrawn)->toBe($this->get('/public/never-there.ics')->assertNotFound()->getContent());
});

test('who gains by it is invited once: in the product, and by mail where asked', function () {
    $group = $this->group('Yard', $this->ben, $this->ada);
    ($this->put)(['kind' => 'group', 'id' => $group->id, 'level' => 'see', 'letter' => true])->assertOk();
    Mail::assertQueuedCount(1);
    Mail::assertQueued(Letter::class, function (Letter $letter): bool {
        $html = $letter->render();

        return $letter->hasTo($this->ben->email) && str_contains($html, 'Ada Quill shares') && str_contains($html, 'You can see everything on it but private events.') && substr_count($html, '<a ') === 1
            && str_contains($html, "?calendar={$this->calendar->slug}");
    });
    $this->as($this->ben, 'GET', '/waiting')->assertJsonPath('invitations.0.by', 'Ada Quill')->assertJsonPath('invitations.0.means', 'see everything on it but private events');
    // More of what they had already is no invitation.
    ($this->put)(['kind' => 'person', 'id' => $this->ben->id, 'level' => 'change', 'letter' => true])->assertOk();
    Mail::assertQueuedCount(1);
    expect(Invitation::query()->count())->toBe(1);
    // What was withdrawn invites nobody.
    ($this->put)(['kind' => 'person', 'id' => $this->ben->id, 'level' => 'none']);
    ($this->put)(['kind' => 'group', 'id' => $group->id, 'level' => 'none']);
    $this->as($this->ben, 'GET', '/waiting')->assertJsonPath('invitations', []);
});

test('an invitation is accepted, declined, or answered never; declining gives back what was given by name', function () {
    ($this->put)(['kind' => 'person', 'id' => $this->ben->id, 'level' => 'add']);
    $id = $this->as($this->ben, 'GET', '/waiting')->json('invitations.0.id');
    $this->as($this->person('Cy Brook'), 'PUT', "/invitations/{$id}", ['accepted' => true])->assertNotFound();
    $this->as($this->ben, 'PUT', "/invitations/{$id}", ['accepted' => true])->assertNoContent();
    $this->as($this->ben, 'GET', '/calendars')->assertJsonPath('0.onList', true);
    $this->as($this->ben, 'PUT', "/invitations/{$id}", ['accepted' => false])->assertNoContent();
    $this->as($this->ben, 'GET', '/calendars')->assertExactJson([]);
    $this->as($this->ada, 'GET', "{$this->path}/log")->assertJsonPath('0.words', 'Ben Oar: from Add to Nothing (declined)')->assertJsonPath('0.by', 'Ben Oar');
});

test('leaving gives back what was given by name, and takes off the list what is open to all', function () {
    ($this->put)(['kind' => 'person', 'id' => $this->ben->id, 'level' => 'change']);
    ($this->put)(['kind' => 'everyone', 'level' => 'see']);
    $this->as($this->ben, 'DELETE', "{$this->path}/grants/own")->assertNoContent();
    $this->as($this->ben, 'GET', '/calendars')->assertJsonPath('0.level', 'see')->assertJsonPath('0.onList', false);
    $this->as($this->ada, 'GET', '/calendars')->assertJsonPath('0.onList', true);
});

test('many are given a level by pasted addresses; nobody loses by it, and unknown ones are told', function () {
    $this->give($this->calendar, $this->ben, Level::Change);
    $cy = $this->person('Cy Brook');
    $gone = $this->person('Di Gone', ['status' => 'left']);
    $answer = $this->as($this->ada, 'POST', "{$this->path}/grants/addresses", ['text' => "Cy <{$cy->email}>, {$this->ben->email}; nobody@example.org\n{$gone->email}, Somebody Else", 'level' => 'see', 'letter' => true])->assertOk();
    expect($answer->json('given'))->toBe(['Cy Brook'])->and($answer->json('already'))->toBe(['Ben Oar'])->and($answer->json('unknown'))->toBe(['nobody@example.org', mb_strtolower($gone->email)])->and($answer->json('unread'))->toBe(['Somebody Else'])
        ->and(array_column($answer->json('sharing.grants'), 'level', 'name'))->toBe(['Ben Oar' => 'change', 'Cy Brook' => 'see']);
    Mail::assertQueuedCount(1);
    $this->as($this->ada, 'POST', "{$this->path}/grants/addresses", ['text' => '', 'level' => 'see'])->assertUnprocessable();
});

test('the last who manages cannot be taken off, whoever keeps it on paper', function () {
    $empty = $this->group('Nobody');
    $this->give($this->calendar, $this->ada, Level::Manage);
    $this->calendar->update(['keeper_kind' => SubjectKind::Group, 'keeper_id' => $empty->id]);
    foreach (['none', 'change'] as $level) {
        ($this->put)(['kind' => 'person', 'id' => $this->ada->id, 'level' => $level])->assertConflict()->assertJsonPath('title', 'That would leave “Slipway” with nobody who manages it. Hand over first, or let somebody else manage.');
    }
    $this->as($this->ada, 'DELETE', "{$this->path}/grants/own")->assertConflict();
    $this->as($this->ada, 'PUT', "{$this->path}/keeper", ['kind' => 'group', 'id' => $this->group('Nobody else')->id, 'stays' => 'none'])->assertOk();
    ($this->put)(['kind' => 'person', 'id' => $this->ben->id, 'level' => 'manage'])->assertOk();
    ($this->put)(['kind' => 'person', 'id' => $this->ada->id, 'level' => 'none'])->assertOk();
    $this->as($this->ada, 'GET', '/calendars')->assertExactJson([]);
});

test('handing over makes another keeper at once, and whoever kept it goes on as was said', function () {
    $yard = $this->group('Yard', $this->ben);
    $this->as($this->ada, 'PUT', "{$this->path}/keeper", ['kind' => 'group', 'id' => $this->group('Empty')->id, 'stays' => 'change'])->assertConflict();
    $this->as($this->ada, 'PUT', "{$this->path}/keeper", ['kind' => 'group', 'id' => $yard->id, 'stays' => 'see'])->assertOk()->assertJsonPath('keeper.name', 'Yard')->assertJsonPath('level', 'see');
    $this->as($this->ben, 'GET', '/calendars')->assertJsonPath('0.level', 'manage')->assertJsonPath('0.reasons', ['kept by Yard']);
});

test('for any person it is told what they see and by what, and a look as they see it', function () {
    $keel = $this->group('Keel year', $this->ben);
    $this->give($this->calendar, $this->groupOf($keel), Level::Change);
    $this->give($this->calendar, SubjectKind::Everyone, Level::See);
    $students = $this->calendar->newQuery()->getConnection()->table('groups')->where('name', 'like', 'group of%')->value('name');
    $people = $this->as($this->ada, 'GET', "{$this->path}/people")->assertOk()->json('people');
    expect(array_column(array_column($people, null, 'name')['Ben Oar']['reasons'], 'words'))->toBe(["Change: member of Keel year, which is in {$students}", 'See: everyone in the organisation'])
        ->and(array_column(array_column($people, null, 'name')['Ada Quill']['reasons'], 'words'))->toBe(['Manage: keeps it', 'See: everyone in the organisation']);
    $cy = $this->person('Cy Brook');
    $secret = $this->add($this->calendar, $this->ada, title: 'Private lunch', start: '2026-11-03T12:00', more: ['private' => true]);
    $other = $this->calendar($cy, 'Cy’s own');
    $this->add($other, $cy, title: 'Dentist', start: '2026-11-03T15:00');
    $look = fn (string $more): array => $this->sheet($this->ada, '2026-11-01', '2026-12-01', "&calendar={$this->calendar->slug}{$more}")->assertOk()->json('items');
    expect(array_column($look("&as={$cy->id}"), 'title'))->toBe(['Busy'])->and(array_column($look(''), 'title'))->toBe(['Private lunch'])
        ->and(array_column($look("&as={$this->ben->id}"), 'title'))->toBe(['Private lunch'])->and($look("&as={$this->ben->id}")[0]['hold'])->toBe('looking');
    $this->as($this->ada, 'GET', "/events/{$secret->id}?as={$cy->id}")->assertJsonPath('title', 'Busy')->assertJsonPath('mayChange', false);
    // What one does not manage is not seen with another's eyes either.
    expect($this->sheet($this->ada, '2026-11-01', '2026-12-01', "&as={$cy->id}")->assertOk()->getContent())->not->toContain('Dentist')->not->toContain('own');
    $this->as($this->ben, 'GET', "/sheet?from=2026-11-01&to=2026-11-08&tz=UTC&calendar={$this->calendar->slug}&as={$this->ada->id}")->assertForbidden();
});

test('asking reaches those who manage, is decided once, and told', function () {
    $cy = $this->person('Cy Brook');
    $this->give($this->calendar, $cy, Level::Manage);
    $this->give($this->calendar, SubjectKind::Everyone, Level::BusyTimes);
    $this->as($this->ben, 'GET', "{$this->path}/managers")->assertJsonPath('names', ['Ada Quill', 'Cy Brook'])->assertJsonPath('asked', null);
    $this->as($this->ben, 'POST', "{$this->path}/requests", ['level' => 'busy'])->assertUnprocessable();
    $this->as($this->ben, 'POST', "{$this->path}/requests", ['level' => 'manage'])->assertUnprocessable();
    $this->as($this->ben, 'POST', "{$this->path}/requests", ['level' => 'see', 'message' => 'for the <b>rota</b>'])->assertCreated();
    Mail::assertQueuedCount(2);
    // Asked again it is the same request, said otherwise.
    $this->as($this->ben, 'POST', "{$this->path}/requests", ['level' => 'add', 'message' => 'for the rota'])->assertCreated();
    Mail::assertQueuedCount(2);
    $this->as($this->ben, 'GET', "{$this->path}/managers")->assertJsonPath('asked', 'add');
    $this->as($this->ben, 'GET', '/waiting')->assertJsonPath('requests', []);
    $request = $this->as($cy, 'GET', '/waiting')->assertJsonPath('requests.0.by', 'Ben Oar')->assertJsonPath('requests.0.message', 'for the rota')->json('requests.0.id');
    $this->as($cy, 'PUT', "/requests/{$request}", ['level' => 'see'])->assertNoContent();
    $this->as($this->ada, 'PUT', "/requests/{$request}", ['level' => 'none'])->assertConflict()->assertJsonPath('title', 'Somebody else has decided this already.');
    $this->as($this->ben, 'GET', '/calendars')->assertJsonPath('0.level', 'see');
    $this->as($this->ben, 'GET', '/waiting')->assertJsonPath('answers.0.level', 'see')->assertJsonPath('answers.0.by', 'Cy Brook')->assertJsonPath('invitations', []);
    $this->as($this->ben, 'PUT', "/requests/{$request}/seen")->assertNoContent();
    $this->as($this->ben, 'GET', '/waiting')->assertJsonPath('answers', []);
    $this->as($this->ben, 'POST', "{$this->path}/requests", ['level' => 'change'])->assertCreated();
    $this->as($this->ben, 'DELETE', "{$this->path}/requests")->assertNoContent();
    expect(AccessRequest::query()->whereNull('decided_at')->count())->toBe(0);
});

test('every change of access and settings is written down and can be taken back', function () {
    $log = fn (): array => array_column($this->as($this->ada, 'GET', "{$this->path}/log")->assertOk()->json(), 'words');
    $revert = fn (string $words) => $this->as($this->ada, 'POST', "{$this->path}/log/".collect($this->as($this->ada, 'GET', "{$this->path}/log")->json())->firstWhere('words', $words)['id'].'/revert')->assertOk();
    ($this->put)(['kind' => 'person', 'id' => $this->ben->id, 'level' => 'change']);
    // The same once more changes nothing, and is not written.
    ($this->put)(['kind' => 'person', 'id' => $this->ben->id, 'level' => 'change']);
    $this->as($this->ada, 'PATCH', $this->path, ['name' => 'Slip', 'firstDay' => 'SU', 'offered' => false], 1)->assertOk()->assertJsonPath('firstDay', 'SU');
    $this->as($this->ada, 'PUT', "{$this->path}/archived", ['archived' => true])->assertOk()->assertJsonPath('archived', true);
    expect($log())->toBe([
        'the calendar was archived',
        'name: from “Slipway” to “Slip”; first day of the week: from none to “SU”; on everyone’s list: from yes to no',
        'Ben Oar: from Nothing to Change',
    ]);
    $revert('the calendar was archived');
    $revert('name: from “Slipway” to “Slip”; first day of the week: from none to “SU”; on everyone’s list: from yes to no');
    $revert('Ben Oar: from Nothing to Change');
    expect($this->calendar->fresh()->only(['name', 'first_day', 'offered', 'archived_at']))->toBe(['name' => 'Slipway', 'first_day' => null, 'offered' => true, 'archived_at' => null]);
    $this->as($this->ben, 'GET', '/calendars')->assertExactJson([]);
    expect($log()[0])->toBe('Ben Oar: from Change to Nothing (reverted)');
    $other = $this->calendar($this->ada, 'Other');
    $this->as($this->ada, 'POST', "/calendars/{$other->slug}/log/".DB::table('activity_log')->max('id').'/revert')->assertNotFound();
});

test('a change of who is in a group is taken back from the log of the organisation', function () {
    $root = $this->person('Root', ['role' => 'administrator']);
    $group = $this->group('Yard');
    $this->as($root, 'PUT', "/groups/{$group->id}/members", ['kind' => 'person', 'id' => $this->ben->id, 'member' => true])->assertOk();
    $entry = $this->as($root, 'GET', '/log')->assertJsonPath('0.words', 'Ben Oar put into Yard')->json('0.id');
    $this->as($root, 'POST', "/log/{$entry}/revert")->assertOk()->assertJsonPath('0.words', 'Ben Oar taken out of Yard');
    expect($group->people()->count())->toBe(0);
});

test('an archived calendar is read and not changed, stays off lists, and comes back', function () {
    $this->give($this->calendar, $this->ben, Level::Change);
    $event = $this->add($this->calendar, $this->ada, start: '2026-11-03T12:00');
    $this->as($this->ada, 'PUT', "{$this->path}/archived", ['archived' => true])->assertOk();
    $this->as($this->ben, 'GET', "/events/{$event->id}")->assertOk()->assertJsonPath('mayChange', false);
    $this->as($this->ben, 'PATCH', "/events/{$event->id}", ['title' => 'x'], 1)->assertForbidden();
    $this->as($this->ben, 'POST', '/events', ['calendar' => $this->calendar->slug, 'title' => 'x', 'start' => '2026-11-10T09:00'])->assertUnprocessable()->assertJsonPath('errors.0.message', 'This calendar is archived; nothing can be added to it.');
    $this->sheet($this->ben, '2026-11-01', '2026-12-01')->assertJsonPath('layers', []);
    $this->sheet($this->ben, '2026-11-01', '2026-12-01', "&calendar={$this->calendar->slug}")->assertJsonCount(1, 'items');
    $this->as($this->ben, 'GET', '/directory/calendars')->assertJsonPath('total', 0);
    $this->as($this->ben, 'GET', '/directory/calendars?archived=1')->assertJsonPath('calendars.0.name', 'Slipway');
    $this->as($this->ada, 'PUT', "{$this->path}/archived", ['archived' => false]);
    $this->as($this->ben, 'PATCH', "/events/{$event->id}", ['title' => 'x'], 1)->assertOk();
});

test('one’s own list is one’s own: what is added and taken off changes nothing for others', function () {
    $this->give($this->calendar, SubjectKind::Everyone, Level::BusyTimes);
    $drawn = fn ($who): int => count($this->sheet($who, '2026-11-01', '2026-12-01')->json('layers'));
    expect($drawn($this->ben))->toBe(0)->and($drawn($this->ada))->toBe(1);
    $this->as($this->ben, 'PUT', "{$this->path}/list", ['onList' => true])->assertOk()->assertJsonPath('onList', true);
    expect($drawn($this->ben))->toBe(1);
    $this->as($this->ada, 'PUT', "{$this->path}/list", ['onList' => false])->assertOk();
    expect($drawn($this->ben))->toBe(1)->and($drawn($this->ada))->toBe(0);
});

test('the directory finds by name, keeper, group and category, and tells by none of them what is hidden', function () {
    $yard = $this->group('Yard', $this->ben);
    $this->calendar->update(['description' => 'Bookings of the cradle']);
    $van = $this->calendar($yard, 'Van');
    $this->give($this->calendar, SubjectKind::Everyone, Level::See);
    $away = $this->calendar($this->ada, 'Staff away', ['description' => 'Hospital']);
    $this->give($away, SubjectKind::Everyone, Level::BusyTimes);
    $this->add($away, $this->ada, more: ['categories' => ['launch']]);
    $this->add($this->calendar, $this->ada, more: ['categories' => ['health'], 'private' => true]);
    $this->add($this->calendar, $this->ada, more: ['categories' => ['launch']]);
    $find = fn (string $query, $who = null): array => $this->as($who ?? $this->ben, 'GET', "/directory/calendars?{$query}")->assertOk()->json('calendars.*.name');
    expect($find(''))->toBe(['Slipway', 'Staff away', 'Van'])
        ->and($find('q=cradle+slip'))->toBe(['Slipway'])
        ->and($find('q=quill'))->toBe(['Slipway', 'Staff away'])
        ->and($find('keeper=yard'))->toBe(['Van'])
        ->and($find("group={$yard->id}"))->toBe(['Van'])
        ->and($find('category=launch'))->toBe(['Slipway'])
        ->and($find('category=Launch', $this->ada))->toBe(['Slipway', 'Staff away'])
        // A private event's category, a busy calendar's description: not to be asked for.
        ->and($find('category=health'))->toBe([])->and($find('category=health', $this->ada))->toBe(['Slipway'])
        ->and($find('q=hospital'))->toBe([])->and($find('q=hospital', $this->ada))->toBe(['Staff away']);
    // With which other groups a calendar is shared is told to those who manage it.
    $riggers = $this->group('Riggers');
    $this->give($this->calendar, $riggers, Level::Change);
    expect($find("group={$riggers->id}"))->toBe([])->and($find("group={$riggers->id}", $this->ada))->toBe(['Slipway']);
});

test('categories are kept by those who manage, with colours, and free additions only where they are allowed', function () {
    $root = $this->person('Root', ['role' => 'administrator']);
    $this->give($this->calendar, $this->ben, Level::Add);
    $this->as($this->ada, 'POST', '/categories', ['name' => 'everywhere'])->assertForbidden();
    $this->as($root, 'POST', '/categories', ['name' => 'closed', 'closesDay' => true, 'colour' => 'brick'])->assertCreated()->assertJsonPath('closesDay', true)->assertJsonPath('colour', 'brick');
    $id = $this->as($this->ada, 'POST', '/categories', ['name' => 'cradle', 'calendar' => $this->calendar->slug])->assertCreated()->json('id');
    $this->as($this->ada, 'POST', '/categories', ['name' => 'Cradle', 'calendar' => $this->calendar->slug])->assertUnprocessable()->assertJsonPath('errors.0.message', 'There is a category of this name.');
    $this->as($this->ada, 'PATCH', $this->path, ['freeCategories' => false], 1)->assertOk();
    $event = fn (array $categories) => ['calendar' => $this->calendar->slug, 'title' => 'x', 'start' => '2026-11-10T09:00', 'categories' => $categories];
    $this->as($this->ben, 'POST', '/events', $event(['Closed', 'cradle']))->assertCreated();
    $this->as($this->ben, 'POST', '/events', $event(['cradle', 'picnic']))->assertUnprocessable()->assertJsonPath('errors.0.message', '“picnic” is no category of Slipway, and those who manage it add them.');
    $this->as($this->ada, 'POST', '/events', $event(['picnic']))->assertCreated();
    $this->as($this->ada, 'PATCH', "/categories/{$id}", ['name' => 'cradle and winch', 'colour' => 'sea'])->assertOk()->assertJsonPath('colour', 'sea');
    $this->sheet($this->ada, '2026-11-01', '2026-12-01')->assertJsonPath('items.0.categories', ['closed', 'cradle and winch']);
    $this->as($this->ada, 'DELETE', "/categories/{$id}")->assertNoContent();
    $this->sheet($this->ada, '2026-11-01', '2026-12-01')->assertJsonPath('items.0.categories', ['closed']);
    expect(Category::query()->where('name', 'like', 'cradle%')->exists())->toBeFalse();
});

test('what a person sees is read in a bounded number of queries, however much there is', function () {
    $count = function (): int {
        $queries = 0;
        DB::listen(function () use (&$queries): void {
            $queries++;
        });
        app(AccessReader::class)->calendars(app(AccessReader::class)->viewer($this->ben->fresh()));

        return $queries;
    };
    $groups = array_map(fn (int $n) => $this->group("Group {$n}", $this->ben), range(1, 10));
    $this->give($this->calendar, $groups[0], Level::See);
    $few = $count();
    foreach (range(1, 60) as $n) {
        $this->give($this->calendar($this->ada, "Calendar {$n}"), $groups[$n % 10], Level::See);
    }
    // Each call of listen() counts again what the one before it counts.
    DB::getEventDispatcher()->forget(Illuminate\Database\Events\QueryExecuted::class);
    expect($count())->toBe($few)->toBeLessThanOrEqual(8)->and(app(AccessReader::class)->calendars(app(AccessReader::class)->viewer($this->ben->fresh())))->toHaveCount(61);
});

test('of a group it is told whether anybody is in it, also by another group', function () {
    $riggers = $this->group('Riggers', $this->ben);
    $this->groupOf($riggers)->update(['name' => 'Riggers and more']);
    $this->group('Riggers to be');
    expect(array_column($this->as($this->ada, 'GET', '/directory?q=riggers')->assertOk()->json(), 'isEmpty', 'name'))->toBe(['Riggers' => false, 'Riggers and more' => false, 'Riggers to be' => true]);
});

test('before a category is deleted it is told where it is used, and deleted it comes back on the events that had it', function () {
    $root = $this->person('Root', ['role' => 'coordinator']);
    $id = $this->as($root, 'POST', '/categories', ['name' => 'winch', 'colour' => 'sea', 'closesDay' => true])->assertCreated()->json('id');
    $events = array_map(fn (string $day) => $this->add($this->calendar, $this->ada, start: "{$day}T09:00", more: ['categories' => ['winch']]), ['2026-11-10', '2026-11-12', '2026-11-17']);
    $this->as($this->ben, 'GET', "/categories/{$id}/uses")->assertForbidden();
    $this->as($root, 'GET', "/categories/{$id}/uses")->assertOk()->assertExactJson(['events' => 3, 'first' => '2026-11-10', 'last' => '2026-11-17']);
    $this->as($root, 'DELETE', "/categories/{$id}")->assertNoContent();
    $this->sheet($this->ada, '2026-11-01', '2026-12-01')->assertJsonPath('items.*.categories', [[], [], []]);
    // One of them is gone meanwhile.
    $this->as($this->ada, 'DELETE', "/events/{$events[1]->id}", [], 1)->assertNoContent();
    $this->as($this->ben, 'POST', "/categories/{$id}/restore")->assertForbidden();
    $this->as($root, 'POST', "/categories/{$id}/restore")->assertOk()->assertJsonPath('id', $id)->assertJsonPath('name', 'winch')->assertJsonPath('colour', 'sea')->assertJsonPath('closesDay', true);
    $this->sheet($this->ada, '2026-11-01', '2026-12-01')->assertJsonPath('items.*.categories', [['winch'], ['winch']]);
    $this->as($root, 'POST', "/categories/{$id}/restore")->assertNotFound();
    // Where another one has its name by now, that one stays.
    $this->as($root, 'DELETE', "/categories/{$id}")->assertNoContent();
    $this->as($root, 'POST', '/categories', ['name' => 'Winch'])->assertCreated();
    $this->as($root, 'POST', "/categories/{$id}/restore")->assertUnprocessable()->assertJsonPath('errors.0.message', 'There is another category “winch” by now.');
});

test('the deleted categories of a calendar are its managers’ to bring back', function () {
    $id = $this->as($this->ada, 'POST', '/categories', ['name' => 'cradle', 'calendar' => $this->calendar->slug])->assertCreated()->json('id');
    $this->as($this->ada, 'DELETE', "/categories/{$id}")->assertNoContent();
    $this->as($this->ben, 'POST', "/categories/{$id}/restore")->assertNotFound();
    $this->give($this->calendar, $this->ben, Level::Change);
    $this->as($this->ben, 'POST', "/categories/{$id}/restore")->assertForbidden();
    $this->as($this->ada, 'POST', "/categories/{$id}/restore")->assertOk()->assertJsonPath('calendar', $this->calendar->slug);
});
