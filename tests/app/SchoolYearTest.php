<?php

use App\Calendars\Category;
use App\Occurrences\VerifyOccurrences;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;
use Tests\Support\Make;

/* The school's year: its weeks are named on every sheet, and what it closes is closed on all of them. */
beforeEach(function () {
    $this->travelTo('2026-11-25T08:00:00Z');
    $this->root = $this->person('Root', ['role' => 'administrator']);
    $this->ada = $this->person();
    $this->decide = fn (array $body, int $version = 0) => $this->as($this->root, 'PATCH', '/organisation', $body, $version);
    $this->terms = ['terms' => [['name' => 'Autumn', 'from' => '2026-09-07', 'to' => '2026-12-18', 'halfTerms' => [['name' => 'Half-term', 'from' => '2026-10-26', 'to' => '2026-10-30']]]], 'alternates' => true, 'halfTermCounts' => false];
    $this->sheet = fn ($person, string $query = '') => $this->as($person, 'GET', "/sheet?from=2026-10-19&to=2026-11-09&tz=Europe/London{$query}")->assertOk();
});

test('weeks and terms are told with every sheet and ruler, and nothing of them where there are none', function () {
    ($this->sheet)($this->ada)->assertJsonPath('weeks', [])->assertJsonPath('terms', []);
    ($this->decide)(['schoolYear' => $this->terms])->assertOk()->assertJsonPath('schoolYear.terms.0.startsWith', 'A');
    $weeks = [
        ['monday' => '2026-10-19', 'term' => 'Autumn', 'name' => 'Autumn, week 7 · A', 'short' => '7 · A', 'number' => 7],
        ['monday' => '2026-10-26', 'term' => 'Autumn', 'name' => 'Autumn, half-term', 'short' => 'half-term', 'number' => null],
        ['monday' => '2026-11-02', 'term' => 'Autumn', 'name' => 'Autumn, week 8 · B', 'short' => '8 · B', 'number' => 8],
    ];
    ($this->sheet)($this->ada)->assertJsonPath('weeks', $weeks)->assertJsonPath('terms.0.name', 'Autumn');
    $this->as($this->ada, 'GET', '/ruler?from=2026-10-19&to=2026-11-09&tz=Europe/London')->assertJsonPath('weeks', $weeks);
    $this->as($this->ada, 'GET', '/sheet?from=2027-07-01&to=2027-07-08&tz=Europe/London')->assertJsonPath('terms', []);
});

test('what is wrong with a term is told at that term, and nothing of it is kept', function (array $change, string $field, string $why) {
    ($this->decide)(['schoolYear' => array_replace_recursive($this->terms, $change)])->assertUnprocessable()->assertJsonPath('errors.0.field', $field)->assertJsonPath('errors.0.message', $why);
    $this->as($this->root, 'GET', '/organisation')->assertJsonPath('version', 0);
})->with([
    [['terms' => [0 => ['to' => '2026-09-01']]], 'schoolYear.terms.0', 'Autumn ends before it begins.'],
    [['terms' => [0 => ['name' => '']]], 'schoolYear.terms.0', 'Give each term a name.'],
    [['terms' => [1 => ['name' => 'Spring', 'from' => '2026-12-01', 'to' => '2027-03-01']]], 'schoolYear.terms.1', 'Spring begins before Autumn has ended.'],
    [['terms' => [0 => ['from' => 'soon']]], 'schoolYear.terms.0', 'Enter the first and the last day.'],
]);

test('terms are written down, and taken back', function () {
    ($this->decide)(['schoolYear' => $this->terms])->assertOk();
    ($this->decide)(['schoolYear' => ['terms' => []]], 1)->assertOk()->assertJsonPath('schoolYear.terms', []);
    $log = $this->as($this->root, 'GET', '/log?of=changes')->json();
    expect(array_column($log, 'words'))->toBe(['the terms: from Autumn 2026-09-07 to 2026-12-18 to none', 'the terms: from none to Autumn 2026-09-07 to 2026-12-18']);
    $this->as($this->root, 'POST', "/log/{$log[0]['id']}/revert")->assertOk();
    $this->as($this->root, 'GET', '/organisation')->assertJsonPath('schoolYear.terms.0.name', 'Autumn')->assertJsonPath('schoolYear.alternates', true);
});

