<?php

use App\Events\EventRecord;
use App\Events\Write\Actor;
use App\Events\Write\Cause;
use App\Events\Write\ChangeEvents;
use App\Events\Write\Command;
use App\Events\Write\Commands\AddSeries;
use App\Events\Write\Commands\AnswerSeries;
use App\Events\Write\Commands\DeleteSeries;
use App\Events\Write\Commands\MoveSeries;
use App\Events\Write\Commands\PinSeries;
use App\Events\Write\Commands\ReplaceSeries;
use App\Events\Write\Commands\RestoreSeries;
use App\Events\Write\Commands\SetJoinable;
use App\Events\Write\Commands\SetTasks;
use App\Events\Write\Commands\UnpinSeries;
use App\Events\Write\EventsChanged;
use App\Events\Write\NewSeries;
use App\Events\Write\OperationKind;
use App\Events\Write\OutdatedSeries;
use App\History\Operation;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event as Events;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\Series;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;
use Tests\Support\Make;

/* The one way to write: whatever is done is one operation in one transaction, of which each series is told once. */
beforeEach(function () {
    $this->ada = $this->person();
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->loft = $this->calendar($this->ada, 'Loft');
    $this->event = $this->add($this->slip, $this->ada, title: 'Haul out', start: '2026-11-10T09:00');
    $this->raised = [];
    Events::listen(EventsChanged::class, function (EventsChanged $event): void {
        array_push($this->raised, ...$event->series);
    });
    $this->do = fn (Command ...$commands) => app(ChangeEvents::class)->carryOut(Actor::person($this->ada), Cause::Screen, OperationKind::Change, array_values($commands));
    $this->series = fn (string $title, string $uid = ''): Series => new Series(Make::event($title, '2026-11-12T09:00', uid: $uid));
});

test('what is added is told of with nothing before it, by whom and by what it came about', function () {
    $done = app(ChangeEvents::class)->carryOut(Actor::person($this->ada), Cause::Import, OperationKind::Import, [new AddSeries($this->slip->id, ($this->series)('Launch'), new NewSeries(joinable: true))]);
    expect($this->raised)->toHaveCount(1);
    $told = $this->raised[0];
    expect($told->seriesId)->toBe($done->lastId())
        ->and($told->before)->toBeNull()
        ->and($told->after?->title())->toBe('Launch')
        ->and($told->cause)->toBe(Cause::Import)
        ->and($told->actor->personId)->toBe($this->ada->id)
        ->and($told->calendarIds())->toBe([$this->slip->id])
        ->and($done->operation->kind)->toBe(OperationKind::Import)
        ->and($done->operation->cause)->toBe(Cause::Import)
        ->and($done->operation->person_id)->toBe($this->ada->id)
        ->and(EventRecord::query()->findOrFail($done->lastId())->joinable)->toBeTrue();
});

test('each command changes what it says, and is told of on every calendar that it concerns', function (callable $command, callable $holds, callable $calendars) {
    $id = $this->event->id;
    $before = Operation::query()->count();
    $done = ($this->do)(...$command->call($this, $id));
    $holds->call($this, EventRecord::withTrashed()->findOrFail($id));
    expect($this->raised)->toHaveCount(1)
        ->and($this->raised[0]->seriesId)->toBe($id)
        ->and($this->raised[0]->before)->not->toBeNull()
        ->and($this->raised[0]->calendarIds())->toBe($calendars->call($this))
        ->and(Operation::query()->count())->toBe($before + 1)
        ->and($done->operation->series()->count())->toBe(1);
})->with([
    'replace' => [
        fn (int $id) => [new ReplaceSeries($id, new Series(Make::event('Launch', '2026-11-10T11:00')))],
        function (EventRecord $head) {
            expect($head->title)->toBe('Launch')->and($head->version)->toBe(2);
        },
        fn () => [$this->slip->id],
    ],
    'move' => [
        fn (int $id) => [new MoveSeries($id, $this->loft->id)],
        function (EventRecord $head) {
            expect($head->calendar_id)->toBe($this->loft->id);
        },
        fn () => [$this->slip->id, $this->loft->id],
    ],
    'delete' => [
        fn (int $id) => [new DeleteSeries($id)],
        function (EventRecord $head) {
            expect($head->trashed())->toBeTrue();
        },
        fn () => [$this->slip->id],
    ],
    'pin' => [
        fn (int $id) => [new PinSeries($id, $this->loft->id)],
        function (EventRecord $head) {
            expect($head->pins()->pluck('calendar_id')->all())->toBe([$this->loft->id])->and($head->pins()->value('pinned_by'))->toBe($this->ada->id);
        },
        fn () => [$this->slip->id, $this->loft->id],
    ],
    'open for joining' => [
        fn (int $id) => [new SetJoinable($id, true)],
        function (EventRecord $head) {
            expect($head->joinable)->toBeTrue();
        },
        fn () => [$this->slip->id],
    ],
    'a preparation list' => [
        fn (int $id) => [new SetTasks($id, [['title' => ' Book the cradle ', 'days' => -7], ['title' => 'Thank the crew', 'days' => 1]])],
        function (EventRecord $head) {
            expect(DB::table('event_tasks')->where('event_id', $head->id)->orderBy('position')->pluck('days', 'title')->all())->toBe(['Book the cradle' => -7, 'Thank the crew' => 1]);
        },
        fn () => [$this->slip->id],
    ],
    'several of one series' => [
        fn (int $id) => [new MoveSeries($id, $this->loft->id), new ReplaceSeries($id, new Series(Make::event('Launch', '2026-11-10T11:00'))), new SetJoinable($id, true)],
        function (EventRecord $head) {
            expect([$head->calendar_id, $head->title, $head->joinable])->toBe([$this->loft->id, 'Launch', true]);
        },
        fn () => [$this->slip->id, $this->loft->id],
    ],
]);

