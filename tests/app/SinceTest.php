<?php

use App\Events\EventRecord;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Commands\MoveSeries;
use App\Events\Write\Commands\ReplaceSeries;
use App\Events\Write\OperationKind;
use App\Notices\ChangesOfSheet;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\EventTiming;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Series;
use Tests\Support\Make;

beforeEach(function () {
    $this->travelTo('2026-11-02 08:00:00');
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->give($this->slip, $this->ben, Level::See);
    /** Comes for the first time, a while after what is there already. */
    $this->come = function (...$people): void {
        $this->travel(1)->minutes();
        array_map($this->since, $people === [] ? [$this->ben] : $people);
        $this->travel(1)->minutes();
    };
    $this->since = fn ($person = null, string $more = ''): array => $this->as($person ?? $this->ben, 'GET', "/sheet/since?from=2026-11-01&to=2026-12-01&tz=Europe/London&calendar={$this->slip->slug}{$more}")->assertOk()->json();
    /** In short: what became of what. */
    $this->told = fn ($person = null, string $more = ''): array => collect(($this->since)($person, $more)['changes'])->map(fn (array $each): string => implode(' ', [$each['kind'], $each['is']['title'] ?? $each['was']['title'], $each['was']['start'] ?? '–', '→', $each['is']['start'] ?? '–']))->all();
    $this->change = function (EventRecord $head, Closure $change, $by = null): void {
        $series = app(App\Events\Read\SeenSeries::class)->load($head->fresh());
        app(ChangeEvents::class)->carryOut(Actor::person($by ?? $this->ada), Cause::Screen, OperationKind::Change, [new ReplaceSeries($head->id, $series->each($change))]);
    };
    $this->to = fn (string $start): Closure => fn (Event $event): Event => $event->with(timing: EventTiming::between(Make::time($start), Make::time($start)->plusExactSeconds(3600), $event->timing->recurrence));
});

test('to who comes for the first time nothing has changed; from then on it is told what others do, and until all of it is seen', function () {
    $haul = $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-10T09:00');
    $this->travel(1)->minutes();
    expect(($this->told)())->toBe([]);
    $this->travel(1)->minutes();
    ($this->change)($haul, ($this->to)('2026-11-11T10:00'));
    $this->add($this->slip, $this->ada, title: 'Sweeping', start: '2026-11-12T09:00');
    $gone = $this->add($this->slip, $this->ada, title: 'Never mind', start: '2026-11-13T09:00');
    $this->as($this->ada, 'DELETE', "/events/{$gone->id}", version: 1)->assertNoContent();
    expect(($this->told)())->toBe(['moved Haul out 2026-11-10T09:00 → 2026-11-11T10:00', 'added Sweeping – → 2026-11-12T09:00'])
        // Who did it knows.
        ->and(($this->told)($this->ada))->toBe([]);
    expect(($this->since)()['changes'][0])->toMatchArray(['id' => $haul->id, 'parts' => ['time'], 'by' => 'Ada Quill', 'at' => '2026-11-02T08:02:00Z']);
    $this->travel(1)->minutes();
    $this->as($this->ben, 'PUT', '/visit')->assertNoContent();
    $this->travel(1)->minutes();
    expect(($this->told)())->toBe([]);
    $this->as($this->ada, 'DELETE', "/events/{$haul->id}", version: 2)->assertNoContent();
    expect(($this->told)())->toBe(['cancelled Haul out 2026-11-11T10:00 → –']);
    // What is undone was not done.
    $this->as($this->ada, 'POST', "/events/{$haul->id}/restore")->assertOk();
    expect(($this->told)())->toBe([]);
});

test('whoever comes back after a while is told what changed since they left, and not since before', function () {
    ($this->come)();
    $this->add($this->slip, $this->ada, title: 'While I look', start: '2026-11-10T09:00');
    expect(($this->told)())->toBe(['added While I look – → 2026-11-10T09:00']);
    $this->travel(10)->minutes();
    ($this->told)();
    $this->travel(1)->days();
    $this->add($this->slip, $this->ada, title: 'While I sleep', start: '2026-11-12T09:00');
    $this->travel(1)->hours();
    expect(($this->told)())->toBe(['added While I sleep – → 2026-11-12T09:00'])
        // A reload is no new visit.
        ->and(($this->told)())->toBe(['added While I sleep – → 2026-11-12T09:00']);
});

