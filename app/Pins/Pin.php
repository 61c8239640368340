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
 * @property bool $asked whether nobody pinned it: whose calendar it is, who does not see that of the event, is asked to it; it is for their eyes alone
 * @property ?int $source_pin_id where it is there because all of its source is: see App\Sources\SourcePin
 * @property Carbon $created_at
 */
final class Pin extends Model
{
    public $timestamps = false;

    protected $table = 'event_pins';

    protected $guarded = [];

    protected function casts(): array
    {
        return ['joined' => 'boolean', 'asked' => 'boolean', 'created_at' => 'datetime'];
    }
}
