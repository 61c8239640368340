<?php

use App\Events\EventRecord;
use App\Following\Followers;
use App\Following\ReckonNotices;
use App\Following\TellFollowers;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Access\Level;
use PinnedRota\Core\Notices\NoticeTime;
use PinnedRota\Core\Notices\Pace;

/**
 * Random histories of a calendar, told in batches to somebody who follows it and who knows nothing but what they are told: what they knew, with all
 * that they were told since applied to it, is what is there now.
 */
beforeEach(function () {
    $this->travelTo('2026-11-02 10:00:00');
    [$this->ada, $this->ben] = [$this->person('Ada Quill'), $this->person('Ben Oar')];
    [$this->slip, $this->loft] = [$this->calendar($this->ada, 'Slipway'), $this->calendar($this->ada, 'Lofts')];
    $this->give($this->slip, $this->ben, Level::See);
    $this->as($this->ben, 'PUT', '/follows', ['kind' => 'calendar', 'calendar' => $this->slip->slug, 'changes' => ['added', 'moved', 'changed', 'cancelled'], 'pace' => 'now', 'byMail' => false, 'inInbox' => true])->assertOk();
    $this->entry = static fn (NoticeTime $time, bool $isOff): string => gmdate('m-d H:i', $time->startSeconds).'–'.gmdate('m-d H:i', $time->endSeconds)." {$time->title} @{$time->place}".($isOff ? ' off' : '');
    /** What is there for Ben, from the day on which all of it begins. */
    $this->there = fn (): array => collect($this->sheet($this->ben, '2026-11-01', '2027-03-01', "&calendar={$this->slip->slug}", 'UTC')->assertOk()->json('items'))
        ->reject(fn (array $item): bool => $item['busyOnly'])
        ->map(fn (array $item): string => str_replace('T', ' ', substr($item['start'], 5)).'–'.str_replace('T', ' ', substr($item['end'], 5))." {$item['title']} @".trim($item['place']).($item['status'] === 'cancelled' ? ' off' : ''))->sort()->values()->all();
    $this->tell = function (array $known): array {
        $this->travel(700)->seconds();
        app(TellFollowers::class)->run();
        $last = (int) DB::table('notice_batches')->max('id');
        $reckoned = app(ReckonNotices::class)->within($this->told, $last, Pace::Now, app(Followers::class))[$this->ben->id] ?? null;
        $this->told = $last;
        $items = array_map(static fn ($each) => $each->item, $reckoned?->items ?? []);
        foreach ($items as $item) {
            if ($item->was !== null) {
                $entry = ($this->entry)($item->was, false);
                $found = array_search($entry, $known, true);
                $found = $found === false ? array_search("{$entry} off", $known, true) : $found;
                expect($found)->not->toBeFalse("“{$entry}” is said to be another, and was not known: ".implode(', ', $known));
                unset($known[$found]);
            }
        }
        foreach ($items as $item) {
            if ($item->is !== null) {
                $known[] = ($this->entry)($item->is, $item->isOff);
            }
        }

        return array_values($known);
    };
});

test('what somebody is told adds up to what is there', function (int $seed) {
    mt_srand($seed);
    [$this->told, $known, $undoable, $deleted] = [0, [], [], []];
    $pick = static fn (array $of) => $of[mt_rand(0, count($of) - 1)];
    $day = static fn (): string => '2026-'.$pick(['11', '12']).'-'.sprintf('%02d', mt_rand(3, 28));
    $live = fn (): array => EventRecord::query()->whereNull('series_id')->pluck('id')->all();
    $time = function (int $id): ?string {
        $times = DB::table('occurrences')->where('series_id', $id)->whereNotNull('recurrence_id')->pluck('recurrence_id')->all();

        return $times === [] ? null : $times[mt_rand(0, count($times) - 1)];
    };
    $change = function (int $id, array $input, string $query = '') use (&$undoable): void {
        $answer = $this->as($this->ada, 'PATCH', "/events/{$id}{$query}", $input, EventRecord::query()->findOrFail($id)->version);
        // What is refused, such as a time that is not there any more, changes nothing.
        if ($answer->isSuccessful()) {
            $undoable[] = (int) $answer->headers->get('Operation');
        }
    };
    for ($step = 0; $step < 30; $step++) {
        $ids = $live();
        $id = $ids === [] ? null : $pick($ids);
        $doing = $id === null ? 'add' : $pick(['add', 'add', 'move', 'move', 'rename', 'place', 'cancel', 'off', 'away', 'back', 'one', 'one', 'following', 'delete', 'restore', 'undo', 'undo', 'redo', 'hide', 'show']);
        $hour = sprintf('%02d', mt_rand(8, 16));
        match ($doing) {
            'add' => $undoable[] = (int) $this->as($this->ada, 'POST', '/events', ['calendar' => $pick([$this->slip, $this->slip, $this->loft])->slug, 'title' => "Event {$step}", 'start' => ($on = $day())."T{$hour}:00", 'end' => "{$on}T{$hour}:30", 'timezone' => 'UTC'] + (mt_rand(0, 2) === 0 ? ['repeat' => ['unit' => 'week', 'every' => 1, 'count' => 5]] : []))->assertCreated()->headers->get('Operation'),
            'move' => $change($id, ['start' => ($on = $day())."T{$hour}:00", 'end' => "{$on}T{$hour}:45"]),
            'rename' => $change($id, ['title' => "Renamed {$step}"]),
            'place' => $change($id, ['place' => "Slip {$step}"]),
            'cancel' => $change($id, ['status' => 'cancelled']),
            'off' => $change($id, ['status' => 'confirmed']),
            'away' => $change($id, ['calendar' => $this->loft->slug]),
            'back' => $change($id, ['calendar' => $this->slip->slug]),
            'hide' => $change($id, ['private' => true]),
            'show' => $change($id, ['private' => false]),
            'one' => ($at = $time($id)) === null ? null : $change($id, ['place' => "Only {$step}", 'start' => ($on = $day())."T{$hour}:15", 'end' => "{$on}T{$hour}:45"], '?occurrence='.urlencode($at)),
            'following' => ($at = $time($id)) === null ? null : $change($id, ['title' => "From then on {$step}"], '?following=1&occurrence='.urlencode($at)),
            'delete' => $this->as($this->ada, 'DELETE', "/events/{$id}", [], EventRecord::query()->findOrFail($id)->version)->assertNoContent() && $deleted[] = $id,
            'restore' => $deleted === [] ? null : $this->as($this->ada, 'POST', "/events/{$pick($deleted)}/restore"),
            'undo', 'redo' => $undoable === [] ? null : $this->as($this->ada, 'POST', '/operations/'.$pick(array_slice($undoable, -4))."/{$doing}"),
        };
        if (mt_rand(0, 3) === 0) {
            $known = ($this->tell)($known);
            sort($known);
            expect($known)->toBe(($this->there)(), "seed {$seed}, step {$step}: {$doing}");
        }
    }
    $known = ($this->tell)($known);
    sort($known);
    expect($known)->toBe(($this->there)())->and(DB::table('operation_steps')->count())->toBeGreaterThan(15);
})->with(range(1, 20));
