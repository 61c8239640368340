<?php

use PinnedRota\Core\Events\AskWhen;
use PinnedRota\Core\Events\Event;
use PinnedRota\Core\Events\Occurrence;
use PinnedRota\Core\Events\OccurrenceChanges;
use PinnedRota\Core\Events\Participant;
use PinnedRota\Core\Events\ParticipantAnswer;
use PinnedRota\Core\Events\ParticipantRole;
use PinnedRota\Core\Events\Participants;
use PinnedRota\Core\Events\Party;
use PinnedRota\Core\Events\RecurrenceId;
use PinnedRota\Core\Events\Series;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\ICalendar\Method;
use PinnedRota\Core\Invitations\InvitationMessage;
use PinnedRota\Core\Invitations\Invited;
use Tests\Support\Make;

beforeEach(function () {
    $this->ben = Participant::ofPerson(2, 'ben@example.org', 'Ben', ParticipantRole::Required);
    $this->cy = Participant::ofPerson(3, 'cy@example.org', 'Cy', ParticipantRole::Required)->with(answer: ParticipantAnswer::Declined);
    $this->series = new Series(Make::event('Rowing', '2026-11-03T09:00', rule: 'FREQ=WEEKLY;COUNT=6', uid: 'r', more: ['place' => 'Slip', 'categories' => ['sport'], 'participants' => [$this->cy, $this->ben], 'sequence' => 4]));
    $this->asks = fn (Series $series, bool $alsoProvisional = false): ?Series => Invited::of($series, fn (Event $event): ?Participant => Participants::find($event->participants, Participant::standingFor(Party::person(2))), new Participant('mailto:rota+1-x@example.org', 'Ada'), AskWhen::Confirmed, $alsoProvisional);
    /** As it is kept, and read again. */
    $this->kept = fn (?Series $series): ?Series => $series === null ? null : Invited::read(Invited::write($series));
    $this->between = fn (?Series $before, ?Series $after): ?InvitationMessage => InvitationMessage::between(($this->kept)($before === null ? null : ($this->asks)($before)), $after === null ? null : ($this->asks)($after, $before !== null));
    $this->one = fn (Series $series, int $day, Closure $change): Series => OccurrenceChanges::one($series, $change(OccurrenceChanges::single($series->find(Make::time(sprintf('2026-11-%02dT09:00', $day))))));
    $this->told = fn (InvitationMessage $message): array => [$message->method, array_map(static fn (Event $each): string => $each->recurrenceId === null ? 'all' : RecurrenceId::text($each->recurrenceId), $message->series->events()), $message->asks];
});

test('somebody is told when, where and what, and of nobody else', function () {
    [$event] = ($this->asks)($this->series)->events();
    expect($event->participants)->toHaveCount(1)->and($event->participants[0]->mailAddress())->toBe('ben@example.org')->and($event->contents->categories)->toBe([])->and($event->contents->place)->toBe('Slip')
        ->and(Invited::write(($this->asks)($this->series)))->not->toContain('cy@example.org')->not->toContain('sport');
});

test('what is new is asked with all of it; what is as it was is not told', function () {
    expect(($this->told)(($this->between)(null, $this->series)))->toBe([Method::Request, ['all'], true])
        ->and(($this->between)($this->series, $this->series))->toBeNull()
        ->and(($this->between)($this->series, $this->series->each(fn (Event $event): Event => $event->with(sequence: 9, participants: [$this->ben->with(answer: ParticipantAnswer::Accepted)], contents: $event->contents->with(categories: ['other'])))))->toBeNull();
});

test('what is another is told, and asks anew where it is at another time', function () {
    $titled = $this->series->each(fn (Event $event): Event => $event->with(contents: $event->contents->with(title: 'Sculling')));
    $moved = OccurrenceChanges::all($this->series, $this->series->master->with(timing: Make::event('', '2026-11-03T10:00', rule: 'FREQ=WEEKLY;COUNT=6')->timing));
    expect(($this->told)(($this->between)($this->series, $titled)))->toBe([Method::Request, ['all'], false])->and(($this->told)(($this->between)($this->series, $moved)))->toBe([Method::Request, ['all'], true]);
});

