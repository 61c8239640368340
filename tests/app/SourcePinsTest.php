<?php

use App\Calendars\Calendar;
use App\Calendars\Category;
use App\Jobs\JobRunner;
use App\Occurrences\VerifyOccurrences;
use App\Organisation\Organisation;
use App\Pins\Pin;
use App\Sources\RefreshSource;
use App\Sources\Source;
use App\Sources\SourcePin;
use App\Sources\SourceRefresher;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use PinnedRota\Core\Access\Level;

// All of a source pinned to a calendar: kept apart, told apart, changed by nobody, and in step with every refresh. The far side is the stand-in.

beforeEach(function () {
    Storage::fake('local');
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->cy = $this->person('Cy Reader');
    // The board is Ben’s, Cy reads it; the source is Ada’s, and Ben reads it.
    $this->board = $this->calendar($this->ben, 'Board');
    $this->give($this->board, $this->cy, Level::See);
    $this->address = config('rota.standins.url').'/changing/pins'.bin2hex(random_bytes(4)).'.ics';
    $this->says = fn (string $events) => Http::asForm()->post($this->address, ['says' => $events])->throw();
    $this->ended = fn (TestResponse $asked, $person): TestResponse => $asked->status() === 202 ? $this->as($person, 'GET', "/jobs/{$asked->json('id')}") : $asked;
    $this->subscribe = fn ($person, array $more = []): TestResponse => ($this->ended)($this->as($person, 'POST', '/sources', $more + ['url' => $this->address, 'name' => 'Tides', 'colour' => 'pine', 'mark' => 'waves']), $person);
    $this->source = function (string $events): Source {
        ($this->says)($events);
        ($this->subscribe)($this->ada)->assertJsonPath('state', 'done');
        $source = Source::query()->sole();
        $this->give($source->calendar, $this->ben, Level::See);

        return $source;
    };
    $this->pin = fn (Source $source, $person = null, ?Calendar $to = null): TestResponse => ($this->ended)($this->as($person ?? $this->ben, 'POST', "/sources/{$source->id}/pins", ['calendar' => ($to ?? $this->board)->slug]), $person ?? $this->ben);
    $this->unpin = fn ($person = null): TestResponse => ($this->ended)($this->as($person ?? $this->ben, 'DELETE', '/sources/'.Source::query()->sole()->id.'/pins/'.SourcePin::query()->sole()->id), $person ?? $this->ben);
    $this->refresh = fn () => (new RefreshSource(Source::query()->sole()->id))->handle(app(SourceRefresher::class));
    $this->items = fn ($person): array => collect($this->sheet($person, today()->toDateString(), today()->addDays(60)->toDateString(), "&calendar={$this->board->slug}")->assertOk()->json('items'))->sortBy('title')->values()->all();
    $this->titles = fn ($person): array => array_column(($this->items)($person), 'title');
    $this->sound = fn () => expect(iterator_to_array(app(VerifyOccurrences::class)->differences(), false))->toBe([]);
});

test('all of it shows on the calendar, for those who see that alone, marked and changed by nobody', function () {
    ($this->pin)(($this->source)('one,two'))->assertJsonPath('state', 'done')->assertJsonPath('kind', 'pin')->assertJsonPath('calendar', $this->board->slug);
    expect(($this->titles)($this->cy))->toBe(['one', 'two']);
    foreach ([$this->cy, $this->ben] as $person) {
        foreach (($this->items)($person) as $item) {
            expect($item)->toMatchArray(['external' => true, 'pinned' => true])->and($item['hold'])->not->toBeNull();
            $this->as($person, 'GET', "/events/{$item['id']}")->assertJsonPath('mayChange', false)->assertJsonPath('mayDelete', false);
        }
    }
    // They stay on the calendar of the source, and are no events of the board.
    expect(DB::table('events')->where('calendar_id', $this->board->id)->count())->toBe(0)->and(Source::query()->sole()->calendar->id)->not->toBe($this->board->id);
    ($this->sound)();
});

test('what a refresh adds, changes and takes away shows there at once', function () {
    ($this->pin)(($this->source)('one,two,three,four'));
    ($this->says)('one,two,three,five,six');
    ($this->refresh)();
    expect(($this->titles)($this->cy))->toBe(['five', 'one', 'six', 'three', 'two']);
    ($this->sound)();
    // One that is taken back is taken back there, too.
    $source = Source::query()->sole();
    $this->as($this->ada, 'POST', "/sources/{$source->id}/refreshes/{$source->refreshes()->max('id')}/back")->assertNoContent();
    expect(($this->titles)($this->cy))->toBe(['four', 'one', 'three', 'two']);
    ($this->sound)();
});

