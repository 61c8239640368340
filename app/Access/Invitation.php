<?php

namespace App\Access;

use App\Calendars\Calendar;
use App\Directory\Person;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Access\Level;

/**
 * Word to a person that a calendar was shared with them. What they may do with it holds already; answering says whether
 * they want it.
 *
 * @property int $id
 * @property int $calendar_id
 * @property int $person_id
 * @property Level $level
 * @property ?int $given_by
 * @property ?Carbon $answered_at
 * @property ?bool $accepted
 * @property Calendar $calendar
 * @property ?Person $giver
 * @property Carbon $updated_at
 */
final class Invitation extends Model
{
    protected $guarded = [];

    /** @return BelongsTo<Calendar, $this> */
    public function calendar(): BelongsTo
    {
        return $this->belongsTo(Calendar::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function giver(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'given_by');
    }

    protected function casts(): array
    {
        return ['level' => Level::class, 'answered_at' => 'datetime', 'accepted' => 'boolean'];
    }
}
