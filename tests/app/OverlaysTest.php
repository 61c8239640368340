<?php

use App\Calendars\Category;
use App\Occurrences\OccurrenceHorizon;
use App\Occurrences\OccurrenceQuery;
use App\Overlays\LayerInput;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Overlay\Colour;
use PinnedRota\Core\Time\LocalDateTime;

beforeEach(function () {
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->loft = $this->calendar($this->ada, 'Long loft');
    $this->layers = fn (): array => [
        ['name' => 'Tests', 'colour' => 'brick', 'mark' => 'triangle', 'calendars' => [$this->slip->slug, $this->loft->slug], 'conditions' => [['about' => 'category', 'names' => ['Assessment']]]],
        ['name' => 'Slip', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$this->slip->slug]],
    ];
    $this->keep = fn (array $more = []): string => $this->as($this->ada, 'POST', '/overlays', $more + ['name' => 'The term', 'layers' => ($this->layers)()])->assertCreated()->json('slug');
    $this->through = fn ($person, string $overlay, string $more = ''): array => collect($this->sheet($person, '2026-11-01', '2026-12-01', "&overlay={$overlay}{$more}")->assertOk()->json('items'))->map(fn (array $item): string => "{$item['layer']} {$item['title']}")->sort()->values()->all();
});

test('each event shows once, in the first layer that takes it', function () {
    $this->add($this->slip, $this->ada, title: 'Oar test', more: ['categories' => ['assessment']]);
    $this->add($this->slip, $this->ada, title: 'Haul out');
    $this->add($this->loft, $this->ada, title: 'Rope theory', more: ['categories' => ['assessment', 'visit']]);
    $this->add($this->loft, $this->ada, title: 'Sweeping');
    $slug = ($this->keep)();
    expect(($this->through)($this->ada, $slug))->toBe(['0 Oar test', '0 Rope theory', '1 Haul out'])
        ->and(($this->through)($this->ada, $slug, '&categories[]=visit'))->toBe(['0 Rope theory']);
    $this->sheet($this->ada, '2026-11-01', '2026-12-01', "&overlay={$slug}")->assertJsonPath('categories', [['name' => 'assessment', 'count' => 2], ['name' => 'visit', 'count' => 1]])
        ->assertJsonPath('layers.0.target', $this->slip->slug);
});

test('through a shared overlay one sees what one’s own access allows', function () {
    $this->add($this->slip, $this->ada, title: 'Haul out');
    $this->add($this->loft, $this->ada, title: 'Rope theory', more: ['categories' => ['assessment']]);
    $slug = ($this->keep)();
    $this->sheet($this->ben, '2026-11-01', '2026-12-01', "&overlay={$slug}")->assertNotFound();
    $this->as($this->ada, 'PUT', "/overlays/{$slug}/grants", ['kind' => 'everyone', 'level' => 'see'])->assertOk()->assertJsonPath('grants.0.level', 'see');
    expect(($this->through)($this->ben, $slug))->toBe([]);
    $this->give($this->slip, $this->ben, Level::BusyTimes);
    $this->give($this->loft, $this->ben, Level::BusyTimes);
    expect(($this->through)($this->ben, $slug))->toBe(['1 Busy']);
    $this->as($this->ben, 'PUT', "/overlays/{$slug}", ['name' => 'Mine', 'layers' => ($this->layers)()], 1)->assertForbidden();
    $this->as($this->ben, 'DELETE', "/overlays/{$slug}")->assertForbidden();
    $this->as($this->ada, 'PUT', "/overlays/{$slug}/grants", ['kind' => 'everyone', 'level' => 'none'])->assertOk();
    $this->sheet($this->ben, '2026-11-01', '2026-12-01', "&overlay={$slug}")->assertNotFound();
});

test('an overlay is changed, deleted and brought back', function () {
    $slug = ($this->keep)();
    $this->as($this->ada, 'PUT', "/overlays/{$slug}", ['name' => 'Other order', 'openingView' => 'month', 'layers' => array_reverse(($this->layers)())], 1)->assertOk()
        ->assertJsonPath('layers.*.name', ['Slip', 'Tests'])->assertJsonPath('openingView', 'month')->assertJsonPath('version', 2);
    $this->as($this->ada, 'PUT', "/overlays/{$slug}", ['name' => 'Late', 'layers' => ($this->layers)()], 1)->assertStatus(412)->assertJsonPath('current.name', 'Other order');
    $this->as($this->ada, 'DELETE', "/overlays/{$slug}")->assertNoContent();
    $this->as($this->ada, 'GET', '/overlays')->assertExactJson([]);
    $this->as($this->ben, 'POST', "/overlays/{$slug}/restore")->assertNotFound();
    $this->as($this->ada, 'POST', "/overlays/{$slug}/restore")->assertOk()->assertJsonCount(2, 'layers');
});

