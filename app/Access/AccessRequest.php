<?php

namespace App\Access;

use App\Calendars\Calendar;
use App\Directory\Person;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Access\Level;

/**
 * Somebody asks for more of a calendar than they have.
 *
 * @property int $id
 * @property int $calendar_id
 * @property int $person_id
 * @property Level $level that is asked for
 * @property string $message
 * @property ?int $decided_by
 * @property ?Carbon $decided_at
 * @property ?Level $given none where it was declined
 * @property ?Carbon $seen_at when who asked has seen the answer
 * @property Calendar $calendar
 * @property Person $person
 * @property ?Person $decider
 * @property Carbon $created_at
 */
final class AccessRequest extends Model
{
    protected $guarded = [];

    /** @return BelongsTo<Calendar, $this> */
    public function calendar(): BelongsTo
    {
        return $this->belongsTo(Calendar::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function decider(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'decided_by');
    }

    protected function casts(): array
    {
        return ['level' => Level::class, 'given' => Level::class, 'decided_at' => 'datetime', 'seen_at' => 'datetime'];
    }
}
