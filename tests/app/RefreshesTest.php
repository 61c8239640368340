<?php

use App\Events\EventRecord;
use App\Following\Notice;
use App\Outbox\OutboxLetter;
use App\Sources\Refresh;
use App\Sources\RefreshSource;
use App\Sources\Source;
use App\Sources\SourceRefresher;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;

// What refreshes may do by themselves, what is asked about first, and how they are taken back. The far side is the stand-in.

beforeEach(function () {
    Storage::fake('local');
    $this->ada = $this->person();
    $this->far = fn (string $path): string => config('rota.standins.url').$path;
    $this->says = function (string $events): void {
        $this->name ??= 'refreshes'.bin2hex(random_bytes(4));
        Http::asForm()->post(($this->far)("/changing/{$this->name}.ics"), ['says' => $events])->throw();
    };
    $this->ended = fn (TestResponse $asked, $person = null): TestResponse => $asked->status() === 202 ? $this->as($person ?? $this->ada, 'GET', "/jobs/{$asked->json('id')}") : $asked;
    $this->subscribe = function (string $events): Source {
        ($this->says)($events);
        ($this->ended)($this->as($this->ada, 'POST', '/sources', ['url' => ($this->far)("/changing/{$this->name}.ics"), 'name' => 'Tides', 'colour' => 'pine', 'mark' => 'waves']))->assertJsonPath('state', 'done');

        return Source::query()->sole();
    };
    $this->refresh = fn (string $query = ''): TestResponse => ($this->ended)($this->as($this->ada, 'POST', '/sources/'.Source::query()->sole()->id."/refresh{$query}"));
    $this->scheduled = fn () => (new RefreshSource(Source::query()->sole()->id))->handle(app(SourceRefresher::class));
    $this->card = fn ($person = null): array => $this->as($person ?? $this->ada, 'GET', '/sources')->json('0');
    $this->titles = fn (): array => EventRecord::query()->orderBy('title')->pluck('title')->all();
    $this->decide = fn (bool $take): TestResponse => ($this->ended)($this->as($this->ada, 'PUT', '/sources/'.Source::query()->sole()->id.'/refreshes/'.($this->card)()['held']['id'], ['take' => $take]));
    $this->words = fn (): array => array_merge([], ...Notice::query()->orderBy('id')->get()->map(fn (Notice $each): array => array_column($each->lines, 'words'))->all());
});

test('a refresh that would take away more than a third is held back, and says which', function () {
    ($this->subscribe)('one,two,three,four');
    ($this->says)('one,two,five');
    ($this->refresh)()->assertJsonPath('state', 'failed')->assertJsonPath('problem.title', 'The far side has 2 events no more: that waits for your word.');
    expect(($this->titles)())->toBe(['four', 'one', 'three', 'two']);
    $card = ($this->card)();
    expect($card['held'])->toMatchArray(['state' => 'held', 'counts' => ['added' => 1, 'changed' => 0, 'unchanged' => 2, 'removed' => 2]])->and($card['error'])->toBeNull();
    $events = $this->as($this->ada, 'GET', "/sources/{$card['id']}/refreshes/{$card['held']['id']}")->assertOk()->json();
    expect(array_map(fn (array $each): string => "{$each['verdict']} {$each['title']}", $events))->toBe(['removed three', 'removed four', 'added five']);
    // It waits among what waits, and is written of.
    $this->as($this->ada, 'GET', '/waiting')->assertJsonPath('sources.0.held.counts.removed', 2)->assertJsonPath('sources.0.calendar.name', 'Tides');
    expect(($this->words)())->toBe(['Tides: the far side has 2 of its 4 events no more. Nothing was taken away; say whether it is meant'])
        ->and(OutboxLetter::query()->where('person_id', $this->ada->id)->count())->toBe(1);
    // The same again is not asked about twice.
    ($this->scheduled)();
    expect(Refresh::query()->count())->toBe(2)->and(Notice::query()->count())->toBe(1)->and(Storage::allFiles())->toHaveCount(1);
});

