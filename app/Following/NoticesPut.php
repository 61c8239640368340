<?php

namespace App\Following;

use App\Outbox\LetterKind;
use App\Outbox\Outbox;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Notices\Pace;

/** Writes down what people are told as it happens, with the letters of it. */
final class NoticesPut
{
    public function __construct(private readonly Outbox $outbox)
    {
    }

    /**
     * @param  non-empty-list<array{person_id: int, lines: list<array<string, mixed>>}>  $notices  nobody twice
     * @param  array<int, string>  $written  addresses of those who are written to, by person
     * @param  ?int  $batch  in which it was reckoned; null: of one of its own, in which no step is, so that nobody reckons it again
     */
    public function put(array $notices, array $written, ?int $batch, Carbon $due): void
    {
        DB::transaction(function () use ($notices, $written, $batch, $due): void {
            $batch ??= DB::table('notice_batches')->insertGetId(['created_at' => now(), 'told_at' => now()]);
            DB::table('notices')->insert(array_map(static fn (array $each): array => [
                'person_id' => $each['person_id'], 'batch_id' => $batch, 'pace' => Pace::Now->value, 'lines' => json_encode($each['lines'], JSON_THROW_ON_ERROR),
                'in_inbox' => in_array(true, array_column($each['lines'], 'inbox'), true), 'created_at' => now(),
            ], $notices));
            $ids = DB::table('notices')->where('batch_id', $batch)->where('pace', Pace::Now)->whereIntegerInRaw('person_id', array_keys($written))->pluck('id', 'person_id');
            $this->outbox->put(LetterKind::Notice, array_map(static fn (int $personId, string $address): array => [
                'slot' => null, 'address' => $address, 'person_id' => $personId, 'about' => ['notice' => (int) $ids[$personId]],
            ], array_keys($written), $written), $due);
        });
    }
}
