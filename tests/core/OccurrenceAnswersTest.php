<?php

use PinnedRota\Core\Events\AskedAnew;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\OccurrenceAnswers;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\Series;
use Tests\Support\Make;

beforeEach(function () {
    $this->ann = Participant::standingFor(Party::person(1));
    $this->asked = fn (ParticipantAnswer $answer = ParticipantAnswer::Accepted): array => [
        Participant::ofPerson(1, 'ann@example.org', 'Ann', ParticipantRole::Required)->with(answer: $answer),
        Participant::ofPerson(2, 'ben@example.org', 'Ben', ParticipantRole::Required)->with(answer: ParticipantAnswer::Tentative),
        Participant::ofPerson(3, 'cy@example.org', 'Cy', ParticipantRole::Responsible),
        Participant::ofRoom(4, 'Long loft', ParticipantRole::Required),
    ];
    $this->series = new Series(Make::event('Rowing', '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=5', uid: 'r', more: ['participants' => ($this->asked)()]));
    $this->name = fn (int $day): string => sprintf('2026-11-%02dT09:00', $day);
    $this->answered = fn (int $day, ParticipantAnswer $answer = ParticipantAnswer::Declined): Series => OccurrenceAnswers::answered($this->series, $this->series->find(Make::time(($this->name)($day))), $this->ann, $answer, '', 0);
    /** What was answered, by the start of each time. */
    $this->answers = fn (Series $series): array => collect($series->occurrences(Make::time('2026-11-01T00:00')->indexSeconds(), Make::time('2027-01-01T00:00')->indexSeconds()))
        ->mapWithKeys(fn (Occurrence $each): array => [$each->start->local->toMinute() => array_map(static fn (Participant $of): string => $of->answer->value, array_slice($each->event->participants, 0, 2))])->all();
});

test('what is answered to one time is of that time alone', function () {
    $answered = ($this->answered)(10);
    expect(($this->answers)($answered))->toBe([
        '2026-11-03T09:00' => ['ACCEPTED', 'TENTATIVE'], '2026-11-10T09:00' => ['DECLINED', 'TENTATIVE'], '2026-11-17T09:00' => ['ACCEPTED', 'TENTATIVE'],
        '2026-11-24T09:00' => ['ACCEPTED', 'TENTATIVE'], '2026-12-01T09:00' => ['ACCEPTED', 'TENTATIVE'],
    ]);
    // Answered again it is still one change.
    $again = OccurrenceAnswers::answered($answered, $answered->find(Make::time('2026-11-10T09:00')), $this->ann, ParticipantAnswer::Tentative, '', 0);
    expect($again->overrides)->toHaveCount(1)->and(($this->answers)($again)['2026-11-10T09:00'])->toBe(['TENTATIVE', 'TENTATIVE']);
});

test('a time that was only answered to goes on with its series: with its title, and with its time', function () {
    $answered = ($this->answered)(10);
    $master = $answered->master;
    $titled = OccurrenceChanges::all($answered, $master->with(contents: Make::event('Rowing, all boats')->contents));
    expect(array_unique(array_map(static fn (Event $each): string => $each->contents->title, $titled->events())))->toBe(['Rowing, all boats'])
        ->and(($this->answers)($titled)['2026-11-10T09:00'])->toBe(['DECLINED', 'TENTATIVE']);
    $moved = OccurrenceChanges::all($answered, $master->with(timing: Make::event('', '2026-11-04T10:30', '2026-11-04T12:00', rule: 'FREQ=WEEKLY;COUNT=5')->timing));
    expect(array_keys(($this->answers)($moved)))->toBe(['2026-11-04T10:30', '2026-11-11T10:30', '2026-11-18T10:30', '2026-11-25T10:30', '2026-12-02T10:30'])
        ->and(($this->answers)($moved)['2026-11-11T10:30'][0])->toBe('DECLINED');
});

test('what was changed besides stays where it was put', function () {
    $answered = ($this->answered)(10);
    $late = OccurrenceChanges::one($answered, $answered->overrides[0]->with(timing: Make::event('', '2026-11-10T11:00')->timing));
    $moved = OccurrenceChanges::all($late, $late->master->with(timing: Make::event('', '2026-11-04T09:00', rule: 'FREQ=WEEKLY;COUNT=5')->timing));
    expect(array_keys(($this->answers)($moved)))->toContain('2026-11-10T11:00')->not->toContain('2026-11-11T09:00');
});

test('a time that there is no more takes what was answered to it along', function () {
    $answered = ($this->answered)(24);
    $shorter = OccurrenceChanges::all($answered, $answered->master->with(timing: Make::event('', '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=2')->timing));
    expect($shorter->overrides)->toBe([])->and(($this->answers)($shorter))->toHaveCount(2);
});

