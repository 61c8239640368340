<?php

namespace App\Sources;

use App\Calendars\Calendar;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Documents\DocumentKind;
use PinnedRota\Core\Sources\RefreshState;

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
 * @property ?Carbon $failing_since when it began to fail; null while it does not
 * @property ?string $declined what the far side has and somebody does not want, by its digest (Plan::digest())
 * @property DocumentKind $kind what is at the address
 * @property ?int $own_minutes after how long the far side wants to be asked again (RFC 7986, 5.7)
 * @property ?array<string, mixed> $terms what is taken of it, see SourceTermsData
 * @property ?array{kind: 'basic'|'token', user?: string, secret: string} $sign_in encrypted
 * @property ?string $catalogue why it is worth having, where it stands in the catalogue
 * @property ?int $created_by
 * @property Calendar $calendar
 * @property ?Refresh $held
 */
final class Source extends Model
{
    protected $guarded = [];

    protected $attributes = ['failures' => 0, 'etag' => null, 'last_modified' => null, 'succeeded_at' => null, 'next_refresh_at' => null, 'error' => null, 'failing_since' => null, 'declined' => null, 'kind' => 'calendar', 'own_minutes' => null, 'terms' => null, 'sign_in' => null, 'catalogue' => null];

    protected $hidden = ['sign_in'];

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

    /** After how many minutes it is fetched again while all is well: as was chosen, but no sooner than the far side asks for. */
    public function everyMinutes(): int
    {
        return max($this->refresh_minutes, $this->own_minutes ?? 0);
    }

    /**
     * The refresh that waits for somebody’s word.
     *
     * @return HasOne<Refresh, $this>
     */
    public function held(): HasOne
    {
        return $this->hasOne(Refresh::class)->ofMany(['id' => 'max'], static fn ($refreshes) => $refreshes->where('state', RefreshState::Held));
    }

    protected function casts(): array
    {
        return ['succeeded_at' => 'datetime', 'next_refresh_at' => 'datetime', 'failing_since' => 'datetime', 'kind' => DocumentKind::class, 'terms' => 'array', 'sign_in' => 'encrypted:array'];
    }
}
