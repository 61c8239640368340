<?php

namespace App\Events;

use App\Calendars\Calendar;
use App\Calendars\Category;
use App\Participants\ParticipantRecord;
use App\Pins\Pin;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Events\AskWhen;
use PinnedRota\Core\Events\Status;
use PinnedRota\Core\Time\TimeKind;

/**
 * A row of events: the head of a series (a single event is one too), or one changed occurrence of it.
 *
 * @property int $id
 * @property int $calendar_id
 * @property ?int $series_id the head; null for a head
 * @property string $uid
 * @property ?string $recurrence_id the original start of a changed occurrence (see RecurrenceId)
 * @property bool $and_following whether the changed occurrence holds for all that follow it
 * @property string $title
 * @property TimeKind $time_kind
 * @property string $starts_local wall time, `2026-11-02 09:30:00`
 * @property string $ends_local exclusive
 * @property ?string $timezone the id of a zone (see PinnedRota\Core\Time\Zone)
 * @property ?string $end_timezone the id of the zone that the end was told in, where it is another; ends_local is in that of the start all the same
 * @property ?string $duration
 * @property bool $repeats
 * @property bool $indexed false where a series has too many occurrences for the index
 * @property ?string $recurrence content lines of RRULE, RDATE and EXDATE
 * @property string $place
 * @property string $description
 * @property string $link
 * @property Status $status
 * @property bool $busy
 * @property bool $private
 * @property bool $has_participants so that a window asks of those events alone who takes part
 * @property int $priority
 * @property ?string $colour its own, whatever the layer has that shows it
 * @property bool $joinable whether whoever may read it may join it; on the head
 * @property int $sequence
 * @property ?string $details content lines of reminders and what is kept as it came
 * @property ?string $ask_when as AskWhen has it; of the details, for looking for it
 * @property ?int $travel_minutes likewise
 * @property ?string $fingerprint
 * @property ?int $import_id
 * @property ?int $copied_from the event that this one is a copy of
 * @property ?int $created_by
 * @property ?int $updated_by
 * @property int $version of the whole series, on its head
 * @property Carbon $created_at
 * @property Carbon $updated_at
 * @property ?Calendar $calendar
 */
final class EventRecord extends Model
{
    use SoftDeletes;

    /** What is loaded of a head with which its series is known: see EventTranslator. */
    public const WHOLE = ['categories', 'participants', 'overrides.categories', 'overrides.participants', 'pins'];

    protected $table = 'events';

    protected $guarded = [];

    protected $attributes = [
        'series_id' => null, 'recurrence_id' => null, 'and_following' => false, 'indexed' => true, 'timezone' => null, 'end_timezone' => null, 'duration' => null, 'repeats' => false, 'recurrence' => null,
        'place' => '', 'description' => '', 'link' => '', 'status' => 'confirmed', 'busy' => true, 'private' => false, 'has_participants' => false,
        'priority' => 0, 'colour' => null, 'joinable' => false, 'sequence' => 0, 'details' => null, 'ask_when' => null, 'travel_minutes' => null, 'fingerprint' => null, 'import_id' => null, 'copied_from' => null,
        'created_by' => null, 'updated_by' => null, 'version' => 1,
    ];

    /** @return BelongsToMany<Category, $this> */
    public function categories(): BelongsToMany
    {
        return $this->belongsToMany(Category::class, 'event_category', 'event_id', 'category_id');
    }

    /** From when on its calendar asks those who are to take part. */
    public function calendarAsks(): AskWhen
    {
        return $this->loadMissing('calendar')->calendar?->askWhen() ?? AskWhen::Confirmed;
    }

    /** @return BelongsTo<Calendar, $this> on which it is */
    public function calendar(): BelongsTo
    {
        return $this->belongsTo(Calendar::class);
    }

    /** @return HasMany<EventRecord, $this> the changed occurrences of a head */
    public function overrides(): HasMany
    {
        return $this->hasMany(self::class, 'series_id')->orderBy('id');
    }

    /** @return HasMany<ParticipantRecord, $this> in order, whoever asks the others first */
    public function participants(): HasMany
    {
        return $this->hasMany(ParticipantRecord::class, 'event_id')->orderBy('position');
    }

    /** @return HasMany<Pin, $this> the further calendars on which a head shows */
    public function pins(): HasMany
    {
        return $this->hasMany(Pin::class, 'event_id');
    }

    protected function casts(): array
    {
        return [
            'time_kind' => TimeKind::class, 'status' => Status::class,
            'repeats' => 'boolean', 'busy' => 'boolean', 'private' => 'boolean', 'has_participants' => 'boolean', 'and_following' => 'boolean', 'indexed' => 'boolean', 'joinable' => 'boolean',
        ];
    }
}