test('what the calendar of closures closes is closed on every sheet, whatever is drawn; why is told to those who see it', function () {
    $days = $this->calendar($this->root, 'School days');
    $slip = $this->calendar($this->ada, 'Slipway');
    $closed = Category::query()->create(['name' => 'closed', 'closes_day' => true]);
    $this->as($this->root, 'POST', '/events', ['calendar' => $days->slug, 'title' => 'Works day', 'start' => '2026-11-04', 'end' => '2026-11-05', 'allDay' => true, 'categories' => ['closed']])->assertCreated();
    $this->as($this->root, 'POST', '/events', ['calendar' => $days->slug, 'title' => 'Open day', 'start' => '2026-11-05', 'end' => '2026-11-06', 'allDay' => true])->assertCreated();
    $this->as($this->root, 'POST', '/events', ['calendar' => $days->slug, 'title' => 'Secret', 'start' => '2026-11-06', 'end' => '2026-11-07', 'allDay' => true, 'private' => true, 'categories' => ['closed']])->assertCreated();
    ($this->sheet)($this->ada, "&calendar={$slip->slug}")->assertJsonPath('closed', []);
    ($this->decide)(['closures' => $days->slug])->assertOk()->assertJsonPath('closures', $days->slug);
    // Ada sees nothing of that calendar.
    ($this->sheet)($this->ada, "&calendar={$slip->slug}")->assertJsonPath('closed', [['date' => '2026-11-04', 'title' => 'closed']])->assertJsonPath('items', []);
    $this->as($this->ada, 'GET', "/ruler?from=2026-10-19&to=2026-11-09&tz=Europe/London&calendar={$slip->slug}")->assertJsonPath('closed', ['2026-11-04']);
    $this->give($days, SubjectKind::Everyone, Level::See);
    ($this->sheet)($this->ada, "&calendar={$slip->slug}")->assertJsonPath('closed', [['date' => '2026-11-04', 'title' => 'Works day']])->assertJsonPath('items', []);
    // Where the calendar is gone, nothing is closed by it.
    $this->as($this->root, 'DELETE', "/calendars/{$days->slug}");
    ($this->sheet)($this->ada, "&calendar={$slip->slug}")->assertJsonPath('closed', []);
});

test('a calendar that an administrator does not see cannot be said to close days', function () {
    $own = $this->calendar($this->ada, 'Own');
    ($this->decide)(['closures' => 'nowhere'])->assertUnprocessable()->assertJsonPath('errors.0.field', 'closures');
    expect($own->slug)->not->toBe('nowhere');
});

test('weeks are found, typed into fields and said in one line', function () {
    $slip = $this->calendar($this->ada, 'Slipway');
    $find = fn (string $words): ?string => $this->as($this->ada, 'GET', '/find?tz=Europe/London&q='.rawurlencode($words))->json('date');
    $line = fn (string $words): array => $this->as($this->ada, 'GET', '/line?tz=Europe/London&line='.rawurlencode($words))->json();
    expect($find('half-term'))->toBeNull()->and($find('week 2'))->toBe('2026-01-05')->and($line('oar test week 13 9:00')['title'])->toBe('oar test week 13');
    ($this->decide)(['schoolYear' => $this->terms])->assertOk();
    expect($find('week 2'))->toBe('2026-09-14')->and($find('end of term'))->toBe('2026-12-18');
    $this->as($this->ada, 'GET', '/when?kind=date&tz=Europe/London&words=week%2013')->assertJsonPath('value', '2026-12-07');
    expect($line('oar test tue week 13 9:00')['start'])->toBe('2026-12-08T09:00')->and($line('rowing every tue 9:00 until end of term')['repeat']['until'] ?? null)->not->toBeNull();
    expect($slip->name)->toBe('Slipway');
});

/** The days of what is on a calendar, as somebody sees it. */
function daysOf(object $test, object $person, string $slug): array
{
    return array_map(static fn (array $item): string => substr($item['start'], 5, 5), $test->as($person, 'GET', "/sheet?from=2026-10-12&to=2027-03-01&tz=Europe/London&calendar={$slug}")->assertOk()->json('items'));
}

