<?php

use App\Events\EventRecord;
use App\Invitations\EventInvitation;
use App\Organisation\Organisation;
use PinnedRota\Core\Access\Level;
use Tests\Support\SentLetter;

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill', ['role' => 'administrator']);
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->give($this->slip, $this->ben, Level::See);
    $this->decide = fn (string $meetings) => app(Organisation::class)->put(['meetings' => $meetings], $this->ada);
    $this->write = fn (array $input = []): int => $this->as($this->ada, 'POST', '/events', $input + ['calendar' => $this->slip->slug, 'title' => 'Staff meeting', 'start' => '2026-11-02T10:30', 'end' => '2026-11-02T11:00', 'meeting' => 'https://meet.example/abc'])->assertCreated()->json('id');
    $this->links = fn (int $id, $person = null): array => array_column(array_filter($this->as($person ?? $this->ada, 'GET', "/events/{$id}")->json('links'), fn (array $link) => $link['kind'] === 'conference'), 'address');
});

test('a link is made by the pattern that an administrator has set, another each time', function () {
    $this->as($this->ben, 'POST', '/meetings')->assertConflict();
    $version = $this->as($this->ada, 'GET', '/organisation')->json('version');
    $this->as($this->ada, 'PATCH', '/organisation', ['meetings' => 'meet me there'], $version)->assertUnprocessable()->assertJsonPath('errors.0.field', 'meetings');
    $this->as($this->ada, 'PATCH', '/organisation', ['meetings' => 'https://meet.example/{code}'], $version)->assertOk()->assertJsonPath('meetings', 'https://meet.example/{code}');
    $urls = array_map(fn () => $this->as($this->ben, 'POST', '/meetings')->assertCreated()->json('url'), range(1, 3));
    expect(array_unique($urls))->toHaveCount(3)->and($urls[0])->toMatch('#^https://meet\.example/[a-z0-9]{20}$#');
    $this->as(null, 'POST', '/meetings')->assertUnauthorized();
});

// The service is the stand-in, over HTTP.
test('a service is asked for one, another each time', function () {
    ($this->decide)(config('rota.standins.url').'/meetings');
    $urls = array_map(fn () => $this->as($this->ben, 'POST', '/meetings')->assertCreated()->json('url'), range(1, 2));
    expect($urls[0])->toStartWith(config('rota.standins.url').'/meet/')->not->toBe($urls[1]);
});

test('a service that has none, or does not answer, is told of', function (string $path, string $said) {
    ($this->decide)(config('rota.standins.url').$path);
    expect($this->as($this->ben, 'POST', '/meetings')->assertConflict()->json('title'))->toContain($said);
})->with([['/faults/page', 'answered with none'], ['/harbour-office/tides.ics', 'answered with none'], ['/faults/500', 'The service that makes links of meetings: '], ['/nowhere', 'The service that makes links of meetings: ']]);

test('an event keeps its link when it is moved, a copy has another, and it is taken off', function () {
    ($this->decide)('https://meet.example/{code}');
    $id = ($this->write)();
    $version = fn (): int => EventRecord::query()->findOrFail($id)->version;
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['start' => '2026-11-03T10:30', 'end' => '2026-11-03T11:00'], $version())->assertOk();
    expect(($this->links)($id))->toBe(['https://meet.example/abc']);
    $copy = $this->as($this->ada, 'POST', "/events/{$id}/copies", ['calendar' => $this->slip->slug])->assertCreated()->json('id');
    expect(($this->links)($copy)[0])->toMatch('#^https://meet\.example/[a-z0-9]{20}$#')->not->toBe('https://meet.example/abc');
    // Rather nowhere than in the same room.
    ($this->decide)('');
    expect(($this->links)($this->as($this->ada, 'POST', "/events/{$id}/copies", ['calendar' => $this->slip->slug])->json('id')))->toBe([]);
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['meeting' => 'ftp://meet.example'], $version())->assertUnprocessable();
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['meeting' => null], $version())->assertOk();
    expect(($this->links)($id))->toBe([]);
});

test('it can be joined from ten minutes before until it is over, by who sees it', function () {
    ($this->write)(['participants' => [['kind' => 'person', 'id' => $this->ben->id, 'part' => 'required']]]);
    ($this->write)(['title' => 'Appraisal', 'private' => true, 'meeting' => 'https://meet.example/secret']);
    ($this->write)(['title' => 'Cancelled', 'status' => 'cancelled']);
    ($this->write)(['title' => 'In the loft', 'meeting' => null]);
    $on = function (string $time, $person): array {
        $this->travelTo("2026-11-02 {$time}");

        return array_map(fn (array $each): string => "{$each['title']} {$each['url']}".($each['mine'] ? ' mine' : ''), $this->as($person, 'GET', '/meetings')->assertOk()->json());
    };
    expect($on('10:19:59', $this->ben))->toBe([])->and($on('10:20:00', $this->ben))->toBe(['Staff meeting https://meet.example/abc mine'])->and($on('10:59:59', $this->ben))->toHaveCount(1)->and($on('11:00:00', $this->ben))->toBe([])
        ->and($on('10:25:00', $this->ada))->toEqualCanonicalizing(['Staff meeting https://meet.example/abc', 'Appraisal https://meet.example/secret']);
    $this->give($this->slip, $this->person('Cy Mast'), Level::BusyTimes);
    expect($on('10:25:00', App\Directory\Person::query()->where('name', 'Cy Mast')->sole()))->toBe([]);
});

test('who is asked from outside has it in the letter, in its calendar, and can join without an account', function () {
    $id = ($this->write)(['start' => '2026-11-05T14:00', 'end' => '2026-11-05T15:00', 'participants' => [['kind' => 'address', 'address' => 'gus@elsewhere.example', 'part' => 'required']]]);
    $this->travel(600)->seconds();
    [$letter] = SentLetter::all();
    expect($letter->text())->toContain('Online: https://meet.example/abc')->and(preg_replace('/\r\n /', '', $letter->calendar()))->toContain('CONFERENCE;VALUE=URI;FEATURE=AUDIO,VIDEO;LABEL=Join the meeting:https://meet.example/abc');
    $page = '/asked/'.EventInvitation::query()->sole()->code();
    $this->app['auth']->forgetGuards();
    $this->get($page)->assertSee('https://meet.example/abc')->assertDontSee('>Join<', false);
    $this->travelTo('2026-11-05 13:51:00');
    $this->get($page)->assertSee('>Join<', false);
    $this->travelTo('2026-11-03 10:00:00');
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['meeting' => 'https://meet.example/other'], 1)->assertOk();
    $this->travel(600)->seconds();
    expect(SentLetter::all()[0]->text())->toContain('It meets online at another address.')->toContain('Online: https://meet.example/other');
    // Told once.
    $this->travel(600)->seconds();
    expect(SentLetter::all())->toBe([]);
});
