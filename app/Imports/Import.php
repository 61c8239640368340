<?php

namespace App\Imports;

use App\Calendars\Calendar;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A file that was looked at, and perhaps brought in.
 *
 * @property int $id
 * @property int $calendar_id
 * @property int $created_by
 * @property string $file_name
 * @property ?string $path in the storage, until it is brought in or dropped
 * @property ?array{added: int, changed: int, unchanged: int} $counts
 * @property ?Carbon $applied_at
 * @property Calendar $calendar
 */
final class Import extends Model
{
    protected $guarded = [];

    protected $attributes = ['path' => null, 'counts' => null, 'applied_at' => null];

    /** @return BelongsTo<Calendar, $this> */
    public function calendar(): BelongsTo
    {
        return $this->belongsTo(Calendar::class);
    }

    protected function casts(): array
    {
        return ['counts' => 'array', 'applied_at' => 'datetime', 'created_by' => 'integer'];
    }
}