test('a series in term only is on in term, follows the terms and the closures, and tells who looks', function () {
    $days = $this->calendar($this->root, 'School days');
    $keel = $this->calendar($this->ada, 'Keel year');
    Category::query()->create(['name' => 'closed', 'closes_day' => true]);
    ($this->decide)(['schoolYear' => $this->terms, 'closures' => $days->slug])->assertOk();
    $lesson = $this->as($this->ada, 'POST', '/events', ['calendar' => $keel->slug, 'title' => 'Planking', 'start' => '2026-10-13T09:00', 'end' => '2026-10-13T10:00', 'timezone' => 'Europe/London', 'repeat' => ['pick' => ['unit' => 'week', 'weekdays' => ['TU']], 'within' => 'term']])
        ->assertCreated()->assertJsonPath('repeat.within', 'term')->assertJsonPath('repeat.words', 'every week on Tuesday, in term only')->json();
    $all = ['10-13', '10-20', '11-03', '11-10', '11-17', '11-24', '12-01', '12-08', '12-15'];
    expect(daysOf($this, $this->ada, $keel->slug))->toBe($all);
    // A day is closed, another is, and the first no more.
    $mark = $keel->fresh()->revision;
    $works = $this->as($this->root, 'POST', '/events', ['calendar' => $days->slug, 'title' => 'Works day', 'start' => '2026-11-10', 'allDay' => true, 'categories' => ['closed']])->assertCreated()->json('id');
    expect(daysOf($this, $this->ada, $keel->slug))->toBe(array_values(array_diff($all, ['11-10'])))->and($keel->fresh()->revision)->toBeGreaterThan($mark);
    $this->as($this->root, 'PATCH', "/events/{$works}", ['start' => '2026-11-17', 'end' => '2026-11-18'], 1)->assertOk();
    expect(daysOf($this, $this->ada, $keel->slug))->toBe(array_values(array_diff($all, ['11-17'])));
    $this->as($this->root, 'DELETE', "/events/{$works}", [], 2)->assertSuccessful();
    expect(daysOf($this, $this->ada, $keel->slug))->toBe($all);
    // The term becomes shorter; what it does is told before.
    $shorter = array_replace_recursive($this->terms, ['terms' => [0 => ['to' => '2026-12-04']]]);
    $this->as($this->root, 'POST', '/organisation/school-year/preview', ['schoolYear' => $shorter])->assertOk()
        ->assertExactJson(['series' => 1, 'days' => [['date' => '2026-12-08', 'dropped' => 1, 'added' => 0], ['date' => '2026-12-15', 'dropped' => 1, 'added' => 0]]]);
    expect(daysOf($this, $this->ada, $keel->slug))->toBe($all);
    ($this->decide)(['schoolYear' => $shorter], 1)->assertOk();
    expect(daysOf($this, $this->ada, $keel->slug))->toBe(array_slice($all, 0, 7));
    // And longer, with a term more.
    $longer = $this->terms;
    $longer['terms'][] = ['name' => 'Spring', 'from' => '2027-01-11', 'to' => '2027-01-22', 'halfTerms' => []];
    $this->as($this->root, 'POST', '/organisation/school-year/preview', ['schoolYear' => $longer])->assertJsonPath('series', 1)->assertJsonCount(4, 'days')->assertJsonPath('days.3', ['date' => '2027-01-19', 'dropped' => 0, 'added' => 1]);
    ($this->decide)(['schoolYear' => $longer], 2)->assertOk();
    expect(daysOf($this, $this->ada, $keel->slug))->toBe([...$all, '01-12', '01-19'])->and(iterator_to_array(app(VerifyOccurrences::class)->differences(), false))->toBe([])
        // None of it is a change of the event.
        ->and($this->as($this->ada, 'GET', "/events/{$lesson['id']}")->json('version'))->toBe(1);
});

