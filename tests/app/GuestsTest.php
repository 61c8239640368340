<?php

use App\Directory\OwnThings;
use App\Invitations\EventInvitation;
use App\Sources\Source;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use Tests\Support\SentLetter;

// What those who are asked may do beyond answering.

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill', ['role' => 'administrator']);
    [$this->ben, $this->cy, $this->dee] = array_map(function (string $name) {
        $person = $this->person($name);
        OwnThings::of($person);

        return $person;
    }, ['Ben Oar', 'Cy Brook', 'Dee Winch']);
    // A calendar that none of them sees.
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->asking = fn (array $guests, array $more = []): int => $this->as($this->ada, 'POST', '/events', $more + [
        'calendar' => $this->slip->slug, 'title' => 'Oar test', 'start' => '2026-12-01T14:00', 'guests' => $guests,
        'participants' => [['kind' => 'person', 'id' => $this->ben->id, 'part' => 'required'], ['kind' => 'person', 'id' => $this->cy->id, 'part' => 'required'], ['kind' => 'address', 'address' => 'guest@elsewhere.example', 'name' => 'Gus Guest', 'part' => 'required']],
    ])->assertCreated()->json('id');
    $this->names = fn ($person, int $id): array => array_column($this->as($person, 'GET', "/events/{$id}")->assertOk()->json('participants'), 'name');
    $this->bring = fn ($person, int $id, array ...$guests) => $this->as($person, 'POST', "/events/{$id}/guests", ['guests' => $guests]);
    $this->page = function (): string {
        $this->travel(600)->seconds();
        SentLetter::all();
        auth()->forgetGuards();

        return '/asked/'.EventInvitation::query()->where('address', 'guest@elsewhere.example')->sole()->code();
    };
});

test('who is only asked sees themselves; where the event lets them, all who are asked', function () {
    $id = ($this->asking)([]);
    expect(($this->names)($this->ben, $id))->toBe(['Ben Oar'])->and($this->as($this->ben, 'GET', "/events/{$id}")->json('seesAsked'))->toBeFalse()
        ->and($this->get(parse_url($this->as($this->ben, 'POST', '/feeds', ['name' => 'My phone', 'detail' => 'full'])->assertCreated()->json('url'), PHP_URL_PATH))->assertOk()->getContent())->toContain('Oar test')->not->toContain('Cy Brook')
        ->and($this->as($this->ben, 'GET', "/events/{$id}/file")->assertOk()->streamedContent())->toContain('Ben Oar')->not->toContain('Cy Brook');
    // On a calendar that one sees one sees who takes part.
    $this->give($this->slip, $this->cy, Level::See);
    expect(($this->names)($this->cy, $id))->toBe(['Ben Oar', 'Cy Brook', 'Gus Guest']);
    $this->get(($this->page)())->assertDontSee('Who else is asked')->assertDontSee('Cy Brook');
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['guests' => ['see']], 1)->assertOk();
    expect(($this->names)($this->ben, $id))->toBe(['Ben Oar', 'Cy Brook', 'Gus Guest']);
    $this->get(($this->page)())->assertSee('Who else is asked')->assertSee('Cy Brook');
});

