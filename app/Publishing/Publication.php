<?php

namespace App\Publishing;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Overlays\Overlay;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
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
 * @property bool $on_screen whether a screen on a wall may show it
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
 */
final class Publication extends Model
{
    protected $guarded = [];

    protected $attributes = ['period' => 'all', 'weeks_back' => 0, 'weeks_on' => 0, 'followed' => true, 'as_table' => false, 'on_screen' => false, 'reads' => 0, 'version' => 1, 'former_hash' => null, 'former_until' => null, 'paused_at' => null, 'ended_at' => null, 'last_read_at' => null];

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

    /** @return Builder<self> those that were not taken back, of what there still is */
    public static function standing(): Builder
    {
        return self::query()->whereNull('ended_at')->where(fn ($query) => $query->whereHas('calendar')->orWhereHas('overlay'));
    }

    /** By its readable address, its secret one, or the one that it had before; also where it is paused or ended. */
    public static function at(string $address): ?self
    {
        $digest = self::digest($address);

        return self::query()->with(['publisher', 'calendar.source', 'overlay'])
            ->where(fn ($query) => $query->where('slug', $address)->orWhere('token_hash', $digest)->orWhere('former_hash', $digest))->get()
            // The database takes capitals for the same as small letters.
            ->first(static fn (self $each): bool => $each->slug === $address || in_array($digest, [$each->token_hash, $each->former_hash], true));
    }

    /** Whether it has been given up, or it was asked for by an address that it has no more. */
    public function isGoneFrom(string $address): bool
    {
        return $this->ended_at !== null || ($this->former_hash === self::digest($address) && $this->former_until?->isPast() !== false);
    }

    /** Since when that is. */
    public function goneSince(string $address): ?Carbon
    {
        return $this->ended_at ?? ($this->former_hash === self::digest($address) ? $this->former_until : null);
    }

    public function url(): string
    {
        return url('/p/'.($this->slug ?? $this->token));
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

    public static function digest(string $address): string
    {
        return hash('sha256', $address);
    }

    protected function casts(): array
    {
        return [
            'detail' => Detail::class, 'audience' => Audience::class, 'token' => 'encrypted', 'published_by' => 'integer', 'calendar_id' => 'integer', 'overlay_id' => 'integer',
            'former_until' => 'datetime', 'paused_at' => 'datetime', 'ended_at' => 'datetime', 'last_read_at' => 'datetime', 'weeks_back' => 'integer', 'weeks_on' => 'integer', 'reads' => 'integer', 'followed' => 'boolean', 'as_table' => 'boolean', 'on_screen' => 'boolean', 'conditions' => 'array', 'frame_sites' => 'array', 'version' => 'integer',
        ];
    }
}
