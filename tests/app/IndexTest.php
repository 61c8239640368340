<?php

use App\Events\Event;
use App\Events\EventTranslator;
use App\Events\OccurrenceHorizon;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Events\RecurrenceId;

/** @return list<string> what the core says should be in the index */
function expected(): array
{
    $horizon = OccurrenceHorizon::current();
    $lines = [];
    foreach (Event::query()->whereNull('series_id')->with(['categories', 'overrides.categories'])->get() as $head) {
        [$from, $to] = $head->repeats ? [$horizon->from, $horizon->to] : [0, 4_000_000_000];
        foreach ((new EventTranslator)->series($head)->occurrences($from, $to) as $each) {
            $lines[] = implode('|', [$head->calendar_id, $head->id, OccurrenceHorizon::stamp($each->startSeconds), OccurrenceHorizon::stamp($each->endSeconds), $each->recurrenceId === null ? '' : RecurrenceId::text($each->recurrenceId), $each->event->title]);
        }
    }
    sort($lines);

    return $lines;
}

/** @return list<string> what is in it */
function indexed(): array
{
    $rows = DB::table('occurrences as o')->join('events as e', 'e.id', '=', 'o.event_id')->get(['o.calendar_id', 'o.series_id', 'o.starts_at', 'o.ends_at', 'o.recurrence_id', 'e.title']);
    $lines = $rows->map(fn (object $row): string => implode('|', (array) $row))->all();
    sort($lines);

    return $lines;
}

test('after any run of changes the index holds what the core says, and nothing else', function (int $seed) {
    mt_srand($seed);
    $ada = $this->person();
    $calendars = [$this->calendar($ada, 'One'), $this->calendar($ada, 'Two')];
    $rules = [null, null, 'FREQ=WEEKLY;COUNT=6', 'FREQ=DAILY;COUNT=9', 'FREQ=WEEKLY;BYDAY=MO,TH;COUNT=8'];
    $heads = [];
    for ($number = 0; $number < 8; $number++) {
        $heads[] = $this->add($calendars[mt_rand(0, 1)], $ada, title: "Event {$number}", start: sprintf('2026-11-%02dT%02d:00', mt_rand(1, 28), mt_rand(0, 22)), rule: $rules[mt_rand(0, 4)])->id;
    }
    for ($step = 0; $step < 25; $step++) {
        $id = $heads[mt_rand(0, 7)];
        $head = Event::withTrashed()->find($id);
        $occurrence = $head->trashed() ? null : DB::table('occurrences')->where('series_id', $id)->whereNotNull('recurrence_id')->inRandomOrder($seed + $step)->value('recurrence_id');
        $path = "/events/{$id}".($occurrence !== null && mt_rand(0, 1) === 1 ? "?occurrence={$occurrence}" : '');
        $start = ['start' => sprintf('2026-12-%02dT%02d:30', mt_rand(1, 28), mt_rand(0, 23))];
        $answer = match (true) {
            $head->trashed() => $this->as($ada, 'POST', "/events/{$id}/restore"),
            mt_rand(0, 4) === 0 => $this->as($ada, 'DELETE', $path, [], $head->version),
            mt_rand(0, 3) === 0 => $this->as($ada, 'PATCH', "/events/{$id}", ['calendar' => $calendars[mt_rand(0, 1)]->slug], $head->version),
            mt_rand(0, 2) === 0 => $this->as($ada, 'PATCH', $path, ['title' => "Step {$step}"], $head->version),
            default => $this->as($ada, 'PATCH', $path, $start, $head->version),
        };
        expect($answer->status())->toBeIn([200, 204], $answer->getContent())->and(indexed())->toBe(expected());
    }
})->with([3, 14, 159]);

test('a refused change leaves the index as it was', function () {
    $ada = $this->person();
    $event = $this->add($this->calendar($ada), $ada, rule: 'FREQ=WEEKLY;COUNT=4');
    $before = indexed();
    $this->as($ada, 'PATCH', "/events/{$event->id}", ['end' => '2026-01-01T00:00'], 1)->assertUnprocessable();
    $this->as($ada, 'PATCH', "/events/{$event->id}", ['calendar' => 'nowhere', 'title' => 'x'], 1)->assertUnprocessable();
    expect(indexed())->toBe($before)->and(Event::query()->find($event->id))->title->toBe('Rigging test')->version->toBe(1);
});
