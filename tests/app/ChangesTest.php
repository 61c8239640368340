<?php

use App\Access\Sharing;
use App\Changes\Change;
use App\Directory\Person;
use App\Upkeep\Tidy;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Subject;
use PinnedRota\Core\Access\SubjectKind;

beforeEach(function () {
    [$this->ada, $this->ben, $this->eve] = [$this->person(), $this->person('Ben Oar'), $this->person('Eve Else')];
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->give($this->slip, $this->ben, Level::See);
    /** What somebody is told that they have missed, from where they are now. */
    $this->follow = function (Person $person): Closure {
        $position = $this->as($person, 'GET', '/changes')->assertOk()->json('position');
        // Nothing before this moment.
        $known = array_column($this->as($person, 'GET', '/changes?since='.urlencode($position))->json('marks'), 'mark');

        return fn (): array => array_values(array_filter($this->as($person, 'GET', '/changes?since='.urlencode($position))->assertOk()->json('marks'), static fn (array $each): bool => ! in_array($each['mark'], $known, true)));
    };
    /** The days told of the last change of the calendar. */
    $this->days = fn (): array => array_values((array) DB::table('changes')->whereNotNull('calendar_id')->orderByDesc('id')->first(['first_day', 'last_day']));
    $this->addAt = fn (array $more) => $this->as($this->ada, 'POST', '/events', $more + ['calendar' => $this->slip->slug, 'title' => 'Haul out', 'start' => '2026-11-10T09:00'])->assertCreated();
});

test('whoever sees a calendar is told which days of it have changed, and whoever does not nothing at all', function () {
    [$bens, $eves] = [($this->follow)($this->ben), ($this->follow)($this->eve)];
    ($this->addAt)([]);
    expect($bens())->toHaveCount(1)->and($bens()[0])->toMatchArray(['calendar' => $this->slip->slug, 'firstDay' => '2026-11-08', 'lastDay' => '2026-11-12'])
        ->and(array_keys($bens()[0]))->toBe(['mark', 'calendar', 'firstDay', 'lastDay'])
        ->and($eves())->toBe([]);
});

test('the position tells nothing of what others do', function () {
    $position = fn (): string => $this->as($this->eve, 'GET', '/changes')->json('position');
    expect($position())->not->toBe($position());
    ($this->addAt)([]);
    expect(base64_decode($position()))->not->toContain('['.DB::table('changes')->max('id'));
});

test('whatever is changed is answered with its own marks; what is read or refused is not', function () {
    $follow = ($this->follow)($this->ada);
    $event = ($this->addAt)([]);
    expect($event->headers->get('Changes'))->toBe($follow()[0]['mark']);
    $made = $this->as($this->ada, 'POST', '/calendars', ['name' => 'Loft', 'colour' => 'ochre', 'mark' => 'pentagon'])->assertCreated();
    expect($made->headers->get('Changes'))->toBe($follow()[1]['mark'])->and($follow()[1]['calendar'])->toBeNull();
    $this->as($this->ben, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'No', 'start' => '2026-11-10T09:00'])->assertUnprocessable()->assertHeaderMissing('Changes');
    $this->as($this->ada, 'GET', '/changes')->assertHeaderMissing('Changes');
});

test('the days touched are those of before and of after, and of a changed time alone those of that time', function () {
    $id = ($this->addAt)(['end' => '2026-11-11T17:00'])->json('id');
    expect(($this->days)())->toBe(['2026-11-08', '2026-11-13']);
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['start' => '2026-11-20T09:00', 'end' => '2026-11-20T10:00'], 1)->assertOk();
    expect(($this->days)())->toBe(['2026-11-08', '2026-11-22']);
    $series = ($this->addAt)(['start' => '2026-11-03T09:00', 'repeat' => ['rule' => 'FREQ=WEEKLY', 'until' => '2026-12-15']])->json('id');
    expect(($this->days)())->toBe(['2026-11-01', '2026-12-17']);
    $this->as($this->ada, 'PATCH', "/events/{$series}?occurrence=2026-11-17T09:00:00Z&scope=this", ['start' => '2026-11-19T09:00', 'end' => '2026-11-19T10:00'], 1)->assertOk();
    expect(($this->days)())->toBe(['2026-11-15', '2026-11-21']);
    $this->as($this->ada, 'PATCH', "/events/{$series}", ['title' => 'Another'], 2)->assertOk();
    expect(($this->days)())->toBe(['2026-11-01', '2026-12-17']);
});

