<?php

namespace App\History;

use App\Directory\Person;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * One thing that somebody did with events.
 *
 * @property int $id
 * @property ?int $person_id
 * @property string $what add, change, move, delete, restore
 * @property ?Carbon $undone_at
 * @property Carbon $created_at
 * @property ?Person $person
 */
final class Operation extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return HasMany<OperationSeries, $this> */
    public function series(): HasMany
    {
        return $this->hasMany(OperationSeries::class)->orderBy('id');
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    protected function casts(): array
    {
        return ['undone_at' => 'datetime', 'created_at' => 'datetime'];
    }
}