test('who is asked asks others where the event lets them: people, and addresses', function () {
    $id = ($this->asking)(['bring']);
    $this->as($this->ben, 'GET', "/events/{$id}")->assertJsonPath('mayBring', true)->assertJsonPath('mayChange', false);
    ($this->bring)($this->ben, $id, ['kind' => 'person', 'id' => $this->dee->id], ['kind' => 'address', 'address' => 'Friend@elsewhere.example', 'name' => 'Fay Friend'])->assertCreated()->assertJson(['asked' => 2]);
    expect(($this->names)($this->ada, $id))->toBe(['Ben Oar', 'Cy Brook', 'Gus Guest', 'Dee Winch', 'Fay Friend'])
        ->and(array_column($this->as($this->dee, 'GET', '/waiting')->json('asked'), 'title'))->toBe(['Oar test']);
    $this->travel(600)->seconds();
    $to = array_map(static fn (SentLetter $each): string => $each->to, SentLetter::all());
    expect($to)->toContain($this->dee->email)->toContain('friend@elsewhere.example');
    // Who is asked already is not asked twice, and keeps the part that they have.
    ($this->bring)($this->ben, $id, ['kind' => 'person', 'id' => $this->cy->id])->assertStatus(422)->assertJsonPath('errors.0.message', 'They are asked already.');
    // Whoever is brought may bring others, too; nobody brings whom they are not asked with.
    ($this->bring)($this->dee, $id, ['kind' => 'address', 'address' => 'more@elsewhere.example'])->assertCreated();
    ($this->bring)($this->person('Eve Else'), $id, ['kind' => 'address', 'address' => 'eve@elsewhere.example'])->assertNotFound();
});

test('to one time of a series others are asked to that time', function () {
    $id = ($this->asking)(['bring'], ['repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 3]]);
    $this->as($this->ben, 'POST', "/events/{$id}/guests", ['guests' => [['kind' => 'person', 'id' => $this->dee->id]], 'occurrence' => '2026-12-08T14:00:00Z'])->assertCreated();
    expect(array_column($this->as($this->ada, 'GET', "/events/{$id}?occurrence=2026-12-08T14:00:00Z")->json('participants'), 'name'))->toContain('Dee Winch')
        ->and(array_column($this->as($this->ada, 'GET', "/events/{$id}?occurrence=2026-12-15T14:00:00Z")->json('participants'), 'name'))->not->toContain('Dee Winch');
});

test('without that right, or with what is nobody, nothing is asked', function () {
    $id = ($this->asking)(['see']);
    ($this->bring)($this->ben, $id, ['kind' => 'person', 'id' => $this->dee->id])->assertForbidden();
    $id = ($this->asking)(['bring']);
    foreach ([[], [['kind' => 'group', 'id' => 1]], [['kind' => 'address', 'address' => 'nobody']], [['kind' => 'person']], array_fill(0, 11, ['kind' => 'person', 'id' => $this->dee->id]), 'all'] as $guests) {
        $this->as($this->ben, 'POST', "/events/{$id}/guests", ['guests' => $guests])->assertStatus(422);
    }
    expect(($this->names)($this->ada, $id))->toHaveCount(3);
});

test('a guest brings somebody from the page of their letter, without an account', function () {
    ($this->asking)([]);
    $page = ($this->page)();
    $this->get($page)->assertDontSee('Bring somebody');
    $this->post("{$page}/guests", ['address' => 'friend@elsewhere.example'])->assertStatus(422)->assertSee('does not ask others');
    EventInvitation::query()->delete();
    $id = ($this->asking)(['bring'], ['title' => 'Regatta']);
    $page = ($this->page)();
    $this->get($page)->assertSee('Bring somebody');
    $this->post("{$page}/guests", ['address' => 'friend@'])->assertStatus(422)->assertSee('This is no mail address.');
    $this->post("{$page}/guests", ['address' => 'friend@elsewhere.example', 'name' => 'Fay Friend'])->assertRedirect("{$page}?brought=1");
    expect(($this->names)($this->ada, $id))->toContain('Fay Friend');
    $this->post("{$page}/guests", ['address' => ['friend@elsewhere.example']])->assertStatus(422);
});

test('who is asked changes the event where it lets them, and undoes it; they neither delete it nor put it elsewhere', function () {
    $id = ($this->asking)(['change']);
    $this->as($this->ben, 'GET', "/events/{$id}")->assertJsonPath('mayChange', true)->assertJsonPath('mayDelete', false);
    $operation = $this->as($this->ben, 'PATCH', "/events/{$id}", ['place' => 'Slip 3'], 1)->assertOk()->assertJsonPath('place', 'Slip 3')->headers->get('Operation');
    $this->as($this->ben, 'DELETE', "/events/{$id}", [], 2)->assertForbidden()->assertJsonPath('detail', 'Who is asked may change this event, not delete it or put it elsewhere.');
    $this->as($this->ben, 'PATCH', "/events/{$id}", ['calendar' => DB::table('calendars')->where('own_of', $this->ben->id)->value('slug')], 2)->assertForbidden();
    $this->as($this->ben, 'GET', "/events/{$id}/history")->assertNotFound();
    $this->as($this->ben, 'POST', "/operations/{$operation}/undo")->assertNoContent();
    $this->as($this->ada, 'GET', "/events/{$id}")->assertJsonPath('place', '');
    // Others who are not asked change nothing, and who is taken off does not any more.
    $this->as($this->dee, 'PATCH', "/events/{$id}", ['place' => 'Slip 4'], 3)->assertNotFound();
    $version = $this->as($this->ada, 'GET', "/events/{$id}")->json('version');
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['participants' => [['kind' => 'person', 'id' => $this->cy->id, 'part' => 'required']]], $version)->assertOk();
    $this->as($this->ben, 'PATCH', "/events/{$id}", ['place' => 'Slip 4'], $version + 1)->assertNotFound();
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['guests' => []], $version + 1)->assertOk();
    $this->as($this->cy, 'PATCH', "/events/{$id}", ['place' => 'Slip 4'], $version + 2)->assertForbidden();
});

