<?php

use App\Directory\Person;
use PinnedRota\Core\Access\Level;

describe('what is hidden', function () {
    beforeEach(function () {
        $this->ada = $this->person();
        $this->ben = $this->person('Ben Oar');
        $this->calendar = $this->calendar($this->ada, 'Staff away');
        $this->secrets = ['Hospital', 'Ward 7', 'kneecap', 'health', 'example.net', 'Ada Quill,', 'FREQ'];
        $this->event = $this->add($this->calendar, $this->ada, title: 'Hospital', start: '2026-11-10T09:00', rule: 'FREQ=WEEKLY;COUNT=2', more: [
            'place' => 'Ward 7', 'description' => 'kneecap', 'categories' => ['health'], 'link' => 'https://example.net', 'private' => true,
        ]);
        $this->answers = function (Person $viewer): string {
            $id = $this->event->id;

            return implode("\n", array_map(fn (string $path): string => $this->as($viewer, 'GET', $path)->getContent(), [
                '/sheet?from=2026-11-01&to=2026-12-01&tz=Europe/London', "/sheet?from=2026-11-01&to=2026-12-01&tz=Europe/London&calendar={$this->calendar->slug}",
                "/events/{$id}", "/events/{$id}?occurrence=2026-11-10T09:00:00Z", '/categories',
            ]));
        };
    });

    test('a private event is busy to all below Edit, and nothing else of it is told', function (Level $level) {
        $this->give($this->calendar, $this->ben, $level);
        $seen = $this->sheet($this->ben, '2026-11-01', '2026-12-01');
        $seen->assertJsonCount(2, 'items')->assertJsonPath('items.0.title', 'Busy')->assertJsonPath('items.0.busyOnly', true)->assertJsonPath('categories', []);
        // From Read on, the names of a calendar's categories are known; which event has one is not.
        $secrets = $level === Level::BusyTimes ? $this->secrets : array_diff($this->secrets, ['health']);
        foreach ($secrets as $secret) {
            expect(($this->answers)($this->ben))->not->toContain($secret);
        }
    })->with([[Level::BusyTimes], [Level::See], [Level::Add]]);

    test('who may edit sees all of it', function () {
        $this->give($this->calendar, $this->ben, Level::Change);
        $this->sheet($this->ben, '2026-11-01', '2026-12-01')->assertJsonPath('items.0.title', 'Hospital')->assertJsonPath('items.0.private', true);
    });

    test('a quick filter cannot be used to ask what a hidden event is', function () {
        $this->give($this->calendar, $this->ben, Level::See);
        $this->sheet($this->ben, '2026-11-01', '2026-12-01', '&categories[]=health')->assertJsonCount(0, 'items');
        $this->sheet($this->ada, '2026-11-01', '2026-12-01', '&categories[]=health')->assertJsonCount(2, 'items');
    });

    test('losing access takes effect at the next request', function () {
        $this->give($this->calendar, $this->ben, Level::Change);
        $this->as($this->ben, 'GET', "/events/{$this->event->id}")->assertOk();
        $this->as($this->ada, 'PUT', "/calendars/{$this->calendar->slug}/grants", ['kind' => 'person', 'id' => $this->ben->id, 'level' => 'none'])->assertOk()->assertJsonCount(0, 'grants');
        $this->as($this->ben, 'GET', "/events/{$this->event->id}")->assertNotFound();
        $this->as($this->ben, 'GET', '/calendars')->assertExactJson([]);
    });
});

test('sharing is told to those who manage, and shows at once to those it is for', function () {
    [$ada, $ben] = [$this->person(), $this->person('Ben Oar')];
    $calendar = $this->calendar($ada, 'Slipway');
    $this->as($ada, 'PUT', "/calendars/{$calendar->slug}/grants", ['kind' => 'everyone', 'level' => 'busy'])->assertOk();
    $this->as($ada, 'PUT', "/calendars/{$calendar->slug}/grants", ['kind' => 'person', 'id' => $ben->id, 'level' => 'change'])->assertOk()
        ->assertJsonPath('keeper.name', 'Ada Quill')->assertJsonPath('grants.0.name', 'Everyone in the organisation')->assertJsonPath('grants.1.level', 'change');
    $this->as($ben, 'GET', '/calendars')->assertJsonPath('0.level', 'change')->assertJsonPath('0.reasons', ['given to Ben Oar', 'open to everyone here']);
    $this->as($ada, 'PUT', "/calendars/{$calendar->slug}/grants", ['kind' => 'person', 'id' => 999_999, 'level' => 'change'])->assertNotFound();
    $this->as($ada, 'PUT', "/calendars/{$calendar->slug}/grants", ['kind' => 'public', 'level' => 'change'])->assertUnprocessable();
});

