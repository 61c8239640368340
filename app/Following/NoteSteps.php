<?php

namespace App\Following;

use App\Events\Write\Cause;
use App\Events\Write\EventsChanged;
use App\Events\Write\SeriesChanged;
use App\Events\Write\Telling;
use Illuminate\Support\Facades\DB;

/**
 * Notes within the transaction of a change that it is to be told to those who follow what has changed: one row, however many events and
 * followers there are. What is told, and to whom, is worked out later.
 */
final class NoteSteps
{
    /** Of more it is not looked whether any begins soon. */
    private const FEW = 50;

    public function handle(EventsChanged $changed): void
    {
        $first = $changed->series[0] ?? null;
        if ($first === null || $changed->operationId === null || $first->cause === Cause::Script) {
            return;
        }
        $last = DB::table('operation_steps')->where('operation_id', $changed->operationId)->orderByDesc('id')->first(['back']);
        // Of what is carried out a part at a time this is a further part.
        if ($last !== null && (bool) $last->back === $changed->isBack) {
            return;
        }
        $isSoon = $changed->telling === Telling::Soon || (count($changed->series) < self::FEW && array_filter($changed->series, static fn (SeriesChanged $each): bool => $each->isSoon()) !== []);
        $due = now()->addSeconds((int) config($isSoon ? 'rota.letters.undo_seconds' : 'rota.letters.gather_seconds'));
        DB::table('operation_steps')->insert([
            'operation_id' => $changed->operationId, 'person_id' => $first->actor->personId, 'back' => $changed->isBack, 'quiet' => ! $changed->isTold(), 'due_at' => $due, 'created_at' => now(),
        ]);
        TellFollowersSoon::dispatch()->delay($due);
    }
}