test('of what somebody does not see whole they are not told what became of it, nor where it was', function () {
    $cy = $this->person('Cy Busy');
    $this->give($this->slip, $cy, Level::BusyTimes);
    $hidden = $this->calendar($this->ada, 'Hidden');
    $doctor = $this->add($this->slip, $this->ada, title: 'Doctor', start: '2026-11-10T09:00', more: ['private' => true]);
    $open = $this->add($this->slip, $this->ada, title: 'Open', start: '2026-11-12T09:00');
    $leaves = $this->add($this->slip, $this->ada, title: 'Leaves', start: '2026-11-13T09:00');
    $comes = $this->add($hidden, $this->ada, title: 'Comes', start: '2026-11-17T09:00');
    ($this->come)($this->ben, $cy);
    ($this->change)($doctor, ($this->to)('2026-11-11T10:00'));
    ($this->change)($open, fn (Event $event): Event => $event->with(contents: $event->contents->with(title: 'Closed to you', private: true)));
    app(ChangeEvents::class)->carryOut(Actor::person($this->ada), Cause::Screen, OperationKind::Change, [new MoveSeries($leaves->id, $hidden->id), new MoveSeries($comes->id, $this->slip->id)]);
    expect(($this->told)())->toBe(['cancelled Open 2026-11-12T09:00 → –', 'cancelled Leaves 2026-11-13T09:00 → –', 'added Comes – → 2026-11-17T09:00'])
        ->and(($this->told)($cy))->toBe([]);
    $this->as($this->person('Dan None'), 'GET', "/sheet/since?from=2026-11-01&to=2026-12-01&tz=Europe/London&calendar={$this->slip->slug}")->assertNotFound();
    $this->give($this->slip, $this->ben, Level::None);
    $this->as($this->ben, 'GET', '/sheet/since?from=2026-11-01&to=2026-12-01&tz=Europe/London')->assertOk()->assertJsonPath('changes', []);
});

test('each change is in the layer in which it is and was; what is not asked for is not told', function () {
    $oar = $this->add($this->slip, $this->ada, title: 'Oar test', start: '2026-11-10T09:00', more: ['categories' => ['assessment']]);
    $slug = $this->as($this->ben, 'POST', '/overlays', ['name' => 'Term', 'layers' => [
        ['name' => 'Tests', 'colour' => 'brick', 'mark' => 'triangle', 'calendars' => [$this->slip->slug], 'conditions' => [['about' => 'category', 'names' => ['Assessment']]]],
        ['name' => 'Slip', 'colour' => 'sea', 'mark' => 'disc', 'calendars' => [$this->slip->slug]],
    ]])->json('slug');
    ($this->come)();
    ($this->change)($oar, fn (Event $event): Event => ($this->to)('2026-11-11T09:00')($event)->with(contents: $event->contents->with(categories: [])));
    $through = fn (string $more = ''): array => $this->as($this->ben, 'GET', "/sheet/since?from=2026-11-01&to=2026-12-01&tz=Europe/London&overlay={$slug}{$more}")->assertOk()->json('changes');
    expect($through()[0])->toMatchArray(['kind' => 'moved', 'parts' => ['time', 'categories']])
        ->and([$through()[0]['was']['layer'], $through()[0]['is']['layer']])->toBe([0, 1])
        // Asked for by what it had, it is known to have left; by words that it never had, nothing is known.
        ->and($through('&categories[]=assessment')[0])->toMatchArray(['is' => null])
        ->and($through('&words=mast'))->toBe([]);
});

test('one time of a series is told by its name, and too many changes are told in part', function () {
    $rowing = $this->addSeries($this->slip, new Series(Make::event('Rowing', '2026-11-03T09:00', rule: 'FREQ=WEEKLY')), $this->ada);
    ($this->come)();
    $this->as($this->ada, 'DELETE', "/events/{$rowing->id}?occurrence=2026-11-17T09:00:00Z", version: 1);
    expect(($this->told)())->toBe(['cancelled Rowing 2026-11-17T09:00 → –']);
    for ($number = 0; $number <= ChangesOfSheet::MOST; $number++) {
        $this->add($this->slip, $this->ada, title: "Import {$number}", start: '2026-11-20T09:00');
    }
    $told = ($this->since)();
    expect($told['more'])->toBeTrue()->and($told['changes'])->toHaveCount(ChangesOfSheet::MOST);
});

test('what somebody answered, to all of a series or to one time of it, is no news to others', function () {
    $cy = $this->person('Cy Reed');
    $this->give($this->slip, $cy, Level::See);
    $rowing = $this->add($this->slip, $this->ada, title: 'Rowing', start: '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=3', more: ['participants' => [Participant::ofPerson($cy->id, $cy->email, 'Cy Reed', ParticipantRole::Required)]]);
    ($this->come)();
    $second = array_column($this->sheet($cy, '2026-11-01', '2026-12-01', "&calendar={$this->slip->slug}")->json('items'), 'occurrence')[1];
    $this->as($cy, 'PUT', "/events/{$rowing->id}/answer", ['answer' => 'accepted'])->assertNoContent();
    $this->as($cy, 'PUT', "/events/{$rowing->id}/answer", ['answer' => 'declined', 'occurrence' => $second])->assertNoContent();
    expect(($this->told)())->toBe([]);
});
