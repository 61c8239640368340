<?php

namespace App\Notices;

use App\Directory\Person;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * When somebody looked last, and since when they are told what changed: since the end of their last visit, or since they
 * said that they have seen it all.
 *
 * @property int $person_id
 * @property Carbon $since
 * @property Carbon $last_at
 */
final class Visit extends Model
{
    public $timestamps = false;

    protected $primaryKey = 'person_id';

    public $incrementing = false;

    protected $guarded = [];

    /** Whoever was away for so long, in minutes, comes anew. */
    private const AWAY = 240;

    /** So often, in minutes, it is written down that somebody is here. */
    private const WRITTEN = 5;

    /** Their visit, which goes on or begins by this. To who was never here nothing has changed. */
    public static function of(Person $person): self
    {
        $visit = self::query()->firstOrCreate(['person_id' => $person->id], ['since' => now(), 'last_at' => now()]);
        if ($visit->last_at <= now()->subMinutes(self::AWAY)) {
            $visit->since = $visit->last_at;
        }
        if ($visit->last_at <= now()->subMinutes(self::WRITTEN)) {
            $visit->last_at = now();
            $visit->save();
        }

        return $visit;
    }

    protected function casts(): array
    {
        return ['since' => 'datetime', 'last_at' => 'datetime'];
    }
}