test('a third of them goes without a question, and what is changed or added in any number', function () {
    ($this->subscribe)('one,two,three');
    ($this->says)('one,two');
    ($this->refresh)()->assertJsonPath('counts.removed', 1);
    ($this->says)('six,one,two,seven,eight,nine');
    ($this->refresh)()->assertJsonPath('counts', ['added' => 4, 'changed' => 2, 'unchanged' => 0, 'removed' => 0]);
    expect(($this->card)()['held'])->toBeNull();
});

test('what was held back is taken in once somebody says so', function () {
    ($this->subscribe)('one,two,three,four');
    ($this->says)('one');
    ($this->scheduled)();
    // What came then is taken, whatever the far side has by now.
    ($this->says)('fail');
    ($this->decide)(true)->assertJsonPath('state', 'done')->assertJsonPath('counts.removed', 3);
    expect(($this->titles)())->toBe(['one'])->and(($this->card)()['held'])->toBeNull()->and(Storage::allFiles())->toBe([])
        ->and(array_column(($this->card)()['history'], 'state'))->toBe(['done', 'done']);
    $this->as($this->ada, 'GET', '/waiting')->assertJsonPath('sources', []);
});

test('what somebody does not want stays away until the far side has something else', function () {
    ($this->subscribe)('one,two,three,four');
    ($this->says)('');
    ($this->scheduled)();
    ($this->decide)(false)->assertNoContent();
    expect(($this->titles)())->toHaveCount(4)->and(($this->card)())->toMatchArray(['held' => null, 'declined' => true])->and(Storage::allFiles())->toBe([]);
    ($this->refresh)()->assertJsonPath('state', 'done')->assertJsonPath('counts', null);
    expect(($this->titles)())->toHaveCount(4)->and(($this->card)()['declined'])->toBeTrue();
    // It comes back with one more, and goes on as before.
    ($this->says)('one,two,three,four,five');
    ($this->refresh)()->assertJsonPath('counts.added', 1);
    expect(($this->card)()['declined'])->toBeFalse();
    // Decided is decided.
    $old = Refresh::query()->where('state', 'declined')->sole();
    $this->as($this->ada, 'PUT', "/sources/{$old->source_id}/refreshes/{$old->id}", ['take' => true])->assertConflict();
});

test('where the far side has all of it again, nothing is asked any more', function () {
    ($this->subscribe)('one,two,three');
    ($this->says)('');
    ($this->scheduled)();
    expect(($this->card)()['held'])->not->toBeNull();
    ($this->says)('one,two,three');
    ($this->scheduled)();
    expect(($this->card)()['held'])->toBeNull()->and(($this->titles)())->toHaveCount(3)->and(Storage::allFiles())->toBe([]);
});

test('any refresh is taken back, with those after it, byte for byte, and does not come again by itself', function () {
    $source = ($this->subscribe)('one,two,three');
    $before = $this->everything();
    ($this->says)('one,two,three,four');
    ($this->refresh)();
    ($this->says)('one,four,two,three,five');
    ($this->refresh)();
    $second = Refresh::query()->orderBy('id')->skip(1)->first();
    $this->as($this->ada, 'POST', "/sources/{$source->id}/refreshes/{$second->id}/back")->assertNoContent();
    expect($this->everything())->toBe($before)->and(array_column(($this->card)()['history'], 'state'))->toBe(['taken back', 'taken back', 'done']);
    $this->as($this->ada, 'POST', "/sources/{$source->id}/refreshes/{$second->id}/back")->assertConflict();
    ($this->scheduled)();
    expect(($this->titles)())->toBe(['one', 'three', 'two'])->and(($this->card)()['declined'])->toBeTrue();
    // Somebody thinks better of it.
    ($this->refresh)('?anyway=1')->assertJsonPath('counts.added', 2);
    expect(($this->titles)())->toBe(['five', 'four', 'one', 'three', 'two'])->and(($this->card)()['declined'])->toBeFalse();
});

