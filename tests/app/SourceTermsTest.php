<?php

use App\Events\EventRecord;
use App\Jobs\JobOutcome;
use App\Sources\Source;
use App\Upkeep\Tidy;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use PinnedRota\Core\Access\Level;

// What is at an address before one subscribes to it, and what of it is taken, as what. The far side is the stand-in.

beforeEach(function () {
    Storage::fake('local');
    $this->ada = $this->person();
    $this->far = fn (string $path): string => config('rota.standins.url').$path;
    $this->ended = fn (TestResponse $asked, $person = null): TestResponse => $asked->status() === 202 ? $this->as($person ?? $this->ada, 'GET', "/jobs/{$asked->json('id')}") : $asked;
    $this->look = fn (string $path, array $more = [], $person = null): TestResponse => ($this->ended)($this->as($person ?? $this->ada, 'POST', '/sources/look', $more + ['url' => ($this->far)($path)]), $person);
    $this->subscribe = fn (string $path, array $more = []): TestResponse => ($this->ended)($this->as($this->ada, 'POST', '/sources', $more + ['url' => ($this->far)($path), 'name' => 'Races', 'colour' => 'pine', 'mark' => 'waves']));
    $this->change = fn (array $input): TestResponse => ($this->ended)($this->as($this->ada, 'PATCH', '/sources/'.Source::query()->sole()->id, $input));
    $this->titles = fn (): array => EventRecord::query()->orderBy('starts_local')->pluck('title')->all();
});

test('an address is looked at before anything is kept: what it is, what it calls itself, what is next', function () {
    $found = ($this->look)('/rowing-club/races.ics')->assertJsonPath('state', 'done')->assertJsonPath('kind', 'look')->json('found');
    expect($found)->toMatchArray(['name' => 'Rowing club races', 'kind' => 'calendar', 'count' => 12, 'ownMinutes' => null, 'subscribed' => []])
        ->and($found['events'])->toHaveCount(8)->and($found['events'][0])->toMatchArray(['title' => 'Head of the Quay', 'allDay' => false, 'place' => 'Rowing club slip']);
    ($this->look)('/region/holidays.ics')->assertJsonPath('found.ownMinutes', 7 * 1440);
    expect(Source::query()->count())->toBe(0)->and(EventRecord::query()->count())->toBe(0);
});

test('who has it already is said, as far as one sees that', function () {
    ($this->subscribe)('/rowing-club/races.ics')->assertJsonPath('state', 'done');
    ($this->look)('/rowing-club/races.ics')->assertJsonPath('found.subscribed', [['slug' => Source::query()->sole()->calendar()->sole()->slug, 'name' => 'Races', 'by' => $this->ada->name]]);
    ($this->look)('/rowing-club/races.ics', [], $this->person('Ben Oar'))->assertJsonPath('found.subscribed', []);
});

test('a page is read with those it leads to, and each event opens the page that says it', function () {
    ($this->look)('/village')->assertJsonPath('found.kind', 'page')->assertJsonPath('found.name', 'What is on in Skerrin village')->assertJsonPath('found.count', 1);
    ($this->look)('/village', ['terms' => ['follow' => true]])->assertJsonPath('found.count', 5);
    ($this->subscribe)('/village', ['terms' => ['follow' => true]])->assertJsonPath('counts.added', 5);
    expect(EventRecord::query()->orderBy('starts_local')->pluck('link', 'title')->all())->toBe([
        'Quiz night' => ($this->far)('/village/quiz'), 'Tide mill is open' => ($this->far)('/village'), 'Winter fair' => ($this->far)('/village/fair'), 'Carols on the quay' => ($this->far)('/village/carols'), 'New year swim' => ($this->far)('/village/swim'),
    ]);
    ($this->ended)($this->as($this->ada, 'POST', '/sources/'.Source::query()->sole()->id.'/refresh'))->assertJsonPath('counts.unchanged', 5);
});

