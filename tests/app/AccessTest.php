<?php

use App\Calendars\Calendar;
use App\Directory\Person;
use Illuminate\Support\Facades\Route;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;

/**
 * Every operation of the API on a calendar or an event, and what each level is answered.
 * None, Busy times, Read, Contribute, Edit, Manage; the event is somebody else's and not private.
 */
const OPERATIONS = [
    'PATCH calendars/{slug}' => [404, 403, 403, 403, 403, 200],
    'DELETE calendars/{slug}' => [404, 403, 403, 403, 403, 204],
    'POST calendars/{slug}/restore' => [404, 404, 404, 404, 404, 200],
    'GET calendars/{slug}/grants' => [404, 403, 403, 403, 403, 200],
    'PUT calendars/{slug}/grants' => [404, 403, 403, 403, 403, 200],
    'POST events' => [422, 422, 422, 201, 201, 201],
    'GET events/{id}' => [404, 200, 200, 200, 200, 200],
    'PATCH events/{id}' => [404, 403, 403, 403, 200, 200],
    'DELETE events/{id}' => [404, 403, 403, 403, 204, 204],
    'POST events/{id}/restore' => [404, 403, 403, 403, 200, 200],
    'POST calendars/{slug}/feeds' => [404, 403, 403, 403, 403, 201],
    'POST calendars/{slug}/imports' => [404, 403, 403, 403, 422, 422],
];

/** Operations that are about no one calendar: other tests are about them. */
const OTHERS = [
    'GET session', 'POST session', 'DELETE session', 'PUT session/password', 'GET health', 'GET changes', 'GET directory', 'GET groups', 'POST groups', 'PATCH groups/{id}', 'DELETE groups/{id}', 'PUT groups/{id}/members',
    'GET calendars', 'POST calendars', 'GET categories', 'GET sheet', 'GET ruler',
    'GET overlays', 'POST overlays', 'PUT overlays/{slug}', 'DELETE overlays/{slug}', 'POST overlays/{slug}/restore', 'PUT overlays/{slug}/everyone',
    'GET feeds', 'DELETE feeds/{id}', 'POST imports/{id}/apply', 'GET sources', 'POST sources', 'POST sources/{id}/refresh',
];

test('no operation is left out of these tests', function () {
    $known = [...array_keys(OPERATIONS), ...OTHERS];
    foreach (Route::getRoutes()->getRoutes() as $route) {
        if (str_starts_with($route->uri(), 'api/v1/')) {
            expect($route->methods()[0].' '.substr($route->uri(), 7))->toBeIn($known);
        }
    }
});

test('each level is answered as the table says, however it is held', function (string $how, string $operation, array $answers) {
    foreach ([Level::None, Level::BusyTimes, Level::Read, Level::Contribute, Level::Edit, Level::Manage] as $index => $level) {
        $ada = $this->person();
        $viewer = $this->person('Ben Oar', $how === 'suspended' ? ['status' => 'suspended'] : []);
        $calendar = $this->calendar($ada);
        $event = $this->add($calendar, $ada);
        if ($level !== Level::None) {
            $this->give($calendar, match ($how) {
                'group' => $this->group(uniqid('group '), $viewer),
                'nested group' => $this->groupOf($this->groupOf($this->group(uniqid('group '), $viewer))),
                'everyone' => SubjectKind::Everyone,
                default => $viewer,
            }, $level);
        }
        [$method, $path] = explode(' ', $operation);
        if ($operation === 'POST calendars/{slug}/restore') {
            $calendar->delete();
        } elseif ($operation === 'POST events/{id}/restore') {
            $event->delete();
        }
        $body = match ($operation) {
            'PUT calendars/{slug}/grants' => ['kind' => 'person', 'id' => $viewer->id, 'level' => 'read'],
            'POST events' => ['calendar' => $calendar->slug, 'title' => 'x', 'start' => '2026-11-10T09:00'],
            'POST calendars/{slug}/feeds' => ['name' => 'x', 'detail' => 'full'],
            default => [],
        };
        $answer = $this->as($viewer, $method, '/'.str_replace(['{slug}', '{id}'], [$calendar->slug, (string) $event->id], $path), $body, 1);
        expect($answer->status())->toBe($how === 'suspended' ? 401 : $answers[$index], "{$operation} at {$level->value} by {$how}");
        if (in_array($answer->status(), [401, 403, 404], true)) {
            expect($answer->getContent())->not->toContain($calendar->name)->not->toContain($event->title);
        }
        Calendar::query()->forceDelete();
    }
})->with(['person', 'group', 'nested group', 'everyone', 'suspended'])->with(array_map(fn (string $operation, array $answers): array => [$operation, $answers], array_keys(OPERATIONS), OPERATIONS));

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
    })->with([[Level::BusyTimes], [Level::Read], [Level::Contribute]]);

    test('who may edit sees all of it', function () {
        $this->give($this->calendar, $this->ben, Level::Edit);
        $this->sheet($this->ben, '2026-11-01', '2026-12-01')->assertJsonPath('items.0.title', 'Hospital')->assertJsonPath('items.0.private', true);
    });

    test('a quick filter cannot be used to ask what a hidden event is', function () {
        $this->give($this->calendar, $this->ben, Level::Read);
        $this->sheet($this->ben, '2026-11-01', '2026-12-01', '&categories[]=health')->assertJsonCount(0, 'items');
        $this->sheet($this->ada, '2026-11-01', '2026-12-01', '&categories[]=health')->assertJsonCount(2, 'items');
    });

    test('losing access takes effect at the next request', function () {
        $this->give($this->calendar, $this->ben, Level::Edit);
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
    $this->as($ada, 'PUT', "/calendars/{$calendar->slug}/grants", ['kind' => 'person', 'id' => $ben->id, 'level' => 'edit'])->assertOk()
        ->assertJsonPath('keeper.name', 'Ada Quill')->assertJsonPath('grants.0.name', 'Everyone in the organisation')->assertJsonPath('grants.1.level', 'edit');
    $this->as($ben, 'GET', '/calendars')->assertJsonPath('0.level', 'edit')->assertJsonPath('0.reasons', ['given to Ben Oar', 'given to everyone in the organisation']);
    $this->as($ada, 'PUT', "/calendars/{$calendar->slug}/grants", ['kind' => 'person', 'id' => 999_999, 'level' => 'edit'])->assertNotFound();
    $this->as($ada, 'PUT', "/calendars/{$calendar->slug}/grants", ['kind' => 'public', 'level' => 'edit'])->assertUnprocessable();
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