test('the first refresh is taken back, too: the calendar is empty then', function () {
    $source = ($this->subscribe)('one,two');
    $this->as($this->ada, 'POST', "/sources/{$source->id}/refreshes/".Refresh::query()->sole()->id.'/back')->assertNoContent();
    expect(($this->titles)())->toBe([])->and(($this->card)()['history'][0]['reversible'])->toBeFalse();
});

test('what a refresh did is told with its events and their fields', function () {
    $source = ($this->subscribe)('one,two,three');
    ($this->says)('one,three,four');
    ($this->refresh)();
    $events = $this->as($this->ada, 'GET', "/sources/{$source->id}/refreshes/".Refresh::query()->max('id'))->json();
    expect(array_map(fn (array $each): string => "{$each['verdict']} {$each['title']}", $events))->toBe(['removed two', 'changed three', 'added four'])
        ->and(array_column($events[1]['changes'], 'field'))->toBe(['starts', 'ends'])->and($events[0]['changes'])->toBe([]);
});

test('who does not manage it decides nothing, and is told of nothing that waits', function () {
    $source = ($this->subscribe)('one,two');
    $ben = $this->person('Ben Oar');
    $this->give($source->calendar, SubjectKind::Everyone, Level::Change);
    ($this->says)('');
    ($this->scheduled)();
    $held = Refresh::query()->max('id');
    foreach ([['GET', "/refreshes/{$held}", []], ['PUT', "/refreshes/{$held}", ['take' => true]], ['POST', '/refreshes/'.Refresh::query()->min('id').'/back', []], ['PATCH', '', ['refreshMinutes' => 60]], ['PUT', '/catalogue', ['about' => 'All.']]] as [$method, $path, $body]) {
        $this->as($ben, $method, "/sources/{$source->id}{$path}", $body)->assertForbidden();
    }
    expect(($this->card)($ben)['held'])->toBeNull();
    $this->as($ben, 'GET', '/waiting')->assertJsonPath('sources', []);
    expect(Notice::query()->where('person_id', $ben->id)->count())->toBe(0);
    // Nor is a refresh of another source one of this.
    $this->as($this->ada, 'GET', "/sources/{$source->id}/refreshes/".($held + 1))->assertNotFound();
});

test('that it fails waits among what waits at once, is written of the third time, and that it works again is told', function () {
    $this->freezeSecond();
    ($this->subscribe)('one,two');
    $since = now()->addHour();
    $this->travelTo($since);
    ($this->says)('fail');
    ($this->scheduled)();
    $this->as($this->ada, 'GET', '/waiting')->assertJsonPath('sources.0.error', 'The far side has a fault (503). Try again later.')->assertJsonPath('sources.0.failingSince', $since->toIso8601ZuluString());
    $this->sheet($this->ada, now()->format('Y-m-d'), now()->addWeek()->format('Y-m-d'))->assertJsonPath('layers.0.failingSince', $since->toIso8601ZuluString());
    expect(Notice::query()->count())->toBe(0);
    $this->travel(1)->days();
    ($this->scheduled)();
    ($this->scheduled)();
    ($this->scheduled)();
    expect(($this->words)())->toBe(['Tides could not be fetched since '.$since->format('D j F Y').'. The far side has a fault (503). Try again later. What was fetched before stays'])
        ->and(($this->card)()['failingSince'])->toBe($since->toIso8601ZuluString());
    ($this->says)('one,two');
    ($this->scheduled)();
    expect(($this->words)()[1])->toBe('Tides is fetched again')->and(($this->card)()['failingSince'])->toBeNull();
    $this->as($this->ada, 'GET', '/waiting')->assertJsonPath('sources', []);
    $this->as($this->ada, 'GET', '/notices')->assertJsonPath('0.lines.0.words', 'Tides is fetched again');
    // Once is no reason to write.
    ($this->says)('fail');
    ($this->scheduled)();
    ($this->says)('one,two');
    ($this->scheduled)();
    expect(Notice::query()->count())->toBe(2);
});
