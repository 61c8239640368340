<?php

use App\Publishing\PublicationLink;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PinnedRota\Core\Access\Level;

beforeEach(function () {
    $this->travelTo('2026-11-02 08:00:00');
    $this->ada = $this->person('Ada Quill');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->add($this->slip, $this->ada, title: 'Hauled out', start: '2026-11-04', end: '2026-11-07', more: ['place' => 'Ward 7']);
    $this->input = ['name' => 'Slip', 'detail' => 'without people', 'audience' => 'named people', 'period' => 'all', 'asTable' => true];
    $this->publish = fn (array $with = []): array => $this->as($this->ada, 'POST', '/publications', $with + $this->input + ['calendar' => $this->slip->slug])->assertCreated()->json();
    $this->link = fn (array $of, string $purpose, string ...$names): array => $this->as($this->ada, 'POST', "/publications/{$of['id']}/links", ['purpose' => $purpose, 'names' => $names])->assertCreated()->json('links');
    $this->fetch = function (string $url): TestResponse {
        $this->app->forgetScopedInstances();
        $this->app['auth']->forgetGuards();
        collect($this->app['router']->getRoutes()->getRoutes())->each->flushController();

        return $this->get(parse_url($url, PHP_URL_PATH));
    };
});

test('what is for named people has no address, and each of them reads it in all its forms at a link of their own', function () {
    $made = ($this->publish)();
    expect($made['address'])->toBeNull()->and(DB::table('publications')->sole())->toMatchArray(['slug' => null, 'token' => null, 'token_hash' => null]);
    [$tove, $emeka] = ($this->link)($made, 'person', 'Tove Arkell', 'Emeka Sund');
    expect($tove['address'])->not->toBe($emeka['address']);
    foreach ([$tove, $emeka] as $link) {
        ($this->fetch)($link['address'])->assertOk()->assertSee('Hauled out')->assertHeader('X-Robots-Tag', 'noindex');
        ($this->fetch)($link['address'].'.ics')->assertOk()->assertSee('Hauled out');
        ($this->fetch)($link['address'].'.csv')->assertOk()->assertSee('Hauled out');
        // Their link is theirs alone: it shows itself on no screen, and stands in no frame.
        ($this->fetch)($link['address'].'/screen')->assertNotFound();
        ($this->fetch)($link['address'].'/frame')->assertNotFound();
    }
    // Every way on from it stays at their own address.
    expect(($this->fetch)($tove['address'])->getContent())->toContain($tove['address'])->not->toContain(basename($emeka['address']));
    // Of people it is counted how often, and not who.
    expect(PublicationLink::query()->whereNotNull('last_read_at')->count())->toBe(0);
    $this->as($this->ada, 'GET', '/publications')->assertJsonPath('0.reads', 7);
    $this->as($this->ada, 'GET', "/publications/{$made['id']}/frame")->assertStatus(409);
    $this->as($this->ada, 'POST', "/publications/{$made['id']}/renewal", ['days' => 7])->assertStatus(409);
});

test('one link is taken back, and all others go on', function () {
    $made = ($this->publish)();
    [$tove, $emeka] = ($this->link)($made, 'person', 'Tove Arkell', 'Emeka Sund');
    $this->as($this->ada, 'DELETE', "/publications/{$made['id']}/links/{$tove['id']}")->assertOk()->assertJsonCount(1, 'links');
    ($this->fetch)($tove['address'])->assertStatus(410)->assertDontSee('Hauled out');
    ($this->fetch)($tove['address'].'.csv')->assertStatus(410);
    ($this->fetch)($tove['address'].'.ics')->assertOk()->assertSee('VCALENDAR')->assertDontSee('Hauled out');
    ($this->fetch)($emeka['address'])->assertOk()->assertSee('Hauled out');
    $this->travel(15)->days();
    ($this->fetch)($tove['address'].'.ics')->assertStatus(410);
    // Not again, and not by way of another page.
    $this->as($this->ada, 'DELETE', "/publications/{$made['id']}/links/{$tove['id']}")->assertNotFound();
    $other = ($this->publish)(['name' => 'Other']);
    $this->as($this->ada, 'DELETE', "/publications/{$other['id']}/links/{$emeka['id']}")->assertNotFound();
});

test('a screen has a link of its own, which shows today and the week ahead and opens nothing else', function () {
    $made = ($this->publish)(['audience' => 'everybody', 'slug' => 'slip']);
    ($this->fetch)('/p/slip/screen')->assertNotFound();
    [$screen] = ($this->link)($made, 'screen', 'Hall');
    expect($screen)->toMatchArray(['purpose' => 'screen', 'name' => 'Hall', 'lastReadAt' => null]);
    // An event of several days stands there once.
    $text = ($this->fetch)($screen['address'])->assertOk()->getContent();
    expect($text)->toContain('Monday 2 November', 'Hauled out', 'Sun 8')->not->toContain('Mon 9')->and(substr_count($text, 'Hauled out'))->toBe(1);
    $address = substr($screen['address'], 0, -strlen('/screen'));
    preg_match('~/p/slip(/\d{4}-\d\d-\d\d/[0-9a-f]{20})~', ($this->fetch)('/p/slip')->getContent(), $event);
    foreach (['', '.ics', '.csv', '.xlsx', '/frame', $event[1], "{$event[1]}.ics"] as $form) {
        ($this->fetch)($address.$form)->assertNotFound();
    }
    $this->as($this->ada, 'GET', '/publications')->assertJsonPath('0.links.0.lastReadAt', '2026-11-02T08:00:00Z');
    $this->as($this->ada, 'PUT', "/publications/{$made['id']}/paused", ['paused' => true])->assertOk();
    ($this->fetch)($screen['address'])->assertStatus(503);
    $this->as($this->ada, 'PUT', "/publications/{$made['id']}/paused", ['paused' => false])->assertOk();
    $this->travelTo('2026-11-08 00:01:00');
    expect(($this->fetch)($screen['address'])->getContent())->toContain('Sunday 8 November', 'Nothing is on today')->not->toContain('Hauled out');
});

