<?php

use App\Directory\Person;
use App\Following\Digest;
use App\Following\Follow;
use App\Following\SendDigests;
use App\Following\TellFollowers;
use App\Reminders\DueReminders;
use Illuminate\Support\Facades\Queue;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Notices\Pace;
use Tests\Support\SentLetter;

/*
 * Whatever tells somebody of what changed, of what is on, or of what they wanted to be reminded of, tells no more than their level shows: by each way, for
 * each level, of what is open and of what is private, and once more where the level was taken away between the reckoning and the telling.
 */
const SEES_OPEN = [Level::See, Level::Add, Level::Change, Level::Manage];
const SEES_PRIVATE = [Level::Change, Level::Manage];

beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    [$this->ada, $this->ben] = [$this->person('Ada Quill'), $this->person('Ben Oar')];
    $this->slip = $this->calendar($this->ada, 'Slipway');
    /** As though it had been followed before the level was what it is. */
    $this->follow = fn (Pace $pace) => Follow::query()->create(['person_id' => $this->ben->id, 'kind' => 'calendar', 'target' => "calendar {$this->slip->id}", 'calendar_id' => $this->slip->id, 'wanted' => ['added', 'moved', 'changed', 'cancelled'], 'pace' => $pace, 'by_mail' => true, 'in_inbox' => true]);
    $this->write = fn (bool $private): int => $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Hush regatta', 'place' => 'Hush quay', 'start' => '2026-11-03T09:00', 'end' => '2026-11-03T10:00', 'private' => $private])->assertCreated()->json('id');
    /** All words that reach Ben: by mail, and under For you. */
    $this->reach = function (): string {
        $letters = array_filter(SentLetter::all(), fn (SentLetter $each): bool => $each->to === $this->ben->email);
        $inbox = $this->as($this->ben, 'GET', '/notices')->assertOk()->getContent();

        return implode("\n", array_map(fn (SentLetter $each): string => "{$each->subject()}\n{$each->text()}\n{$each->html()}", $letters)).$inbox.$this->as($this->ben, 'GET', '/reminders')->getContent().$this->as($this->ben, 'GET', '/follows')->getContent();
    };
    $this->told = ['notice' => function (): void {
        ($this->follow)(Pace::Now);
    }, 'digest' => function (): void {
        ($this->follow)(Pace::Daily);
        Digest::of($this->ben, Pace::Daily)->moveTo(12, 0);
    }, 'reminder' => fn () => null];
    /** What is put together, and waits. */
    $this->reckon = function (string $way, int $id): void {
        if ($way === 'reminder') {
            App\Reminders\OwnReminder::query()->create(['person_id' => $this->ben->id, 'event_id' => $id, 'minutes' => 60]);
            $this->travelTo('2026-11-03 08:00:30');
            app(DueReminders::class)->run();

            return;
        }
        $this->travelTo('2026-11-02 12:00:00');
        app(TellFollowers::class)->run();
        app(SendDigests::class)->run();
    };
});

test('no way tells what the level hides', function (string $way, Level $level, bool $private) {
    $this->give($this->slip, $this->ben, $level);
    ($this->told)[$way]();
    Queue::fake();
    ($this->reckon)($way, ($this->write)($private));
    $sees = in_array($level, $private ? SEES_PRIVATE : SEES_OPEN, true);
    $words = ($this->reach)();
    expect(str_contains($words, 'Hush regatta'))->toBe($sees)->and(str_contains($words, 'Hush quay'))->toBe($sees);
})->with(['notice', 'digest', 'reminder'])->with(Level::cases())->with(['open' => false, 'private' => true]);

test('nor what it hides since, though it was reckoned before', function (string $way, Level $then) {
    $this->give($this->slip, $this->ben, Level::Manage);
    ($this->told)[$way]();
    Queue::fake();
    ($this->reckon)($way, ($this->write)(false));
    $this->give($this->slip, $this->ben, $then);
    expect(($this->reach)())->not->toContain('Hush');
})->with(['notice', 'digest', 'reminder'])->with([Level::None, Level::BusyTimes]);

test('nor to who has left, or is suspended', function (string $way, string $status) {
    $this->give($this->slip, $this->ben, Level::Manage);
    ($this->told)[$way]();
    Queue::fake();
    ($this->reckon)($way, ($this->write)(false));
    Person::query()->whereKey($this->ben->id)->update(['status' => $status]);
    expect(SentLetter::all())->toBe([]);
})->with(['notice', 'digest', 'reminder'])->with(['left', 'suspended']);

test('answers are told to nobody who does not see the event', function (Level $level) {
    $cy = $this->person('Cy Mast');
    $this->give($this->slip, $cy, Level::See);
    $this->give($this->slip, $this->ben, $level);
    ($this->follow)(Pace::Now)->update(['wanted' => ['answered']]);
    $id = $this->as($this->ada, 'POST', '/events', ['calendar' => $this->slip->slug, 'title' => 'Hush regatta', 'start' => '2026-11-20T09:00', 'participants' => [['kind' => 'person', 'id' => $cy->id, 'part' => 'required']]])->json('id');
    $this->as($cy, 'PUT', "/events/{$id}/answer", ['answer' => 'declined'])->assertNoContent();
    ($this->reckon)('notice', $id);
    expect(str_contains(($this->reach)(), 'Cy Mast does not come to Hush regatta'))->toBe(in_array($level, SEES_OPEN, true));
})->with(Level::cases());
