<?php

namespace App\Following;

use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Notices\Pace;

/**
 * Tells those who hear of it as it happens: what was done is put into batches, once it is settled, and each of those who follow any of it gets one
 * notice of a batch. One worker does at a time; where it is ended in between another takes the batch up, and nobody is told twice.
 */
final class TellFollowers
{
    private const AT_ONCE = 100;

    public function __construct(private readonly NoticesPut $notices, private readonly NoticeLines $lines)
    {
    }

    /** @return int how many people were told something */
    public function run(): int
    {
        $name = 'followers '.md5(DB::getDatabaseName());
        if ((int) DB::scalar('SELECT GET_LOCK(?, 0)', [$name]) !== 1) {
            return 0;
        }
        try {
            $this->begin();
            $told = 0;
            foreach (DB::table('notice_batches')->whereNull('told_at')->orderBy('id')->pluck('id') as $batch) {
                $told += $this->tell((int) $batch);
            }

            return $told;
        } finally {
            DB::select('SELECT RELEASE_LOCK(?)', [$name]);
        }
    }

    /** Once the first of what waits is due, all of it that can no longer be undone at once is told together. */
    private function begin(): void
    {
        DB::transaction(static function (): void {
            $waiting = DB::table('operation_steps')->whereNull('batch_id');
            if (! (clone $waiting)->where('due_at', '<=', now())->exists()) {
                return;
            }
            $settled = $waiting->where('created_at', '<=', now()->subSeconds((int) config('rota.letters.undo_seconds')));
            if ((clone $settled)->exists()) {
                $settled->update(['batch_id' => DB::table('notice_batches')->insertGetId(['created_at' => now()])]);
            }
        });
    }

    private function tell(int $batch): int
    {
        $followers = app(Followers::class);
        $reckoned = app(ReckonNotices::class)->within($batch - 1, $batch, Pace::Now, $followers);
        $known = DB::table('notices')->where('batch_id', $batch)->where('pace', Pace::Now)->pluck('person_id')->flip()->all();
        $told = 0;
        foreach (array_chunk(array_diff_key($reckoned, $known), self::AT_ONCE, true) as $some) {
            $told += $this->put($some, $batch, $followers);
        }
        foreach ($reckoned as $personId => $each) {
            Parted::follow($personId, $each);
        }
        DB::table('notice_batches')->where('id', $batch)->update(['told_at' => now()]);

        return $told;
    }

    /** @param  array<int, Reckoned>  $some  by person */
    private function put(array $some, int $batch, Followers $followers): int
    {
        $rows = $written = [];
        foreach ($followers->of(array_keys($some)) as $followed) {
            $personId = $followed->person->id;
            $lines = $this->lines->of($some[$personId], $followed->person->timezone);
            if ($lines === []) {
                continue;
            }
            $rows[] = ['person_id' => $personId, 'lines' => $lines];
            if (in_array(true, array_column($lines, 'mail'), true)) {
                $written[$personId] = mb_strtolower($followed->person->email);
            }
        }
        if ($rows === []) {
            return 0;
        }
        $this->notices->put($rows, $written, $batch, now());

        return count($rows);
    }
}