test('an answer is of the one who gives it, in every time of the series', function () {
    $asked = [Participant::ofPerson($this->ada->id, $this->ada->email, 'Ada Quill', ParticipantRole::Required)->with(answer: ParticipantAnswer::Unanswered), Participant::ofGroup(7, 'Riggers', ParticipantRole::Optional)];
    $master = Make::event('Rowing', '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=3', uid: 'r', more: ['participants' => $asked]);
    $changed = Make::event('Rowing, late', '2026-11-10T11:00', uid: 'r', more: ['recurrenceId' => Make::time('2026-11-10T09:00'), 'participants' => $asked]);
    $id = $this->addSeries($this->slip, new Series($master, [$changed]), $this->ada)->id;
    ($this->do)(new AnswerSeries($id, Participant::standingFor(Party::person($this->ada->id)), ParticipantAnswer::Accepted));
    $answers = DB::table('event_participants')->join('events', 'events.id', '=', 'event_id')->where(fn ($of) => $of->where('events.id', $id)->orWhere('events.series_id', $id))->whereNotNull('person_id')->pluck('answer');
    expect($answers)->toHaveCount(2)->and($answers->unique()->all())->toBe([ParticipantAnswer::Accepted->value]);
});

test('what comes back is what was there, and what is taken off is gone', function () {
    ($this->do)(new PinSeries($this->event->id, $this->loft->id));
    ($this->do)(new DeleteSeries($this->event->id));
    expect(DB::table('occurrences')->where('series_id', $this->event->id)->count())->toBe(0);
    ($this->do)(new RestoreSeries($this->event->id));
    expect(DB::table('occurrences')->where('series_id', $this->event->id)->pluck('calendar_id')->sort()->values()->all())->toBe([$this->slip->id, $this->loft->id]);
    ($this->do)(new UnpinSeries($this->event->id, $this->loft->id));
    expect(DB::table('occurrences')->where('series_id', $this->event->id)->pluck('calendar_id')->all())->toBe([$this->slip->id]);
});

test('what is as it was is told to nobody, though it was written', function () {
    $done = ($this->do)(new SetJoinable($this->event->id, false), new MoveSeries($this->event->id, $this->slip->id));
    expect($this->raised)->toBe([])->and($done->operation->series()->count())->toBe(0)->and($done->seriesIds)->toBe([$this->event->id, $this->event->id]);
});

test('all of it or nothing: where one command fails, none was', function () {
    $breaks = new class implements Command
    {
        public function seriesId(): ?int
        {
            return null;
        }

        public function apply(App\Events\Write\SeriesTable $table, Actor $actor): int
        {
            throw new RuntimeException('It broke off.');
        }
    };
    $state = fn (): string => json_encode([DB::table('events')->get(), DB::table('occurrences')->get(), DB::table('operations')->count(), DB::table('changes')->count(), DB::table('series_changes')->get()]);
    $before = $state();
    expect(fn () => ($this->do)(new AddSeries($this->slip->id, ($this->series)('Launch')), new DeleteSeries($this->event->id), $breaks))->toThrow(RuntimeException::class, 'It broke off.')
        ->and($state())->toBe($before)->and($this->raised)->toBe([]);
});

test('whoever subscribes is within the transaction: where one of them fails, nothing was done', function () {
    Events::listen(EventsChanged::class, fn () => throw new RuntimeException('It may not follow.'));
    expect(fn () => ($this->do)(new DeleteSeries($this->event->id)))->toThrow(RuntimeException::class, 'It may not follow.')
        ->and($this->event->fresh()?->trashed())->toBeFalse();
});