test('while an overlay is composed it is told what each layer takes of the coming half year, and nothing is kept', function () {
    $soon = now('Europe/London')->addDays(3)->format('Y-m-d');
    $calendar = $this->calendar($this->ada, 'Counted');
    $hidden = $this->calendar($this->ben, 'Hidden');
    $this->add($hidden, $this->ben, title: 'Secret', start: "{$soon}T07:00");
    $this->add($calendar, $this->ada, title: 'Oar test', start: "{$soon}T09:00", rule: 'FREQ=WEEKLY;COUNT=3');
    $this->add($calendar, $this->ada, title: 'Mast step', start: "{$soon}T08:00");
    $this->add($calendar, $this->ada, title: 'Long gone', start: '2020-01-01T08:00');
    $layer = fn (string $name, array $more = []): array => $more + ['name' => $name, 'colour' => 'sea', 'mark' => 'disc', 'takes' => 'chosen', 'group' => null, 'calendars' => [$calendar->slug, $hidden->slug], 'conditions' => []];
    $words = fn (array $words): array => ['conditions' => [['about' => 'words', 'words' => $words]]];
    $overlays = App\Overlays\Overlay::query()->count();
    $counts = fn (array $layers, array $more = []) => $this->as($this->ada, 'POST', '/overlays/counts', $more + ['tz' => 'Europe/London', 'layers' => $layers])->assertOk();
    $counts([$layer('Oars', $words(['oar'])), $layer('Unfinished', $words([])), $layer('Rest', ['takes' => 'rest'])])
        ->assertJsonPath('*.count', [3, null, 1])->assertJsonPath('0.example.title', 'Oar test')->assertJsonPath('0.example.start', "{$soon}T09:00")->assertJsonPath('2.example.title', 'Mast step');
    $counts([$layer('Oars', $words(['oar'])), $layer('All')], ['everyLayer' => true])->assertJsonPath('*.count', [3, 4]);
    // Of what is only seen as taken time there is a number, and no title.
    $this->give($hidden, $this->ada, Level::BusyTimes);
    $counts([$layer('Hidden', ['calendars' => [$hidden->slug]])])->assertJsonPath('0.count', 1)->assertJsonPath('0.example', null);
    expect(App\Overlays\Overlay::query()->count())->toBe($overlays);
    $this->as($this->ada, 'POST', '/overlays/counts', ['tz' => 'Europe/London', 'layers' => []])->assertUnprocessable();
});

test('an overlay opens as a table with its columns, order and time, and keeps them when only its layers change', function () {
    $opening = ['columns' => ['when', 'title', 'place'], 'sort' => 'place', 'descending' => true, 'period' => 'year'];
    $slug = $this->as($this->ada, 'POST', '/overlays', ['name' => 'Rooms in use', 'openingView' => 'table', 'openingTable' => $opening, 'layers' => ($this->layers)()])
        ->assertCreated()->assertJsonPath('openingView', 'table')->assertJsonPath('openingTable', $opening)->json('slug');
    $this->as($this->ada, 'PUT', "/overlays/{$slug}", ['name' => 'Rooms', 'layers' => ($this->layers)()], 1)->assertJsonPath('openingTable', $opening);
    $this->as($this->ada, 'PUT', "/overlays/{$slug}", ['name' => 'Rooms', 'openingView' => 'week', 'openingTable' => null, 'layers' => ($this->layers)()], 2)->assertJsonPath('openingTable', null);
    foreach (['columns' => ['colour'], 'sort' => 'colour', 'descending' => 'down', 'period' => 'ever'] as $field => $wrong) {
        $this->as($this->ada, 'POST', '/overlays', ['name' => 'x', 'openingTable' => [$field => $wrong] + $opening, 'layers' => ($this->layers)()])->assertUnprocessable()->assertJsonPath('errors.0.field', $field === 'columns' ? 'openingTable.columns.0' : "openingTable.{$field}");
    }
});

test('an overlay of nothing, or of calendars that are not there, is refused', function () {
    $this->as($this->ada, 'POST', '/overlays', ['name' => '', 'layers' => []])->assertUnprocessable()->assertJsonPath('errors.*.field', ['name', 'layers']);
    $this->as($this->ben, 'POST', '/overlays', ['name' => 'Nosy', 'layers' => ($this->layers)()])->assertUnprocessable()->assertJsonPath('errors.0.field', 'layers.0.calendars');
    $this->as($this->ada, 'GET', '/overlays')->assertExactJson([]);
});

