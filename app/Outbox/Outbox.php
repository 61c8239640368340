<?php

namespace App\Outbox;

use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** Where letters wait until they are sent. What is put here within a transaction goes out exactly where that holds. */
final class Outbox
{
    private const AT_ONCE = 500;

    /**
     * Puts letters beside those that wait. Of a slot in which one waits already that one goes, at its time or at this one, whichever is sooner.
     *
     * @param  list<array{slot: ?string, address: string, person_id?: ?int, invitation_id?: ?int, about?: ?array<string, mixed>}>  $letters
     */
    public function put(LetterKind $kind, array $letters, Carbon $due): void
    {
        foreach (array_chunk($letters, self::AT_ONCE) as $some) {
            $rows = array_map(static fn (array $each): array => [
                'kind' => $kind->value, 'slot' => $each['slot'], 'address' => $each['address'], 'person_id' => $each['person_id'] ?? null, 'invitation_id' => $each['invitation_id'] ?? null,
                'about' => isset($each['about']) ? json_encode($each['about'], JSON_THROW_ON_ERROR) : null, 'due_at' => $due, 'created_at' => now(),
            ], $some);
            DB::table('outbox')->upsert($rows, ['slot'], ['due_at' => DB::raw('LEAST(due_at, VALUES(due_at))')]);
        }
        if ($letters !== []) {
            SendDueLetters::dispatch()->delay($due);
        }
    }
}
