<?php

namespace App\Feeds;

use App\Calendars\Calendar;
use App\Directory\Person;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A secret link to a calendar as iCalendar. Only a digest of its token is kept: the link is shown once.
 *
 * @property int $id
 * @property int $calendar_id
 * @property string $name the reader or the place that it is for
 * @property string $detail full or busy
 * @property string $token_hash
 * @property int $created_by
 * @property ?Carbon $last_fetched_at
 * @property ?Carbon $revoked_at
 * @property Carbon $created_at
 * @property Calendar $calendar
 * @property Person $publisher
 */
final class Feed extends Model
{
    protected $guarded = [];

    protected $attributes = ['last_fetched_at' => null, 'revoked_at' => null];

    /** @return BelongsTo<Calendar, $this> */
    public function calendar(): BelongsTo
    {
        return $this->belongsTo(Calendar::class);
    }

    /** @return BelongsTo<Person, $this> */
    public function publisher(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'created_by');
    }

    public static function newToken(): string
    {
        return rtrim(strtr(base64_encode(random_bytes(24)), '+/', '-_'), '=');
    }

    /** @return Builder<self> also where it was ended */
    public static function byToken(string $token): Builder
    {
        return self::query()->where('token_hash', hash('sha256', $token));
    }

    protected function casts(): array
    {
        return ['last_fetched_at' => 'datetime', 'revoked_at' => 'datetime', 'created_by' => 'integer'];
    }
}