test('somebody who edits an overlay does not throw out calendars they cannot see', function () {
    $slug = ($this->keep)(['layers' => [['name' => 'Both', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$this->slip->slug, $this->loft->slug]]]]);
    DB::table('grants')->insert(['on_kind' => 'overlay', 'on_id' => DB::table('overlays')->value('id'), 'subject_kind' => 'person', 'subject_id' => $this->ben->id, 'level' => 'change']);
    $this->give($this->slip, $this->ben, Level::See);
    $layers = $this->as($this->ben, 'GET', '/overlays')->json('0.layers');
    expect($layers[0]['calendars'])->toBe([$this->slip->slug]);
    $this->as($this->ben, 'PUT', "/overlays/{$slug}", ['name' => 'Both', 'layers' => $layers], 1)->assertOk();
    expect($this->as($this->ada, 'GET', '/overlays')->json('0.layers.0.calendars'))->toEqualCanonicalizing([$this->slip->slug, $this->loft->slug]);
});

test('a layer asks for words, people, status, length and their opposites; everything else is one, too', function () {
    $riggers = $this->group('Riggers', $this->ben);
    $mail = fn ($person): Participant => new Participant("mailto:{$person->email}", role: ParticipantRole::Responsible);
    $this->add($this->slip, $this->ada, title: 'Haul out', more: ['description' => 'Bring the long ROPE']);
    $this->add($this->slip, $this->ben, title: 'Sweeping', more: ['status' => Status::Provisional]);
    $this->add($this->loft, $this->ada, title: 'Splicing', more: ['participants' => [$mail($this->ben)]]);
    $this->add($this->loft, $this->ada, title: 'Staying', more: ['participants' => [$mail($this->ada)]]);
    $this->add($this->loft, $this->ada, title: 'Open day', start: '2026-11-07');
    $layer = fn (string $name, array $conditions, array $more = []): array => $more + ['name' => $name, 'colour' => 'sea', 'mark' => 'disc', 'takes' => 'chosen', 'calendars' => [$this->slip->slug, $this->loft->slug], 'conditions' => $conditions];
    $slug = ($this->keep)(['layers' => [
        $layer('Else', [], ['takes' => 'rest', 'calendars' => []]),
        $layer('Ropes', [['about' => 'words', 'words' => ['nets, long rope', '']]]),
        $layer('Riggers', [['about' => 'people', 'part' => 'responsible', 'who' => [['kind' => 'group', 'id' => $riggers->id]]]]),
        $layer('Mine', [['about' => 'people', 'part' => 'taking part', 'who' => [['kind' => 'me']]]]),
        $layer('Unsettled and timed', [['about' => 'status', 'statuses' => ['confirmed'], 'not' => true], ['about' => 'all day', 'is' => false], ['about' => 'busy', 'is' => true]]),
    ]]);
    expect(($this->through)($this->ada, $slug))->toBe(['0 Open day', '1 Haul out', '2 Splicing', '3 Staying', '4 Sweeping']);
    $this->sheet($this->ada, '2026-11-01', '2026-12-01', "&overlay={$slug}")->assertJsonPath('layers.*.about', ['everything else', '2 calendars · “nets”, “long rope”', '2 calendars · of some people, responsible', '2 calendars · mine', '2 calendars · not confirmed · timed · busy']);
    // “Mine” is whoever looks; who sees busy times learns nothing by any of it.
    $this->as($this->ada, 'PUT', "/overlays/{$slug}/grants", ['kind' => 'everyone', 'level' => 'see'])->assertOk();
    $this->give($this->slip, $this->ben, Level::See);
    $this->give($this->loft, $this->ben, Level::BusyTimes);
    expect(($this->through)($this->ben, $slug))->toBe(['0 Busy', '0 Busy', '0 Busy', '1 Haul out', '4 Sweeping']);
});

test('an overlay may show an event in every layer that takes it', function () {
    $this->add($this->slip, $this->ada, title: 'Oar test', more: ['categories' => ['assessment']]);
    $slug = ($this->keep)(['everyLayer' => true]);
    expect(($this->through)($this->ada, $slug))->toBe(['0 Oar test', '1 Oar test']);
    $this->sheet($this->ada, '2026-11-01', '2026-12-01', "&overlay={$slug}")->assertJsonPath('categories.0.count', 1);
});

