<?php

use App\Access\AccessReader;
use App\Access\Perspective;
use App\Events\Read\Scope;
use App\Events\Read\SeenOccurrence;
use App\Events\Read\SeenOccurrences;
use App\Sources\Source;
use PinnedRota\Core\Access\Hold;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Access\Viewer;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Overlay\CategoryCondition;
use PinnedRota\Core\Overlay\CategoryMatch;
use PinnedRota\Core\Overlay\Filter;
use PinnedRota\Core\Overlay\WordsCondition;
use PinnedRota\Core\Time\LocalDateTime;
use PinnedRota\Core\Time\Zone;
use Tests\Support\Make;

/* The one way to see: a stream of what somebody sees in a window, blanked before anything is asked of it. */
beforeEach(function () {
    $this->ada = $this->person();
    $this->ben = $this->person('Ben Oar');
    $this->slip = $this->calendar($this->ada, 'Slipway');
    $this->board = $this->calendar($this->ben, 'Board');
    /** With somebody's eyes, and perhaps with whose help. */
    $this->eyes = function ($person, bool $readOnly = false, ?Level $atMost = null, ?Perspective $looker = null): Perspective {
        $reader = app(AccessReader::class);
        $viewer = $person === null ? Viewer::outsider() : $reader->viewer($person->fresh());

        return new Perspective($viewer, $reader->calendars($viewer), $readOnly, $atMost, looker: $looker);
    };
    $this->scope = fn (array $more = []): Scope => new Scope(...$more + [
        'calendarIds' => [$this->slip->id, $this->board->id],
        'from' => LocalDateTime::parse('2026-11-01'),
        'to' => LocalDateTime::parse('2026-12-01'),
        'zone' => Zone::of('Europe/London'),
    ]);
    /** @return list<SeenOccurrence> */
    $this->stream = fn (Perspective $eyes, array $scope = []): array => iterator_to_array(app(SeenOccurrences::class)->in($eyes, ($this->scope)($scope)), false);
    $this->told = fn (Perspective $eyes, array $scope = []): array => array_map(
        static fn (SeenOccurrence $each): string => trim(($each->isFull ? '' : 'hidden ').$each->occurrence->title.' '.($each->hold->value ?? '')),
        ($this->stream)($eyes, $scope),
    );
    $this->at = fn (string $title, string $start, array $more = [], $author = null) => $this->add($this->slip, $author ?? $this->ada, title: $title, start: $start, more: $more);
});

test('each level sees of a calendar what it may, and what holds them from changing it', function (Level $level, array $seen) {
    ($this->at)('Open', '2026-11-02T09:00');
    ($this->at)('Private', '2026-11-03T09:00', ['private' => true]);
    ($this->at)('Free', '2026-11-04T09:00', ['busy' => false]);
    ($this->at)('Private and free', '2026-11-05T09:00', ['busy' => false, 'private' => true]);
    ($this->at)('Ben’s own', '2026-11-06T09:00', ['private' => true], $this->ben);
    if ($level !== Level::None) {
        $this->give($this->slip, $this->ben, $level);
    }
    expect(($this->told)(($this->eyes)($this->ben)))->toBe($seen);
})->with([
    'none' => [Level::None, []],
    'busy times' => [Level::BusyTimes, ['hidden Busy hidden', 'hidden Busy hidden', 'hidden Busy hidden']],
    'see' => [Level::See, ['Open level', 'hidden Busy hidden', 'Free level', 'Ben’s own level']],
    'add' => [Level::Add, ['Open level', 'hidden Busy hidden', 'Free level', 'Ben’s own']],
    'change' => [Level::Change, ['Open', 'Private', 'Free', 'Private and free', 'Ben’s own']],
    'manage' => [Level::Manage, ['Open', 'Private', 'Free', 'Private and free', 'Ben’s own']],
]);

