<?php

namespace App\Pins;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A further calendar on which a series shows.
 *
 * @property int $id
 * @property int $event_id the head
 * @property int $calendar_id
 * @property ?int $pinned_by
 * @property bool $joined whether whoever pinned it joined it by that
 * @property Carbon $created_at
 */
final class Pin extends Model
{
    public $timestamps = false;

    protected $table = 'event_pins';

    protected $guarded = [];

    protected function casts(): array
    {
        return ['joined' => 'boolean', 'created_at' => 'datetime'];
    }
}