test('a layer of a group has what the group keeps, one of all what is on one’s list', function () {
    $yard = $this->group('Yard', $this->ada);
    $van = $this->calendar($yard, 'Van');
    $this->add($van, $this->ada, title: 'To the harbour');
    $this->add($this->slip, $this->ada, title: 'Haul out');
    $slug = ($this->keep)(['layers' => [
        ['name' => 'Yard', 'colour' => 'sea', 'mark' => 'disc', 'takes' => 'group', 'group' => $yard->id, 'calendars' => []],
        ['name' => 'All', 'colour' => 'moss', 'mark' => 'square', 'takes' => 'all', 'calendars' => []],
    ]]);
    expect(($this->through)($this->ada, $slug))->toBe(['0 To the harbour', '1 Haul out']);
    $this->as($this->ada, 'PUT', "/calendars/{$this->slip->slug}/list", ['onList' => false])->assertOk();
    expect(($this->through)($this->ada, $slug))->toBe(['0 To the harbour']);
});

test('the same event by two ways shows once and says where else it is; of what is hidden that is not told', function () {
    $this->add($this->slip, $this->ada, title: 'High water', uid: 'tide-1');
    $this->add($this->loft, $this->ada, title: 'High water', uid: 'tide-1');
    $slug = ($this->keep)(['layers' => [
        ['name' => 'Loft', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$this->loft->slug]],
        ['name' => 'Slip', 'colour' => 'moss', 'mark' => 'disc', 'calendars' => [$this->slip->slug]],
    ]]);
    $items = $this->sheet($this->ada, '2026-11-01', '2026-12-01', "&overlay={$slug}")->json('items');
    expect($items)->toHaveCount(1)->and($items[0]['layer'])->toBe(0)->and([$items[0]['calendar'], ...$items[0]['also']])->toEqualCanonicalizing([$this->slip->slug, $this->loft->slug]);
    $this->as($this->ada, 'PUT', "/overlays/{$slug}/grants", ['kind' => 'everyone', 'level' => 'see']);
    $this->give($this->slip, $this->ben, Level::See);
    $this->give($this->loft, $this->ben, Level::BusyTimes);
    $items = $this->sheet($this->ben, '2026-11-01', '2026-12-01', "&overlay={$slug}")->json('items');
    expect($items)->toHaveCount(2)->and(array_column($items, 'also'))->toBe([[], []]);
});

test('more than an overlay takes altogether is refused before it is read', function () {
    $condition = ['about' => 'words', 'words' => array_map(static fn (int $at): string => "word{$at}", range(1, 50))];
    $layer = ['name' => 'x', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$this->slip->slug], 'conditions' => array_fill(0, 20, $condition)];
    $this->as($this->ada, 'POST', '/overlays', ['name' => 'Cube', 'layers' => array_fill(0, 200, $layer)])
        ->assertUnprocessable()->assertJsonCount(1, 'errors')->assertJsonPath('errors.0.field', 'layers')->assertJsonPath('errors.0.message', fn (string $told): bool => str_contains($told, '2,000'));
    // One layer of 1 + 20 × 51 is taken, two are too many; every word of the one is kept.
    $this->as($this->ada, 'POST', '/overlays', ['name' => 'Full', 'layers' => [$layer]])->assertCreated()->assertJsonPath('layers.0.conditions.19.words.49', 'word50');
    $this->as($this->ada, 'POST', '/overlays', ['name' => 'Twice', 'layers' => [$layer, $layer]])->assertUnprocessable();
    expect(LayerInput::entries([$layer, $layer]))->toBe(2 * (1 + 20 * 51));
});

test('what is wrong in several layers is said of each at its place, and nothing of them is kept', function () {
    $layer = ['name' => 'x', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$this->slip->slug]];
    $fields = $this->as($this->ada, 'POST', '/overlays', ['name' => '', 'layers' => [
        $layer,
        ['colour' => 'mauve'] + $layer,
        'a word',
        ['conditions' => [['about' => 'all day'], 'odd']] + $layer,
        ['conditions' => [['about' => 'all day'], ['about' => 'words', 'words' => ['ok', ['odd']]]]] + $layer,
    ]])->assertUnprocessable()->json('errors.*.field');
    expect($fields)->toBe(['name', 'layers.1.colour', 'layers.2', 'layers.3.conditions.1', 'layers.4.conditions.1.words.1']);
    expect($this->as($this->ada, 'GET', '/overlays')->json())->toBe([]);
});

