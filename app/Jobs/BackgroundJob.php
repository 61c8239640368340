<?php

namespace App\Jobs;

use App\Calendars\Calendar;
use App\Directory\Person;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * Long work that somebody asked for: it is there until they have seen its end, and for days after.
 *
 * @property int $id
 * @property int $person_id
 * @property JobKind $kind
 * @property string $title
 * @property ?int $calendar_id
 * @property array<string, mixed> $input
 * @property JobState $state
 * @property int $attempts how often it was begun: whatever ends a worker is no reason to try for ever
 * @property ?array<string, mixed> $outcome see JobOutcome
 * @property ?array<string, mixed> $problem a problem document
 * @property Carbon $queued_at
 * @property ?Carbon $started_at
 * @property ?Carbon $ended_at
 * @property ?Carbon $seen_at when its end was seen
 * @property Carbon $created_at
 * @property Person $person
 * @property ?Calendar $calendar
 */
final class BackgroundJob extends Model
{
    public const UPDATED_AT = null;

    protected $guarded = [];

    protected $attributes = ['calendar_id' => null, 'attempts' => 0, 'outcome' => null, 'problem' => null, 'started_at' => null, 'ended_at' => null, 'seen_at' => null];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Calendar, $this> */
    public function calendar(): BelongsTo
    {
        return $this->belongsTo(Calendar::class);
    }

    public function isEnded(): bool
    {
        return $this->state->isEnd();
    }

    /**
     * Ends it, unless it has ended.
     *
     * @param  ?array<string, mixed>  $problem
     */
    public function end(JobState $state, ?JobOutcome $outcome = null, ?array $problem = null): void
    {
        self::query()->whereKey($this->id)->whereNull('ended_at')->update([
            'state' => $state, 'outcome' => $outcome === null ? null : json_encode($outcome), 'problem' => $problem === null ? null : json_encode($problem), 'ended_at' => now(),
        ]);
    }

    protected function casts(): array
    {
        return [
            'kind' => JobKind::class, 'state' => JobState::class, 'input' => 'array', 'outcome' => 'array', 'problem' => 'array',
            'queued_at' => 'datetime', 'started_at' => 'datetime', 'ended_at' => 'datetime', 'seen_at' => 'datetime', 'created_at' => 'datetime',
        ];
    }
}
