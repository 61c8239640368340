<?php

use App\Access\GrantRecord;
use App\Calendars\Calendar;
use App\Directory\Group;
use App\Directory\Person;
use App\Directory\WelcomeLink;
use App\Feeds\Feed;
use App\Letters\Letter;
use App\Letters\PasswordLetter;
use App\Overlays\Overlay;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Mail;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;
use Tests\TestCase;

beforeEach(function () {
    Mail::fake();
    $this->root = $this->person('Root Ada', ['role' => 'administrator']);
});

/** The address that a letter's button leads to. */
function linkIn(Letter $letter): string
{
    preg_match('/href="([^"]+)"/', $letter->render(), $found);

    return html_entity_decode($found[1]);
}

test('somebody is added, invited, sets a password by the letter and is in', function () {
    $group = $this->group('Yard');
    $id = $this->as($this->root, 'POST', '/people', ['name' => 'Ben Oar', 'email' => 'Ben@Example.org', 'post' => 'Yard hand', 'groups' => [$group->id], 'workingHours' => [['day' => 'MO', 'from' => '09:00', 'to' => '17:00']], 'invite' => true])
        ->assertCreated()->assertJsonPath('email', 'ben@example.org')->assertJsonPath('hasComeIn', false)->assertJsonPath('groups.0.name', 'Yard')->json('id');
    $link = null;
    Mail::assertQueued(Letter::class, function (Letter $letter) use (&$link): bool {
        $link = linkIn($letter);

        return $letter->hasTo('ben@example.org');
    });
    parse_str((string) parse_url($link, PHP_URL_QUERY), $query);
    expect($query['email'])->toBe('ben@example.org')->and($query['to'])->toBe('/');
    // Nobody signs in without a password, nor with an empty one.
    $this->as(null, 'POST', '/session', ['email' => 'ben@example.org', 'password' => 'whatever-it-is'])->assertUnprocessable();
    $this->as(null, 'PUT', '/session/password-link', ['email' => 'ben@example.org', 'token' => $query['token'], 'password' => 'short'])->assertUnprocessable()->assertJsonPath('errors.0.message', 'A password has at least 10 characters.');
    $this->as(null, 'PUT', '/session/password-link', ['email' => 'ben@example.org', 'token' => 'another', 'password' => 'long-enough-now'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'token');
    $this->as(null, 'PUT', '/session/password-link', ['email' => 'ben@example.org', 'token' => $query['token'], 'password' => 'long-enough-now'])->assertOk()->assertJsonPath('person.name', 'Ben Oar')->assertJsonPath('person.workingHours.0.day', 'MO');
    // A link holds once.
    $this->as(null, 'PUT', '/session/password-link', ['email' => 'ben@example.org', 'token' => $query['token'], 'password' => 'another-long-one'])->assertUnprocessable();
    expect(Hash::check('long-enough-now', (string) Person::query()->find($id)->password))->toBeTrue();
    $this->as($this->root, 'POST', "/people/{$id}/invitation")->assertConflict();
});

test('a token is nowhere but in the letter', function () {
    $person = $this->person('Ben Oar', ['password' => null]);
    parse_str((string) parse_url(WelcomeLink::to($person), PHP_URL_QUERY), $query);
    expect((string) DB::table('invitation_tokens')->value('token'))->not->toBe($query['token'])->and(Hash::check($query['token'], (string) DB::table('invitation_tokens')->value('token')))->toBeTrue();
});

test('a forgotten password is set anew by a letter; whether anybody has an address is not told', function () {
    $ben = $this->person('Ben Oar');
    $gone = $this->person('Cy Gone', ['status' => 'left']);
    $answers = array_map(fn (string $email): string => $this->as(null, 'POST', '/session/password-link', ['email' => $email])->assertNoContent()->getContent(), [$ben->email, $gone->email, 'nobody@example.org']);
    expect(array_unique($answers))->toHaveCount(1);
    Mail::assertQueuedCount(1);
    Mail::assertQueued(PasswordLetter::class, fn (PasswordLetter $letter): bool => $letter->hasTo($ben->email));
    // Once in a few minutes, however often it is asked for.
    $this->travel(4)->minutes();
    $this->as(null, 'POST', '/session/password-link', ['email' => $ben->email])->assertNoContent();
    Mail::assertQueuedCount(1);
    $this->travel(2)->minutes();
    $this->as(null, 'POST', '/session/password-link', ['email' => $ben->email])->assertNoContent();
    Mail::assertQueuedCount(2);
});

test('whoever asks for a link in the name of a newcomer neither ends their invitation nor floods them', function () {
    $ben = $this->person('Ben Oar', ['password' => null]);
    parse_str((string) parse_url(WelcomeLink::to($ben), PHP_URL_QUERY), $invited);
    foreach (range(1, 5) as $ignored) {
        $this->as(null, 'POST', '/session/password-link', ['email' => $ben->email])->assertNoContent();
    }
    Mail::assertQueuedCount(1);
    parse_str((string) parse_url(WelcomeLink::askedFor($ben), PHP_URL_QUERY), $asked);
    // Either holds; once a password is set by one, the other does not.
    $this->as(null, 'PUT', '/session/password-link', ['email' => $ben->email, 'token' => $invited['token'], 'password' => 'long-enough-now'])->assertOk();
    $this->as(null, 'PUT', '/session/password-link', ['email' => $ben->email, 'token' => $asked['token'], 'password' => 'another-long-one'])->assertUnprocessable();
});

test('a link to set a password is dead once the password was changed', function () {
    $ben = $this->person('Ben Oar');
    parse_str((string) parse_url(WelcomeLink::askedFor($ben), PHP_URL_QUERY), $asked);
    $this->as($ben, 'PUT', '/session/password', ['current' => TestCase::PASSWORD, 'password' => 'another-long-one'])->assertNoContent();
    $this->as(null, 'PUT', '/session/password-link', ['email' => $ben->email, 'token' => $asked['token'], 'password' => 'long-enough-now'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'token');
});

test('a letter that could not be sent is tried again, over another connection', function () {
    $letter = new PasswordLetter($this->person('Ben Oar'));
    expect([$letter->tries, $letter->backoff])->toBe([5, [30, 120, 600, 3600]]);
    Mail::swap($mailers = new Illuminate\Mail\MailManager(app()));
    $first = $mailers->mailer('array');
    event(new Illuminate\Queue\Events\JobExceptionOccurred('database', Mockery::mock(Illuminate\Contracts\Queue\Job::class), new RuntimeException('451')));
    expect($mailers->mailer('array'))->not->toBe($first);
});

test('what a person cannot be is refused at its field', function (array $body, string $field, string $message) {
    $this->person('Ben Oar', ['email' => 'ben@example.org']);
    $this->as($this->root, 'POST', '/people', $body + ['name' => 'Cy', 'email' => 'cy@example.org'])->assertUnprocessable()->assertJsonPath('errors.0.field', $field)->assertJsonPath('errors.0.message', $message);
    expect(Person::query()->count())->toBe(2);
})->with([
    [['name' => ''], 'name', 'Give the person a name.'],
    [['email' => 'nowhere'], 'email', 'This is no mail address.'],
    [['email' => 'BEN@example.org'], 'email', 'Somebody here has this address already.'],
    [['timezone' => 'Mars/Base'], 'timezone', 'No time zone is called “Mars/Base”.'],
    [['workingHours' => [['day' => 'MO', 'from' => '17:00', 'to' => '09:00']]], 'workingHours', '“MO 17:00 to 09:00” is no part of a day.'],
]);

test('people are found by name, post, address and how they stand', function () {
    $this->person('Ben Oar', ['post' => 'Rigger']);
    $this->person('Cy Gone', ['status' => 'left']);
    $this->as($this->root, 'GET', '/people?q=rigger')->assertJsonPath('people.*.name', ['Ben Oar'])->assertJsonPath('total', 1);
    $this->as($this->root, 'GET', '/people?status=left')->assertJsonPath('people.*.name', ['Cy Gone']);
    $this->as($this->root, 'GET', '/people')->assertJsonPath('people.*.name', ['Ben Oar', 'Cy Gone', 'Root Ada']);
});

test('who is suspended is out at once on every device, keeps what they have, and comes in again', function () {
    $ben = $this->person('Ben Oar');
    $calendar = $this->calendar($this->root);
    $this->give($calendar, $ben, Level::Change);
    DB::table('sessions')->insert(['id' => 'elsewhere', 'user_id' => $ben->id, 'payload' => '', 'last_activity' => time()]);
    $this->as($this->root, 'PUT', "/people/{$ben->id}/suspended", ['suspended' => true])->assertOk()->assertJsonPath('status', 'suspended');
    expect(DB::table('sessions')->where('user_id', $ben->id)->count())->toBe(0);
    $this->as($ben, 'GET', '/calendars')->assertUnauthorized();
    $this->as($this->root, 'PUT', "/people/{$ben->id}/suspended", ['suspended' => false])->assertOk();
    $this->as($ben, 'GET', '/calendars')->assertJsonPath('0.level', 'change');
});

test('who alone manages something is suspended all the same, and is not taken out of the group by which they do', function () {
    $ben = $this->person('Ben Oar');
    $group = $this->group('Yard', $ben);
    $this->calendar($ben, 'Slipway');
    $this->calendar($group, 'Van');
    $this->as($this->root, 'PUT', "/people/{$ben->id}/suspended", ['suspended' => true])->assertOk()->assertJsonPath('status', 'suspended');
    $this->as($this->root, 'GET', "/people/{$ben->id}/kept")->assertJsonPath('calendars.0.name', 'Slipway');
    $this->as($this->root, 'PUT', "/people/{$ben->id}/suspended", ['suspended' => false])->assertOk();
    $this->as($this->root, 'PUT', "/groups/{$group->id}/members", ['kind' => 'person', 'id' => $ben->id, 'member' => false])->assertConflict();
    expect($group->people()->count())->toBe(1);
});

test('the last administrator stays one', function () {
    $this->as($this->root, 'PATCH', "/people/{$this->root->id}", ['role' => 'member'])->assertUnprocessable()->assertJsonPath('errors.0.message', 'Root Ada is the last administrator. Make somebody else one first.');
    $this->as($this->root, 'PUT', "/people/{$this->root->id}/suspended", ['suspended' => true])->assertUnprocessable();
    $this->as($this->root, 'POST', "/people/{$this->root->id}/departure", ['handovers' => []])->assertUnprocessable();
    $this->person('Ben Oar', ['role' => 'administrator']);
    $this->as($this->root, 'PATCH', "/people/{$this->root->id}", ['role' => 'member'])->assertOk();
});

test('a keeper leaves: all that they keep is listed and handed over in one step, and nothing is orphaned', function () {
    [$ben, $cy] = [$this->person('Ben Oar'), $this->person('Cy Brook')];
    $yard = $this->group('Yard', $cy);
    $yard->people()->attach($ben->id);
    $slipway = $this->calendar($ben, 'Slipway');
    $van = $this->calendar($ben, 'Van');
    $overlay = Overlay::query()->create(['slug' => 'bens', 'name' => 'Ben’s', 'keeper_kind' => SubjectKind::Person, 'keeper_id' => $ben->id]);
    $feed = Feed::query()->create(['calendar_id' => $slipway->id, 'name' => 'Board', 'detail' => 'full', 'token_hash' => 'x', 'created_by' => $ben->id]);
    $this->give($this->calendar($this->root, 'Plans'), $ben, Level::Change);
    $this->as($this->root, 'GET', "/people/{$ben->id}/kept")->assertJsonPath('calendars.*.name', ['Slipway', 'Van'])->assertJsonPath('overlays.0.name', 'Ben’s')->assertJsonPath('feeds.0.name', 'Board');
    $to = fn (string $what, string $slug, Person|Group $keeper): array => ['what' => $what, 'slug' => $slug, 'kind' => $keeper instanceof Person ? 'person' : 'group', 'id' => $keeper->id];
    // Something is left over: nothing happens.
    $this->as($this->root, 'POST', "/people/{$ben->id}/departure", ['handovers' => [$to('calendar', $slipway->slug, $yard)]])->assertUnprocessable()->assertJsonPath('errors.0.message', 'Say who keeps “Van”, “Ben’s” from now on.');
    expect($slipway->fresh()->keeper_id)->toBe($ben->id)->and($ben->fresh()->status)->toBe('active');
    // To nobody who is there, or to oneself: neither.
    $this->as($this->root, 'POST', "/people/{$ben->id}/departure", ['handovers' => [$to('calendar', $slipway->slug, $ben), $to('calendar', $van->slug, $cy), $to('overlay', 'bens', $cy)]])->assertUnprocessable();
    $this->as($this->root, 'POST', "/people/{$ben->id}/departure", ['handovers' => [$to('calendar', $slipway->slug, $this->group('Empty')), $to('calendar', $van->slug, $cy), $to('overlay', 'bens', $cy)]])->assertConflict();
    $this->as($this->root, 'POST', "/people/{$ben->id}/departure", ['handovers' => [$to('calendar', $slipway->slug, $yard), $to('calendar', $van->slug, $cy), $to('overlay', 'bens', $cy)], 'feeds' => $cy->id])
        ->assertOk()->assertJsonPath('status', 'left')->assertJsonPath('groups', []);
    expect([$slipway->fresh()->keeper_kind, $slipway->fresh()->keeper_id])->toBe([SubjectKind::Group, $yard->id])
        ->and($van->fresh()->keeper_id)->toBe($cy->id)->and($overlay->fresh()->keeper_id)->toBe($cy->id)->and($feed->fresh()->created_by)->toBe($cy->id)
        ->and(GrantRecord::query()->where('subject_id', $ben->id)->where('subject_kind', 'person')->count())->toBe(0);
    $this->as($ben, 'GET', '/calendars')->assertUnauthorized();
    $this->as($cy, 'GET', '/calendars')->assertJsonPath('*.level', ['manage', 'manage']);
    $this->as($this->root, 'DELETE', "/people/{$ben->id}/departure")->assertNoContent();
    $this->as($ben, 'GET', '/calendars')->assertExactJson([]);
});

test('feed links of who has left end where nobody takes them over', function () {
    $ben = $this->person('Ben Oar');
    $calendar = $this->calendar($this->root);
    $this->give($calendar, $ben, Level::Manage);
    $feed = Feed::query()->create(['calendar_id' => $calendar->id, 'name' => 'Board', 'detail' => 'full', 'token_hash' => 'x', 'created_by' => $ben->id]);
    $this->as($this->root, 'POST', "/people/{$ben->id}/departure", ['handovers' => []])->assertOk();
    expect($feed->fresh()->revoked_at)->not->toBeNull();
});

test('a table of people is looked at first and applied as it was looked at', function () {
    $this->group('Yard');
    $this->person('Ben Oar', ['email' => 'ben@example.org', 'post' => 'Rigger']);
    $text = "name,address,post,groups\nBen Oar,ben@example.org,Sailmaker,Yard\nCy Brook,cy@example.org,,\nDi,nowhere,,";
    $plan = $this->as($this->root, 'POST', '/people/table', ['text' => $text])->assertOk()->assertJsonPath('rows.*.verdict', ['changed', 'new', 'refused'])->assertJsonPath('applied', false);
    expect(Person::query()->count())->toBe(2);
    $this->as($this->root, 'POST', '/people/table', ['text' => $text, 'apply' => str_repeat('0', 64)])->assertConflict();
    $this->as($this->root, 'POST', '/people/table', ['text' => $text, 'apply' => $plan->json('digest'), 'invite' => true])->assertOk()->assertJsonPath('applied', true);
    expect(Person::query()->where('email', 'ben@example.org')->first()->only(['post', 'name']))->toBe(['post' => 'Sailmaker', 'name' => 'Ben Oar'])
        ->and(Group::query()->first()->people()->pluck('name')->all())->toBe(['Ben Oar'])->and(Person::query()->where('email', 'cy@example.org')->exists())->toBeTrue();
    Mail::assertQueued(Letter::class, fn (Letter $letter): bool => $letter->hasTo('cy@example.org'));
    Mail::assertQueuedCount(1);
    // Twice adds nothing twice.
    $this->as($this->root, 'POST', '/people/table', ['text' => $text])->assertJsonPath('rows.*.verdict', ['known', 'known', 'refused']);
});

test('one says of oneself what one is called, where and when one works, and not what one may do', function () {
    $ben = $this->person('Ben Oar');
    $this->as($ben, 'PATCH', '/session/person', ['name' => 'Ben O.', 'timezone' => 'America/Toronto', 'role' => 'administrator', 'email' => 'x@example.org', 'workingHours' => [['day' => 'FR', 'from' => '10:00', 'to' => '12:00']]])
        ->assertOk()->assertJsonPath('person.name', 'Ben O.')->assertJsonPath('person.role', 'member')->assertJsonPath('person.workingHours.0.from', '10:00');
    expect($ben->fresh()->email)->toBe($ben->email);
});

test('whoever left or was suspended is out of what others are asked, and off what they managed', function () {
    $ben = $this->person('Ben Oar', ['status' => 'suspended']);
    $calendar = $this->calendar($this->root);
    $this->as($this->root, 'PUT', "/calendars/{$calendar->slug}/grants", ['kind' => 'person', 'id' => $ben->id, 'level' => 'see'])->assertNotFound();
    $this->as($this->root, 'PUT', "/calendars/{$calendar->slug}/keeper", ['kind' => 'person', 'id' => $ben->id, 'stays' => 'none'])->assertNotFound();
    expect(Calendar::query()->first()->keeper_id)->toBe($this->root->id);
});

test('the directory is asked for people alone, groups alone, or some people by id', function () {
    $ada = $this->person();
    $ben = $this->person('Ben Oar');
    $this->group('Oars', $ben);
    $names = fn (string $query): array => array_column($this->as($ada, 'GET', "/directory?{$query}")->assertOk()->json(), 'name');
    expect($names('q=oar'))->toBe(['Oars', 'Ben Oar'])->and($names('q=oar&kind=person'))->toBe(['Ben Oar'])->and($names('q=oar&kind=group'))->toBe(['Oars'])
        ->and($names("people[]={$ada->id}"))->toBe(['Ada Quill'])->and($names('people[]=0'))->toBe([]);
    $this->as($ada, 'GET', '/directory?kind=thing')->assertUnprocessable()->assertJsonPath('errors.0.field', 'kind');
});
