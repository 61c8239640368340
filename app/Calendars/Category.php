<?php

namespace App\Calendars;

use Illuminate\Database\Eloquent\Model;
use PinnedRota\Core\Overlay\Colour;

/**
 * @property int $id
 * @property ?int $calendar_id null where it is common to the organisation
 * @property string $name
 * @property bool $closes_day
 * @property ?Colour $colour
 */
final class Category extends Model
{
    protected $guarded = [];

    protected function casts(): array
    {
        return ['closes_day' => 'boolean', 'colour' => Colour::class];
    }
}