test('it is taken off as a whole, and not one by one', function () {
    $source = ($this->source)('one,two');
    ($this->pin)($source);
    $pin = Pin::query()->firstOrFail();
    $this->as($this->ben, 'DELETE', "/events/{$pin->event_id}/pins/{$pin->id}")->assertConflict();
    $this->as($this->ben, 'GET', "/events/{$pin->event_id}")->assertJsonPath('pins.0.mayUnpin', false);
    $this->as($this->ben, 'GET', "/calendars/{$this->board->slug}/pins")->assertExactJson([]);
    ($this->unpin)()->assertJsonPath('state', 'done');
    expect(($this->titles)($this->cy))->toBe([])->and(Pin::query()->count())->toBe(0);
    // What comes later does not come back by it.
    ($this->says)('one,two,three');
    ($this->refresh)();
    expect(($this->titles)($this->cy))->toBe([]);
    ($this->sound)();
});

test('what somebody pinned there one by one stays when all of it goes', function () {
    $source = ($this->source)('one,two');
    $one = DB::table('events')->where('title', 'one')->value('id');
    $this->as($this->ben, 'POST', "/events/{$one}/pins", ['calendar' => $this->board->slug])->assertNoContent();
    ($this->pin)($source);
    expect(($this->titles)($this->cy))->toBe(['one', 'two']);
    ($this->unpin)();
    expect(($this->titles)($this->cy))->toBe(['one']);
    ($this->sound)();
});

test('who may pin a source, and to what', function () {
    $source = ($this->source)('one');
    ($this->pin)($source, $this->cy)->assertNotFound();
    $this->give($source->calendar, $this->cy, Level::BusyTimes);
    ($this->pin)($source, $this->cy)->assertForbidden();
    $this->give($source->calendar, $this->cy, Level::See);
    ($this->pin)($source, $this->cy)->assertUnprocessable()->assertJsonPath('errors.0', ['field' => 'calendar', 'message' => 'You may look at this calendar, not add to it.']);
    $this->give($this->board, $this->cy, Level::Add);
    ($this->pin)($source, $this->cy)->assertUnprocessable()->assertJsonPath('errors.0.message', 'You may add events of your own to this calendar. All of a source is pinned to it by those who may change its events.');
    ($this->pin)($source, $this->ada, $source->calendar)->assertUnprocessable();
    $this->give($this->board, $this->cy, Level::Change);
    ($this->pin)($source, $this->cy)->assertOk();
    ($this->pin)($source)->assertUnprocessable()->assertJsonPath('errors.0.message', 'All of it is on Board already.');
    // Who manages the source does not decide over the calendars of others.
    ($this->unpin)($this->ada)->assertNotFound();
    $this->give($this->board, $this->ada, Level::Add);
    ($this->unpin)($this->ada)->assertForbidden();
    ($this->unpin)($this->ben)->assertOk();
});

test('it shows no more than whoever pinned it sees, and goes on in the name of somebody else', function () {
    $source = ($this->source)('one,two');
    ($this->pin)($source);
    $this->as($this->ada, 'GET', '/sources')->assertJsonPath('0.pins', []);
    $this->as($this->ben, 'GET', '/sources')->assertJsonPath('0.pins.0.calendar.name', 'Board')->assertJsonPath('0.pins.0.mayUnpin', true);
    $this->give($source->calendar, $this->ben, Level::None);
    expect(($this->titles)($this->cy))->toBe([]);
    $this->as($this->ben, 'GET', "/calendars/{$this->board->slug}/sources")->assertJsonPath('0.shared', false)->assertJsonPath('0.calendar', null)->assertJsonPath('0.by', 'Ben Oar');
    $this->as($this->cy, 'GET', "/calendars/{$this->board->slug}/sources")->assertForbidden();
    $this->give($this->board, $this->ada, Level::Change);
    ($this->pin)($source, $this->ada)->assertOk();
    expect(($this->titles)($this->cy))->toBe(['one', 'two'])->and(SourcePin::query()->sole()->pinned_by)->toBe($this->ada->id);
    $this->as($this->ada, 'GET', "/calendars/{$this->board->slug}/sources")->assertJsonPath('0.shared', true)->assertJsonPath('0.calendar.name', 'Tides');
});

test('an address is subscribed to onto a calendar at once, and is on no list beside it', function () {
    ($this->says)('one,two');
    ($this->subscribe)($this->ben, ['pinTo' => $this->calendar($this->ada, 'Locked')->slug])->assertUnprocessable()->assertJsonPath('errors.0.field', 'pinTo');
    ($this->subscribe)($this->ben, ['pinTo' => $this->board->slug])->assertJsonPath('state', 'done')->assertJsonPath('counts.added', 2);
    expect(($this->titles)($this->cy))->toBe(['one', 'two'])
        ->and(collect($this->as($this->ben, 'GET', '/calendars')->json())->firstWhere('name', 'Tides')['onList'])->toBeFalse();
    ($this->sound)();
});

