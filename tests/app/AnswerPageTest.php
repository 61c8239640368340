<?php

use App\Invitations\EventInvitation;
use Illuminate\Support\Facades\DB;
use Tests\Support\SentLetter;

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    $this->ada = $this->person('Ada Quill');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->asking = fn (array $input = []): int => $this->as($this->ada, 'POST', '/events', $input + [
        'calendar' => $this->slip->slug, 'title' => 'Oar test', 'start' => '2026-12-01T14:00', 'end' => '2026-12-01T15:00', 'place' => 'Slip 2',
        'participants' => [['kind' => 'address', 'address' => 'guest@elsewhere.example', 'name' => 'Gus Guest', 'part' => 'required']],
    ])->assertCreated()->json('id');
    $this->page = function (): string {
        $this->travel(600)->seconds();
        SentLetter::all();

        return '/asked/'.EventInvitation::query()->latest('id')->first()->code();
    };
    $this->participants = fn (int $id, string $query = ''): array => $this->as($this->ada, 'GET', "/events/{$id}{$query}")->json('participants');
    auth()->logout();
});

test('whoever was sent the letter sees what they are asked to and answers, without an account', function () {
    $id = ($this->asking)();
    $page = ($this->page)();
    auth()->forgetGuards();
    $this->get("{$page}?answer=tentative")->assertOk()->assertSee('Oar test')->assertSee('Tue 1 December 2026, 14:00–15:00')->assertSee('Slip 2')->assertSee('Ada Quill')->assertSee('value="tentative" required checked', false)
        ->assertHeader('X-Robots-Tag', 'noindex')->assertHeader('Referrer-Policy', 'same-origin')->assertHeader('Cache-Control', 'no-store, private');
    // Following the link is no answer: mail programs do that by themselves.
    expect(($this->participants)($id)[0]['answer'])->toBe('unanswered');
    auth()->forgetGuards();
    $this->post($page, ['answer' => 'accepted', 'note' => ' With two boats '])->assertRedirect("{$page}?noted=1");
    $this->get("{$page}?noted=1")->assertSee('Your answer is noted.')->assertSee('You come.')->assertSee('With two boats');
    expect(($this->participants)($id)[0])->toMatchArray(['answer' => 'accepted', 'note' => 'With two boats', 'kind' => 'other', 'name' => 'Gus Guest', 'address' => 'guest@elsewhere.example']);
    $this->post($page, ['answer' => 'declined'])->assertRedirect();
    expect(($this->participants)($id)[0])->toMatchArray(['answer' => 'declined', 'note' => '']);
});

