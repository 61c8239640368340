<?php

namespace App\Directory;

use App\Changes\Change;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Directory\AgentWords;

/** Where people are signed in, and how that ends. */
final class Devices
{
    /** @return list<DeviceData> where somebody is signed in, used last first */
    public function of(Person $person, string $current): array
    {
        return DB::table('sessions')->where('user_id', $person->id)->orderByDesc('last_activity')->get()->map(static fn (object $row): DeviceData => new DeviceData(
            self::digest($row->id), AgentWords::of((string) $row->user_agent), (string) $row->ip_address, Carbon::createFromTimestampUTC($row->last_activity)->toIso8601ZuluString(), $row->id === $current,
        ))->values()->all();
    }

    /**
     * Signs somebody out: everywhere, or everywhere but where they ask from, or in one place. Nowhere do they stay signed in
     * by what a browser remembers.
     *
     * @param  ?string  $but  the session that goes on
     * @param  ?string  $only  the digest of the one that ends
     * @return int in how many places
     */
    public function end(Person $person, ?string $but = null, ?string $only = null): int
    {
        return DB::transaction(function () use ($person, $but, $only): int {
            $ids = DB::table('sessions')->where('user_id', $person->id)->pluck('id')
                ->filter(static fn (string $id): bool => $id !== $but && ($only === null || self::digest($id) === $only));
            $person->forceFill(['remember_token' => bin2hex(random_bytes(30))])->save();
            // What is told to an open browser ends, too: where they may go on, it connects anew.
            Change::ofAccess([$person->id]);

            return DB::table('sessions')->whereIn('id', $ids)->delete();
        });
    }

    private static function digest(string $id): string
    {
        return substr(hash('sha256', $id), 0, 24);
    }
}