test('a series stays in term as it is changed, moved and undone; it can be every week again', function () {
    $keel = $this->calendar($this->ada, 'Keel year');
    ($this->decide)(['schoolYear' => $this->terms])->assertOk();
    $id = $this->as($this->ada, 'POST', '/events', ['calendar' => $keel->slug, 'title' => 'Planking', 'start' => '2026-10-13T09:00', 'timezone' => 'Europe/London', 'repeat' => ['pick' => ['unit' => 'week', 'weekdays' => ['TU']], 'until' => '2026-11-24', 'within' => 'A']])->assertCreated()->json('id');
    expect(daysOf($this, $this->ada, $keel->slug))->toBe(['10-20', '11-10', '11-24']);
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['title' => 'Planking, practical', 'start' => '2026-10-14T09:00'], 1)->assertOk()->assertJsonPath('repeat.within', 'A');
    expect(daysOf($this, $this->ada, $keel->slug))->toBe(['10-21', '11-11', '11-25']);
    // What says nothing of it leaves it.
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['repeat' => ['pick' => ['unit' => 'week', 'weekdays' => ['WE']], 'until' => '2026-11-12']], 2)->assertOk()->assertJsonPath('repeat.within', 'A');
    $plain = $this->as($this->ada, 'PATCH', "/events/{$id}", ['repeat' => ['pick' => ['unit' => 'week', 'weekdays' => ['WE']], 'until' => '2026-11-12', 'within' => null]], 3)->assertOk()->assertJsonPath('repeat.within', null);
    expect(daysOf($this, $this->ada, $keel->slug))->toBe(['10-14', '10-21', '10-28', '11-04', '11-11']);
    $this->as($this->ada, 'POST', "/operations/{$plain->headers->get('Operation')}/undo")->assertNoContent();
    expect(daysOf($this, $this->ada, $keel->slug))->toBe(['10-21', '11-11']);
    $this->as($this->ada, 'GET', '/repeat?start=2026-10-13&unit=week&weekdays[]=TU&within=B')->assertOk()->assertJsonPath('next', ['2026-10-13', '2026-11-03', '2026-11-17', '2026-12-01', '2026-12-15'])->assertJsonPath('words', 'every week on Tuesday, in B weeks only');
    $this->as($this->ada, 'GET', '/repeat?start=2026-10-13&unit=week&weekdays[]=TU&within=C')->assertUnprocessable();
});

test('others who follow the calendar are told the same days', function () {
    $keel = $this->calendar($this->ada, 'Keel year');
    ($this->decide)(['schoolYear' => $this->terms])->assertOk();
    $this->as($this->ada, 'POST', '/events', ['calendar' => $keel->slug, 'title' => 'Planking', 'start' => '2026-11-03T09:00', 'end' => '2026-11-03T10:00', 'timezone' => 'Europe/London', 'repeat' => ['pick' => ['unit' => 'week', 'weekdays' => ['TU']], 'within' => 'B']])->assertCreated();
    $address = $this->as($this->ada, 'POST', "/calendars/{$keel->slug}/feeds", ['name' => 'Phone', 'detail' => 'full'])->assertCreated()->json('url');
    $this->app['auth']->forgetGuards();
    $file = (string) $this->get((string) parse_url($address, PHP_URL_PATH))->assertOk()->getContent();
    [[$series]] = Make::series($file);
    $starts = array_map(static fn ($each): string => $each->start->local->toDate(), $series->occurrences(0, 4_000_000_000));
    expect($starts)->toBe(['2026-11-03', '2026-11-17', '2026-12-01', '2026-12-15'])->and($file)->not->toContain('SCHOOL');
});

test('the preview is for administrators, and refuses what cannot be', function () {
    $this->as($this->ada, 'POST', '/organisation/school-year/preview', ['schoolYear' => $this->terms])->assertForbidden();
    $this->as($this->root, 'POST', '/organisation/school-year/preview', ['schoolYear' => array_replace_recursive($this->terms, ['terms' => [0 => ['to' => '2026-09-01']]])])->assertUnprocessable()->assertJsonPath('errors.0.field', 'schoolYear.terms.0');
    $this->as($this->root, 'POST', '/organisation/school-year/preview', ['schoolYear' => $this->terms])->assertExactJson(['series' => 0, 'days' => []]);
});