test('what is at an address and cannot be read is said in one sentence', function (string $path, string $says) {
    ($this->look)($path)->assertJsonPath('problem.errors.0', ['field' => 'url', 'message' => $says]);
    expect(Source::query()->count())->toBe(0);
})->with([
    'a page that asks who one is' => ['/faults/page', 'This is a page that asks who one is, and not what it leads to. Enter how one signs in, or ask for an address that needs none.'],
    'a page that needs a program' => ['/faults/script', 'This page puts its dates in place by a program: in the page itself there are none. Look on it for the address of a calendar, or copy what it shows and bring that in.'],
    'redirects without end' => ['/faults/round', 'The address redirects too often.'],
    'nobody is let in' => ['/members/events.ics', 'The far side refuses it (401): it wants to know who asks. Enter how one signs in, or ask for another address.'],
]);

test('a spreadsheet at an address is kept to be opened where one looks, for whoever looked alone, and is not subscribed to', function () {
    $job = ($this->look)('/hall/bookings.xlsx')->assertJsonPath('state', 'done')->assertJsonPath('hasFile', true)->assertJsonPath('found', null)->json('id');
    $file = $this->as($this->ada, 'GET', "/jobs/{$job}/file")->assertOk();
    expect(substr($file->streamedContent(), 0, 4))->toBe("PK\x03\x04")->and($file->headers->get('Content-Type'))->toBe('application/octet-stream')->and($file->headers->get('Content-Disposition'))->toStartWith('attachment');
    $this->as($this->person('Ben Oar'), 'GET', "/jobs/{$job}/file")->assertNotFound();
    ($this->subscribe)('/hall/bookings.xlsx')->assertJsonPath('problem.errors.0', ['field' => 'url', 'message' => 'At this address is a spreadsheet or a document of a word processor: that is brought in once, and not subscribed to.']);
    expect(Source::query()->count())->toBe(0);
    // What was looked at is no longer there than that it was.
    $this->travel((int) config('rota.keep.job_days') + 1)->days();
    app(Tidy::class)->run();
    expect(Storage::files(JobOutcome::FILES))->toBe([]);
});

test('a page without any date is no calendar, but no fault either', function () {
    ($this->look)('/faults/bare')->assertJsonPath('found.count', 0)->assertJsonPath('found.name', 'About us');
});

test('one signs in by a name or a token, which are told to nobody and kept in no plain word', function (array $signIn) {
    ($this->look)('/members/events.ics', ['signIn' => $signIn])->assertJsonPath('found.count', 1);
    ($this->subscribe)('/members/events.ics', ['signIn' => $signIn])->assertJsonPath('state', 'done');
    expect(json_encode([DB::table('sources')->get(), DB::table('background_jobs')->get(), $this->as($this->ada, 'GET', '/sources')->json()]))->not->toContain($signIn['secret']);
    // A secret that is left empty stays.
    ($this->change)(['signIn' => ['secret' => ''] + $signIn, 'refreshMinutes' => 120])->assertJsonPath('state', 'done');
    $this->as($this->ada, 'GET', '/sources')->assertJsonPath('0.signIn', $signIn['kind'])->assertJsonPath('0.refreshMinutes', 120);
    ($this->change)(['signIn' => ['kind' => 'none']])->assertJsonPath('state', 'failed');
    expect(($this->titles)())->toBe(['Crew supper']);
})->with([[['kind' => 'basic', 'user' => 'crew', 'secret' => 'bilge']], [['kind' => 'token', 'secret' => 'tiller']]]);

test('how one signs in is told to the host that it is for alone', function () {
    $other = str_replace('127.0.0.1', 'localhost', ($this->far)('/members/events.ics'));
    // The stand-in leads on to the other name of the same machine, which is another host.
    ($this->look)('/leads/on?to='.urlencode($other), ['signIn' => ['kind' => 'token', 'secret' => 'tiller']])->assertJsonPath('state', 'failed');
    ($this->look)('/leads/on?to='.urlencode(($this->far)('/members/events.ics')), ['signIn' => ['kind' => 'token', 'secret' => 'tiller']])->assertJsonPath('found.count', 1);
});

