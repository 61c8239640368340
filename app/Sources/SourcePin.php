<?php

namespace App\Sources;

use App\Calendars\Calendar;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A calendar on which all of a source shows, what comes of it later too: each event by a pin of its own (App\Pins\Pin).
 *
 * @property int $id
 * @property int $source_id
 * @property int $calendar_id
 * @property ?int $pinned_by whose access decides how much of it is seen there
 * @property Source $source
 * @property Calendar $calendar
 */
final class SourcePin extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @return BelongsTo<Source, $this> */
    public function source(): BelongsTo
    {
        return $this->belongsTo(Source::class);
    }

    /** @return BelongsTo<Calendar, $this> */
    public function calendar(): BelongsTo
    {
        return $this->belongsTo(Calendar::class);
    }
}