test('what is hidden is gone: title, place, people, categories and colour', function () {
    ($this->at)('Hospital', '2026-11-02T09:00', ['place' => 'Ward 7', 'categories' => ['Wellbeing'], 'participants' => [Participant::ofPerson($this->ada->id, $this->ada->email, 'Ada', ParticipantRole::Responsible)]]);
    $this->give($this->slip, $this->ben, Level::BusyTimes);
    [$seen] = ($this->stream)(($this->eyes)($this->ben));
    expect($seen->occurrence->title)->toBe('Busy')
        ->and($seen->occurrence->place)->toBe('')
        ->and($seen->categories)->toBe([])
        ->and($seen->responsible)->toBe([])
        ->and($seen->occurrence->colour)->toBeNull()
        ->and($seen->occurrence->createdBy)->toBeNull()
        ->and($seen->facts->hidden)->toBeTrue()
        ->and($seen->sameness())->toBeNull();
});

test('a filter asks only of what is seen: what is hidden is taken by neither it nor its opposite', function () {
    ($this->at)('Launch', '2026-11-02T09:00', ['categories' => ['launch'], 'description' => 'Bring rope']);
    ($this->at)('Lesson', '2026-11-03T09:00');
    ($this->at)('Secret launch', '2026-11-04T09:00', ['private' => true, 'categories' => ['launch'], 'description' => 'Bring rope']);
    $this->give($this->slip, $this->ben, Level::See);
    $titles = fn (Filter $filter, $person): array => ($this->told)(($this->eyes)($person), ['filter' => $filter]);
    $launch = new Filter([new CategoryCondition(['launch'])]);
    $none = new Filter([new CategoryCondition(['launch'], CategoryMatch::None)]);
    $rope = new Filter([new WordsCondition(['rope'])]);
    expect($titles($launch, $this->ben))->toBe(['Launch level'])
        ->and($titles($none, $this->ben))->toBe(['Lesson level'])
        ->and($titles($rope, $this->ben))->toBe(['Launch level'])
        ->and($titles($launch, $this->ada))->toBe(['Launch', 'Secret launch']);
});

test('who is asked to take part and has not answered is told so, and nobody else is', function () {
    $asked = fn (ParticipantAnswer $answer) => Participant::ofPerson($this->ben->id, $this->ben->email, 'Ben Oar', ParticipantRole::Required)->with(answer: $answer);
    ($this->at)('Asked', '2026-11-02T09:00', ['private' => true, 'participants' => [$asked(ParticipantAnswer::Unanswered)]]);
    ($this->at)('Answered', '2026-11-03T09:00', ['participants' => [$asked(ParticipantAnswer::Declined)]]);
    ($this->at)('Group', '2026-11-04T09:00', ['participants' => [Participant::ofGroup($this->group('Riggers', $this->ben)->id, 'Riggers', ParticipantRole::Required)]]);
    $this->give($this->slip, $this->ben, Level::See);
    $unanswered = fn ($person): array => array_map(static fn (SeenOccurrence $each): bool => $each->isUnanswered, ($this->stream)(($this->eyes)($person)));
    expect($unanswered($this->ben))->toBe([true, false, true])->and($unanswered($this->ada))->toBe([false, false, false])
        // Taking part opens what is private.
        ->and(($this->told)(($this->eyes)($this->ben))[0])->toBe('Asked level');
});

test('what comes from outside, lies in an archive or is looked at with other eyes says so', function () {
    ($this->at)('Tide', '2026-11-02T09:00');
    expect(($this->told)(($this->eyes)($this->ada)))->toBe(['Tide']);
    expect(($this->told)(($this->eyes)($this->ada, readOnly: true)))->toBe(['Tide looking']);
    $this->slip->update(['archived_at' => now()]);
    expect(($this->told)(($this->eyes)($this->ada)))->toBe(['Tide archived']);
    $this->slip->update(['archived_at' => null]);
    Source::query()->create(['calendar_id' => $this->slip->id, 'url' => 'https://example.org/x.ics', 'refresh_minutes' => 60]);
    [$seen] = ($this->stream)(($this->eyes)($this->ada));
    expect($seen->hold)->toBe(Hold::Outside)->and($seen->isExternal)->toBeTrue();
});

