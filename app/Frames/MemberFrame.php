<?php

namespace App\Frames;

use App\Calendars\Calendar;
use App\Directory\Person;
use App\Overlays\Overlay;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use PinnedRota\Core\Access\Level;

/**
 * A frame on another site in which people of the organisation sign in, and have the rights there that they have here, as far as it allows.
 *
 * @property int $id
 * @property string $key by which it is known in its address; no secret: it opens nothing
 * @property ?int $calendar_id
 * @property ?int $overlay_id
 * @property string $view as which it opens
 * @property bool $may_change whether events can be added and changed in it
 * @property int $made_by
 * @property Carbon $created_at
 * @property ?Calendar $calendar
 * @property ?Overlay $overlay
 * @property Person $maker
 */
final class MemberFrame extends Model
{
    public const VIEWS = ['lanes', 'week', 'month', 'list'];

    protected $guarded = [];

    public static function newKey(): string
    {
        return bin2hex(random_bytes(16));
    }

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
    public function maker(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'made_by');
    }

    /** What anybody has in it at most. */
    public function atMost(): Level
    {
        return $this->may_change ? Level::Change : Level::See;
    }

    public function subjectName(): string
    {
        return $this->calendar->name ?? $this->overlay->name ?? '';
    }

    public function url(): string
    {
        return url("/members/{$this->key}");
    }

    protected function casts(): array
    {
        return ['calendar_id' => 'integer', 'overlay_id' => 'integer', 'may_change' => 'boolean', 'made_by' => 'integer'];
    }
}
