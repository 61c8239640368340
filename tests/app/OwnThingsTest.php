<?php

use App\Calendars\Calendar;
use App\Calendars\OwnCalendar;
use App\Directory\OwnThings;
use App\Directory\Person;
use App\Overlays\HomeSheet;
use App\Overlays\Overlay;
use Illuminate\Auth\Events\Login;
use PinnedRota\Core\Access\Level;

/* Everybody has a calendar and a sheet of their own from the first day. */
beforeEach(function () {
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->come = function (Person $person): void {
        event(new Login('web', $person, false));
    };
    $this->home = fn (Person $person): array => collect($this->as($person, 'GET', '/overlays')->json())->firstWhere('home', true);
    $this->layers = fn (Person $person): array => array_column(($this->home)($person)['layers'], 'name');
});

test('whoever comes in has a calendar and a sheet of their own, once, and nobody else sees them', function () {
    ($this->come)($this->ben);
    ($this->come)($this->ben);
    $own = OwnCalendar::of($this->ben);
    expect(Calendar::query()->where('own_of', $this->ben->id)->count())->toBe(1)->and(Overlay::query()->where('home_of', $this->ben->id)->count())->toBe(1)
        ->and(array_column($this->as($this->ben, 'GET', '/calendars')->json(), 'own', 'name'))->toBe(['Ben Oar: own calendar' => true])
        ->and(array_column($this->as($this->ada, 'GET', '/calendars')->json(), 'name'))->toBe(['Slipway'])
        ->and(collect($this->as($this->ada, 'GET', '/overlays')->json())->all())->toBe([]);
    $this->as($this->person('Root', ['role' => 'administrator']), 'GET', "/calendars/{$own->slug}/managers")->assertNotFound();
});

test('whoever is added has them before they come in', function () {
    $root = $this->person('Root', ['role' => 'administrator']);
    $this->as($root, 'POST', '/people', ['name' => 'Cy New', 'email' => 'cy@example.org', 'role' => 'member'])->assertSuccessful();
    expect(Calendar::query()->where('own_of', Person::query()->where('name', 'Cy New')->value('id'))->sole()->name)->toBe('Cy New: own calendar');
});

test('a home sheet begins with what one is in, one’s own, and what was shared by name', function () {
    $loft = $this->calendar($this->ada, 'Loft');
    $this->give($loft, $this->ben, Level::See);
    $this->give($this->slip, $this->groupOf($this->group('Crew', $this->ben)), Level::See);
    ($this->come)($this->ben);
    expect(($this->layers)($this->ben))->toBe(['What I am in', 'Mine', 'Loft', 'The rest of my list']);
    $this->as($this->ada, 'POST', '/events', ['calendar' => $loft->slug, 'title' => 'Rigging', 'start' => '2026-11-10T09:00', 'end' => '2026-11-10T10:00', 'participants' => [['kind' => 'person', 'id' => $this->ben->id, 'name' => 'Ben Oar', 'part' => 'required']]])->assertCreated();
    $this->as($this->ada, 'POST', '/events', ['calendar' => $loft->slug, 'title' => 'Sails', 'start' => '2026-11-11T09:00', 'end' => '2026-11-11T10:00'])->assertCreated();
    $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-12T09:00');
    $sheet = $this->as($this->ben, 'GET', '/sheet?from=2026-11-09&to=2026-11-16&tz=Europe/London&overlay='.($this->home)($this->ben)['slug'])->assertOk();
    expect(array_map(fn (array $item): string => "{$item['title']} {$item['layer']}", $sheet->json('items')))->toBe(['Rigging 0', 'Sails 2', 'Haul out 3']);
});

test('what is shared is a layer of it as soon as one wants to look, once', function () {
    ($this->come)($this->ben);
    $share = fn (string $level) => $this->as($this->ada, 'PUT', "/calendars/{$this->slip->slug}/grants", ['kind' => 'person', 'id' => $this->ben->id, 'level' => $level])->assertSuccessful();
    $share('see');
    $waiting = $this->as($this->ben, 'GET', '/waiting')->json('invitations.0');
    expect(($this->layers)($this->ben))->toBe(['What I am in', 'Mine', 'The rest of my list']);
    $this->as($this->ben, 'PUT', "/invitations/{$waiting['id']}", ['accepted' => true, 'look' => true])->assertNoContent();
    $this->as($this->ben, 'PUT', "/invitations/{$waiting['id']}", ['accepted' => true, 'look' => true])->assertNoContent();
    expect(($this->layers)($this->ben))->toBe(['What I am in', 'Mine', 'Slipway', 'The rest of my list'])->and(($this->home)($this->ben)['version'])->toBe(2);
    // Declined, nothing is put anywhere.
    $this->as($this->ben, 'PUT', "/invitations/{$waiting['id']}", ['accepted' => false, 'look' => true])->assertNoContent();
    expect(($this->home)($this->ben)['layers'][2]['calendars'] ?? [])->toBe([]);
});