test('a feed of busy times sees no more, whoever publishes it', function () {
    ($this->at)('Hospital', '2026-11-02T09:00');
    ($this->at)('Free', '2026-11-03T09:00', ['busy' => false]);
    expect(($this->told)(($this->eyes)($this->ada, readOnly: true, atMost: Level::BusyTimes)))->toBe(['hidden Busy looking']);
});

test('a pinned event comes by each calendar that shows most of it, and by none that shows less', function () {
    $open = ($this->at)('Open', '2026-11-02T09:00');
    $this->give($this->slip, $this->ben, Level::See);
    $this->as($this->ben, 'POST', "/events/{$open->id}/pins", ['calendar' => $this->board->slug])->assertSuccessful();
    $this->as($this->ada, 'PATCH', "/events/{$open->id}", ['title' => 'Open day'], 1)->assertOk();
    $by = fn ($person): array => array_map(static fn (SeenOccurrence $each): string => "{$each->occurrence->title} ".($each->occurrence->isPinned() ? 'by its pin' : 'at home'), ($this->stream)(($this->eyes)($person)));
    expect($by($this->ben))->toBe(['Open day at home', 'Open day by its pin']);
    // Cy sees the board alone; what is changed there is changed at home.
    $cy = $this->person('Cy Reader');
    $this->give($this->board, $cy, Level::Change);
    expect($by($cy))->toBe(['Open day by its pin'])->and(($this->told)(($this->eyes)($cy)))->toBe(['Open day pinned']);
    // At home Cy sees that the time is taken; the board shows more, and that is what counts.
    $this->give($this->slip, $cy, Level::BusyTimes);
    expect($by($cy))->toBe(['Open day by its pin']);
});

test('with somebody else’s eyes the lesser of both is seen', function () {
    ($this->at)('Ben’s own', '2026-11-02T09:00', ['private' => true], $this->ben);
    ($this->at)('Open', '2026-11-03T09:00');
    $cy = $this->person('Cy Reader');
    $this->give($this->slip, $this->ben, Level::See);
    $this->give($this->slip, $cy, Level::See);
    $asBen = fn ($looker): array => ($this->told)(($this->eyes)($this->ben, readOnly: true, looker: ($this->eyes)($looker)));
    expect($asBen($this->ada))->toBe(['Ben’s own looking', 'Open looking'])
        ->and($asBen($cy))->toBe(['hidden Busy looking', 'Open looking'])
        ->and(($this->told)(($this->eyes)($this->ada, readOnly: true, looker: ($this->eyes)($cy))))->toBe(['hidden Busy looking', 'Open looking']);
});

test('each time of a series is seen on its own', function () {
    $master = Make::event('Rowing', '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=3', uid: 'r');
    $changed = Make::event('Hearing', '2026-11-10T11:00', uid: 'r', more: ['recurrenceId' => Make::time('2026-11-10T09:00'), 'private' => true]);
    $head = $this->addSeries($this->slip, new Series($master, [$changed]), $this->ada);
    $this->give($this->slip, $this->ben, Level::See);
    expect(($this->told)(($this->eyes)($this->ben)))->toBe(['Rowing level', 'hidden Busy hidden', 'Rowing level'])
        // Only some series, where only they are asked for.
        ->and(($this->told)(($this->eyes)($this->ben), ['seriesIds' => [$head->id + 1]]))->toBe([])
        ->and(($this->told)(($this->eyes)($this->ben), ['seriesIds' => [$head->id]]))->toHaveCount(3);
});

test('an outsider sees what is shared with the public, and of nothing else that it is there', function () {
    ($this->at)('Open day', '2026-11-02T09:00');
    expect(($this->stream)(($this->eyes)(null)))->toBe([]);
    $this->give($this->slip, PinnedRota\Core\Access\SubjectKind::Public, Level::BusyTimes);
    expect(($this->told)(($this->eyes)(null)))->toBe(['hidden Busy hidden']);
    $this->give($this->slip, PinnedRota\Core\Access\SubjectKind::Public, Level::See);
    expect(($this->told)(($this->eyes)(null)))->toBe(['Open day level']);
});