test('a series without end touches all that follows, and what hangs on it every time of it', function () {
    $id = ($this->addAt)(['repeat' => ['rule' => 'FREQ=WEEKLY']])->json('id');
    expect(($this->days)())->toBe(['2026-11-08', null]);
    $this->as($this->ada, 'PATCH', "/events/{$id}", ['categories' => ['Launch']], 1)->assertOk();
    expect(($this->days)())->toBe(['2026-11-08', null]);
    $this->as($this->ada, 'DELETE', "/events/{$id}", [], 2)->assertNoContent();
    expect(($this->days)())->toBe(['2026-11-08', null]);
});

test('a change that is not one of its events touches any day', function () {
    $this->as($this->ada, 'PATCH', "/calendars/{$this->slip->slug}", ['colour' => 'rose'], 1)->assertOk();
    expect(($this->days)())->toBe([null, null]);
});

test('what changes of access is told to those whose access it is, and to who manages', function () {
    $told = fn (Closure $follow): array => array_column($follow(), 'calendar');
    [$adas, $bens, $eves] = [($this->follow)($this->ada), ($this->follow)($this->ben), ($this->follow)($this->eve)];
    app(Sharing::class)->give($this->slip, new Subject(SubjectKind::Person, $this->eve->id), Level::See, $this->ada);
    expect($told($eves))->toBe([null])->and($told($adas))->toBe([null])->and($told($bens))->toBe([]);
    // To a group it is each who is in it, in a group within it too.
    $within = $this->group('Riggers', $this->ben);
    app(Sharing::class)->give($this->slip, new Subject(SubjectKind::Group, $this->groupOf($within)->id), Level::Change, $this->ada);
    expect($told($bens))->toBe([null])->and($told($eves))->toBe([null]);
    // Everyone’s lists are everyone’s.
    $this->as($this->person('Ann Admin', ['role' => 'administrator']), 'POST', '/rooms', ['name' => 'Loft'])->assertCreated();
    expect($told($eves))->toBe([null, null]);
});

test('whoever leaves a group is told, and so is whoever loses something with a group that is deleted', function () {
    $admin = $this->person('Ann Admin', ['role' => 'administrator']);
    $group = $this->group('Riggers', $this->ben, $this->eve);
    [$bens, $eves] = [($this->follow)($this->ben), ($this->follow)($this->eve)];
    $this->as($admin, 'PUT', "/groups/{$group->id}/members", ['kind' => 'person', 'id' => $this->ben->id, 'member' => false])->assertSuccessful();
    expect($bens())->toHaveCount(1)->and($eves())->toBe([]);
    $this->as($admin, 'DELETE', "/groups/{$group->id}")->assertNoContent();
    expect(DB::table('changes')->where('person_id', $this->eve->id)->count())->toBe(1)->and($eves())->not->toBe([]);
});

test('of what is as new as a minute one is told again: a change may be committed later than one that came after it', function () {
    $position = $this->as($this->ben, 'GET', '/changes')->json('position');
    ($this->addAt)([]);
    $first = $this->as($this->ben, 'GET', '/changes?since='.urlencode($position));
    $again = $this->as($this->ben, 'GET', '/changes?since='.urlencode($first->json('position')));
    expect($again->json('marks'))->toBe($first->json('marks'))->and($first->json('marks'))->not->toBe([]);
    DB::table('changes')->update(['created_at' => now()->subMinutes(2)]);
    $settled = $this->as($this->ben, 'GET', '/changes?since='.urlencode($again->json('position')));
    expect($this->as($this->ben, 'GET', '/changes?since='.urlencode($settled->json('position')))->json('marks'))->toBe([]);
});

test('whoever was away for too long, or has missed too much, is told to look at everything', function (Closure $missed) {
    $position = $this->as($this->ben, 'GET', '/changes')->json('position');
    $missed($this);
    $this->as($this->ben, 'GET', '/changes?since='.urlencode($position))->assertOk()->assertJsonPath('everything', true)->assertJsonPath('marks', []);
})->with([
    'what is not kept any more' => fn ($test) => [($test->addAt)([]), $test->travel(8)->days(), app(Tidy::class)->run()],
    'more than is told' => fn ($test) => array_map(static fn (): int => Change::of($test->slip->id), range(1, 501)),
]);

test('a position that is none is one of somebody who must look at everything', function () {
    $this->as($this->ben, 'GET', '/changes?since=nonsense')->assertOk()->assertJsonPath('everything', true);
});