test('who is taken off or added since is so at every time', function () {
    $answered = ($this->answered)(10);
    $fewer = OccurrenceChanges::all($answered, $answered->master->with(participants: [$answered->master->participants[0], Participant::ofPerson(9, 'di@example.org', 'Di', ParticipantRole::Optional)]));
    $of = $fewer->overrides[0]->participants;
    expect(array_column($of, 'name'))->toBe(['Ann', 'Di'])->and($of[0]->answer)->toBe(ParticipantAnswer::Declined)->and($of[1]->answer)->toBe(ParticipantAnswer::Unanswered);
});

test('where the series is parted, what was answered later is in the part where it belongs, as that has it', function () {
    $answered = OccurrenceAnswers::answered(($this->answered)(24), $this->series->find(Make::time('2026-11-10T09:00')), $this->ann, ParticipantAnswer::Tentative, '', 0);
    $at = Make::time('2026-11-17T09:00');
    $changed = OccurrenceChanges::from($answered->master, $answered->find($at), $at)->with(contents: Make::event('Rowing, late')->contents);
    [$earlier, $later] = OccurrenceChanges::following($answered, $at, $changed, 'later');
    expect(($this->answers)($earlier))->toBe(['2026-11-03T09:00' => ['ACCEPTED', 'TENTATIVE'], '2026-11-10T09:00' => ['TENTATIVE', 'TENTATIVE']])
        ->and(($this->answers)($later)['2026-11-24T09:00'])->toBe(['DECLINED', 'TENTATIVE'])
        ->and($later->overrides)->toHaveCount(1)->and($later->overrides[0]->contents->title)->toBe('Rowing, late')->and($later->overrides[0]->uid)->toBe('later');
});

describe('who had answered is asked anew', function () {
    beforeEach(fn () => $this->anew = fn (Series $after, ?Party $mover = null, ?Series $before = null): array => ($this->answers)(AskedAnew::of($before ?? $this->series, $after, $mover)));

    test('where the event is moved, but for who moves it', function () {
        $moved = OccurrenceChanges::all($this->series, $this->series->master->with(timing: Make::event('', '2026-11-03T10:00', rule: 'FREQ=WEEKLY;COUNT=5')->timing));
        expect(array_unique(($this->anew)($moved), SORT_REGULAR))->toBe(['2026-11-03T10:00' => ['NEEDS-ACTION', 'NEEDS-ACTION']])
            ->and(array_unique(($this->anew)($moved, Party::person(1)), SORT_REGULAR))->toBe(['2026-11-03T10:00' => ['ACCEPTED', 'NEEDS-ACTION']]);
        // Who is responsible, and a room, answer nothing.
        $rest = array_slice(AskedAnew::of($this->series, $moved, null)->master->participants, 2);
        expect($rest)->toEqual(array_slice($this->series->master->participants, 2));
    });

    test('where one time of it is moved, at that time alone', function () {
        $single = OccurrenceChanges::single($this->series->find(Make::time('2026-11-10T09:00')));
        $answers = ($this->anew)(OccurrenceChanges::one($this->series, $single->with(timing: Make::event('', '2026-11-11T09:00')->timing)));
        expect($answers['2026-11-11T09:00'])->toBe(['NEEDS-ACTION', 'NEEDS-ACTION'])->and($answers['2026-11-17T09:00'])->toBe(['ACCEPTED', 'TENTATIVE']);
    });

    test('and by nothing else', function (Closure $change) {
        $after = $change($this->series);
        expect(array_unique(array_values(($this->anew)($after)), SORT_REGULAR))->toBe([['ACCEPTED', 'TENTATIVE']]);
    })->with([
        'another title' => [fn (Series $series): Series => OccurrenceChanges::all($series, $series->master->with(contents: Make::event('Rowing, all boats')->contents))],
        'a time less' => [fn (Series $series): Series => OccurrenceChanges::skip($series, Make::time('2026-11-10T09:00'))],
        'more times' => [fn (Series $series): Series => OccurrenceChanges::all($series, $series->master->with(timing: Make::event('', '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=9')->timing))],
        'one time by another title' => [fn (Series $series): Series => OccurrenceChanges::one($series, OccurrenceChanges::single($series->find(Make::time('2026-11-10T09:00')))->with(contents: Make::event('Rowing, late')->contents))],
    ]);

    test('a time that was answered to and stays where it is keeps its answer', function () {
        $answered = ($this->answered)(10);
        $titled = OccurrenceChanges::all($answered, $answered->master->with(contents: Make::event('Rowing, all boats')->contents));
        expect(($this->anew)($titled, null, $answered)['2026-11-10T09:00'])->toBe(['DECLINED', 'TENTATIVE']);
        $moved = OccurrenceChanges::all($answered, $answered->master->with(timing: Make::event('', '2026-11-03T10:00', rule: 'FREQ=WEEKLY;COUNT=5')->timing));
        expect(($this->anew)($moved, null, $answered)['2026-11-10T10:00'])->toBe(['NEEDS-ACTION', 'NEEDS-ACTION']);
    });
});