test('a condition that asks nothing is refused at its field', function (array $condition, string $field) {
    $this->as($this->ada, 'POST', '/overlays', ['name' => 'x', 'layers' => [['name' => 'x', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$this->slip->slug], 'conditions' => [$condition]]]])
        ->assertUnprocessable()->assertJsonPath('errors.0.field', "layers.0.conditions.0.{$field}");
})->with([
    [['about' => 'weather'], 'about'],
    [['about' => 'category'], 'names'],
    [['about' => 'words', 'words' => []], 'words'],
    [['about' => 'people', 'who' => [['kind' => 'person']]], 'who.0.id'],
    [['about' => 'status', 'statuses' => ['maybe']], 'statuses.0'],
]);

test('days are closed by events of a category that closes them, and the ruler says how full each is', function () {
    Category::query()->create(['name' => 'closed', 'closes_day' => true]);
    $this->add($this->slip, $this->ada, title: 'Works days', start: '2026-11-05', end: '2026-11-07', more: ['categories' => ['closed']]);
    $this->add($this->slip, $this->ada, title: 'Night', start: '2026-11-03T22:00', end: '2026-11-04T02:00');
    $this->sheet($this->ada, '2026-11-01', '2026-11-08')->assertJsonPath('closed', [['date' => '2026-11-05', 'title' => 'Works days'], ['date' => '2026-11-06', 'title' => 'Works days']]);
    $this->as($this->ada, 'GET', '/ruler?from=2026-11-01&to=2026-11-08&tz=Europe/London')->assertJsonPath('loads', [0, 0, 1, 1, 1, 1, 0])->assertJsonPath('closed', ['2026-11-05', '2026-11-06']);
});

test('a window that cannot be is refused', function (string $query) {
    $this->as($this->ada, 'GET', "/sheet?{$query}")->assertUnprocessable();
})->with(['from=2026-11-01&to=2026-11-01&tz=UTC', 'from=2026-11-01&to=2029-11-01&tz=UTC', 'from=x&to=2026-11-01&tz=UTC', 'from=2026-11-01&to=2026-11-02&tz=Nowhere']);

test('a window is read as ranges of the index, whatever lies before it', function () {
    for ($day = 0; $day < 400; $day++) {
        $this->add($this->slip, $this->ada, start: gmdate('Y-m-d\TH:i', strtotime('2024-01-01T09:00') + $day * 86400));
    }
    DB::statement('ANALYZE TABLE occurrences');
    $from = LocalDateTime::parse('2025-01-20')->seconds;
    $query = app(OccurrenceQuery::class)->windowQuery([$this->slip->id, $this->loft->id], $from, $from + 7 * 86400);
    $plan = collect(DB::select('EXPLAIN '.$query->select('o.id')->toRawSql()))->firstWhere('table', 'o');
    expect($plan->type)->toBe('range')->and($plan->key)->toBe('occurrences_window')->and($plan->rows)->toBeLessThan(60)
        ->and($query->count())->toBe(7)
        ->and(OccurrenceHorizon::stamp($from))->toBe('2025-01-20 00:00:00');
});

test('an overlay is kept by a group, given at levels and handed over, and never left alone', function () {
    $yard = $this->group('Yard', $this->ada);
    $slug = ($this->keep)(['keeper' => ['kind' => 'group', 'id' => $yard->id]]);
    $this->as($this->ada, 'POST', '/overlays', ['name' => 'Theirs', 'layers' => ($this->layers)(), 'keeper' => ['kind' => 'group', 'id' => $this->group('Others', $this->ben)->id]])
        ->assertUnprocessable()->assertJsonPath('errors.0.field', 'keeper');
    $this->as($this->ada, 'PUT', "/overlays/{$slug}/grants", ['kind' => 'person', 'id' => $this->ben->id, 'level' => 'busy'])->assertUnprocessable();
    $this->as($this->ada, 'PUT', "/overlays/{$slug}/grants", ['kind' => 'person', 'id' => $this->ben->id, 'level' => 'change'])->assertOk()
        ->assertJsonPath('keeper.name', 'Yard')->assertJsonPath('grants', [['kind' => 'person', 'id' => $this->ben->id, 'name' => 'Ben Oar', 'level' => 'change']]);
    $this->as($this->ben, 'GET', '/overlays')->assertJsonPath('0.level', 'change');
    $this->as($this->ada, 'PUT', "/overlays/{$slug}/keeper", ['kind' => 'person', 'id' => $this->ben->id, 'stays' => 'see'])->assertOk()
        ->assertJsonPath('keeper.name', 'Ben Oar')->assertJsonPath('grants.*.level', ['see'])->assertJsonPath('grants.0.name', 'Yard');
    $this->as($this->ada, 'GET', '/overlays')->assertJsonPath('0.level', 'see');
    $empty = $this->group('Empty');
    $this->as($this->ben, 'PUT', "/overlays/{$slug}/keeper", ['kind' => 'group', 'id' => $empty->id, 'stays' => 'none'])->assertStatus(409);
    $this->as($this->ben, 'GET', '/overlays')->assertJsonPath('0.keeper.name', 'Ben Oar');
});

