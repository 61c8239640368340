<?php

namespace App\Remarks;

use App\Directory\Person;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What somebody remarked on an event.
 *
 * @property int $id
 * @property int $event_id the head
 * @property string $recurrence_id the name of the time that is meant, of a series; empty: all of it
 * @property ?int $person_id null where they are gone
 * @property string $text
 * @property Carbon $created_at
 * @property ?Person $person
 */
final class Remark extends Model
{
    public const UPDATED_AT = null;

    protected $table = 'event_remarks';

    protected $guarded = [];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