test('of a series one time is answered to, or all', function () {
    $id = ($this->asking)(['repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 3]]);
    $page = ($this->page)();
    $this->get($page)->assertSee('every week on Tuesday')->assertSee('Tue 8 December 2026, 14:00–15:00');
    $this->post($page, ['answer' => 'accepted'])->assertRedirect();
    $this->post($page, ['answer' => 'declined', 'time' => '2026-12-08T14:00:00Z'])->assertRedirect();
    expect(($this->participants)($id, '?occurrence=2026-12-08T14:00:00Z')[0]['answer'])->toBe('declined')->and(($this->participants)($id, '?occurrence=2026-12-15T14:00:00Z')[0]['answer'])->toBe('accepted');
    $this->get($page)->assertSee('Tue 8 December 2026, 14:00–15:00: I do not come');
});

test('what is wrong is said, and nothing that was written is lost', function (array $input, string $says) {
    $id = ($this->asking)(['repeat' => ['pick' => ['every' => 1, 'unit' => 'week', 'weekdays' => ['TU']], 'count' => 3]]);
    $this->post(($this->page)(), $input + ['note' => 'Perhaps'])->assertStatus(422)->assertSee($says)->assertSee('Perhaps');
    expect(($this->participants)($id)[0]['answer'])->toBe('unanswered');
})->with([
    'no answer' => [[], 'Choose an answer.'],
    'no answer there is' => [['answer' => 'yes'], 'answer'],
    'several' => [['answer' => ['accepted']], 'answer'],
    'a time that is none' => [['answer' => 'accepted', 'time' => 'soon'], 'Choose one of the times below.'],
    'a time that there is not' => [['answer' => 'accepted', 'time' => '2026-12-09T14:00:00Z'], 'not on as it was'],
    'a long note' => [['answer' => 'accepted', 'note' => str_repeat('x', 501).'Perhaps'], 'at most 500 characters'],
]);

test('once it is called off, or they are not asked any more, the page says so and tells nothing new', function (Closure $off) {
    $id = ($this->asking)();
    $page = ($this->page)();
    DB::table('events')->update(['place' => 'Secret shed']);
    $off($this, $id);
    auth()->forgetGuards();
    $this->get($page)->assertOk()->assertSee('This is called off')->assertDontSee('Secret shed')->assertDontSee('Send the answer');
    $this->post($page, ['answer' => 'accepted'])->assertStatus(422);
})->with([
    'deleted' => [fn ($test, $id) => $test->as($test->ada, 'DELETE', "/events/{$id}", [], 1)->assertNoContent()],
    'taken off' => [fn ($test, $id) => $test->as($test->ada, 'PATCH', "/events/{$id}", ['participants' => []], 1)->assertOk()],
    'cancelled' => [fn ($test, $id) => $test->as($test->ada, 'PATCH', "/events/{$id}", ['status' => 'cancelled'], 1)->assertOk()],
]);

test('a link that nobody here made leads nowhere', function (string $code) {
    ($this->asking)();
    ($this->page)();
    $this->get("/asked/{$code}")->assertNotFound();
    $this->post("/asked/{$code}", ['answer' => 'accepted'])->assertNotFound();
})->with(['1-'.str_repeat('0', 24), 'x', fn () => preg_replace('/^\d+/', '99', EventInvitation::query()->first()?->code() ?? '1-'.str_repeat('a', 24))]);

test('whoever is responsible, or only told, has nothing to answer', function (string $part) {
    ($this->asking)(['participants' => [['kind' => 'address', 'address' => 'guest@elsewhere.example', 'part' => $part]]]);
    $page = ($this->page)();
    $this->get($page)->assertSee('You need not answer.');
    $this->post($page, ['answer' => 'declined'])->assertStatus(422);
})->with(['responsible', 'informed']);

test('whose address is in the directory is asked as the one they are, and once', function () {
    $ben = $this->person('Ben Oar');
    $id = ($this->asking)(['participants' => [['kind' => 'address', 'address' => mb_strtoupper($ben->email), 'part' => 'required'], ['kind' => 'person', 'id' => $ben->id, 'part' => 'optional'], ['kind' => 'address', 'address' => 'a@b.example', 'part' => 'optional'], ['kind' => 'address', 'address' => 'A@B.example', 'part' => 'required']]]);
    expect(($this->participants)($id))->toHaveCount(2)->sequence(fn ($each) => $each->toMatchArray(['kind' => 'person', 'id' => $ben->id, 'part' => 'required']), fn ($each) => $each->toMatchArray(['kind' => 'other', 'address' => 'a@b.example']));
});

test('the address of somebody outside is told to those who may change the event alone', function () {
    $id = ($this->asking)();
    $page = ($this->page)();
    $this->post($page, ['answer' => 'accepted', 'note' => 'Private words']);
    $ben = $this->person('Ben Oar');
    $this->give($this->slip, $ben, PinnedRota\Core\Access\Level::See);
    $this->as($ben, 'GET', "/events/{$id}")->assertJsonPath('participants.0.name', 'Gus Guest')->assertJsonPath('participants.0.answer', 'accepted')->assertJsonPath('participants.0.address', null)->assertJsonPath('participants.0.note', '');
});

test('who comes into the directory later has what they were asked to by mail', function () {
    $id = ($this->asking)();
    $page = ($this->page)();
    $gus = $this->person('Gus Guest', ['email' => 'Guest@elsewhere.example']);
    $this->post($page, ['answer' => 'accepted'])->assertRedirect();
    expect(($this->participants)($id)[0])->toMatchArray(['kind' => 'person', 'id' => $gus->id, 'answer' => 'accepted']);
    $gus->update(['email' => 'gus@elsewhere.example']);
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['start' => '2026-12-02T14:00'], 1)->assertOk();
    $this->travel(600)->seconds();
    expect(array_column(SentLetter::all(), 'to'))->toBe(['gus@elsewhere.example'])->and(EventInvitation::query()->count())->toBe(1);
});