test('of single times those are told alone', function () {
    $placed = ($this->one)($this->series, 10, fn (Event $event): Event => $event->with(contents: $event->contents->with(place: 'Loft')));
    $skipped = OccurrenceChanges::skip($this->series, Make::time('2026-11-17T09:00'));
    $without = ($this->one)($this->series, 10, fn (Event $event): Event => $event->with(participants: [$this->cy]));
    $off = ($this->one)($this->series, 24, fn (Event $event): Event => $event->with(contents: $event->contents->with(status: Status::Cancelled)));
    expect(($this->told)(($this->between)($this->series, $placed)))->toBe([Method::Request, ['2026-11-10T09:00:00Z'], false])
        ->and(($this->told)(($this->between)($this->series, $skipped)))->toBe([Method::Cancel, ['2026-11-17T09:00:00Z'], false])
        ->and(($this->told)(($this->between)($this->series, $without)))->toBe([Method::Cancel, ['2026-11-10T09:00:00Z'], false])
        ->and(($this->told)(($this->between)($this->series, $off)))->toBe([Method::Cancel, ['2026-11-24T09:00:00Z'], false])
        // What is on again, and several things at once, need all of it.
        ->and(($this->told)(($this->between)($skipped, $this->series)))->toBe([Method::Request, ['all'], false])
        ->and(($this->told)(($this->between)($placed, OccurrenceChanges::skip($this->series, Make::time('2026-11-17T09:00'))))[0])->toBe(Method::Request);
});

test('who is asked to single times alone is told of those', function () {
    $nobody = $this->series->each(fn (Event $event): Event => $event->with(participants: []));
    $one = ($this->one)($nobody, 10, fn (Event $event): Event => $event->with(participants: [$this->ben]));
    expect(($this->asks)($nobody))->toBeNull()->and(($this->told)(($this->between)(null, $one)))->toBe([Method::Request, ['2026-11-10T09:00:00Z'], true])
        ->and(($this->told)(($this->between)($one, $nobody)))->toBe([Method::Cancel, ['2026-11-10T09:00:00Z'], false]);
});

test('who is asked to single times of it alone is told that the rest is off, and then of those', function () {
    $nobody = $this->series->each(fn (Event $event): Event => $event->with(participants: []));
    $one = ($this->one)($nobody, 10, fn (Event $event): Event => $event->with(participants: [$this->ben]));
    $message = ($this->between)($this->series, $one);
    expect(($this->told)($message))->toBe([Method::Cancel, ['all'], false])->and($message->known)->toBeNull();
});

test('what is called off says so in its state and its number', function () {
    $text = ($this->between)($this->series, null)->text(7);
    expect($text)->toContain("METHOD:CANCEL\r\n")->toContain("STATUS:CANCELLED\r\n")->toContain("SEQUENCE:7\r\n")->toContain("UID:r\r\n");
});

test('what is provisional is told to who was asked before, and to nobody else', function () {
    $open = $this->series->each(fn (Event $event): Event => $event->with(contents: $event->contents->with(status: Status::Provisional)));
    expect(($this->between)(null, $open))->toBeNull()->and(($this->told)(($this->between)($this->series, $open)))->toBe([Method::Request, ['all'], false]);
});

/** A diary that takes messages as RFC 5546 has it: what somebody knows who reads them all. */
function diary(?Series $known, InvitationMessage $message): ?Series
{
    $told = Make::series($message->text(1))[0][0];
    if ($message->method === Method::Cancel) {
        if ($told->master !== null) {
            return null;
        }
        foreach ($told->overrides as $off) {
            $kept = array_values(array_filter($known->overrides, static fn (Event $each): bool => ! $each->recurrenceId->equals($off->recurrenceId)));
            $set = $known->master?->timing->recurrence;
            $master = $known->master?->repeating($set->put(skippedDates: [...$set->skippedDates, $off->recurrenceId]));
            if ($master === null && $kept === []) {
                return null;
            }
            $known = new Series($master, $kept);
        }

        return $known;
    }
    if ($told->master !== null || $known === null) {
        return $told;
    }
    $named = fn (Event $each): string => RecurrenceId::text($each->recurrenceId);

    return new Series($known->master, array_values(array_column(array_map(fn (Event $each): array => [$named($each), $each], [...$known->overrides, ...$told->overrides]), 1, 0)));
}

