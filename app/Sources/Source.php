<?php

namespace App\Sources;

use App\Calendars\Calendar;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * An outside address whose events show as a calendar that is only read.
 *
 * @property int $id
 * @property int $calendar_id
 * @property string $url
 * @property int $refresh_minutes
 * @property ?string $etag
 * @property ?string $last_modified
 * @property ?Carbon $succeeded_at
 * @property ?Carbon $next_refresh_at
 * @property int $failures in a row
 * @property ?string $error why the last refresh failed; null when it did not
 * @property ?int $created_by
 * @property Calendar $calendar
 */
final class Source extends Model
{
    protected $guarded = [];

    protected $attributes = ['failures' => 0, 'etag' => null, 'last_modified' => null, 'succeeded_at' => null, 'next_refresh_at' => null, 'error' => null];

    /** @return BelongsTo<Calendar, $this> */
    public function calendar(): BelongsTo
    {
        return $this->belongsTo(Calendar::class);
    }

    /** @return HasMany<Refresh, $this> */
    public function refreshes(): HasMany
    {
        return $this->hasMany(Refresh::class);
    }

    protected function casts(): array
    {
        return ['succeeded_at' => 'datetime', 'next_refresh_at' => 'datetime'];
    }
}
