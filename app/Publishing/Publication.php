<?php

namespace App\Publishing;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Overlays\Overlay;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Publishing\Audience;
use PinnedRota\Core\Publishing\Detail;
use PinnedRota\Core\Publishing\Period;

/**
 * What is given of a calendar or an overlay to whoever has no account: never more than its publisher may see at that moment.
 *
 * @property int $id
 * @property string $name
 * @property ?int $calendar_id
 * @property ?int $overlay_id
 * @property Detail $detail
 * @property Audience $audience
 * @property 'all'|'year'|'weeks' $period
 * @property int $weeks_back
 * @property int $weeks_on
 * @property bool $followed whether devices may follow it
 * @property bool $as_table whether it can be taken as a table
 * @property ?list<string> $table_columns which columns that has besides title and time; null: all there are
 * @property ?list<array<string, mixed>> $conditions what it asks of events besides, as those of a layer
 * @property ?list<string> $frame_sites origins of the sites that show it in a frame
 * @property ?string $slug its readable address, where it is for everybody
 * @property ?string $token its secret link, where it is not
 * @property ?string $token_hash
 * @property ?string $former_hash of the address before this one
 * @property ?Carbon $former_until how long that is answered
 * @property int $published_by
 * @property ?Carbon $paused_at
 * @property ?Carbon $ended_at
 * @property int $reads
 * @property ?Carbon $last_read_at
 * @property int $version
 * @property Carbon $created_at
 * @property ?Calendar $calendar
 * @property ?Overlay $overlay
 * @property Person $publisher
 * @property Collection<int, PublicationLink> $links that were not taken back, the oldest first
 */
final class Publication extends Model
{
    /** What is asked of it whenever it is given out. */
    public const TO_READ = ['publisher', 'calendar.source', 'overlay'];

    protected $guarded = [];

    protected $attributes = ['period' => 'all', 'weeks_back' => 0, 'weeks_on' => 0, 'followed' => true, 'as_table' => false, 'table_columns' => null, 'reads' => 0, 'version' => 1, 'former_hash' => null, 'former_until' => null, 'paused_at' => null, 'ended_at' => null, 'last_read_at' => null];

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
        return $this->belongsTo(Person::class, 'published_by');
    }

    /** @return HasMany<PublicationLink, $this> */
    public function links(): HasMany
    {
        return $this->hasMany(PublicationLink::class)->whereNull('ended_at')->orderBy('id');
    }

    /** @return Builder<self> those that were not taken back, of what there still is */
    public static function standing(): Builder
    {
        return self::query()->whereNull('ended_at')->where(fn ($query) => $query->whereHas('calendar')->orWhereHas('overlay'));
    }

    /** Null where it is for named people, each of whom has a link of their own. */
    public function url(): ?string
    {
        $address = $this->slug ?? $this->token;

        return $address === null ? null : url("/p/{$address}");
    }

    public function reach(): Period
    {
        return match ($this->period) {
            'year' => Period::schoolYear(),
            'weeks' => Period::weeks($this->weeks_back, $this->weeks_on),
            default => Period::all(),
        };
    }

    /** By what a time of an event is known where it is published, so that what is seen elsewhere under another name is not given away. */
    public function nameOf(int $seriesId, ?string $occurrence): string
    {
        return hash('sha256', "publication|{$this->id}|{$seriesId}|{$occurrence}");
    }

    protected function casts(): array
    {
        return [
            'detail' => Detail::class, 'audience' => Audience::class, 'token' => 'encrypted', 'published_by' => 'integer', 'calendar_id' => 'integer', 'overlay_id' => 'integer',
            'former_until' => 'datetime', 'paused_at' => 'datetime', 'ended_at' => 'datetime', 'last_read_at' => 'datetime', 'weeks_back' => 'integer', 'weeks_on' => 'integer', 'reads' => 'integer', 'followed' => 'boolean', 'as_table' => 'boolean', 'conditions' => 'array', 'table_columns' => 'array', 'frame_sites' => 'array', 'version' => 'integer',
        ];
    }
}