test('where it cannot be pinned any more by then, nothing is subscribed to', function () {
    ($this->says)('one');
    $this->give($this->board, $this->cy, Level::Change);
    Queue::fake();
    $job = $this->as($this->cy, 'POST', '/sources', ['url' => $this->address, 'name' => 'Tides', 'colour' => 'pine', 'mark' => 'waves', 'pinTo' => $this->board->slug])->assertAccepted()->json('id');
    $this->give($this->board, $this->cy, Level::See);
    // A worker knows nothing of what was so before.
    app()->forgetScopedInstances();
    app(JobRunner::class)->run($job);
    $this->as($this->cy, 'GET', "/jobs/{$job}")->assertJsonPath('state', 'failed')->assertJsonPath('problem.errors.0.field', 'pinTo');
    expect(Source::query()->count())->toBe(0)->and(Calendar::query()->where('name', 'Tides')->exists())->toBeFalse();
});

test('public holidays that are pinned to the calendar of closures close the school', function () {
    $closed = Category::query()->create(['name' => 'closed', 'closes_day' => true]);
    $source = ($this->source)('one');
    $this->as($this->ada, 'PATCH', "/sources/{$source->id}", ['terms' => ['categories' => [$closed->name]]])->assertAccepted();
    app(Organisation::class)->put(['closures' => $this->board->id], $this->ada);
    $day = substr((string) DB::table('events')->where('title', 'one')->value('starts_local'), 0, 10);
    $isClosed = fn (): bool => in_array($day, array_column($this->sheet($this->cy, $day, date('Y-m-d', strtotime("{$day} +1 day")))->json('closed'), 'date'), true);
    expect($isClosed())->toBeFalse();
    ($this->pin)($source);
    expect($isClosed())->toBeTrue();
    ($this->unpin)();
    expect($isClosed())->toBeFalse();
});

test('the change log tells of it, and of what is set of a source, without its secrets', function () {
    $source = ($this->source)('one');
    ($this->pin)($source);
    ($this->unpin)();
    $words = fn ($person, Calendar $calendar): array => array_column($this->as($person, 'GET', "/calendars/{$calendar->slug}/log")->json(), 'words');
    expect($words($this->ben, $this->board))->toBe(['all of “Tides” taken off again', 'all of “Tides” pinned here']);
    $this->as($this->ada, 'PATCH', "/sources/{$source->id}", ['refreshMinutes' => 120, 'url' => $this->address.'?key=hidden', 'signIn' => ['kind' => 'token', 'secret' => 'hidden'], 'terms' => ['busy' => true, 'conditions' => [['about' => 'words', 'words' => ['one']]]]])->assertAccepted();
    $told = $words($this->ada, $source->calendar)[0];
    expect($told)->toContain('minutes between refreshes: from “60” to “120”')->toContain('its address is another')->toContain('how one signs in there: from none to “by a token”')
        ->toContain('its events are busy: from none to yes')->toContain('what of it is taken: from none to another')
        ->and(json_encode(DB::table('activity_log')->get()))->not->toContain('hidden');
});

test('what somebody has pinned as a whole goes on under the name of whoever takes it over when they leave, else it shows no more', function (bool $isTaken) {
    $root = $this->person('Root', ['role' => 'administrator']);
    $source = ($this->source)('one,two');
    $this->give($this->board, $this->cy, Level::Change);
    $this->give($source->calendar, $this->cy, Level::See);
    ($this->pin)($source);
    $this->as($root, 'GET', "/people/{$this->ben->id}/kept")->assertJsonPath('sources', ['Tides, on Board']);
    $handovers = [['what' => 'calendar', 'slug' => $this->board->slug, 'kind' => 'person', 'id' => $this->cy->id]];
    $this->as($root, 'POST', "/people/{$this->ben->id}/departure", ['handovers' => $handovers, 'feeds' => $isTaken ? $this->cy->id : null])->assertOk();
    expect(($this->titles)($this->cy))->toBe($isTaken ? ['one', 'two'] : []);
    $this->as($this->cy, 'GET', "/calendars/{$this->board->slug}/sources")->assertJsonPath('0.shared', $isTaken)->assertJsonPath('0.by', $isTaken ? 'Cy Reader' : 'Ben Oar');
    // It goes along with each refresh as before.
    ($this->says)('one,two,three');
    ($this->refresh)();
    expect(($this->titles)($this->cy))->toBe($isTaken ? ['one', 'three', 'two'] : []);
})->with([true, false]);