test('a layer keeps its hidden calendars when who may edit the overlay gives it another name, colour and pattern', function () {
    $slug = ($this->keep)(['layers' => [['name' => 'Both', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$this->slip->slug, $this->loft->slug]]]]);
    $this->as($this->ada, 'PUT', "/overlays/{$slug}/grants", ['kind' => 'person', 'id' => $this->ben->id, 'level' => 'change'])->assertOk();
    $this->give($this->slip, $this->ben, Level::See);
    $layers = $this->as($this->ben, 'GET', '/overlays')->json('0.layers');
    $this->as($this->ben, 'PUT', "/overlays/{$slug}", ['name' => 'Both', 'layers' => [['name' => 'Two', 'pattern' => 'stripes'] + $layers[0]]], 1)->assertOk();
    $this->as($this->ada, 'GET', '/overlays')->assertJsonPath('0.layers.0.pattern', 'stripes')->assertJsonCount(2, '0.layers.0.calendars');
    $this->sheet($this->ada, '2026-11-01', '2026-11-08', "&overlay={$slug}")->assertJsonPath('layers.0.pattern', 'stripes');
    $this->as($this->ada, 'PUT', "/overlays/{$slug}", ['name' => 'Both', 'layers' => [['pattern' => 'zigzag'] + $layers[0]]], 2)->assertUnprocessable()->assertJsonPath('errors.0.field', 'layers.0.pattern');
});

test('rows of lanes are told apart by person, place, calendar or category; what is hidden stands apart', function () {
    $ben = new Participant("mailto:{$this->ben->email}", role: ParticipantRole::Responsible);
    $this->add($this->slip, $this->ada, title: 'Haul out', more: ['place' => 'Slip 2', 'categories' => ['Launch', 'Visit'], 'participants' => [$ben]]);
    $this->add($this->slip, $this->ada, title: 'Sweeping', more: ['place' => ' slip 2']);
    $this->add($this->slip, $this->ada, title: 'Doctor', more: ['private' => true, 'place' => 'Ward 7', 'categories' => ['Health']]);
    $cy = $this->person('Cy Reads');
    $this->give($this->slip, $cy, Level::See);
    $rows = function ($viewer, string $group): array {
        $sheet = $this->sheet($viewer, '2026-11-01', '2026-12-01', "&group={$group}&calendar={$this->slip->slug}")->assertOk()->json();
        $found = array_fill_keys(array_column($sheet['rows'], 'name'), []);
        foreach ($sheet['items'] as $item) {
            foreach ($item['rows'] as $row) {
                $found[$sheet['rows'][$row]['name']][] = $item['title'];
            }
        }

        return array_map(fn (array $titles): array => collect($titles)->sort()->values()->all(), $found);
    };
    expect($rows($cy, 'person'))->toBe(['Ben Oar' => ['Haul out'], 'Nobody responsible' => ['Sweeping'], 'Hidden from you' => ['Busy']])
        ->and($rows($cy, 'place'))->toBe(['Slip 2' => ['Haul out', 'Sweeping'], 'Hidden from you' => ['Busy']])
        ->and($rows($cy, 'category'))->toBe(['Launch' => ['Haul out'], 'Visit' => ['Haul out'], 'No category' => ['Sweeping'], 'Hidden from you' => ['Busy']])
        ->and($rows($cy, 'calendar'))->toBe(['Slipway' => ['Busy', 'Haul out', 'Sweeping']])
        ->and($rows($this->ada, 'place'))->toBe(['Slip 2' => ['Haul out', 'Sweeping'], 'Ward 7' => ['Doctor']]);
    $this->sheet($cy, '2026-11-01', '2026-12-01', '&group=colour')->assertUnprocessable();
});

