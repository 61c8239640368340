<?php

namespace App\Occurrences;

use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Time\LocalDateTime;

/** How far the index reaches: series are kept in it from `from` to `to` (UTC seconds, end exclusive). */
final readonly class OccurrenceHorizon
{
    /** Of a series that has more than these in reach the index holds none: it is expanded when it is looked at. */
    public const MOST_OF_ONE = 20_000;

    private const HELD = 1;

    private const ROLLING = 2;

    public function __construct(public int $from, public int $to)
    {
    }

    /** What the index holds now; laid around today when there is none yet. */
    public static function current(): self
    {
        return self::stored(self::HELD) ?? tap(self::around(now()->getTimestamp()), static fn (self $horizon) => $horizon->put(self::HELD));
    }

    /** How far series are to be laid: what the index holds, and while it rolls, what it will hold. */
    public static function toLay(): self
    {
        return self::stored(self::ROLLING) ?? self::current();
    }

    private static function stored(int $id): ?self
    {
        $row = DB::table('occurrence_horizons')->where('id', $id)->first();

        return $row === null ? null : new self(LocalDateTime::parse($row->from_at)->seconds, LocalDateTime::parse($row->to_at)->seconds);
    }

    public static function around(int $now): self
    {
        $day = intdiv($now, 86400) * 86400;

        return new self($day - 86400 * (int) config('rota.occurrences.days_back'), $day + 86400 * (int) config('rota.occurrences.days_ahead'));
    }

    /** How many days are in reach. */
    public static function days(): int
    {
        return (int) config('rota.occurrences.days_back') + (int) config('rota.occurrences.days_ahead');
    }

    /** From now on the index holds this. */
    public function store(): void
    {
        $this->put(self::HELD);
        DB::table('occurrence_horizons')->where('id', self::ROLLING)->delete();
    }

    /** From now on the index is on its way to this: whatever is laid meanwhile is laid so far. */
    public function announce(): void
    {
        $this->put(self::ROLLING);
    }

    private function put(int $id): void
    {
        // By one statement: two may come to an empty table at once.
        DB::table('occurrence_horizons')->upsert(['id' => $id, 'from_at' => self::stamp($this->from), 'to_at' => self::stamp($this->to)], 'id');
    }

    public static function stamp(int $seconds): string
    {
        return str_replace('T', ' ', (new LocalDateTime($seconds))->toDateTime());
    }
}