test('a home sheet is changed as any other, and not deleted', function () {
    ($this->come)($this->ben);
    $home = ($this->home)($this->ben);
    $this->as($this->ben, 'DELETE', "/overlays/{$home['slug']}")->assertStatus(409);
    $this->as($this->ben, 'PUT', "/overlays/{$home['slug']}", ['name' => 'My week', 'openingView' => 'week', 'layers' => [['name' => 'All', 'colour' => 'sea', 'mark' => 'disc', 'takes' => 'all', 'calendars' => [], 'conditions' => []]]], 1)->assertOk()->assertJsonPath('home', true);
    expect(HomeSheet::of($this->ben)->name)->toBe('My week');
});

test('somebody who goes leaves nothing of their own to hand over, and keeps nobody from going', function () {
    $root = $this->person('Root', ['role' => 'administrator']);
    OwnThings::of($this->ben);
    $this->as($root, 'GET', "/people/{$this->ben->id}/kept")->assertOk()->assertJsonPath('calendars', [])->assertJsonPath('overlays', []);
    $this->as($root, 'POST', "/people/{$this->ben->id}/departure", ['handovers' => []])->assertSuccessful();
    expect($this->ben->fresh()->status)->toBe('left');
});

test('an own calendar that was handed over is another one’s, and a new one is made', function () {
    $own = OwnCalendar::of($this->ben);
    $this->as($this->ben, 'PUT', "/calendars/{$own->slug}/keeper", ['kind' => 'person', 'id' => $this->ada->id, 'stays' => 'see'])->assertOk();
    expect(collect($this->as($this->ada, 'GET', '/calendars')->json())->firstWhere('slug', $own->slug)['own'])->toBeFalse();
    $new = OwnCalendar::of($this->ben);
    expect($new->id)->not->toBe($own->id)->and($own->fresh()->own_of)->toBeNull()->and(OwnCalendar::of($this->ben)->id)->toBe($new->id);
});

test('what one may read is kept on one’s own by a pin, and nobody learns of it who may not', function () {
    $this->give($this->slip, $this->ben, Level::See);
    $own = OwnCalendar::of($this->ben);
    $event = $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-10T09:00');
    $this->as($this->ben, 'POST', "/events/{$event->id}/pins", ['calendar' => $own->slug])->assertNoContent();
    expect(array_column($this->as($this->ben, 'GET', "/sheet?from=2026-11-09&to=2026-11-16&tz=Europe/London&calendar={$own->slug}")->json('items'), 'title'))->toBe(['Haul out']);
    $this->as($this->person('Cy'), 'POST', "/events/{$event->id}/pins", ['calendar' => $own->slug])->assertNotFound();
});

test('a calendar is seen in a colour of one’s own, by nobody else, and as it has been given again', function () {
    $this->give($this->slip, $this->ben, Level::See);
    $look = fn (?string $colour, ?string $mark) => $this->as($this->ben, 'PUT', "/calendars/{$this->slip->slug}/look", compact('colour', 'mark'));
    $layer = fn (Person $person): array => collect($this->as($person, 'GET', "/sheet?from=2026-11-09&to=2026-11-16&tz=Europe/London&calendar={$this->slip->slug}")->json('layers.0'))->only(['colour', 'mark'])->all();
    $given = $layer($this->ben);
    $look('rose', 'star')->assertOk()->assertJsonPath('colour', 'rose')->assertJsonPath('givenColour', $given['colour']);
    expect($layer($this->ben))->toBe(['colour' => 'rose', 'mark' => 'star'])->and($layer($this->ada))->toBe($given)
        // It is no choice of what is on the list.
        ->and($this->as($this->ben, 'GET', '/calendars')->json('0.onList'))->toBeTrue();
    $this->as($this->ben, 'PUT', "/calendars/{$this->slip->slug}/list", ['onList' => false])->assertOk()->assertJsonPath('colour', 'rose')->assertJsonPath('onList', false);
    $look(null, null)->assertOk()->assertJsonPath('colour', $given['colour'])->assertJsonPath('onList', false);
    $look('beige', null)->assertUnprocessable();
});