test('who takes every letter knows what is now, whatever is done', function (int $seed) {
    mt_srand($seed);
    $times = fn (?Series $series): array => $series === null ? [] : array_map(static fn (Occurrence $each): string => "{$each->startSeconds}–{$each->endSeconds} {$each->event->contents->title} {$each->event->contents->place} {$each->event->contents->status->value}", $series->occurrences(Make::time('2026-10-01')->indexSeconds(), Make::time('2027-04-01')->indexSeconds()));
    $edits = [
        fn (Series $s): Series => $s->each(fn (Event $e): Event => $e->with(contents: $e->contents->with(title: 'Title '.mt_rand(1, 4)))),
        fn (Series $s): Series => OccurrenceChanges::all($s, $s->master->with(timing: $s->master->timing->startingAt(Make::time(sprintf('2026-11-03T%02d:00', mt_rand(8, 20)))))),
        fn (Series $s): Series => $s->each(fn (Event $e): Event => $e->with(participants: mt_rand(0, 2) === 0 ? [$this->cy] : [$this->cy, $this->ben])),
        fn (Series $s): Series => $s->each(fn (Event $e): Event => $e->with(contents: $e->contents->with(status: mt_rand(0, 3) === 0 ? Status::Cancelled : Status::Confirmed))),
        ...array_map(fn (Closure $change): Closure => function (Series $s) use ($change): Series {
            $all = $s->occurrences(Make::time('2026-10-01')->indexSeconds(), Make::time('2027-04-01')->indexSeconds());
            $found = $all === [] ? null : $all[array_rand($all)];

            return $found?->recurrenceId === null ? $s : OccurrenceChanges::one($s, $change(OccurrenceChanges::single($found)));
        }, [
            fn (Event $e): Event => $e->with(contents: $e->contents->with(place: 'Place '.mt_rand(1, 4))),
            fn (Event $e): Event => $e->with(timing: $e->timing->startingAt($e->timing->start->plusExactSeconds(3600 * mt_rand(-3, 30)))),
            fn (Event $e): Event => $e->with(participants: [$this->cy]),
            fn (Event $e): Event => $e->with(contents: $e->contents->with(status: Status::Cancelled)),
        ]),
        function (Series $s): Series {
            $all = $s->occurrences(Make::time('2026-10-01')->indexSeconds(), Make::time('2027-04-01')->indexSeconds());

            return count($all) < 3 ? $s : OccurrenceChanges::skip($s, $all[array_rand($all)]->recurrenceId);
        },
        fn (Series $s): Series => $s->master->timing->recurrence->skippedDates === [] ? $s : OccurrenceChanges::unskip($s, $s->master->timing->recurrence->skippedDates[0]),
    ];
    $series = $this->series;
    $told = $known = null;
    $letters = 0;
    for ($step = 0; $step < 40; $step++) {
        for ($edit = 0; $edit <= mt_rand(0, 2); $edit++) {
            $series = $edits[array_rand($edits)]($series);
        }
        $now = ($this->asks)($series, $told !== null);
        for ($more = 0; ($message = InvitationMessage::between($told, $now)) !== null; $more++) {
            expect($more)->toBeLessThan(2);
            $known = diary($known, $message);
            $letters++;
            // What was told is kept as text.
            $told = ($this->kept)($message->known);
        }
        expect($times($known))->toBe($times($now));
    }
    expect($letters)->toBeGreaterThan(10);
})->with(range(1, 25));