test('of a source is taken what fits, as busy or free, with categories that are ours', function () {
    ($this->subscribe)('/rowing-club/races.ics')->assertJsonPath('counts.added', 12);
    // Asked for: however much goes by it, nobody is asked again.
    ($this->change)(['terms' => ['conditions' => [['about' => 'words', 'words' => ['sculls']]], 'busy' => false, 'categories' => ['outside'], 'renamed' => [['from' => 'Race', 'to' => 'regatta']]]])
        ->assertJsonPath('counts', ['added' => 0, 'changed' => 2, 'unchanged' => 0, 'removed' => 10]);
    $events = EventRecord::query()->with('categories')->orderBy('starts_local')->get();
    expect($events->pluck('title')->all())->toBe(['Breck Sculls', 'Sculls at Norrend'])->and($events->pluck('busy')->all())->toBe([false, false])->and($events[0]->categories->pluck('name')->sort()->values()->all())->toBe(['outside', 'regatta']);
    $this->as($this->ada, 'GET', '/sources')->assertJsonPath('0.terms.renamed', [['from' => 'Race', 'to' => 'regatta']])->assertJsonPath('0.terms.busy', false)->assertJsonPath('0.terms.conditions.0.words', ['sculls']);
    // What asks nothing takes all of it.
    ($this->change)(['terms' => []])->assertJsonPath('counts.added', 10);
    expect(Source::query()->sole()->terms)->toBeNull();
});

test('what a source cannot be asked is refused at its field', function (array $input, string $field) {
    ($this->subscribe)('/rowing-club/races.ics');
    ($this->change)($input)->assertStatus(422)->assertJsonPath('errors.0.field', $field);
})->with([
    'people of ours' => [['terms' => ['conditions' => [['about' => 'people', 'who' => [['kind' => 'me']]]]]], 'terms.conditions.0.about'],
    'no word' => [['terms' => ['conditions' => [['about' => 'words', 'words' => []]]]], 'terms.conditions.0.words'],
    'another scheme' => [['url' => 'ftp://example.org/a.ics'], 'url'],
    'all the time' => [['refreshMinutes' => 1], 'refreshMinutes'],
]);

test('at another address it goes on as the same calendar; what is lost by it is asked about', function () {
    ($this->subscribe)('/rowing-club/races.ics');
    ($this->change)(['url' => ($this->far)('/rowing-club/races.ics?season=next')])->assertJsonPath('state', 'failed');
    expect(($this->titles)())->toHaveCount(12);
    $this->as($this->ada, 'GET', '/sources')->assertJsonPath('0.held.counts.removed', 9)->assertJsonPath('0.url', ($this->far)('/rowing-club/races.ics?season=next'));
});

test('it is fetched no more often than the far side asks for', function () {
    $this->freezeSecond();
    ($this->subscribe)('/region/holidays.ics')->assertJsonPath('state', 'done');
    $source = Source::query()->sole();
    expect($source->everyMinutes())->toBe(7 * 1440)->and((int) now()->diffInMinutes($source->next_refresh_at))->toBe(7 * 1440);
    $this->as($this->ada, 'GET', '/sources')->assertJsonPath('0.everyMinutes', 7 * 1440)->assertJsonPath('0.refreshMinutes', 60);
});

test('administrators put sources into the catalogue, where everyone sees them and one fetch serves all', function () {
    $this->ada->update(['role' => 'administrator']);
    ($this->subscribe)('/region/holidays.ics');
    $source = Source::query()->sole();
    $ben = $this->person('Ben Oar');
    $this->as($ben, 'GET', '/sources')->assertJsonCount(0);
    $this->as($this->ada, 'PUT', "/sources/{$source->id}/catalogue", ['about' => 'Holidays of the coast.'])->assertNoContent();
    $this->as($ben, 'GET', '/sources')->assertJsonPath('0.catalogue', 'Holidays of the coast.')->assertJsonPath('0.mayManage', false);
    $this->as($ben, 'PUT', "/calendars/{$source->calendar->slug}/list", ['onList' => true])->assertSuccessful();
    expect($this->as($ben, 'GET', '/calendars')->json('0.onList'))->toBeTrue();
    // Taken out of it, whoever has it keeps it.
    $this->as($this->ada, 'PUT', "/sources/{$source->id}/catalogue", ['about' => null])->assertNoContent();
    $this->as($ben, 'GET', '/sources')->assertJsonPath('0.catalogue', null);
    $this->give($source->calendar, $ben, Level::Manage);
    $this->as($ben, 'PUT', "/sources/{$source->id}/catalogue", ['about' => 'Mine'])->assertForbidden();
});