test('what comes from outside, or is put away, gives nobody anything, whatever its file says', function () {
    $id = ($this->asking)(['change', 'bring']);
    $this->slip->update(['archived_at' => now()]);
    $this->as($this->ben, 'PATCH', "/events/{$id}", ['place' => 'Slip 3'], 1)->assertForbidden();
    ($this->bring)($this->ben, $id, ['kind' => 'person', 'id' => $this->dee->id])->assertForbidden();
    $this->slip->update(['archived_at' => null]);
    Source::query()->create(['calendar_id' => $this->slip->id, 'url' => 'https://elsewhere.example/a.ics', 'refresh_minutes' => 60]);
    $this->as($this->ben, 'PATCH', "/events/{$id}", ['place' => 'Slip 3'], 1)->assertForbidden();
});

test('asking before it is settled is a choice of the event, and its calendar’s where it says nothing', function (?string $event, bool $calendar, bool $asks) {
    $this->as($this->ada, 'PATCH', "/calendars/{$this->slip->slug}", ['asksProvisional' => $calendar], 1)->assertOk()->assertJsonPath('asksProvisional', $calendar);
    $id = ($this->asking)([], ['status' => 'provisional', 'askWhen' => $event]);
    $this->as($this->ada, 'GET', "/events/{$id}")->assertJsonPath('asks', $asks)->assertJsonPath('askWhen', $event);
    $this->travel(600)->seconds();
    $letters = SentLetter::all();
    $asked = $this->as($this->ben, 'GET', '/waiting')->json('asked');
    expect(array_map(static fn (SentLetter $each): string => $each->to, $letters))->toHaveCount($asks ? 3 : 0)->and(array_column($asked, 'provisional'))->toBe($asks ? [true] : [])
        ->and(array_column($this->sheet($this->ben, '2026-11-30', '2026-12-07')->json('items'), 'title'))->toBe($asks ? ['Oar test'] : []);
    if ($asks) {
        expect($letters[0]->text())->toContain('provisional, it may still change');
    }
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['status' => 'confirmed'], 1)->assertOk();
    $this->travel(600)->seconds();
    expect(count(SentLetter::all()))->toBe(3)->and(array_column($this->as($this->ben, 'GET', '/waiting')->json('asked'), 'provisional'))->toBe([false]);
})->with(['nobody says so' => [null, false, false], 'the calendar' => [null, true, true], 'the event' => ['provisional', false, true], 'the event, otherwise' => ['confirmed', true, false]]);