test('who is named before is no stranger after: links stay where it becomes wider, and its address goes where it becomes narrower', function () {
    $made = ($this->publish)(['audience' => 'with the link']);
    $secret = $made['address'];
    $change = fn (array $with): array => $this->as($this->ada, 'PUT', "/publications/{$made['id']}", $with + $this->input)->assertOk()->json();
    // For everybody now: the link that some have goes on for a while.
    $change(['audience' => 'everybody', 'slug' => 'slip']);
    ($this->fetch)($secret)->assertOk();
    ($this->fetch)('/p/slip')->assertOk();
    $change([]);
    ($this->fetch)($secret)->assertNotFound();
    ($this->fetch)('/p/slip')->assertNotFound();
    [$tove] = ($this->link)($made, 'person', 'Tove Arkell');
    $again = $change(['audience' => 'with the link']);
    expect($again['address'])->not->toBe($secret)->not->toBeNull();
    ($this->fetch)($tove['address'])->assertOk();
    ($this->fetch)($again['address'])->assertOk();
});

test('a name has one link, whoever adds it again, and there is an end to how many', function () {
    $made = ($this->publish)();
    [$first] = ($this->link)($made, 'person', 'Tove Arkell');
    $links = ($this->link)($made, 'person', ' tove arkell ', 'Emeka Sund', 'emeka sund');
    expect(array_column($links, 'name'))->toBe(['Tove Arkell', 'Emeka Sund'])->and($links[0])->toBe($first);
    foreach ([['names' => []], ['names' => ['']], ['names' => [str_repeat('x', 121)]], ['purpose' => 'anybody'], ['names' => array_map(strval(...), range(1, 299))]] as $wrong) {
        $this->as($this->ada, 'POST', "/publications/{$made['id']}/links", $wrong + ['purpose' => 'person', 'names' => ['Ann']])->assertStatus(422);
    }
    expect(PublicationLink::query()->count())->toBe(2);
});

test('who manages the calendar takes links back, is not told them, and makes none', function () {
    $made = ($this->publish)();
    [$tove] = ($this->link)($made, 'person', 'Tove Arkell');
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Manage);
    $this->as($ben, 'GET', '/publications')->assertJsonPath('0.links.0.name', 'Tove Arkell')->assertJsonPath('0.links.0.address', null);
    $this->as($ben, 'POST', "/publications/{$made['id']}/links", ['purpose' => 'person', 'names' => ['Ben']])->assertForbidden();
    $this->as($ben, 'DELETE', "/publications/{$made['id']}/links/{$tove['id']}")->assertOk()->assertJsonPath('links', []);
    ($this->fetch)($tove['address'])->assertStatus(410);
});

test('a link of somebody whose page was taken back, or whose publisher may see nothing any more, gives nothing', function () {
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, Level::Manage);
    $made = $this->as($ben, 'POST', '/publications', $this->input + ['calendar' => $this->slip->slug])->assertCreated()->json();
    [$link] = $this->as($ben, 'POST', "/publications/{$made['id']}/links", ['purpose' => 'person', 'names' => ['Ann']])->assertCreated()->json('links');
    $this->give($this->slip, $ben, Level::None);
    ($this->fetch)($link['address'])->assertOk()->assertDontSee('Hauled out');
    $this->as($this->ada, 'DELETE', "/publications/{$made['id']}")->assertNoContent();
    ($this->fetch)($link['address'])->assertStatus(410);
});

test('a table has the columns that were chosen, and none that the page does not tell', function () {
    $first = function (array $with): string {
        $made = ($this->publish)($with + ['audience' => 'with the link']);

        return strtok(($this->fetch)($made['address'].'.csv')->assertOk()->getContent(), "\r");
    };
    expect($first([]))->toEndWith('Title,Start,End,All day,State,Place,Categories')
        ->and($first(['detail' => 'everything']))->toEndWith('Title,Start,End,All day,State,Place,Categories,Responsible')
        ->and($first(['detail' => 'everything', 'tableColumns' => ['responsible', 'place']]))->toEndWith('Title,Start,End,All day,Place,Responsible')
        ->and($first(['tableColumns' => ['responsible', 'layer']]))->toEndWith('Title,Start,End,All day')
        ->and($first(['tableColumns' => []]))->toEndWith('Title,Start,End,All day');
    foreach ([['description'], ['place', 'place'], 'place'] as $wrong) {
        $this->as($this->ada, 'POST', '/publications', ['tableColumns' => $wrong] + $this->input + ['calendar' => $this->slip->slug])->assertStatus(422);
    }
    // Who changes something else leaves them as they are.
    $made = ($this->publish)(['tableColumns' => ['place']]);
    $this->as($this->ada, 'PUT', "/publications/{$made['id']}", $this->input)->assertOk()->assertJsonPath('tableColumns', ['place']);
    $this->as($this->ada, 'PUT', "/publications/{$made['id']}", ['tableColumns' => null] + $this->input)->assertOk()->assertJsonPath('tableColumns', null);
});