test('colours stand for layers, categories, calendars or people, as the overlay has it; nothing hidden is told by one', function () {
    Category::query()->create(['name' => 'Launch', 'colour' => 'rose']);
    $ben = new Participant("mailto:{$this->ben->email}", role: ParticipantRole::Responsible);
    $this->add($this->slip, $this->ada, title: 'Haul out', more: ['categories' => ['Launch'], 'participants' => [$ben]]);
    $this->add($this->slip, $this->ada, title: 'Doctor', more: ['private' => true, 'categories' => ['Launch'], 'participants' => [$ben]]);
    $this->add($this->slip, $this->ada, title: 'Sweeping', more: ['colour' => Colour::Umber]);
    $slug = ($this->keep)(['layers' => [['name' => 'Slip', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$this->slip->slug]]]]);
    $cy = $this->person('Cy Reads');
    $this->give($this->slip, $cy, Level::See);
    $this->as($this->ada, 'PUT', "/overlays/{$slug}/grants", ['kind' => 'everyone', 'level' => 'see'])->assertOk();
    $version = 1;
    $look = function (string $by) use ($slug, $cy, &$version): array {
        $this->as($this->ada, 'PUT', "/overlays/{$slug}", ['name' => 'Told apart', 'colouredBy' => $by, 'layers' => [['name' => 'Slip', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$this->slip->slug]]]], $version++)->assertOk()->assertJsonPath('colouredBy', $by);
        $sheet = $this->sheet($cy, '2026-11-01', '2026-12-01', "&overlay={$slug}")->assertOk()->json();

        return [collect($sheet['items'])->mapWithKeys(fn (array $item): array => [$item['title'] => $item['colour'] ?? null])->sortKeys()->all(), $sheet['colours']];
    };
    expect($look('layer'))->toBe([['Busy' => null, 'Haul out' => null, 'Sweeping' => 'umber'], []])
        ->and($look('category'))->toBe([['Busy' => null, 'Haul out' => 'rose', 'Sweeping' => 'umber'], [['name' => 'Launch', 'colour' => 'rose']]])
        ->and($look('calendar'))->toBe([['Busy' => $this->slip->colour->value, 'Haul out' => $this->slip->colour->value, 'Sweeping' => $this->slip->colour->value], [['name' => 'Slipway', 'colour' => $this->slip->colour->value]]]);
    [$of, $told] = $look('person');
    expect($of['Busy'])->toBeNull()->and($told)->toBe([['name' => 'Ben Oar', 'colour' => $of['Haul out']]]);
    $this->as($this->ada, 'PUT', "/overlays/{$slug}", ['name' => 'No', 'colouredBy' => 'weather', 'layers' => ($this->layers)()], $version)->assertUnprocessable();
    // Who says nothing of colours leaves them as they are.
    $this->as($this->ada, 'PUT', "/overlays/{$slug}", ['name' => 'Yes', 'layers' => ($this->layers)()], $version)->assertOk()->assertJsonPath('colouredBy', 'person');
});

test('a layer of what says some words takes them out of all other layers of its overlay, and of no other calendar', function () {
    $other = $this->calendar($this->ada, 'Elsewhere');
    foreach ([$this->slip, $this->loft, $other] as $calendar) {
        $this->add($calendar, $this->ada, title: "Oar on {$calendar->name}");
        $this->add($calendar, $this->ada, title: "Mast on {$calendar->name}");
    }
    $oars = ['name' => 'oar', 'colour' => 'rose', 'mark' => 'star', 'takes' => 'overlay', 'conditions' => [['about' => 'words', 'words' => ['oar, paddle']]]];
    $layers = [$oars, ['name' => 'Slip', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$this->slip->slug]], ['name' => 'Loft', 'colour' => 'moss', 'mark' => 'ring', 'calendars' => [$this->loft->slug]]];
    $slug = ($this->keep)(['layers' => $layers]);
    expect(($this->through)($this->ada, $slug))->toBe(['0 Oar on Long loft', '0 Oar on Slipway', '1 Mast on Slipway', '2 Mast on Long loft']);
    $this->sheet($this->ada, '2026-11-01', '2026-12-01', "&overlay={$slug}")->assertJsonPath('layers.0.about', fn (string $about): bool => str_starts_with($about, 'all in this overlay'));
    $soon = now('Europe/London')->addDays(3)->format('Y-m-d');
    foreach ([$this->slip, $this->loft, $other] as $calendar) {
        $this->add($calendar, $this->ada, title: 'Paddle and mast', start: "{$soon}T07:00");
    }
    $this->add($this->slip, $this->ada, title: 'Mast', start: "{$soon}T08:00");
    $this->as($this->ada, 'POST', '/overlays/counts', ['tz' => 'Europe/London', 'layers' => $layers])->assertOk()->assertJsonPath('0.count', 2)->assertJsonPath('1.count', 1);
    // With nothing beside it, it has nothing.
    expect(($this->through)($this->ada, ($this->keep)(['layers' => [$oars]])))->toBe([]);
});