test('of two who write from one version the second is told, with what is there now', function () {
    $write = fn (string $title) => app(ChangeEvents::class)->carryOut(Actor::person($this->ada), Cause::Screen, OperationKind::Change, [new ReplaceSeries($this->event->id, new Series(Make::event($title, '2026-11-10T09:00')))], [$this->event->id => 1]);
    $write('First');
    try {
        $write('Second');
        $this->fail('It was written.');
    } catch (OutdatedSeries $problem) {
        expect(array_map(fn (EventRecord $head): string => "{$head->title} {$head->version}", $problem->heads))->toBe(['First 2']);
    }
    expect($this->event->fresh()?->title)->toBe('First');
    EventRecord::query()->whereKey($this->event->id)->forceDelete();
    expect(fn () => $write('Third'))->toThrow(ModelNotFoundException::class);
});

test('a calendar has one live event of a UID; on another, and after it was deleted, there may be another', function () {
    $first = $this->addSeries($this->slip, ($this->series)('One', 'one@example.org'), $this->ada);
    expect(fn () => ($this->do)(new AddSeries($this->slip->id, ($this->series)('Again', 'one@example.org'))))->toThrow(ConflictHttpException::class, 'There is this event on that calendar already');
    ($this->do)(new AddSeries($this->loft->id, ($this->series)('Elsewhere', 'one@example.org')));
    ($this->do)(new DeleteSeries($first->id));
    ($this->do)(new AddSeries($this->slip->id, ($this->series)('Anew', 'one@example.org')));
    expect(EventRecord::query()->where('uid', 'one@example.org')->orderBy('id')->pluck('title')->all())->toBe(['Elsewhere', 'Anew']);
});

test('the calendars that are concerned are locked before anything is read of events', function () {
    ($this->do)(new PinSeries($this->event->id, $this->loft->id));
    DB::enableQueryLog();
    ($this->do)(new MoveSeries($this->event->id, $this->slip->id), new AddSeries($this->loft->id, ($this->series)('Launch')));
    $queries = collect(DB::getQueryLog())->pluck('query');
    $locks = $queries->search(fn (string $query): bool => str_contains($query, 'from `calendars`') && str_contains($query, 'for update'));
    $reads = $queries->search(fn (string $query): bool => str_contains($query, 'select * from `events`'));
    expect($locks)->not->toBeFalse()->and($reads)->toBeGreaterThan($locks)
        ->and($queries[$locks])->toContain("({$this->slip->id}, {$this->loft->id})")->toContain('order by `id`');
});

test('what nobody did is told of with nobody', function () {
    app(ChangeEvents::class)->carryOut(Actor::nobody(), Cause::Refresh, OperationKind::Refresh, [new ReplaceSeries($this->event->id, ($this->series)('By itself'))]);
    expect($this->raised[0]->actor->personId)->toBeNull()->and($this->raised[0]->cause)->toBe(Cause::Refresh)->and(Operation::query()->latest('id')->value('person_id'))->toBeNull();
});

test('an operation that is taken back is told of as an undoing, and is no new one', function () {
    $done = ($this->do)(new DeleteSeries($this->event->id));
    $count = Operation::query()->count();
    $this->raised = [];
    app(ChangeEvents::class)->turn($done->operation, Actor::person($this->ada), [new RestoreSeries($this->event->id)], true);
    expect($this->raised)->toHaveCount(1)->and($this->raised[0]->cause)->toBe(Cause::Undo)
        ->and(Operation::query()->count())->toBe($count)->and($done->operation->fresh()?->undone_at)->not->toBeNull();
    app(ChangeEvents::class)->turn($done->operation, Actor::person($this->ada), [new DeleteSeries($this->event->id)], false);
    expect($done->operation->fresh()?->undone_at)->toBeNull();
});

test('each time of a series that is changed on its own is its own row, under whoever made it', function () {
    $master = Make::event('Rowing', '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=3', uid: 'r');
    $head = $this->addSeries($this->slip, new Series($master), $this->ada);
    $late = fn (string $title): Event => Make::event($title, '2026-11-10T11:00', uid: 'r', more: ['recurrenceId' => Make::time('2026-11-10T09:00')]);
    ($this->do)(new ReplaceSeries($head->id, new Series($master, [$late('Late')])));
    $row = EventRecord::query()->where('series_id', $head->id)->sole();
    ($this->do)(new ReplaceSeries($head->id, new Series($master, [$late('Later')])));
    expect(EventRecord::query()->where('series_id', $head->id)->sole()->only(['id', 'title']))->toBe(['id' => $row->id, 'title' => 'Later']);
    ($this->do)(new ReplaceSeries($head->id, new Series($master)));
    expect(EventRecord::query()->where('series_id', $head->id)->count())->toBe(0)
        ->and(DB::table('occurrences')->where('series_id', $head->id)->orderBy('starts_at')->pluck('starts_at')->all())->toBe(['2026-11-03 09:00:00', '2026-11-10 09:00:00', '2026-11-17 09:00:00']);
});
