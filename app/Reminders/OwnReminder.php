<?php

namespace App\Reminders;

use App\Directory\Person;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * That somebody wants to be reminded of an event; of a series, of each time of it.
 *
 * @property int $id
 * @property int $person_id
 * @property int $event_id the head
 * @property int $minutes before it starts
 * @property Carbon $created_at what was before that is not made up for
 */
final class OwnReminder extends Model
{
    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return list<int> minutes before the start, of one person and event, ascending */
    public static function of(?int $personId, int $eventId): array
    {
        return $personId === null ? [] : self::query()->where('person_id', $personId)->where('event_id', $eventId)->orderBy('minutes')->pluck('minutes')->map(intval(...))->all();
    }

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}