test('on top of whatever is looked through it is asked for words and people, and never of what is hidden', function () {
    $ben = new Participant("mailto:{$this->ben->email}", role: ParticipantRole::Optional);
    $this->add($this->slip, $this->ada, title: 'Haul out', more: ['description' => 'With the long ROPE', 'participants' => [$ben]]);
    $this->add($this->slip, $this->ada, title: 'Sweeping', more: ['private' => true, 'place' => 'Rope walk', 'participants' => [$ben]]);
    $cy = $this->person('Cy Reads');
    $this->give($this->slip, $cy, Level::See);
    $found = fn ($viewer, string $more): array => array_column($this->sheet($viewer, '2026-11-01', '2026-12-01', "&calendar={$this->slip->slug}{$more}")->assertOk()->json('items'), 'title');
    expect($found($this->ada, '&words=rope'))->toBe(['Haul out', 'Sweeping'])->and($found($this->ada, "&people[]={$this->ben->id}"))->toBe(['Haul out', 'Sweeping'])
        ->and($found($cy, '&words=rope'))->toBe(['Haul out'])->and($found($cy, "&people[]={$this->ben->id}"))->toBe(['Haul out'])
        ->and($found($cy, '&words=rope&categories[]=Visit'))->toBe([])->and($found($cy, "&people[]={$this->ada->id}"))->toBe([]);
    $loads = fn ($viewer): int => array_sum($this->as($viewer, 'GET', "/ruler?from=2026-11-01&to=2026-12-01&tz=UTC&calendar={$this->slip->slug}&words=rope")->json('loads'));
    expect($loads($this->ada))->toBe(2)->and($loads($cy))->toBe(1);
});

test('an item says what keeps its viewer from changing it, who is responsible, and whether they have still to answer', function () {
    $asked = new Participant("mailto:{$this->ben->email}");
    $leads = new Participant("mailto:{$this->ada->email}", role: ParticipantRole::Responsible);
    $this->add($this->slip, $this->ada, title: 'Haul out', more: ['participants' => [$asked, $leads]]);
    $this->add($this->slip, $this->ben, title: 'Sweeping', start: '2026-11-03T09:30', more: ['private' => true, 'participants' => [$leads]]);
    $cy = $this->person('Cy Reads');
    $told = fn ($viewer): array => array_map(fn (array $item): array => [$item['hold'], $item['unanswered'], $item['responsible']], $this->sheet($viewer, '2026-11-01', '2026-12-01', "&calendar={$this->slip->slug}")->json('items'));
    $this->give($this->slip, $this->ben, Level::Add);
    $this->give($this->slip, $cy, Level::BusyTimes);
    expect($told($this->ada))->toBe([[null, false, ['Ada Quill']], [null, false, ['Ada Quill']]])
        ->and($told($this->ben))->toBe([['level', true, ['Ada Quill']], [null, false, ['Ada Quill']]])
        ->and($told($cy))->toBe([['hidden', false, []], ['hidden', false, []]]);
    $this->slip->update(['archived_at' => now()]);
    expect(array_column($told($this->ada), 0))->toBe(['archived', 'archived']);
});

test('an event is given to other people, and what cannot be named stays', function () {
    $asked = new Participant('urn:boat:3', 'A guest');
    $pilot = new Participant('urn:boat:4', 'The pilot', role: ParticipantRole::Responsible);
    $event = $this->add($this->slip, $this->ada, title: 'Haul out', more: ['participants' => [$asked, $pilot]]);
    $told = fn ($answer): array => array_map(fn (array $each): array => [$each['name'], $each['part']], $answer->assertOk()->json('participants'));
    $named = fn (int $id, string $part = 'responsible'): array => ['participants' => [['kind' => 'person', 'id' => $id, 'part' => $part]]];
    expect($told($this->as($this->ada, 'PATCH', "/events/{$event->id}", $named($this->ben->id), 1)))->toBe([['Ben Oar', 'responsible'], ['A guest', 'required'], ['The pilot', 'responsible']])
        ->and($told($this->as($this->ada, 'PATCH', "/events/{$event->id}", ['title' => 'Haul out two'], 2)))->toBe([['Ben Oar', 'responsible'], ['A guest', 'required'], ['The pilot', 'responsible']])
        ->and($told($this->as($this->ada, 'PATCH', "/events/{$event->id}", $named($this->ada->id), 3)))->toBe([['Ada Quill', 'responsible'], ['A guest', 'required'], ['The pilot', 'responsible']]);
    $this->as($this->ada, 'PATCH', "/events/{$event->id}", $named(0), 4)->assertUnprocessable()->assertJsonPath('errors.0.field', 'participants.0');
});