test('the directory finds people and groups by parts of their names', function () {
    $ada = $this->person('Ada Quill', ['post' => 'Rigger']);
    $this->group('Rigging loft', $ada);
    $this->person('Gone Away', ['status' => 'left']);
    $this->as($ada, 'GET', '/directory?q=rigg')->assertJsonPath('*.name', ['Rigging loft', 'Ada Quill'])->assertJsonPath('0.about', '1 person');
    $this->as($ada, 'GET', '/directory?q=qui+ada')->assertJsonCount(1);
    $this->as($ada, 'GET', '/directory?q=%25')->assertJsonCount(0);
    $this->as($ada, 'GET', '/directory?q=gone')->assertJsonCount(0);
});

test('what one may not see is answered letter for letter like what was never there', function (string $method, string $path, array $body) {
    [$ada, $ben] = [$this->person(), $this->person('Ben Oar')];
    $calendar = $this->calendar($ada, 'Dismissals');
    $event = $this->add($calendar, $ada, title: 'Hearing');
    $ask = function (string $slug, int $id) use ($ben, $method, $path, $body): array {
        $answer = $this->as($ben, $method, strtr($path, ['{slug}' => $slug, '{id}' => (string) $id]), array_map(fn ($value) => $value === '{slug}' ? $slug : $value, $body), 1);

        return [$answer->status(), $answer->getContent(), $answer->headers->get('ETag')];
    };
    expect($ask($calendar->slug, $event->id))->toBe($ask('never-there', 999_999));
})->with([
    ['GET', '/events/{id}', []],
    ['GET', '/events/{id}?occurrence=2026-11-02T09:30:00Z', []],
    ['PATCH', '/events/{id}', ['title' => 'x']],
    ['DELETE', '/events/{id}', []],
    ['POST', '/events/{id}/restore', []],
    ['POST', '/events', ['calendar' => '{slug}', 'title' => 'x', 'start' => '2026-11-02T09:00']],
    ['GET', '/sheet?from=2026-11-01&to=2026-12-01&tz=UTC&calendar={slug}', []],
    ['GET', '/ruler?from=2026-11-01&to=2026-12-01&tz=UTC&calendar={slug}', []],
    ['GET', '/calendars/{slug}/managers', []],
    ['GET', '/calendars/{slug}/grants', []],
    ['GET', '/calendars/{slug}/log', []],
    ['POST', '/calendars/{slug}/requests', ['level' => 'see']],
    ['PUT', '/calendars/{slug}/list', ['onList' => true]],
    ['PUT', '/calendars/{slug}/look', ['colour' => 'rose', 'mark' => 'star']],
    ['POST', '/categories', ['calendar' => '{slug}', 'name' => 'x']],
    ['GET', '/directory/calendars?q={slug}', []],
]);

test('the marks of changes of who sees nothing of a calendar stands still, whatever is done on it', function () {
    [$ada, $ben] = [$this->person(), $this->person('Ben Oar')];
    $calendar = $this->calendar($ada, 'Dismissals');
    $marks = fn (): array => $this->as($ben, 'GET', '/changes')->json('marks');
    $before = $marks();
    $event = $this->as($ada, 'POST', '/events', ['calendar' => $calendar->slug, 'title' => 'Hearing', 'start' => '2026-11-02T09:00'])->assertCreated();
    $this->as($ada, 'PATCH', "/events/{$event->json('id')}", ['title' => 'Another'], 1)->assertOk();
    expect($marks())->toBe($before);
});
