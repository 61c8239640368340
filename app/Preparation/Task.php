<?php

namespace App\Preparation;

use App\Directory\Person;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Something that is to be done for an event, so many days before or after it starts.
 *
 * @property int $id
 * @property int $event_id the head
 * @property int $position
 * @property string $title
 * @property int $days from the day on which the event starts; negative is before it
 * @property ?int $doer_id
 * @property ?Person $doer
 */
final class Task extends Model
{
    public $timestamps = false;

    protected $table = 'event_tasks';

    protected $guarded = [];

    /** @return BelongsTo<Person, $this> */
    public function doer(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'doer_id');
    }

    /** @return HasMany<TaskDone, $this> the times of the series for which it is done */
    public function done(): HasMany
    {
        return $this->hasMany(TaskDone::class);
    }
}
