<?php

namespace App\Following;

use App\Directory\Person;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use PinnedRota\Core\Notices\Pace;

/**
 * That somebody wants a digest, when, and what was in the last.
 *
 * @property int $id
 * @property int $person_id
 * @property Pace $pace daily or weekly
 * @property int $hour on their clock
 * @property int $weekday 0 is Monday; of a weekly one
 * @property bool $by_mail
 * @property int $last_batch the last that was told
 * @property ?Carbon $last_on the day of the last
 * @property Person $person
 */
final class Digest extends Model
{
    protected $guarded = [];

    protected $attributes = ['hour' => 7, 'weekday' => 0, 'by_mail' => true];

    /** Theirs, which is begun where there is none: what changed before is in none. */
    public static function of(Person $person, Pace $pace): self
    {
        return self::query()->firstOrCreate(['person_id' => $person->id, 'pace' => $pace], ['last_batch' => (int) DB::table('notice_batches')->max('id'), 'last_on' => now($person->timezone)->subDay()->toDateString()]);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    protected function casts(): array
    {
        return ['pace' => Pace::class, 'by_mail' => 'boolean', 'last_on' => 'date:Y-m-d'];
    }
}
