<?php

namespace App\Feeds;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Overlays\Overlay;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Publishing\SecretToken;

/**
 * A secret link to a calendar, an overlay, or all that is on somebody's list (where it is of neither), as iCalendar. It is looked
 * up by a digest; the token itself is kept encrypted for its maker. Of those made before that was so it is not known any more.
 *
 * @property int $id
 * @property ?int $calendar_id
 * @property ?int $overlay_id
 * @property string $name the reader or the place that it is for
 * @property bool $personal whether its maker has made it for themselves
 * @property string $detail full or busy
 * @property ?int $weeks_back how far back it goes; null: as far as is known
 * @property ?int $reminder_minutes so long before each event a device reminds; null: not at all
 * @property ?list<array<string, mixed>> $conditions what it asks of events, as those of a layer
 * @property ?string $token
 * @property string $token_hash
 * @property int $created_by
 * @property ?string $fetched_by what kind of program did so last
 * @property ?Carbon $last_fetched_at
 * @property ?Carbon $revoked_at
 * @property int $version
 * @property Carbon $created_at
 * @property ?Calendar $calendar
 * @property ?Overlay $overlay
 * @property Person $publisher
 */
final class Feed extends Model
{
    /** What somebody's list is called where it stands for itself. */
    private const LIST = 'My list';

    protected $guarded = [];

    protected $attributes = ['calendar_id' => null, 'overlay_id' => null, 'personal' => false, 'token' => null, 'weeks_back' => null, 'reminder_minutes' => null, 'conditions' => null, 'fetched_by' => null, 'version' => 1, 'last_fetched_at' => null, 'revoked_at' => null];

    /** @return BelongsTo<Calendar, $this> */
    public function calendar(): BelongsTo
    {
        return $this->belongsTo(Calendar::class);
    }

    /** @return BelongsTo<Overlay, $this> */
    public function overlay(): BelongsTo
    {
        return $this->belongsTo(Overlay::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function publisher(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'created_by');
    }

    /** What it is of is called so. */
    public function subjectName(): string
    {
        return $this->calendar->name ?? $this->overlay->name ?? self::LIST;
    }

    /** Whether it is of a calendar or overlay that is no more. */
    public function isOrphaned(): bool
    {
        return ($this->calendar_id !== null && $this->calendar === null) || ($this->overlay_id !== null && $this->overlay === null);
    }

    /** Whether it gives a calendar as it is kept, series as series. Otherwise each time is told on its own. */
    public function isWhole(): bool
    {
        return $this->calendar_id !== null && $this->weeks_back === null && $this->reminder_minutes === null && ($this->conditions ?? []) === [];
    }

    /** @return Builder<self> also where it was ended */
    public static function byToken(string $token): Builder
    {
        return self::query()->where('token_hash', SecretToken::digest($token));
    }

    /** @return Builder<self> those that go on, of what there still is */
    public static function standing(): Builder
    {
        return self::query()->whereNull('revoked_at')
            ->where(static fn (Builder $query): Builder => $query->whereNull('calendar_id')->orWhereHas('calendar'))
            ->where(static fn (Builder $query): Builder => $query->whereNull('overlay_id')->orWhereHas('overlay'));
    }

    protected function casts(): array
    {
        return [
            'last_fetched_at' => 'datetime', 'revoked_at' => 'datetime', 'created_by' => 'integer', 'calendar_id' => 'integer', 'overlay_id' => 'integer', 'personal' => 'boolean',
            'token' => 'encrypted', 'weeks_back' => 'integer', 'reminder_minutes' => 'integer', 'conditions' => 'array', 'version' => 'integer',
        ];
    }
}
