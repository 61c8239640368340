<?php

namespace App\Rooms;

use Illuminate\Database\Eloquent\Model;

/**
 * A room that events take place in.
 *
 * @property int $id
 * @property string $name
 */
final class Room extends Model
{
    protected $guarded = [];
}
