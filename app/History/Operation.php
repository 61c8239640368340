<?php

namespace App\History;

use App\Directory\Person;
use App\Events\Write\Cause;
use App\Events\Write\OperationKind;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * One thing that somebody did with events.
 *
 * @property int $id
 * @property ?int $person_id
 * @property OperationKind $kind
 * @property Cause $cause
 * @property ?Carbon $undone_at
 * @property Carbon $created_at
 * @property ?Person $person
 */
final class Operation extends Model
{
    /** What of an answer names the operation by which what was done is undone. */
    public const HEADER = 'Operation';

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
        return ['kind' => OperationKind::class, 'cause' => Cause::class, 'undone_at' => 'datetime', 'created_at' => 'datetime'];
    }
}
