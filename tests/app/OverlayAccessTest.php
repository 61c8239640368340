<?php

use App\Access\GrantRecord;
use App\Overlays\Overlay;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\SubjectKind;

/** What each level on an overlay is answered: none, Read, Edit, Manage. */
const OVERLAY_OPERATIONS = [
    'GET /sheet?from=2026-11-01&to=2026-11-08&tz=UTC&overlay={slug}' => [404, 200, 200, 200],
    'GET /ruler?from=2026-11-01&to=2026-11-08&tz=UTC&overlay={slug}' => [404, 200, 200, 200],
    'PUT /overlays/{slug}' => [404, 403, 200, 200],
    'GET /overlays/{slug}/file' => [404, 200, 200, 200],
    'POST /overlays/{slug}/feeds' => [404, 403, 403, 201],
    'GET /overlays/{slug}/grants' => [404, 403, 403, 200],
    'PUT /overlays/{slug}/grants' => [404, 403, 403, 200],
    'GET /overlays/{slug}/log' => [404, 403, 403, 200],
    'PUT /overlays/{slug}/keeper' => [404, 403, 403, 200],
    'DELETE /overlays/{slug}' => [404, 403, 403, 204],
    'POST /overlays/{slug}/restore' => [404, 404, 404, 200],
];

test('each level on an overlay is answered as the table says', function (string $operation, array $answers, string $how) {
    foreach ([Level::None, Level::See, Level::Change, Level::Manage] as $index => $level) {
        $keeper = $this->person();
        $viewer = $this->person('Ben Oar');
        $calendar = $this->calendar($viewer);
        $overlay = Overlay::query()->create([
            'slug' => uniqid('overlay-'), 'name' => 'Secret plan', 'keeper_kind' => SubjectKind::Person, 'keeper_id' => $keeper->id,
        ]);
        if ($level !== Level::None) {
            GrantRecord::query()->create([
                'on_kind' => 'overlay', 'on_id' => $overlay->id, 'level' => $level,
                'subject_kind' => $how === 'group' ? SubjectKind::Group : SubjectKind::Person,
                'subject_id' => $how === 'group' ? $this->group(uniqid('group '), $viewer)->id : $viewer->id,
            ]);
        }
        if (str_contains($operation, 'restore')) {
            $overlay->delete();
        }
        [$method, $path] = explode(' ', str_replace('{slug}', $overlay->slug, $operation));
        $answer = $this->as($viewer, $method, $path, [
            'name' => 'Changed', 'detail' => 'full', 'kind' => 'person', 'id' => $keeper->id, 'level' => 'see', 'stays' => 'manage',
            'layers' => [['name' => 'One', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$calendar->slug]]],
        ], 1);
        expect($answer->baseResponse->getStatusCode())->toBe($answers[$index], "{$operation} at {$level->value}");
        if ($answer->baseResponse->getStatusCode() === 404) {
            expect($answer->getContent())->not->toContain('Secret plan');
        }
    }
})->with(array_map(
    static fn (string $operation, array $answers): array => [$operation, $answers],
    array_keys(OVERLAY_OPERATIONS),
    OVERLAY_OPERATIONS,
))->with(['person', 'group']);

test('an overlay is listed to those who may look through it', function () {
    [$ada, $ben] = [$this->person(), $this->person('Ben Oar')];
    $group = $this->group('Coordination', $ada);
    Overlay::query()->create(['slug' => 'ours', 'name' => 'Ours', 'keeper_kind' => SubjectKind::Group, 'keeper_id' => $group->id]);
    $this->as($ada, 'GET', '/overlays')->assertJsonPath('0.level', 'manage')->assertJsonPath('0.keeper.name', 'Coordination');
    $this->as($ben, 'GET', '/overlays')->assertExactJson([]);
    GrantRecord::query()->create([
        'on_kind' => 'overlay', 'on_id' => Overlay::query()->value('id'), 'level' => Level::BusyTimes,
        'subject_kind' => SubjectKind::Everyone, 'subject_id' => 0,
    ]);
    $this->as($ben, 'GET', '/overlays')->assertExactJson([]);
});

test('a layer of calendars that one may not see tells neither their names nor how many there are', function () {
    $ada = $this->person();
    $ben = $this->person('Ben Oar');
    $seen = $this->calendar($ada, 'Open days');
    $this->give($seen, $ben, Level::See);
    $hidden = [$this->calendar($ada, 'Dismissals'), $this->calendar($ada, 'Hospital')];
    $layer = fn (string $name, $calendars): array => ['name' => $name, 'colour' => 'sea', 'mark' => 'disc', 'calendars' => array_map(fn ($each): string => $each->slug, $calendars)];
    $slug = $this->as($ada, 'POST', '/overlays', ['name' => 'All', 'layers' => [$layer('One', [$hidden[0]]), $layer('Two', [$seen, ...$hidden]), $layer('Three', [$seen])]])->assertCreated()->json('slug');
    $this->as($ada, 'PUT', "/overlays/{$slug}/grants", ['kind' => 'everyone', 'level' => 'see'])->assertOk();
    $told = fn ($viewer): array => array_column($this->as($viewer, 'GET', "/sheet?from=2026-11-01&to=2026-11-08&tz=UTC&overlay={$slug}")->assertOk()->json('layers'), 'about');
    expect($told($ben))->toBe(['nothing that you may see', 'Open days', 'Open days'])
        ->and($told($ada))->toBe(['Dismissals', '3 calendars', 'Open days']);
    expect($this->as($ben, 'GET', "/sheet?from=2026-11-01&to=2026-11-08&tz=UTC&overlay={$slug}")->getContent())->not->toContain('Dismissals')->not->toContain('Hospital')
        ->and($this->as($ben, 'GET', '/overlays')->getContent())->not->toContain('Dismissals')->not->toContain('Hospital');
});
