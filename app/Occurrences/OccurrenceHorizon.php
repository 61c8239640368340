<?php

namespace App\Occurrences;

use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Time\LocalDateTime;

/** How far the index reaches: series are kept in it from `from` to `to` (UTC seconds, end exclusive). */
final readonly class OccurrenceHorizon
{
    public function __construct(public int $from, public int $to)
    {
    }

    /** What the index holds now; laid around today when there is none yet. */
    public static function current(): self
    {
        $row = DB::table('occurrence_horizons')->orderByDesc('id')->first();
        if ($row === null) {
            $horizon = self::around(now()->getTimestamp());
            $horizon->store();

            return $horizon;
        }

        return new self(LocalDateTime::parse($row->from_at)->seconds, LocalDateTime::parse($row->to_at)->seconds);
    }

    public static function around(int $now): self
    {
        $day = intdiv($now, 86400) * 86400;

        return new self($day - 86400 * (int) config('rota.occurrences.days_back'), $day + 86400 * (int) config('rota.occurrences.days_ahead'));
    }

    public function store(): void
    {
        DB::table('occurrence_horizons')->updateOrInsert(['id' => 1], [
            'from_at' => self::stamp($this->from),
            'to_at' => self::stamp($this->to),
        ]);
    }

    public static function stamp(int $seconds): string
    {
        return str_replace('T', ' ', (new LocalDateTime($seconds))->toDateTime());
    }
}
